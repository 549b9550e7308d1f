// Placing every landmark by hand: one at a time, each step drawn; the school; what is taken along.

import { useQuery } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { queries } from "../../api/queries";
import type { Bench, Change } from "../../api/types";
import { Choice } from "../../shared/Choice";
import { Coming } from "../../shared/Coming";
import { FirstSteps } from "../../shared/FirstSteps";
import { ShortcutHelp } from "../../shared/ShortcutHelp";
import { useShortcuts } from "../../shared/useShortcuts";
import { Dictation } from "./Dictation";
import { Loud } from "./Loud";
import styles from "./Recipe.module.css";
import { RecipeSheet } from "./RecipeSheet";
import { SchoolSide } from "./SchoolSide";
import { SchoolsBeside } from "./SchoolsBeside";
import { StrokesBoard } from "./StrokesBoard";
import { TakeAlong } from "./TakeAlong";

type Props = { bench: Bench; make: (change: Change) => Promise<string | null> };

const SHORTCUTS = [
  { keys: "→, Space or PageDown", does: "The next thing to do" },
  { keys: "← or PageUp", does: "The one before" },
  { keys: "Home, End", does: "The first, the last" },
  { keys: "e", does: "Large, for full hands; Esc leaves it" },
  { keys: "?", does: "These keys" },
];

const VIEWS = ["Recipe", "School", "Strokes", "Take along"] as const;

export function RecipeRoom({ bench, make }: Props) {
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const [help, setHelp] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  // Another school is looked at before it is taken up.
  const [school, lookAt] = useState<string>();
  const [beside, setBeside] = useState(false);
  // What is reckoned again comes in the place of what stands, without the room going away.
  const recipe = useQuery({
    ...queries.recipe(bench, school),
    placeholderData: (before, asked) => (asked?.queryKey[1] === bench.id ? before : undefined),
  });
  const perspective = useQuery(queries.perspective(bench)).data;
  const view = VIEWS.find((each) => each === search.get("view")) ?? "Recipe";
  const count = recipe.data?.dictation.length ?? 0;
  const at = Math.min(Math.max(Number(search.get("at") ?? 0) || 0, 0), Math.max(count - 1, 0));
  const loud = search.get("easel") === "yes";
  const put = useCallback(
    (to: number, large: boolean) =>
      setSearch(
        {
          view,
          at: String(Math.min(Math.max(to, 0), Math.max(count - 1, 0))),
          ...(large ? { easel: "yes" } : {}),
        },
        { replace: true },
      ),
    [setSearch, view, count],
  );
  const go = useCallback((to: number) => put(to, loud), [put, loud]);

  useShortcuts((event) => {
    const onControl =
      event.target instanceof HTMLElement && event.target.closest("button, a, [role=radio]");
    const to = new Map([
      ["ArrowRight", at + 1],
      ["ArrowLeft", at - 1],
      // A foot pedal's keys.
      ["PageDown", at + 1],
      ["PageUp", at - 1],
      ["Home", 0],
      ["End", count - 1],
      ...(onControl ? [] : ([[" ", at + 1]] as const)),
    ]).get(event.key);
    if (to !== undefined) {
      go(to);
    } else if (event.key === "?") {
      setHelp(true);
    } else if (event.key === "e" || (event.key === "Escape" && loud)) {
      put(at, !loud);
    }
    return to !== undefined || event.key === "?" || event.key === "e";
  });

  if (recipe.error) {
    return <p role="alert">{recipe.error.message}</p>;
  }
  if (!recipe.data) {
    return <Coming what="Working out how to place it all…" />;
  }
  const room = recipe.data;
  const change = async (what: Change) => {
    const wrong = await make(what);
    setTrouble(wrong);
    return wrong === null;
  };
  // From here on the drawing is judged by the plan that it was drawn by.
  const drawn = async () => {
    const wrong = await make({ type: "set_drawn_by", by: "recipe" });
    if (wrong) {
      setTrouble(wrong);
    } else {
      navigate(`/studies/${bench.id}/check`);
    }
  };
  const look = (name: string) => {
    setBeside(false);
    lookAt(name === room.taken ? undefined : name);
  };
  if (loud) {
    const leave = () => put(at, false);
    return <Loud bench={bench} room={room} at={at} onGo={go} onLeave={leave} onDrawn={drawn} />;
  }
  const tabs = (
    <Choice
      block
      options={[...VIEWS]}
      value={view}
      onChange={(value) => setSearch({ view: value, at: String(at) }, { replace: true })}
    />
  );
  if (view === "Strokes") {
    return (
      <div className={styles.room}>
        <StrokesBoard bench={bench} tabs={tabs} />
        <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={SHORTCUTS} />
      </div>
    );
  }
  return (
    <div className={styles.room}>
      {view === "School" && beside ? (
        <SchoolsBeside bench={bench} onLook={look} />
      ) : (
        <RecipeSheet
          bench={bench}
          room={room}
          // Beside the school and the papers stands what the recipe comes to, not its first tick.
          at={view === "Recipe" ? at : count - 1}
          grid={view === "School"}
          perspective={perspective}
        />
      )}
      <aside className={styles.side}>
        {tabs}
        {view === "Recipe" && <FirstSteps bench={bench} room="draw" />}
        {view === "Recipe" && (
          <Dictation
            bench={bench}
            room={room}
            at={at}
            onGo={go}
            onEasel={() => put(at, true)}
            onChange={change}
            onDrawn={drawn}
          />
        )}
        {view === "School" && (
          <SchoolSide
            room={room}
            beside={beside}
            onBeside={() => setBeside(!beside)}
            onLook={look}
            onTakeUp={async () => {
              setTrouble(await make({ type: "set_method", method: room.school }));
              lookAt(undefined);
            }}
            onChange={async (change) => setTrouble(await make(change))}
          />
        )}
        {view === "Take along" && <TakeAlong bench={bench} make={make} />}
        {trouble && (
          <p role="alert" className={styles.bad}>
            {trouble}
          </p>
        )}
      </aside>
      <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={SHORTCUTS} />
    </div>
  );
}
