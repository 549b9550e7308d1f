// The few drawn parts of which every set-up, check and mistake is built: arm and stick from the side,
// eye, plumb line, easel, sheet, a jug for the subject. Each has its parameters, so that a bent elbow
// is the straight one, bent by so much.
import styles from "./Drawn.module.css";

/** The paper they are drawn on. */
export const WIDE = 96;
export const HIGH = 72;

type Point = readonly [number, number];
const at = ([x, y]: Point) => `${x.toFixed(1)} ${y.toFixed(1)}`;
const rad = (degrees: number) => (degrees * Math.PI) / 180;

const SHOULDER: Point = [17, 33];
const EYE: Point = [21, 17];
const UPPER = 19;
const LOWER = 20;
const STICK = 25;

type ArmProps = {
  /** How far the elbow is from straight, in degrees. */
  bend?: number;
  /** How far the stick's top leans away from the artist, in degrees. */
  lean?: number;
  /** How far head and shoulder have moved back, in px of the drawing. */
  sway?: number;
  /** Drawn pale, as it should have been. */
  ghost?: boolean;
};

/** An artist from the side, the arm held out to the right, the stick upright in the hand. */
export function Artist({ bend = 0, lean = 0, sway = 0, ghost }: ArmProps) {
  const reach = Math.hypot(UPPER + LOWER * Math.cos(rad(bend)), LOWER * Math.sin(rad(bend)));
  const lift = Math.asin((LOWER * Math.sin(rad(bend))) / reach);
  const shoulder: Point = [SHOULDER[0] - sway, SHOULDER[1]];
  const hand: Point = [shoulder[0] + reach, shoulder[1] - 6];
  const turn = lift - Math.asin(6 / reach);
  const elbow: Point = [shoulder[0] + UPPER * Math.cos(turn), shoulder[1] + UPPER * Math.sin(turn)];
  const top: Point = [
    hand[0] + STICK * Math.sin(rad(lean)),
    hand[1] - STICK * Math.cos(rad(lean)) + 6,
  ];
  const bottom: Point = [hand[0] - 9 * Math.sin(rad(lean)), hand[1] + 9 * Math.cos(rad(lean))];
  return (
    <g className={ghost ? styles.ghost : undefined}>
      <g transform={`translate(${-sway} 0)`}>
        <path
          className={styles.ink}
          d="M20 8c-7-3-13 1-13 9 0 6 3 10 8 10l1 4M20 8c2 1 3 4 3 6l2 4-2 1v4c0 2-2 3-5 3M11 30c-3 10-4 22-4 40M17 33c2 10 2 24 2 37"
        />
        <circle className={styles.dot} cx={EYE[0] - 1} cy={EYE[1] - 2} r="1.3" />
      </g>
      <path className={styles.limb} d={`M${at(shoulder)}L${at(elbow)}L${at(hand)}`} />
      <path className={styles.skin} d={`M${at(shoulder)}L${at(elbow)}L${at(hand)}`} />
      <path className={styles.stickEdge} d={`M${at(bottom)}L${at(top)}`} />
      <path className={styles.stick} d={`M${at(bottom)}L${at(top)}`} />
      <circle className={styles.hand} cx={hand[0]} cy={hand[1]} r="3.6" />
    </g>
  );
}

/** The way from the eye to what it looks at. */
export function Sight({ to, from = EYE }: { to: Point; from?: Point }) {
  return <path className={styles.sight} d={`M${at(from)}L${at(to)}`} />;
}

/** A jug for the subject, its foot at (x, y), so high. */
export function Jug({ x, y, high }: { x: number; y: number; high: number }) {
  const h = high / 30;
  return (
    <path
      className={styles.ink}
      transform={`translate(${x} ${y}) scale(${h})`}
      vectorEffect="non-scaling-stroke"
      d="M-7 0h14l3-17-5-8v-5h-10v5l-5 8zM10-14c6-1 7-10-3-10"
    />
  );
}

/** A stick as it is seen, from one end to the other, the thumb set at a share of it. */
export function Stick({ from, to, thumb }: { from: Point; to: Point; thumb?: number }) {
  const [x, y] = [0, 1].map(
    (k) => (from[k] ?? 0) + (thumb ?? 0) * ((to[k] ?? 0) - (from[k] ?? 0)),
  ) as [number, number];
  return (
    <g>
      <path className={styles.stickEdge} d={`M${at(from)}L${at(to)}`} />
      <path className={styles.stick} d={`M${at(from)}L${at(to)}`} />
      {thumb !== undefined && <circle className={styles.hand} cx={x} cy={y} r="3.2" />}
    </g>
  );
}

/** A string with its bob, swung aside by so many degrees. */
export function Plumb({
  x,
  top,
  long,
  swing = 0,
}: {
  x: number;
  top: number;
  long: number;
  swing?: number;
}) {
  return (
    <g transform={`rotate(${-swing} ${x} ${top})`}>
      <path className={styles.string} d={`M${x} ${top}v${long}`} />
      <path className={styles.bob} d={`M${x - 3} ${top + long}h6l-3 8z`} />
    </g>
  );
}

/** An eye, open by a share of all it can. */
export function Eye({ x, y, open }: { x: number; y: number; open: number }) {
  const up = 9 * open;
  return (
    <g className={styles.ink}>
      <path d={`M${x - 14} ${y}q14 ${-2 * up} 28 0q-14 ${2 * up} -28 0`} />
      {open > 0.3 && <circle className={styles.dot} cx={x} cy={y} r={Math.min(4, up * 0.8)} />}
      {open <= 0.3 && <path d={`M${x - 8} ${y + 2}l-2 4M${x} ${y + 3}v4M${x + 8} ${y + 2}l2 4`} />}
    </g>
  );
}

/** An easel from the side, its board leaning back by so many degrees. */
export function Easel({ x, lean = 0 }: { x: number; lean?: number }) {
  return (
    <g>
      <path className={styles.ink} d={`M${x} 22L${x - 8} 69M${x} 22L${x + 12} 69`} />
      <path
        className={styles.board}
        transform={`rotate(${lean} ${x - 3} 52)`}
        d={`M${x - 4} 14v38`}
      />
    </g>
  );
}

/** A sheet from the front, turned by so many degrees. */
export function Sheet({
  x = 20,
  y = 8,
  wide = 56,
  high = 56,
  turn = 0,
  children,
}: {
  x?: number;
  y?: number;
  wide?: number;
  high?: number;
  turn?: number;
  children?: React.ReactNode;
}) {
  return (
    <g transform={`rotate(${turn} ${x + wide / 2} ${y + high / 2})`}>
      <rect className={styles.paper} x={x} y={y} width={wide} height={high} />
      {children}
    </g>
  );
}

/** Plain ink, pale, and marks of red: for what a sign needs beside the parts. */
export function Ink({ d }: { d: string }) {
  return <path className={styles.ink} d={d} />;
}
export function Pale({ d }: { d: string }) {
  return <path className={styles.pale} d={d} />;
}
export function Wrong({ d }: { d: string }) {
  return <path className={styles.wrong} d={d} />;
}
export function Dot({ x, y, wrong }: { x: number; y: number; wrong?: boolean }) {
  return <circle className={wrong ? styles.wrongDot : styles.dot} cx={x} cy={y} r="2.2" />;
}

/** A flat tone on paper, by its step from light (0) to dark (8). */
export function Tone(props: { x: number; y: number; wide: number; high: number; step: number }) {
  const { x, y, wide, high, step } = props;
  return (
    <g>
      <rect className={styles.lit} x={x} y={y} width={wide} height={high} />
      <rect
        className={styles.tone}
        x={x}
        y={y}
        width={wide}
        height={high}
        fillOpacity={0.06 + 0.105 * step}
      />
    </g>
  );
}

/** A device's screen from the front, with the two sides of the bench on it. */
export function Screen(props: { x: number; y: number; wide: number; high: number }) {
  const { x, y, wide, high } = props;
  const middle = x + wide / 2;
  return (
    <g>
      <rect className={styles.paper} x={x} y={y} width={wide} height={high} rx="2" />
      <path
        className={styles.pale}
        d={`M${middle} ${y + 2}v${high - 4}M${x + 3} ${y + high * 0.35}h${wide - 6}`}
      />
      <path
        className={styles.thin}
        d={`M${x + wide * 0.1} ${y + high * 0.75}l${wide * 0.08} ${-high * 0.4}h${wide * 0.14}l${wide * 0.08} ${high * 0.4}zM${middle + wide * 0.1} ${y + high * 0.75}l${wide * 0.08} ${-high * 0.4}h${wide * 0.14}l${wide * 0.08} ${high * 0.4}z`}
      />
    </g>
  );
}
