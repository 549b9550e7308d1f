// Checking the drawing: it is measured, the eye speaks, then what is off is said and repaired.

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import type { Bench, Change, EyeGuess, Photograph } from "../../api/types";
import { Coming } from "../../shared/Coming";
import { ShortcutHelp } from "../../shared/ShortcutHelp";
import { useShortcuts } from "../../shared/useShortcuts";
import styles from "./Check.module.css";
import { Corners } from "./Corners";
import { DrawnSheet } from "./DrawnSheet";
import { Look } from "./Look";
import { Measure } from "./Measure";
import { Passes } from "./Passes";
import { useMarking } from "./useMarking";
import { VerdictPane } from "./VerdictPane";

type Props = { bench: Bench; make: (change: Change) => Promise<string | null> };
type Step = "measure" | "look" | "verdict";

const SHORTCUTS = [
  { keys: "← → ↑ ↓", does: "On the picture: move the magnifier; with Shift faster" },
  { keys: "Enter", does: "Set the landmark there" },
  { keys: "s", does: "Skip a landmark that is hidden or not drawn yet" },
  { keys: "n", does: "The next correction" },
  { keys: "?", does: "These keys" },
];

export function CheckRoom({ bench, make }: Props) {
  const check = useQuery(queries.check(bench));
  const [wanted, setStep] = useState<Step | null>(null);
  const [corners, setCorners] = useState<{ photograph: Photograph; said: string } | null>(null);
  const [expected, setExpected] = useState(false);
  const [at, setAt] = useState(0);
  const [said, setSaid] = useState<string | null>(null);
  const [guesses, setGuesses] = useState<EyeGuess[]>([]);
  const [help, setHelp] = useState(false);
  const [past, setPast] = useState<string | null>(null);
  const tell = async (change: Change, done = ""): Promise<boolean> => {
    const trouble = await make(change);
    setSaid(trouble ?? done);
    return trouble === null;
  };
  const room = check.data;
  const marking = useMarking(room, tell);
  const { chosen, setChosen } = marking;
  const verdict = room?.verdict ?? null;
  const step: Step = wanted ?? (verdict ? "verdict" : "measure");

  useShortcuts((event) => {
    if (event.key === "?") {
      setHelp(true);
    }
    if (event.key === "n" && verdict) {
      setAt((old) => (old + 1) % Math.max(verdict.moves.length, 1));
    }
    const skips = event.key === "s" && step === "measure" && Boolean(room?.photograph && chosen);
    if (skips) {
      marking.skip(room?.version === bench.version);
    }
    return skips || event.key === "?" || event.key === "n";
  });

  if (check.error) {
    return <p role="alert">{check.error.message}</p>;
  }
  if (!room) {
    return <Coming what="Laying the drawing over the plan…" />;
  }
  const find = async (picture: string) => {
    try {
      const found = await api.corners(bench.id, picture);
      setCorners({ photograph: found.photograph as Photograph, said: found.said });
    } catch (error) {
      setSaid(error instanceof ApiError ? error.sentence : String(error));
    }
  };
  // What is marked is only known of this version: after a new photograph nothing is any more.
  const fresh = room.version === bench.version;
  const place = (x: number, y: number): [number, number] => [
    Math.round(x * 10) / 10,
    Math.round(y * 10) / 10,
  ];
  const judge = async () => {
    if (await tell({ type: "keep_check", guesses })) {
      setGuesses([]);
      setAt(0);
      setChosen(null);
      setStep("verdict");
    }
  };

  if (corners) {
    return (
      <Corners
        sheet={bench.sheet}
        {...corners}
        onTurn={(photograph) => setCorners({ ...corners, photograph })}
        onCancel={() => setCorners(null)}
        onDone={async () => {
          const taken: Change = { type: "set_photograph", photograph: corners.photograph };
          if (await tell(taken, "The sheet is laid flat. Now mark the landmarks on it.")) {
            setCorners(null);
            setStep("measure");
            setChosen(room.landmarks[0]?.id ?? null);
          }
        }}
        trouble={said}
      />
    );
  }
  // With the eye first, the plan gives nothing away before it is asked.
  const picking = step === "measure" && !room.photograph && !room.eye_first;
  const shown = past ? (room.history.find((each) => each.id === past) ?? null) : null;
  return (
    <div className={styles.room}>
      <div className={styles.left}>
        <DrawnSheet
          bench={bench}
          room={room}
          past={shown}
          move={step === "verdict" && !shown ? (verdict?.moves[at] ?? null) : null}
          chosen={chosen}
          pointing={step === "measure" && Boolean(room.photograph) && !shown}
          looking={step === "look"}
          picking={picking}
          expected={expected || picking || step === "verdict"}
          judged={step === "verdict" && !shown}
          sent={marking.sent}
          onMark={(x, y) => chosen && marking.mark(chosen, place(x, y), fresh)}
          onDrag={(id, x, y) => marking.mark(id, place(x, y), fresh)}
          onChoose={setChosen}
        />
        {room.history.length > 0 && (
          <Passes bench={bench} room={room} past={past} onPast={setPast} />
        )}
      </div>
      <aside className={styles.side}>
        {step === "measure" && (
          <Measure
            bench={bench}
            room={room}
            marking={marking}
            fresh={fresh}
            expected={expected}
            onExpected={setExpected}
            onPicture={find}
            onCorners={() =>
              room.photograph &&
              setCorners({
                photograph: room.photograph.record as Photograph,
                said: "Drag a corner to where the paper ends, or move it with the arrow keys.",
              })
            }
            tell={tell}
            said={said}
            onCheck={() => (room.eye_first ? setStep("look") : judge())}
            onBack={verdict ? () => setStep("verdict") : null}
          />
        )}
        {step === "look" && (
          <Look
            room={room}
            chosen={chosen}
            guesses={guesses}
            onGuesses={setGuesses}
            onChoose={setChosen}
            onDone={judge}
            onBack={() => setStep("measure")}
            trouble={said}
          />
        )}
        {step === "verdict" && verdict && (
          <VerdictPane
            room={room}
            verdict={verdict}
            at={at}
            onAt={setAt}
            tell={tell}
            onMeasure={() => setStep("measure")}
            trouble={said}
          />
        )}
        {step === "verdict" && !verdict && (
          <p className={styles.note} role="status">
            The drawing or its plan has changed since the last check.{" "}
            <button type="button" className={styles.plain} onClick={() => setStep("measure")}>
              Measure and check again
            </button>
          </p>
        )}
      </aside>
      <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={SHORTCUTS} />
    </div>
  );
}
