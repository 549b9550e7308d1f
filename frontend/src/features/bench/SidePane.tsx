// Beside the picture: what to sight next, the readings, the marks, or the set-up.

import { lazy, Suspense, useState } from "react";
import { Choice } from "../../shared/Choice";
import { FirstSteps } from "../../shared/FirstSteps";
import styles from "./BenchRoom.module.css";
import { heldAs } from "./pad";
import { Marks, Progress, Prompter, Readings } from "./prompter";
import { type Room, SIDES } from "./useBenchRoom";

const Depth = lazy(() => import("./depth").then((each) => ({ default: each.Depth })));
const Setup = lazy(() => import("./setup").then((each) => ({ default: each.Setup })));

export function SidePane({ room }: { room: Room }) {
  const { bench, pad, next, relations, side, tell } = room;
  const [unchecked, setUnchecked] = useState(false);
  return (
    <aside className={styles.side}>
      <Choice block options={[...SIDES]} value={side} onChange={room.turnTo} />
      <FirstSteps bench={bench} room="bench" stick={room.stick} />
      <div className={styles.scroll}>
        {side === "Next" && (
          <Prompter
            bench={bench}
            next={next}
            onTake={pad.takeUp}
            onSetUp={() => room.turnTo("Set-up")}
            onHang={(hang) => pad.several.hang(heldAs(pad.kinds, hang.kind), hang.through)}
            onAgain={(reading) => pad.correct(reading, true)}
            onStrike={(id) => tell({ type: "strike_sighting", id, struck: true })}
            onPoint={room.setPointed}
            onKeepAll={(id) => tell({ type: "keep_sighting", id })}
            onPointPrompt={room.setPromise}
            onCounting={(to) =>
              tell({
                type: "set_counting",
                units: to?.units ?? null,
                degrees: to?.degrees ?? null,
              })
            }
            make={tell}
            onBelieve={() => tell({ type: "believe_scatter", factor: bench.scatter })}
            relation={relations.shown}
            relationCount={relations.count}
            onNextRelation={relations.another}
            onAdopt={relations.adopt}
            onShowUnchecked={() => {
              setUnchecked(true);
              room.turnTo("Readings");
            }}
          />
        )}
        {side === "Readings" && (
          <Readings
            bench={bench}
            onlyUnchecked={unchecked}
            onEdit={(reading) => pad.correct(reading, false)}
            onStrike={(id, struck) => tell({ type: "strike_sighting", id, struck })}
            onRemove={(id) => tell({ type: "remove_sighting", id })}
            onPoint={room.setPointed}
          />
        )}
        {side === "Marks" && (
          <Marks
            bench={bench}
            holds={next.data?.holds ?? []}
            onTake={pad.takeUp}
            onChoose={pad.choose}
            onLeave={(id) => tell({ type: "leave_relation", id })}
            onLengths={(inches) => tell({ type: "set_lengths", inches })}
          />
        )}
        {side === "Depth" && (
          <Suspense fallback={<p role="status">Fetching…</p>}>
            <Depth bench={bench} onChange={room.make} setPicking={room.setPicking} />
          </Suspense>
        )}
        {side === "Set-up" && (
          <Suspense fallback={<p role="status">Fetching…</p>}>
            <Setup
              bench={bench}
              onChange={room.make}
              placing={room.placing}
              onPlace={room.setPlacing}
            />
          </Suspense>
        )}
      </div>
      <Progress bench={bench} />
    </aside>
  );
}
