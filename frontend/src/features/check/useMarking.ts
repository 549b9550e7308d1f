// Landmarks marked on the photograph, one tap each: the next is asked for at once, whatever the
// server does meanwhile; a mark on the place of another is asked about.
import { useEffect, useState } from "react";
import type { Change, CheckRoom } from "../../api/types";

type Place = [number, number];
type Tell = (change: Change, done?: string) => Promise<boolean>;
/** A mark that was set; once it is answered, for the room of that version to show. */
type Sent = { at: Place; answered: boolean };
export type Slip = { landmark: string; other: string; at: Place };

/** Two marks nearer than this are one place; landmarks that should be so near are not asked about. */
const SAME_MM = 3;
const APART = 3;

const gap = (a: readonly number[], b: readonly number[]) =>
  Math.hypot((a[0] ?? 0) - (b[0] ?? 0), (a[1] ?? 0) - (b[1] ?? 0));

export function useMarking(room: CheckRoom | undefined, tell: Tell) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [sent, setSent] = useState<ReadonlyMap<string, Sent>>(new Map());
  const [slip, setSlip] = useState<Slip | null>(null);
  const version = room?.version;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new room shows what was answered
  useEffect(() => {
    setSent((old) => new Map([...old].filter(([, each]) => !each.answered)));
  }, [version]);

  const landmarks = room?.landmarks ?? [];
  const put = async (landmark: string, at: Place, known: ReadonlySet<string>) => {
    const here = landmarks.findIndex((each) => each.id === landmark);
    setSlip(null);
    setSent((old) => new Map(old).set(landmark, { at, answered: false }));
    const next = landmarks.slice(here + 1).find((each) => !known.has(each.id));
    setChosen(known.has(landmark) ? null : (next?.id ?? null));
    const name = landmarks[here]?.name ?? landmark;
    const taken = await tell({ type: "mark_drawn", landmark, at }, `${name} is marked.`);
    setSent((old) => {
      const now = new Map(old);
      taken ? now.set(landmark, { at, answered: true }) : now.delete(landmark);
      return now;
    });
    if (!taken) {
      setChosen(landmark);
    }
  };
  /** `fresh`: what the room shows is of this drawing. */
  const marked = (fresh: boolean) =>
    new Set([
      ...sent.keys(),
      ...(fresh ? landmarks.filter((each) => each.marked).map((each) => each.id) : []),
    ]);
  return {
    chosen,
    setChosen: (landmark: string | null) => {
      setSlip(null);
      setChosen(landmark);
    },
    /** Marks that the room doesn't show yet. */
    sent: new Map([...sent].map(([id, each]) => [id, each.at])) as ReadonlyMap<string, Place>,
    slip,
    mark: (landmark: string, at: Place, fresh: boolean) => {
      const target = landmarks.find((each) => each.id === landmark)?.target ?? at;
      const other = landmarks.find((each) => {
        const there = sent.get(each.id)?.at ?? (fresh && each.marked ? each.measured : null);
        const same = each.id !== landmark && there && gap(there, at) < SAME_MM;
        return same && gap(each.target, target) > APART * SAME_MM;
      });
      if (other && slip?.landmark !== landmark) {
        setSlip({ landmark, other: other.name, at });
      } else {
        void put(landmark, at, marked(fresh));
      }
    },
    /** Both do lie there. */
    insist: (fresh: boolean) => slip && void put(slip.landmark, slip.at, marked(fresh)),
    giveWay: () => setSlip(null),
    /** The next that isn't marked, this one being hidden or not drawn yet. */
    skip: (fresh: boolean) => {
      const known = marked(fresh);
      const here = landmarks.findIndex((each) => each.id === chosen);
      const after = [...landmarks.slice(here + 1), ...landmarks.slice(0, Math.max(here, 0))];
      setSlip(null);
      setChosen(after.find((each) => !known.has(each.id))?.id ?? null);
    },
  };
}

export type Marking = ReturnType<typeof useMarking>;
