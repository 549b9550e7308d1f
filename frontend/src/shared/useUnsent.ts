// Changes that could not be sent: they wait in this browser, a reload included, and go in by
// themselves once Zirkel answers again, each once and in their order.
import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { ApiError, api } from "../api/client";
import type { Bench, Change } from "../api/types";

/** `trouble` is why it could not be taken when it was sent at last. */
export type Unsent = { token: string; at: string; change: Change; trouble?: string };

const AGAIN_MS = 2000;
const CONFLICT = 409;
const MOST_TRIES = 6;

function kept(name: string): Unsent[] {
  try {
    return JSON.parse(localStorage.getItem(name) ?? "[]") as Unsent[];
  } catch {
    return [];
  }
}

export function useUnsent(study: number, heard: boolean) {
  const client = useQueryClient();
  const name = `unsent ${study}`;
  const [unsent, setUnsent] = useState<readonly Unsent[]>(() => kept(name));
  const known = useRef(unsent);
  const sending = useRef(false);
  const put = useCallback(
    (next: readonly Unsent[]) => {
      known.current = next;
      if (next.length > 0) {
        localStorage.setItem(name, JSON.stringify(next));
      } else {
        localStorage.removeItem(name);
      }
      setUnsent(next);
    },
    [name],
  );
  const wait = useCallback(
    (change: Change, token: string) =>
      put([...known.current, { change, token, at: new Date().toISOString() }]),
    [put],
  );
  const leaveOut = useCallback(
    (token: string) => put(known.current.filter((each) => each.token !== token)),
    [put],
  );
  const flush = useCallback(async () => {
    if (sending.current) {
      return;
    }
    sending.current = true;
    try {
      for (const each of known.current.filter((one) => !one.trouble)) {
        const made = await sendOne(study, each);
        if (made === "unanswered") {
          return;
        }
        if (typeof made === "string") {
          put(
            known.current.map((one) =>
              one.token === each.token ? { ...one, trouble: made } : one,
            ),
          );
          continue;
        }
        leaveOut(each.token);
        client.setQueryData(["bench", study], made);
        client.invalidateQueries({ queryKey: ["wall"] });
      }
    } finally {
      sending.current = false;
    }
  }, [client, leaveOut, put, study]);
  const left = unsent.some((each) => !each.trouble);
  useEffect(() => {
    if (!left) {
      return;
    }
    if (heard) {
      flush();
    }
    const again = window.setInterval(flush, AGAIN_MS);
    window.addEventListener("online", flush);
    return () => {
      window.clearInterval(again);
      window.removeEventListener("online", flush);
    };
  }, [left, heard, flush]);
  return { unsent, wait, leaveOut };
}

/** The study after it; why it was not taken; or that nothing was answered. What others changed
 * meanwhile is no hindrance: it goes on top, as the artist meant it. */
async function sendOne(study: number, each: Unsent): Promise<Bench | string> {
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    try {
      const { version } = await api.bench(study);
      return await api.change(study, each.change, { version, token: each.token });
    } catch (error) {
      if (!(error instanceof ApiError)) {
        return String(error);
      }
      if (error.status === 0 || error.status >= 500) {
        return "unanswered";
      }
      if (error.status !== CONFLICT) {
        return error.sentence;
      }
    }
  }
  return "unanswered";
}
