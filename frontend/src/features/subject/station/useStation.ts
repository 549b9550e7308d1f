// A station being tried out: the draft while it is dragged, what the server says of it, and keeping.
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { queries } from "../../../api/queries";
import type { Bench, Change, SimulatedSubject, Station } from "../../../api/types";
import { useLatest } from "../../../shared/useLatest";

export function useStation(bench: Bench, make: (change: Change) => Promise<string | null>) {
  const [draft, setDraft] = useState<Station | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const room = useQuery(queries.station(bench, useLatest(draft, busy)));
  useEffect(() => setBusy(room.isFetching), [room.isFetching]);
  const station = draft ?? room.data?.station;

  const keep = async (subject: Partial<SimulatedSubject>) => {
    if (!room.data || !station) {
      return;
    }
    const faults = Object.fromEntries(
      room.data.faults.filter((each) => each.on).map((each) => [each.name, each.size]),
    );
    const scene = bench.subject.scene ?? "";
    const failed = await make({
      type: "set_subject",
      subject: { scene, station, faults, light: room.data.light, ...subject },
    });
    setTrouble(failed);
    if (failed === null) {
      setDraft(null);
    }
  };

  return {
    room: room.data,
    error: room.error,
    station,
    changed: draft !== null,
    trouble,
    move: (part: Partial<Station>) => station && setDraft({ ...station, ...part }),
    forget: () => setDraft(null),
    keep,
  };
}
