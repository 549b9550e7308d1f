// The sheet with what has been placed, and the step at hand drawn: a plumb hangs, a level is laid, a
// tilt is carried, a length stepped off.
import { useId, useRef } from "react";
import type { Bench, PerspectiveRoom, RecipeRoom } from "../../api/types";
import { handTip, polyline } from "../../geometry/marks";
import { fitted, type Point } from "../../geometry/scale";
import { besidePoints } from "../../geometry/words";
import { DepthOnSheet } from "../../shared/DepthOnSheet";
import { PlacedWords } from "../../shared/PlacedWords";
import { useSize } from "../../shared/useSize";
import { Receding } from "./Receding";
import layout from "./Recipe.module.css";
import styles from "./RecipeSheet.module.css";

type Props = {
  bench: Bench;
  room: RecipeRoom;
  at: number;
  grid: boolean;
  perspective?: PerspectiveRoom;
};
type Step = RecipeRoom["placings"][number]["steps"][number];

export function RecipeSheet({ bench, room, at, grid, perspective }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(box);
  const s = bench.sheet;
  const scale = fitted(
    { width: s.width_mm, height: s.height_mm },
    { left: 20, top: 20, width: Math.max(60, width - 40), height: Math.max(60, height - 40) },
  );
  const screen = (x: number, y: number) => scale.toScreen({ x, y });
  const item = room.dictation[at];
  const place = (each: RecipeRoom["placings"][number]) => screen(each.left_mm, each.top_mm);
  const placed = new Map(
    room.placings.slice(0, item?.placed ?? 0).map((each) => [each.landmark, place(each)]),
  );
  const now = item?.kind === "place" ? room.placings[item.placed - 1] : undefined;
  const target = now ? place(now) : null;
  const done = room.dictation.slice(0, at + 1);
  const a = screen(0, 0);
  const b = screen(s.width_mm, s.height_mm);
  const about = [
    ...new Set(now ? now.steps.flatMap((each) => each.via) : (item?.landmarks ?? [])),
  ].filter((id) => id !== now?.landmark);
  const names = besidePoints(
    [
      ...(now && target ? [{ id: now.landmark, text: now.name, at: target, must: true }] : []),
      ...about.slice(0, MOST_NAMED).flatMap((id) => {
        const p = placed.get(id);
        const name = bench.landmarks.find((each) => each.id === id)?.name;
        return p && name ? [{ id, text: name, at: p, must: false }] : [];
      }),
    ],
    [...placed.values()],
    { left: 4, right: width - 4, top: 4, bottom: height - 4 },
    LETTER,
  );
  const lines = grid ? room.own.filter((each) => (each.across_mm ?? []).length > 0) : [];
  return (
    <div className={`on-paper ${layout.sheet}`} ref={box}>
      {width > 0 && (
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={now ? `How to place ${now.name}` : (item?.said ?? "The sheet")}
        >
          <rect x={a.x + 3} y={a.y + 3} width={b.x - a.x} height={b.y - a.y} fill="var(--shadow)" />
          <rect x={a.x} y={a.y} width={b.x - a.x} height={b.y - a.y} className={styles.paper} />
          {lines.map((each) => (
            <g key={each.title} className={styles.grid}>
              {each.across_mm?.map((x) => (
                <path key={x} d={`M${screen(x, 0).x} ${a.y}V${b.y}`} />
              ))}
              {each.down_mm?.map((y) => (
                <path key={y} d={`M${a.x} ${screen(0, y).y}H${b.x}`} />
              ))}
            </g>
          ))}
          {perspective && (
            <>
              <DepthOnSheet
                room={soFar(perspective, placed)}
                toScreen={(at) => scale.toScreen(at)}
                left={a.x}
                right={b.x}
                fan={false}
              />
              <Receding room={perspective} a={a} b={b} screen={screen} />
            </>
          )}
          <Ends done={done} a={a} b={b} screen={screen} />
          {done.map((each) => {
            const points = each.landmarks.flatMap((id) => placed.get(id) ?? []);
            return each.kind === "join" && points.length > 1 ? (
              <path
                key={each.said}
                className={styles.line}
                data-weight={each.weight}
                data-now={each === item}
                pathLength={each === item ? 1 : undefined}
                d={polyline(points, each.closed)}
              />
            ) : null;
          })}
          {item?.kind === "look" && (
            <path
              className={styles.glance}
              d={polyline(
                item.landmarks.flatMap((id) => placed.get(id) ?? []),
                false,
              )}
            />
          )}
          <g key={at}>
            {now?.steps.map((step) => (
              <StepDrawn
                key={`${step.manner} ${step.via.join()}`}
                step={step}
                from={step.via.flatMap((id) => placed.get(id) ?? [])}
                target={target as Point}
                corner={a}
                far={b}
              />
            ))}
          </g>
          {[...placed].map(([id, p]) => (
            <path
              key={id}
              className={id === now?.landmark ? styles.markNow : styles.mark}
              d={`M${p.x - 6} ${p.y}h12M${p.x} ${p.y - 6}v12`}
              data-placed={id}
            />
          ))}
          <PlacedWords
            words={names}
            className={(each) => (each.must ? styles.name : styles.nameQuiet)}
          />
        </svg>
      )}
    </div>
  );
}

const MOST_NAMED = 8;
/** Mean width of a letter of the names, in pixels. */
const LETTER = 7.6;

/** Ellipses and rows in equal steps come once what they hang on has been placed. */
function soFar(room: PerspectiveRoom, placed: Map<string, Point>): PerspectiveRoom {
  return {
    ...room,
    rounds: room.rounds.filter((each) =>
      [each.left, each.right, each.near].every((id) => placed.has(id)),
    ),
    steps: room.steps.filter((each) => each.landmarks.every((id) => placed.has(id))),
  };
}

/** The first ticks at the ends of the whole, and the box through them once it is drawn. */
function Ends({
  done,
  a,
  b,
  screen,
}: {
  done: RecipeRoom["dictation"];
  a: Point;
  b: Point;
  screen: (x: number, y: number) => Point;
}) {
  const ticks = done.filter((each) => each.kind === "tick" && each.mm !== null);
  const at = Object.fromEntries(ticks.map((each) => [each.side, each.mm ?? 0]));
  const [p, q] = [screen(at.left ?? 0, at.top ?? 0), screen(at.right ?? 0, at.bottom ?? 0)];
  const boxed = done.some((each) => each.kind === "box");
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  return (
    <g className={styles.ends}>
      {ticks.map((each) => {
        const here = screen(each.mm ?? 0, each.mm ?? 0);
        const flat = each.side === "top" || each.side === "bottom";
        return (
          <path
            key={each.side}
            d={flat ? `M${middle.x - 26} ${here.y}h52` : `M${here.x} ${middle.y - 26}v52`}
          />
        );
      })}
      {boxed && <rect x={p.x} y={p.y} width={q.x - p.x} height={q.y - p.y} />}
    </g>
  );
}

function StepDrawn({
  step,
  from,
  target,
  corner: a,
  far: b,
}: {
  step: Step;
  from: Point[];
  target: Point;
  corner: Point;
  far: Point;
}) {
  const [p, q] = from;
  const beyond = 26;
  const edges: Record<string, string> = {
    left: `M${a.x} ${target.y}H${target.x}`,
    right: `M${b.x} ${target.y}H${target.x}`,
    top: `M${target.x} ${a.y}V${target.y}`,
    bottom: `M${target.x} ${b.y}V${target.y}`,
    pull: `M${a.x - 18} ${target.y}H${target.x}`,
    square: `M${a.x - 18} ${target.y}H${target.x}`,
  };
  const edge = edges[step.manner];
  if (edge) {
    return <Pencil className={styles.length} d={edge} />;
  }
  if (!p) {
    return null;
  }
  if (step.manner === "plumb") {
    const low = Math.max(p.y, target.y) + beyond;
    return (
      <g className={styles.cord}>
        <Pencil d={`M${p.x} ${Math.min(p.y, target.y) - beyond}V${low}`} />
        <path d={`M${p.x - 5} ${low}h10l-5 11z`} className={styles.bob} />
        {step.value !== 0 && (
          <Pencil className={styles.length} d={`M${p.x} ${target.y}H${target.x}`} />
        )}
      </g>
    );
  }
  if (step.manner === "level") {
    const [l, r] = [Math.min(p.x, target.x) - beyond, Math.max(p.x, target.x) + beyond];
    return (
      <g className={styles.cord}>
        <Pencil d={target.x < p.x ? `M${r} ${p.y}H${l}` : `M${l} ${p.y}H${r}`} />
        {step.value !== 0 && (
          <Pencil className={styles.length} d={`M${target.x} ${p.y}V${target.y}`} />
        )}
      </g>
    );
  }
  if (step.manner === "tilt") {
    const reach = Math.hypot(target.x - p.x, target.y - p.y) + beyond;
    const tip = handTip(p, reach, step.value);
    return (
      <g className={styles.cord}>
        <Pencil d={`M${p.x} ${p.y}L${tip.x} ${tip.y}`} />
        <circle cx={p.x} cy={p.y} r="22" className={styles.clock} />
      </g>
    );
  }
  if ((step.manner === "across" || step.manner === "down") && q) {
    const across = step.manner === "across";
    const gap = across ? `M${p.x} ${target.y}H${q.x}` : `M${target.x} ${p.y}V${q.y}`;
    const ends = across
      ? `M${p.x} ${p.y}V${target.y}M${q.x} ${q.y}V${target.y}`
      : `M${p.x} ${p.y}H${target.x}M${q.x} ${q.y}H${target.x}`;
    return (
      <g>
        <path className={styles.arc} strokeDasharray="1 4" d={ends} />
        <Pencil className={styles.length} d={gap} />
      </g>
    );
  }
  if (step.manner === "part" && q) {
    return (
      <g>
        <Pencil className={styles.length} d={`M${p.x} ${p.y}L${q.x} ${q.y}`} />
        <circle cx={target.x} cy={target.y} r="9" className={styles.clock} />
      </g>
    );
  }
  const r = Math.hypot(target.x - p.x, target.y - p.y);
  const angle = Math.atan2(target.y - p.y, target.x - p.x);
  const at = (turn: number) =>
    `${p.x + r * Math.cos(angle + turn)} ${p.y + r * Math.sin(angle + turn)}`;
  return (
    <g>
      <Pencil className={styles.length} d={`M${p.x} ${p.y}L${target.x} ${target.y}`} />
      <Pencil className={styles.arc} d={`M${at(-0.2)}A${r} ${r} 0 0 1 ${at(0.2)}`} />
    </g>
  );
}

/** A line that is drawn from its beginning to its end, as by a pencil, whatever its dashes. */
function Pencil({ d, className }: { d: string; className?: string | undefined }) {
  const own = useId();
  return (
    <>
      <mask id={own} maskUnits="userSpaceOnUse">
        <path d={d} pathLength={1} className={styles.drawn} />
      </mask>
      <path d={d} className={className} mask={`url(#${own})`} />
    </>
  );
}
