// Light and dark: areas compared two by two, what contradicts, and the plan of a few flat tones.

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { queries } from "../../api/queries";
import type { Bench, Change } from "../../api/types";
import { Choice } from "../../shared/Choice";
import { Coming } from "../../shared/Coming";
import { ShortcutHelp } from "../../shared/ShortcutHelp";
import { useShortcuts } from "../../shared/useShortcuts";
import { Areas } from "./Areas";
import { Compare } from "./Compare";
import { InFront } from "./InFront";
import { PlanPane } from "./PlanPane";
import styles from "./Tone.module.css";
import { ToneBoard } from "./ToneBoard";
import { useComparing } from "./useComparing";

type Props = { bench: Bench; make: (change: Change) => Promise<string | null> };

const PANES = ["Compare", "Areas", "Plan", "In front"] as const;
type Pane = (typeof PANES)[number];

const SHORTCUTS = [
  { keys: "1 … 7", does: "From the first much darker, over alike, to the second much darker" },
  { keys: "1 … 9", does: "The step, when the grey card is asked for" },
  { keys: "n", does: "Another comparison" },
  { keys: "f", does: "The subject, or the whole in flat tones" },
  { keys: "?", does: "These keys" },
];

export function ToneRoom({ bench, make }: Props) {
  const [groups, setGroups] = useState(4);
  const told = useQuery(queries.tones(bench, groups));
  const [pane, setPane] = useState<Pane>("Compare");
  const [flat, setFlat] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const [outline, setOutline] = useState<string[] | null>(null);
  const [help, setHelp] = useState(false);
  const room = told.data;
  const tell = async (change: Change): Promise<boolean> => {
    const trouble = await make(change);
    setSaid(trouble);
    return trouble === null;
  };
  const comparing = useComparing(room, tell);
  useShortcuts((event) => {
    if (event.key === "?") {
      setHelp(true);
      return true;
    }
    if (event.key === "f") {
      setFlat(!flat);
      return true;
    }
    return pane === "Compare" && comparing.key(event.key);
  });
  if (told.error) {
    return <p role="alert">{told.error.message}</p>;
  }
  if (!room) {
    return <Coming what="Looking with half-closed eyes…" />;
  }
  const asked = pane === "Compare" ? comparing.asked : null;
  return (
    <div className={styles.room} data-tone data-told={room.version}>
      <ToneBoard
        bench={bench}
        room={room}
        flat={flat}
        onFlat={setFlat}
        asked={asked ? [asked.first, asked.second] : []}
        outline={outline}
        onTap={outline ? (id) => setOutline([...outline, id]) : null}
      />
      <aside className={styles.side}>
        <Choice block options={[...PANES]} value={pane} onChange={setPane} />
        {said && (
          <p role="alert" className={styles.bad}>
            {said}
          </p>
        )}
        <div className={styles.scroll}>
          {pane === "Compare" && <Compare room={room} comparing={comparing} tell={tell} />}
          {pane === "Areas" && (
            <Areas
              bench={bench}
              room={room}
              tell={tell}
              outline={outline}
              onOutline={setOutline}
              onSaid={setSaid}
            />
          )}
          {pane === "Plan" && (
            <PlanPane bench={bench} room={room} groups={groups} onGroups={setGroups} tell={tell} />
          )}
          {pane === "In front" && <InFront bench={bench} room={room} tell={tell} />}
        </div>
      </aside>
      <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={SHORTCUTS} />
    </div>
  );
}
