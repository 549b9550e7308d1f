// What each exercise asks of the eye, drawn: given in ink, what is sought in chalk.
import type { Drawing } from "./drawing";
import { Dot, Ink, Jug, Pale, Plumb, Sheet, Stick, Tone, Wrong } from "./parts";

/** A length parted at a share of it. */
function parted(share: number, word: string): Drawing {
  const x = 10 + 76 * share;
  return {
    said: `A length with its ${word} sought`,
    drawn: (
      <>
        <Ink d="M10 38h76M10 28v20M86 28v20" />
        <Pale d={`M10 54h${(76 * share).toFixed(1)}`} />
        <Wrong d={`M${x.toFixed(1)} 22v26`} />
      </>
    ),
  };
}

export const EXERCISES: Record<string, Drawing> = {
  half: parted(1 / 2, "half"),
  third: parted(1 / 3, "third"),
  quarter: parted(1 / 4, "quarter"),
  plumb: {
    said: "A point above, and the place straight under it sought",
    drawn: (
      <>
        <Dot x={40} y={10} />
        <Plumb x={40} top={10} long={40} />
        <Ink d="M8 60h80" />
        <Wrong d="M40 55v10" />
      </>
    ),
  },
  level: {
    said: "A point, and the place level with it sought",
    drawn: (
      <>
        <Dot x={14} y={34} />
        <Pale d="M14 34h60" />
        <Ink d="M78 6v60" />
        <Wrong d="M73 34h10" />
      </>
    ),
  },
  tilt: {
    said: "A slope, and its hour on a clock",
    drawn: (
      <>
        <Ink d="M6 62L38 14" />
        <Ink d="M68 36m-19 0a19 19 0 1 0 38 0a19 19 0 1 0-38 0M68 19v4M68 49v4M51 36h4M81 36h4" />
        <Wrong d="M60 48L76 24" />
      </>
    ),
  },
  widths: {
    said: "A box, and how many of its widths fit into its height",
    drawn: (
      <>
        <Ink d="M36 6h24v60H36z" />
        <Pale d="M36 30h24M36 54h24" />
        <Wrong d="M28 6v24M28 54v12" />
        <Ink d="M25 6h6M25 30h6M25 54h6M25 66h6" />
      </>
    ),
  },
  box: {
    said: "A jug, and the box round it",
    drawn: (
      <>
        <Jug x={46} y={62} high={50} />
        <Wrong d="M33 13h30v49H33z" />
      </>
    ),
  },
  larger_gap: {
    said: "Three posts, the gaps between them unequal",
    drawn: (
      <>
        <Ink d="M6 62h84" />
        <Tone x={16} y={26} wide={8} high={36} step={4} />
        <Tone x={46} y={16} wide={8} high={46} step={4} />
        <Tone x={70} y={26} wide={8} high={36} step={4} />
        <Wrong d="M26 54h18M56 54h12" />
      </>
    ),
  },
  gap_by: {
    said: "One gap carried over to another with a stick",
    drawn: (
      <>
        <Ink d="M10 18v44M34 18v44M54 18v44M88 18v44" />
        <Stick from={[10, 10]} to={[34, 10]} thumb={1} />
        <Pale d="M54 10h24" />
        <Wrong d="M78 40h10" />
      </>
    ),
  },
  place: {
    said: "A point within a frame, and the same place sought in another",
    drawn: (
      <>
        <Sheet x={6} y={14} wide={38} high={44}>
          <Dot x={32} y={30} />
        </Sheet>
        <Sheet x={52} y={14} wide={38} high={44}>
          <Wrong d="M72 30h12M78 24v12" />
        </Sheet>
      </>
    ),
  },
  negative: {
    said: "The hole between handle and jug, beside a copy of it",
    drawn: (
      <>
        <path d="M24 14c22-2 22 40 0 44z" fill="var(--shade)" />
        <Ink d="M24 6v60M24 14c22-2 22 40 0 44" />
        <Ink d="M58 14c30-2 30 40 0 44z" />
        <Wrong d="M80 30q4 8 0 16" />
      </>
    ),
  },
  roundness: {
    said: "A rim as it is seen, and a rounder one",
    drawn: (
      <>
        <Ink d="M18 26a30 9 0 1 0 60 0a30 9 0 1 0-60 0M18 26l8 38h44l8-38" />
        <Wrong d="M18 26a30 17 0 0 0 60 0" />
      </>
    ),
  },
  darker: {
    said: "Two tones, each on another ground",
    drawn: (
      <>
        <Tone x={6} y={12} wide={42} high={48} step={1} />
        <Tone x={48} y={12} wide={42} high={48} step={7} />
        <Tone x={19} y={26} wide={16} high={20} step={4} />
        <Tone x={61} y={26} wide={16} high={20} step={4} />
      </>
    ),
  },
  tone_steps: {
    said: "A ladder of tones, with a distance on it sought",
    drawn: (
      <>
        {[0, 2, 4, 6, 8].map((step, i) => (
          <Tone key={step} x={8 + 16 * i} y={16} wide={16} high={26} step={step} />
        ))}
        <Wrong d="M32 54h32M32 50v8M64 50v8" />
      </>
    ),
  },
  block_in: {
    said: "A subject beside its block-in, half done",
    drawn: (
      <>
        <Jug x={22} y={62} high={46} />
        <Sheet x={46} y={8} wide={44} high={56}>
          <Ink d="M60 20h14l5 12-4 24" />
          <Wrong d="M75 56H60M60 20l-6 12" />
        </Sheet>
      </>
    ),
  },
};
