// What each sign of a school's hints shows, and each fault of the hand by its size.
import type { Drawing } from "./drawing";
import {
  Artist,
  Dot,
  Easel,
  Eye,
  Ink,
  Jug,
  Pale,
  Plumb,
  Screen,
  Sheet,
  Sight,
  Stick,
  Wrong,
} from "./parts";

export const SIGNS: Record<string, Drawing> = {
  station: {
    said: "An artist, arm straight, stick upright, sighting a jug",
    drawn: (
      <>
        <Sight to={[82, 44]} />
        <Artist />
        <Jug x={82} y={68} high={26} />
      </>
    ),
  },
  unit: {
    said: "A stick along a jug, the thumb set to its height",
    drawn: (
      <>
        <Jug x={58} y={66} high={52} />
        <Stick from={[26, 14]} to={[26, 70]} thumb={0.93} />
        <Pale d="M26 14h28M26 66h24" />
      </>
    ),
  },
  board: {
    said: "The board square to the way one looks",
    drawn: (
      <>
        <Easel x={76} />
        <Sight to={[72, 33]} />
        <Ink d="M66 33v-6h6" />
        <Eye x={16} y={20} open={0.8} />
      </>
    ),
  },
  stick: {
    said: "The arm straight, the stick upright",
    drawn: <Artist />,
  },
  plumb: {
    said: "A plumb line before a jug",
    drawn: (
      <>
        <Jug x={52} y={66} high={48} />
        <Plumb x={40} top={4} long={52} />
      </>
    ),
  },
  elbow: {
    said: "A bent elbow, and the straight one beside it",
    drawn: (
      <>
        <Artist ghost />
        <Artist bend={70} />
      </>
    ),
  },
  eyes: {
    said: "One eye open, the other shut",
    drawn: (
      <>
        <Eye x={28} y={36} open={0.9} />
        <Eye x={68} y={36} open={0} />
      </>
    ),
  },
  lean: {
    said: "The stick leaning away, and the upright one beside it",
    drawn: (
      <>
        <Artist ghost />
        <Artist lean={28} />
      </>
    ),
  },
  easel: {
    said: "An easel with an upright board",
    drawn: <Easel x={50} />,
  },
  level: {
    said: "A stick held level across a jug",
    drawn: (
      <>
        <Jug x={46} y={66} high={50} />
        <Stick from={[8, 30]} to={[88, 30]} />
        <Ink d="M74 22h14M81 19v6" />
      </>
    ),
  },
  step: {
    said: "A length stepped off three times",
    drawn: (
      <>
        <Ink d="M14 66V10M14 10h60M14 28.7h42M14 47.3h42M14 66h60" />
        <Stick from={[30, 10]} to={[30, 34]} thumb={0.78} />
        <Pale d="M44 28.7v18.6M58 47.3V66" />
      </>
    ),
  },
  tape: {
    said: "A sheet taped at its four corners",
    drawn: (
      <Sheet>
        <Ink d="M16 16l12-12M80 16L68 4M16 56l12 12M80 56L68 68" />
      </Sheet>
    ),
  },
  light: {
    said: "A lamp, a jug, and its shadow",
    drawn: (
      <>
        <Ink d="M10 6h16l-4 10H14zM18 16v4" />
        <Pale d="M26 22L42 34M18 24v12" />
        <Jug x={56} y={62} high={36} />
        <Pale d="M64 62h26l-8 5H52" />
      </>
    ),
  },
  paper: {
    said: "A sheet turned against the board's edge",
    drawn: (
      <>
        <Ink d="M10 4h76v64H10z" />
        <Sheet x={24} y={14} wide={46} high={44} turn={-7} />
        <Wrong d="M24 14l46-5" />
      </>
    ),
  },
  ruler: {
    said: "A ruler laid on the sheet",
    drawn: (
      <Sheet>
        <Ink d="M12 40h72v12H12zM20 40v6M28 40v4M36 40v6M44 40v4M52 40v6M60 40v4M68 40v6M76 40v4" />
      </Sheet>
    ),
  },
  dividers: {
    said: "Dividers set to a length",
    drawn: (
      <>
        <Ink d="M48 8L28 64M48 8l20 56M40 30h16" />
        <Ink d="M48 8m-3 0a3 3 0 1 0 6 0a3 3 0 1 0-6 0" />
        <Pale d="M28 66h40" />
      </>
    ),
  },
  triangle: {
    said: "Two points and the tilts from them to a third",
    drawn: (
      <>
        <Ink d="M14 60L50 10 82 56M14 60h68" />
        <Dot x={14} y={60} />
        <Dot x={82} y={56} />
        <Dot x={50} y={10} />
      </>
    ),
  },
  thin: {
    said: "Two tilts that meet at a thin angle: the point may lie anywhere along it",
    drawn: (
      <>
        <Ink d="M8 30L88 40M8 44l80-6" />
        <Wrong d="M48 35a24 3 0 1 0 24 4" />
        <Dot x={66} y={38} wrong />
      </>
    ),
  },
  cross: {
    said: "A sheet halved upright and across",
    drawn: (
      <Sheet>
        <Ink d="M48 8v56M20 36h56" />
      </Sheet>
    ),
  },
  grid: {
    said: "A grid of squares",
    drawn: (
      <Sheet>
        <Ink d="M34 8v56M48 8v56M62 8v56M20 22h56M20 36h56M20 50h56" />
      </Sheet>
    ),
  },
  edge: {
    said: "A point measured from the edge of the sheet",
    drawn: (
      <Sheet>
        <Ink d="M20 40h28M43 36l5 4-5 4" />
        <Dot x={52} y={40} />
      </Sheet>
    ),
  },
  pane: {
    said: "A pane between the eye and the subject",
    drawn: (
      <>
        <Eye x={16} y={36} open={0.8} />
        <Sight from={[30, 36]} to={[84, 30]} />
        <path d="M46 10l14 5v44l-14-6z" fill="var(--pad)" fillOpacity="0.6" />
        <Ink d="M46 10l14 5v44l-14-6z" />
        <Jug x={84} y={58} high={30} />
      </>
    ),
  },
  eye: {
    said: "An eye half closed",
    drawn: <Eye x={48} y={36} open={0.36} />,
  },
  clock: {
    said: "A stick laid over a slope, its hour on a clock",
    drawn: (
      <>
        <circle cx="48" cy="36" r="29" fill="none" stroke="var(--graphite)" strokeWidth="1.6" />
        <Ink d="M48 7v5M48 60v5M19 36h5M72 36h5" />
        <Stick from={[26, 54]} to={[74, 14]} />
      </>
    ),
  },
  chain: {
    said: "A chain of tilts, each point less sure than the one before",
    drawn: (
      <>
        <Ink d="M10 58L30 42 50 46 74 16" />
        <Dot x={10} y={58} />
        <Dot x={30} y={42} />
        <Dot x={50} y={46} />
        <Wrong d="M66 16a8 8 0 1 0 16 0a8 8 0 1 0-16 0M45 46a5 5 0 1 0 10 0a5 5 0 1 0-10 0" />
        <Dot x={74} y={16} wrong />
      </>
    ),
  },
  part: {
    said: "The middle of a length",
    drawn: <Ink d="M10 36h76M10 24v24M86 24v24M48 26v20M48 18l-3-5h6z" />,
  },
  mirror: {
    said: "A shape and its mirrored copy",
    drawn: (
      <>
        <Pale d="M48 6v60" />
        <Ink d="M38 14L16 34l10 26 12-6zM58 14l22 20-10 26-12-6z" />
      </>
    ),
  },
  gap: {
    said: "The shape between two things",
    drawn: (
      <>
        <path d="M37 66l-2-20 4-14h14l6 16-3 18z" fill="var(--shade)" />
        <Jug x={24} y={66} high={44} />
        <Jug x={70} y={66} high={36} />
      </>
    ),
  },
  face: {
    said: "A head with its middle line and rail of eyes",
    drawn: (
      <>
        <Ink d="M48 6c16 0 22 12 20 28-1 14-10 30-20 32-10-2-19-18-20-32C26 18 32 6 48 6z" />
        <Pale d="M50 6c4 18 4 42 0 60M27 32c14 5 28 5 42 0" />
      </>
    ),
  },
  strokes: {
    said: "A curved edge, and the three straight strokes that say it",
    drawn: (
      <>
        <Pale d="M10 62C12 30 30 10 52 10S86 26 86 46" />
        <Wrong d="M10 62L25 24 56 10 86 46" />
        <Dot x={25} y={24} wrong />
        <Dot x={56} y={10} wrong />
      </>
    ),
  },
  machine: {
    said: "A laptop on a stool",
    drawn: (
      <>
        <Screen x={24} y={6} wide={48} high={30} />
        <Ink d="M18 41h60l-4-5H22zM16 44h64M26 44l-6 26M70 44l6 26M23 58h50" />
      </>
    ),
  },
  tablet: {
    said: "A tablet on the ledge of the easel, beside the sheet",
    drawn: (
      <>
        <Ink d="M48 2L20 70M48 2l28 68M14 52h68" />
        <Sheet x={18} y={10} wide={28} high={42} />
        <Screen x={52} y={24} wide={24} high={28} />
      </>
    ),
  },
  phone: {
    said: "A phone in the hand, as the pad",
    drawn: (
      <>
        <Ink d="M22 70c-2-12 0-20 8-26M66 70c6-10 8-18 6-28-1-4-6-4-6 1" />
        <Sheet x={32} y={4} wide={30} high={54}>
          <Ink d="M37 12h20M37 18h14" />
          {[28, 37, 46].map((y) => (
            <Ink key={y} d={`M37 ${y}h5v5h-5zM45 ${y}h5v5h-5zM53 ${y}h5v5h-5z`} />
          ))}
        </Sheet>
        <Ink d="M30 44c-4-5-1-10 2-8M62 34c6-1 8 4 4 8M62 44c6 0 8 4 4 7" />
      </>
    ),
  },
};

/** Each fault of the hand, drawn by its size: millimetres or degrees, as it is set. */
export const FAULTS: Record<string, (size: number) => Drawing> = {
  elbow: (size) => ({
    said: `The elbow bent, the stick ${size} mm nearer`,
    drawn: (
      <>
        <Artist ghost />
        <Artist bend={Math.min(20 + 1.1 * size, 110)} />
      </>
    ),
  }),
  lean: (size) => ({
    said: `The stick leaning by ${size}°`,
    drawn: (
      <>
        <Artist ghost />
        <Artist lean={Math.min(Math.max(size, 6), 60)} />
      </>
    ),
  }),
  sway: (size) => ({
    said: `The head moved by ${size} mm`,
    drawn: (
      <>
        <Artist ghost />
        <Artist sway={-Math.min(4 + size / 8, 14)} />
      </>
    ),
  }),
  two_eyes: () => ({
    said: "Both eyes open see the stick in two places",
    drawn: (
      <>
        <Eye x={20} y={20} open={0.8} />
        <Eye x={20} y={54} open={0.8} />
        <Pale d="M34 20L90 50M34 54L90 24" />
        <Stick from={[60, 14]} to={[60, 60]} />
        <Wrong d="M88 44v12M88 18v12" />
      </>
    ),
  }),
  wobble: () => ({
    said: "The stick's ends trembling",
    drawn: (
      <>
        <Stick from={[48, 10]} to={[48, 62]} thumb={0.8} />
        <Wrong d="M38 8q10-5 20 0M38 16q10-5 20 0M38 58q10 5 20 0M38 66q10 5 20 0" />
      </>
    ),
  }),
};
