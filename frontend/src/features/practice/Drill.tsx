// One trial after the other: answer first, then the truth laid over it.
import { Button } from "antd";
import { useEffect, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { ApiError } from "../../api/client";
import type { Point } from "../../geometry/scale";
import { Coming } from "../../shared/Coming";
import buttons from "../../shared/LinkButton.module.css";
import { Said } from "../../shared/Said";
import { ShortcutHelp } from "../../shared/ShortcutHelp";
import { asMinutes } from "../../shared/sittingClock";
import { useShortcuts } from "../../shared/useShortcuts";
import { Board } from "./Board";
import styles from "./Drill.module.css";
import { DrillEnd } from "./DrillEnd";
import { ARROWS, HOW, KEYS } from "./drillKeys";
import { useClock } from "./useClock";
import { useDrill } from "./useDrill";
import { type Answer, moved, next as nextPlace, put, taken, WAYS } from "./ways";

export function Drill() {
  const [query] = useSearchParams();
  const of = query.get("of") ?? "half:10";
  const drill = useDrill(of);
  const { posed, judged, part } = drill;
  if (!part) {
    return <DrillEnd parts={drill.parts} onAgain={drill.restart} />;
  }
  return (
    <div className={styles.drill} data-done={drill.done}>
      <header className={styles.head}>
        <Link to="/practice" className={buttons.plain}>
          Stop
        </Link>
        <p>
          {posed?.title ?? "Practice"}
          <span>
            {part.number + 1} of {part.trials}
          </span>
        </p>
        <progress
          aria-label="How far the drill has come"
          value={drill.done + (judged ? 1 : 0)}
          max={drill.total}
        />
      </header>
      {posed && !drill.there && <Coming what="The picture is coming…" />}
      {posed && drill.there && (
        <Trial key={`${posed.card.exercise} ${posed.card.seed}`} drill={drill} posed={posed} />
      )}
      {!posed && drill.trouble && (
        <div role="alert" className={styles.trouble}>
          {drill.trouble.message}
          <Button onClick={drill.again}>Try again</Button>
        </div>
      )}
    </div>
  );
}

/** What a finger has hold of in a block-in: one that stands (`near`) or the new one, and from where. */
type Held = { near: number | null; number: number; from: Point } | null;

/** How far a finger has to go to pull what it is on, as a share of the board. */
const PULLED = 0.012;

type TrialProps = {
  drill: ReturnType<typeof useDrill>;
  posed: NonNullable<ReturnType<typeof useDrill>["posed"]>;
};

function Trial({ drill, posed }: TrialProps) {
  const { judged } = drill;
  const way = WAYS[posed.way.sort];
  const many = posed.way.sort === "places";
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [typed, setTyped] = useState("");
  const [held, setHeld] = useState<Held>(null);
  const [cross, setCross] = useState<Point | null>(null);
  const [help, setHelp] = useState(false);
  const looking = useClock(judged ? null : posed.way.look);
  const gone = looking === 0;
  const yet = looking !== null && looking > 0;
  const left = useClock(many && !judged && !yet ? posed.way.seconds : null);
  const answered = answer ?? (many ? way.begin(posed.way, 0) : null);
  const placed = many && answered ? answered.filter((each) => each !== null).length / 2 : 0;

  const send = (said: Answer) => drill.send(said, null);
  const point = (p: Point, phase: "down" | "move" | "up", finger: boolean) => {
    if (yet) {
      return;
    }
    if (many && answered) {
      // A tap sets the next one, wherever it is; one that stands is pulled by dragging it.
      const near = phase === "down" ? taken(posed.way, answered, p) : (held?.near ?? null);
      const pulled = held !== null && Math.hypot(p.x - held.from.x, p.y - held.from.y) > PULLED;
      const number = near === null ? (held?.number ?? nextPlace(answered)) : near;
      if (near === null || pulled) {
        setAnswer(put(posed.way, answered, number, p));
      } else if (phase === "up") {
        setAnswer(put(posed.way, answered, nextPlace(answered), p));
      }
      setHeld(phase === "up" ? null : (held ?? { near, number, from: p }));
      setCross(null);
      return;
    }
    const said = way.at(posed.way, p, answer);
    setAnswer(said);
    setTyped("");
    // A finger covers what it points at: what it leaves is looked at before it is the answer.
    if (phase === "up" && (!finger || posed.way.sort === "choose")) {
      send(said);
    }
  };
  useEffect(() => {
    if (left === 0 && answered && !judged && !drill.busy && !drill.trouble) {
      send(answered);
    }
  });
  useShortcuts((event) => {
    const arrow = ARROWS[event.key];
    if (event.key === "?") {
      setHelp(true);
      return true;
    }
    if (event.key === "Enter" || (event.key === " " && judged)) {
      return enter();
    }
    if (judged || yet) {
      return false;
    }
    if (arrow) {
      move(arrow, event.shiftKey ? 8 : 1);
      return true;
    }
    if (event.key === " " && many && cross && answered) {
      setAnswer(put(posed.way, answered, nextPlace(answered), cross));
      return true;
    }
    if (way.typed && /^[0-9:/.,\-−° ]$/.test(event.key) && (typed || event.key !== " ")) {
      setTyped(typed + event.key);
      return true;
    }
    if (event.key === "Backspace" || event.key === "Escape") {
      setTyped(event.key === "Escape" ? "" : typed.slice(0, -1));
      return typed !== "";
    }
    return false;
  });
  const enter = () => {
    if (judged) {
      drill.next();
    } else if (typed) {
      drill.send([], typed);
    } else if (answered && (!many || placed > 0)) {
      send(answered);
    }
    return true;
  };
  const move = (by: Point, fast: number) => {
    const step = { x: by.x * fast, y: by.y * fast };
    if (many) {
      const [a, b] = posed.way.spots;
      const middle = {
        x: ((a?.[0] ?? 0) + (b?.[0] ?? 1)) / 2,
        y: ((a?.[1] ?? 0) + (b?.[1] ?? 1)) / 2,
      };
      setCross(moved(posed.way, cross ?? middle, step));
      return;
    }
    const chance = (posed.card.seed % 997) / 997;
    const said = way.nudge(posed.way, answer ?? way.begin(posed.way, chance), step);
    setAnswer(said);
    setTyped("");
    if (posed.way.sort === "choose" && said.length) {
      send(said);
    }
  };
  return (
    <>
      <p className={styles.asks} data-asks>
        {posed.asks}
        {(yet || left !== null) && !judged && (
          <b className={styles.clock}>{asMinutes(yet ? looking : (left ?? 0))}</b>
        )}
      </p>
      <Board
        posed={posed}
        gone={gone && !judged}
        answer={answered}
        judged={judged}
        cross={judged ? null : cross}
        onPoint={point}
        onNext={drill.next}
      />
      <footer className={styles.foot} aria-live="polite">
        {judged ? (
          <div className={styles.said} data-judged>
            {judged.said.map((each) => (
              <p key={each}>
                <Said text={each} />
              </p>
            ))}
          </div>
        ) : drill.trouble ? (
          <p role="alert" className={styles.bad}>
            {sentence(drill.trouble)} <Button onClick={drill.again}>Send it again</Button>
          </p>
        ) : (
          <p className={styles.how}>
            {typed ? (
              <>
                <b>
                  <Said text={typed} />
                </b>{" "}
                <kbd>Enter</kbd>
              </>
            ) : yet ? (
              "Look. Nothing is asked yet."
            ) : many && placed < posed.way.names.length ? (
              <>
                Next: <b>{nextPlace(answered) + 1}</b> {posed.way.names[nextPlace(answered)]}
              </>
            ) : many ? (
              "All are placed. Pull one that sits wrong, or answer."
            ) : (
              (HOW[posed.way.shape] ?? way.how)
            )}
          </p>
        )}
        {posed.way.sort === "choose" && !judged && (
          <div className={styles.two}>
            {posed.way.names.map((each, i) => (
              <Button key={each} size="large" onClick={() => send([i ? 1 : -1])}>
                {i ? each : `← ${each}`}
                {i ? " →" : ""}
              </Button>
            ))}
          </div>
        )}
        {judged ? (
          <Button type="primary" size="large" onClick={drill.next}>
            Next <kbd>Enter</kbd>
          </Button>
        ) : (
          posed.way.sort !== "choose" && (
            <Button
              type="primary"
              size="large"
              loading={drill.busy}
              disabled={!typed && (!answered || (many && placed === 0))}
              onClick={enter}
            >
              {many ? "Done" : "So I see it"} <kbd>Enter</kbd>
            </Button>
          )
        )}
        <Button
          size="large"
          type="text"
          aria-label="Keys of this screen"
          onClick={() => setHelp(true)}
        >
          ?
        </Button>
      </footer>
      <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={KEYS} />
    </>
  );
}

function sentence(error: Error): string {
  return error instanceof ApiError ? error.sentence : error.message;
}
