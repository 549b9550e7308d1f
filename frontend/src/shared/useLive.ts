// What happens to a study elsewhere: changed by another device, who is there, what its stick lies on.
import { useQueryClient } from "@tanstack/react-query";
import { createContext, useContext, useEffect, useState } from "react";
import { newToken } from "../api/client";
import type { Bench } from "../api/types";

export type Other = { listener: string; name: string; room: string };
export type OtherStick = { listener: string; kind: string; landmarks: string[] };
export type Live = {
  listener: string;
  /** Whether the server is heard. */
  heard: boolean;
  others: readonly Other[];
  sticks: readonly OtherStick[];
};

/** What this tab calls itself, through reloads too: else it would meet itself for a moment. */
const LISTENER = (() => {
  const known = sessionStorage.getItem("listener") ?? newToken();
  sessionStorage.setItem("listener", known);
  return known;
})();
/** One's own change is answered about when it is told of: its answer comes first, usually. */
const GRACE_MS = 150;
const ASKED_MS = 3000;

const ALONE: Live = { listener: LISTENER, heard: true, others: [], sticks: [] };
export const LiveContext = createContext<Live>(ALONE);
export const useOthers = () => useContext(LiveContext);

export function useLive(study: number, room: string): Live {
  const client = useQueryClient();
  const [heard, setHeard] = useState(true);
  const [others, setOthers] = useState<readonly Other[]>([]);
  const [sticks, setSticks] = useState<readonly OtherStick[]>([]);
  useEffect(() => {
    let later = 0;
    const source = new EventSource(
      `/api/v1/studies/${study}/live?listener=${LISTENER}&room=${encodeURIComponent(room)}`,
    );
    const catchUp = (version: number) => {
      const known = client.getQueryData<Bench>(["bench", study])?.version;
      if (known !== undefined && known < version && !client.isMutating()) {
        client.refetchQueries({ queryKey: ["bench", study] });
      } else if (known !== undefined && known < version) {
        later = window.setTimeout(() => catchUp(version), GRACE_MS);
      }
    };
    let polling = 0;
    source.onopen = () => setHeard(true);
    source.onerror = () => {
      // Refused, as where too many listen: then it is asked now and then instead.
      const refused = source.readyState === EventSource.CLOSED;
      setHeard(refused);
      if (refused && !polling) {
        polling = window.setInterval(
          () => client.refetchQueries({ queryKey: ["bench", study] }),
          ASKED_MS,
        );
      }
    };
    source.addEventListener("changed", (event) => {
      const { version } = JSON.parse(event.data) as { version: number };
      window.clearTimeout(later);
      later = window.setTimeout(() => catchUp(version), GRACE_MS);
    });
    source.addEventListener("again", () => client.refetchQueries({ queryKey: ["bench", study] }));
    source.addEventListener("here", (event) => {
      const all = JSON.parse(event.data) as Other[];
      const there = all.filter((each) => each.listener !== LISTENER);
      setOthers(there);
      setSticks((old) => old.filter((each) => there.some((one) => one.listener === each.listener)));
    });
    source.addEventListener("stick", (event) => {
      const laid = JSON.parse(event.data) as OtherStick;
      setSticks((old) => [
        ...old.filter((each) => each.listener !== laid.listener),
        ...(laid.landmarks.length > 0 ? [laid] : []),
      ]);
    });
    return () => {
      window.clearTimeout(later);
      window.clearInterval(polling);
      source.close();
    };
  }, [client, study, room]);
  return { listener: LISTENER, heard, others, sticks };
}
