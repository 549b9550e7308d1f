// The bench as a whole: what is asked of the server, what is pointed at, and what can be done.
import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { useLocation, useNavigate, useSearchParams } from "react-router";
import { ApiError } from "../../api/client";
import { queries } from "../../api/queries";
import type { Bench, Change, PadKinds, Prompt, Sighting } from "../../api/types";
import type { Point } from "../../geometry/scale";
import { useArtist } from "../../shared/useArtist";
import { useStickShown } from "../../shared/useStickShown";
import type { StudyHandle } from "../../shared/useStudy";
import type { Picking } from "./depth/usePoints";
import { justTaken, usePad } from "./pad";
import { useView } from "./picture";
import { useNext, useRelations } from "./prompter";
import { type Held, useStick } from "./stick";
import { useOwnEye } from "./useOwnEye";

export const SIDES = ["Next", "Readings", "Marks", "Depth", "Set-up"] as const;
export type Side = (typeof SIDES)[number];
const FROM_BENCH = "from the bench";
/** Under which the browser remembers how wide the pictures are. */
const WIDE = "bench wide";

/** What is said of the last reading; `again` lays one out again that could not be kept. */
export type Message = { text: string; bad: boolean; failed?: boolean; again?: () => void };
export type Room = ReturnType<typeof useBenchRoom>;

export function useBenchRoom(study: StudyHandle, bench: Bench, kinds: PadKinds) {
  const pad = usePad(bench, kinds);
  const [search, setSearch] = useSearchParams();
  const [here, navigate] = [useLocation(), useNavigate()];
  const [pointed, setPointed] = useState<string | null>(null);
  const [promise, setPromise] = useState<Prompt | null>(null);
  const [message, setMessage] = useState<Message | null>(null);
  const [revealed, setRevealed] = useState(false);
  const [placing, setPlacing] = useState<string | null>(null);
  const [picking, setPicking] = useState<Picking>(null);
  const [allNames, setAllNames] = useState(false);
  const [wide, setWide] = useState(() => localStorage.getItem(WIDE) === "yes");
  const box = useRef<HTMLDivElement>(null);
  const looking = useView(box);
  const { state, put, fill } = pad;
  // What was said of the last reading goes when the next is begun; what was wrong with one that is
  // still on the pad, when it is gone.
  const easel = search.get("easel") === "yes";
  const begun = state.value !== "" || state.letters !== "" || (pad.touched && !easel);
  useEffect(() => {
    setMessage((old) => (!old || old.again || begun === (old.failed ?? false) ? old : null));
  }, [begun]);
  const stick = useStick(bench, { held: pad.kind.held as Held, slots: state.slots, put, fill });
  useStickShown(
    bench.id,
    state.kind,
    state.slots.flatMap((each) => each ?? []),
  );
  const truth = useQuery({ ...queries.reveal(bench), enabled: revealed });

  const make = useCallback(
    async (change: Change): Promise<string | null> => {
      try {
        await study.change(change);
        return null;
      } catch (error) {
        return error instanceof ApiError ? error.sentence : String(error);
      }
    },
    [study.change],
  );
  const told = (trouble: string | null) =>
    trouble !== null && setMessage({ text: trouble, bad: true });
  const artist = useArtist();
  const own = useOwnEye(bench, pad.kind.kind);
  const next = useNext(bench, study.unsent);
  const current = easel && !study.busy && next.data?.version === bench.version;
  const half = state.value !== "" || state.letters !== "";
  useLaidOut(current && !half ? next.prompt : undefined, pad.takeUp, pad.touched);

  // The pad is free for the next reading at once; what could not be kept comes back to it, or waits
  // beside it if the next one has been begun.
  const keep = async (seen = false) => {
    if (pad.looksFirst && !seen) {
      pad.guessed();
      return;
    }
    if (pad.several.open) {
      pad.several.lay();
      return;
    }
    if (!state.again && !state.editing && !pad.several.on && justTaken(bench, pad)) {
      pad.set({ again: true });
      setMessage({
        text: "You have just taken this. Again on purpose? Keep once more.",
        bad: true,
      });
      return;
    }
    const type = state.editing ? "edit_sighting" : "take_sighting";
    const sighting = pad.sighting(seen ? (state.guess ?? state.value) : state.value);
    const measured = state.guess !== null && !state.editing && !seen;
    const eye = {
      ...(measured ? { guess: pad.sighting(state.guess ?? ""), artist } : {}),
      ...(seen && own?.sigma ? { by_eye: { sigma: own.sigma, relative: own.relative } } : {}),
    };
    const several = pad.several.on ? pad.several.sightings() : null;
    const aside = pad.setAside();
    try {
      const after = await study.change(
        (several
          ? { type: "take_sightings", sightings: several }
          : { type, sighting, ...eye }) as Change,
      );
      if (aside.untouched()) {
        setMessage(after.did);
      }
      next.begin();
    } catch (error) {
      const text = error instanceof ApiError ? error.sentence : String(error);
      const waits = !aside.untouched();
      setMessage({ text, bad: true, failed: true, again: waits ? aside.back : undefined });
      if (!waits) {
        aside.back();
      }
    }
  };
  const walk = async (back: boolean) => {
    try {
      const made = await (back ? study.undo() : study.redo());
      const said = back ? `Taken back.${made.redo ? ` ${made.redo}` : ""}` : "Brought again.";
      setMessage({ text: said, bad: false });
    } catch (error) {
      told(error instanceof ApiError ? error.sentence : String(error));
    }
  };

  return {
    study,
    bench,
    pad,
    stick,
    next,
    relations: useRelations(bench, (each) =>
      make({ type: "adopt_relation", relation: each.entry as unknown as Sighting }).then(told),
    ),
    pointed,
    setPointed,
    promise,
    setPromise,
    message,
    revealed,
    box,
    looking,
    allNames,
    placing,
    setPlacing,
    place: (at: Point) => {
      const change = placing ? placed(bench, placing, at) : null;
      setPlacing(null);
      if (change) {
        make(change).then(told);
      }
    },
    picking,
    setPicking,
    /** Whether subject and sheet have the whole width, and what is asked stands under them. */
    wide: wide && !easel && !window.matchMedia("(max-width: 900px)").matches,
    widen: () => {
      localStorage.setItem(WIDE, wide ? "no" : "yes");
      setWide(!wide);
    },
    nameAll: () => setAllNames(!allNames),
    truth,
    reveal: () => bench.subject.revealing && setRevealed(!revealed),
    side: (SIDES.find((each) => each === search.get("side")) ?? "Next") as Side,
    turnTo: (side: Side) => setSearch(side === "Next" ? {} : { side }, { replace: true }),
    easel,
    // The easel is a step of its own: Back leaves it, and not the study.
    toEasel: () => {
      if (!easel) {
        setSearch({ easel: "yes" }, { state: FROM_BENCH });
      } else if (here.state === FROM_BENCH) {
        navigate(-1);
      } else {
        setSearch({}, { replace: true });
      }
    },
    make,
    tell: (change: Change) => make(change).then(told),
    keep: () => keep(),
    own,
    keepSeen: () => keep(true),
    back: () => walk(true),
    again: () => walk(false),
  };
}

/** The landmark where it was tapped on the thumbnail, whose scale and origin the server has sent. */
function placed(bench: Bench, id: string, at: Point): Change | null {
  const landmark = bench.landmarks.find((each) => each.id === id);
  const [size, left, top] = bench.subject.tapped ?? [];
  if (!landmark || !size || left === undefined || top === undefined) {
    return null;
  }
  const { name, tier } = landmark;
  const rough: [number, number] = [(at.x - left) / size, (at.y - top) / size];
  return { type: "edit_landmark", landmark: { id, name, tier, rough } };
}

/** At the easel the pad is laid out for what is asked, so that only the value is left to give; what
 * is half entered stays. */
function useLaidOut(
  prompt: Prompt | undefined,
  takeUp: (prompt: Prompt) => void,
  touched: boolean,
) {
  const asked = prompt ? `${prompt.kind} ${prompt.start} ${prompt.end}` : null;
  const laidOut = useRef<string | null>(null);
  useEffect(() => {
    if (prompt && (asked !== laidOut.current || !touched)) {
      laidOut.current = asked;
      takeUp(prompt);
    }
  }, [asked, prompt, takeUp, touched]);
}
