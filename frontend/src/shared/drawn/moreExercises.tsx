// More of what exercises ask of the eye, drawn as their siblings are.
import type { Drawing } from "./drawing";
import { Dot, Ink, Pale, Plumb, Sheet, Tone, Wrong } from "./parts";

const CARD = [1, 2, 3, 4, 5, 6, 7, 8, 9];

export const MORE_EXERCISES: Record<string, Drawing> = {
  carry_tilt: {
    said: "A slope, and the same slope sought through a point far across",
    drawn: (
      <>
        <Ink d="M8 58L30 16" />
        <Pale d="M34 36h22" />
        <Dot x={72} y={37} />
        <Wrong d="M61 58L83 16" />
      </>
    ),
  },
  angle_pair: {
    said: "A corner, and its second edge sought",
    drawn: (
      <>
        <Ink d="M6 56L24 18L42 48" />
        <Ink d="M54 56L72 18" />
        <Wrong d="M72 18L90 48" />
      </>
    ),
  },
  plumb_hit: {
    said: "A plumb dropped onto a sloping edge",
    drawn: (
      <>
        <Dot x={52} y={8} />
        <Plumb x={52} top={8} long={26} />
        <Ink d="M8 66L90 40" />
        <Wrong d="M47 52h10M52 47v10" />
      </>
    ),
  },
  envelope: {
    said: "A figure within a few straight lines",
    drawn: (
      <>
        <Ink d="M40 12c8-4 14 2 12 10c14 2 18 16 10 24c4 8 0 16-6 18H38c-8-6-8-14-4-20c-8-10-4-20 4-24z" />
        <Wrong d="M36 8h20l14 20v22L60 68H34L24 48V26z" />
      </>
    ),
  },
  negative_drawn: {
    said: "A light hole in the dark, and its corners sought",
    drawn: (
      <>
        <Tone x={6} y={12} wide={40} high={48} step={6} />
        <path d="M16 22l20-2l4 20l-14 12l-12-10z" fill="var(--paper)" />
        <Wrong d="M58 22l20-2l4 20l-14 12l-12-10z" />
      </>
    ),
  },
  foreshortened: {
    said: "A board that runs back, its seen depth sought",
    drawn: (
      <>
        <Ink d="M10 56h60L56 28H26z" />
        <Pale d="M10 64h60" />
        <Wrong d="M80 28v28M76 28h8M76 56h8" />
      </>
    ),
  },
  gap_gap: {
    said: "A gap above set against a gap below",
    drawn: (
      <>
        <Ink d="M22 8v20M54 8v20M34 44v20M72 44v20" />
        <Wrong d="M24 18h28M36 54h34" />
      </>
    ),
  },
  tone_card: {
    said: "A patch over a card of nine tones",
    drawn: (
      <>
        <Tone x={30} y={6} wide={36} high={34} step={2} />
        <Tone x={40} y={14} wide={16} high={18} step={5} />
        {CARD.map((step) => (
          <Tone key={step} x={-2 + 9.6 * step} y={50} wide={9.6} high={14} step={step} />
        ))}
      </>
    ),
  },
  memory: {
    said: "Points that were looked at, and are placed when they are gone",
    drawn: (
      <>
        <Sheet x={6} y={14} wide={38} high={44}>
          <Pale d="M16 26h4M30 34h4M20 48h4" />
        </Sheet>
        <Sheet x={52} y={14} wide={38} high={44}>
          <Wrong d="M62 26h6M65 23v6M76 34h6M79 31v6M66 48h6M69 45v6" />
        </Sheet>
      </>
    ),
  },
  head_turned: {
    said: "A head from above, its nose turned aside",
    drawn: (
      <>
        <Ink d="M30 38a18 22 0 1 0 36 0a18 22 0 1 0-36 0" />
        <Pale d="M48 38V8" />
        <Wrong d="M48 38L68 12" />
      </>
    ),
  },
  which_drawing: {
    said: "A shape, and two drawings of it of which one is right",
    drawn: (
      <>
        <Ink d="M40 6h16l6 20H36z" />
        <Ink d="M12 42h16l6 22H8z" />
        <Wrong d="M60 42h22l2 22H62z" />
      </>
    ),
  },
};
