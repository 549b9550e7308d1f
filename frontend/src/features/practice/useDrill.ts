// A drill: so many trials of each exercise in turn, each kept when it is answered.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, newToken } from "../../api/client";
import type { Answered, Judged } from "../../api/types";
import { useArtist } from "../../shared/useArtist";
import type { Answer } from "./ways";

type Part = { exercise: string; trials: number };

/** "half:10,tilt:8" as parts. */
export function partsOf(text: string): Part[] {
  return text.split(",").flatMap((each) => {
    const [exercise, trials] = each.split(":");
    return exercise ? [{ exercise, trials: Math.max(Number(trials) || 1, 1) }] : [];
  });
}

/** How many are done, remembered until the tab is closed, so that a reload goes on. */
function useDone(of: string): [number, (done: number) => void] {
  const name = `drill ${of}`;
  const [done, set] = useState(() => Number(sessionStorage.getItem(name)) || 0);
  const keep = useCallback(
    (now: number) => {
      sessionStorage.setItem(name, String(now));
      set(now);
    },
    [name],
  );
  return [done, keep];
}

const AGAIN_MS = 1500;

export function useDrill(of: string) {
  const artist = useArtist();
  const client = useQueryClient();
  const parts = useMemo(() => partsOf(of), [of]);
  const total = parts.reduce((sum, each) => sum + each.trials, 0);
  const [done, setDone] = useDone(of);
  const part = partAt(parts, done);
  const [judged, setJudged] = useState<Judged | null>(null);
  const shownAt = useRef(0);
  const posed = useQuery({
    queryKey: ["posed", of, done],
    queryFn: () => api.pose(part?.exercise ?? "", artist),
    enabled: part !== null,
    staleTime: Number.POSITIVE_INFINITY,
    refetchOnWindowFocus: false,
  });
  const seed = posed.data?.card.seed;
  const picture = posed.data?.image?.address;
  const [there, setThere] = useState<number | null>(null);
  const [lost, setLost] = useState(0);
  // Nothing can be answered before its picture is there, and the time begins then.
  useEffect(() => {
    if (seed === undefined) {
      return;
    }
    const shown = () => {
      shownAt.current = performance.now();
      setThere(seed);
    };
    if (!picture) {
      shown();
      return;
    }
    const coming = new Image();
    let again = 0;
    coming.onload = shown;
    coming.onerror = () => {
      again = window.setTimeout(() => setLost(lost + 1), AGAIN_MS);
    };
    coming.src = lost ? `${picture}${picture.includes("?") ? "&" : "?"}again=${lost}` : picture;
    return () => {
      coming.onload = null;
      coming.onerror = null;
      window.clearTimeout(again);
    };
  }, [seed, picture, lost]);
  const answering = useMutation({
    mutationFn: (body: Answered) => api.answer(body),
    onSuccess: (found) => {
      setJudged(found);
      client.invalidateQueries({ queryKey: ["practice"] });
      client.invalidateQueries({ queryKey: ["own eye"] });
      // While the truth is looked at, the next one is fetched, its picture too.
      const after = partAt(parts, done + 1);
      if (after) {
        client
          .fetchQuery({
            queryKey: ["posed", of, done + 1],
            queryFn: () => api.pose(after.exercise, artist),
            staleTime: Number.POSITIVE_INFINITY,
          })
          .then((next) => {
            if (next.image) {
              new Image().src = next.image.address;
            }
          })
          .catch(() => undefined);
      }
    },
  });
  const send = (answer: Answer, typed: string | null) => {
    if (!posed.data || judged || answering.isPending) {
      return;
    }
    answering.mutate({
      artist,
      card: posed.data.card,
      answer: typed === null ? [...answer] : [],
      typed,
      seconds: Math.round((performance.now() - shownAt.current) / 100) / 10,
      token: newToken(),
    });
  };
  const next = () => {
    if (judged) {
      setJudged(null);
      answering.reset();
      setDone(done + 1);
    }
  };
  return {
    parts,
    part,
    total,
    done,
    posed: posed.data ?? null,
    /** Whether all that is asked about can be seen. */
    there: seed !== undefined && there === seed,
    trouble: answering.error ?? posed.error,
    /** The same answer once more, under its own token. */
    again: () => {
      if (answering.variables) {
        answering.mutate(answering.variables);
      } else {
        posed.refetch();
      }
    },
    busy: answering.isPending,
    judged,
    send,
    next,
    restart: () => setDone(0),
  };
}

function partAt(parts: readonly Part[], done: number): (Part & { number: number }) | null {
  let before = 0;
  for (const each of parts) {
    if (done < before + each.trials) {
      return { ...each, number: done - before };
    }
    before += each.trials;
  }
  return null;
}
