// Each school at work, in one picture: what is held to the subject, and what it makes on the sheet.
import type { Drawing } from "./drawing";
import { Artist, Dot, Eye, Ink, Jug, Pale, Plumb, Sheet, Sight, Stick } from "./parts";

/** The jug in straight lines, as it is blocked in: its foot at (x, y), so high. */
function Blocked({ x, y, high }: { x: number; y: number; high: number }) {
  const at = (across: number, up: number) => `${x + (across * high) / 30} ${y - (up * high) / 30}`;
  return (
    <Ink d={`M${at(-7, 0)}L${at(-10, 17)}L${at(-5, 30)}L${at(5, 30)}L${at(10, 17)}L${at(7, 0)}z`} />
  );
}

export const SCHOOLS: Record<string, Drawing> = {
  comparative: {
    said: "An artist sighting a jug with a stick; smaller on the sheet, as many units high",
    drawn: (
      <>
        <g transform="translate(-3 4) scale(0.94)">
          <Sight to={[62, 44]} />
          <Artist />
        </g>
        <Jug x={68} y={69} high={22} />
        <Sheet x={66} y={4} wide={28} high={38}>
          <Blocked x={80} y={36} high={24} />
          <Pale d="M69 12h6M69 24h6M69 36h6" />
        </Sheet>
      </>
    ),
  },
  sight_size_life: {
    said: "A sheet hung beside the jug, every height carried straight across at the same size",
    drawn: (
      <>
        <Jug x={24} y={64} high={50} />
        <Sheet x={52} y={6} wide={40} high={62}>
          <Blocked x={72} y={64} high={50} />
        </Sheet>
        <Pale d="M28 14h36M8 36h46M14 64h48" />
        <Plumb x={72} top={2} long={56} />
      </>
    ),
  },
  sight_size_flat: {
    said: "A print and a sheet taped side by side on one board, heights pulled across",
    drawn: (
      <>
        <Sheet x={2} y={3} wide={92} high={66} />
        <Sheet x={8} y={10} wide={36} high={52}>
          <Jug x={25} y={56} high={40} />
        </Sheet>
        <Sheet x={52} y={10} wide={36} high={52}>
          <Blocked x={70} y={56} high={40} />
        </Sheet>
        <Pale d="M28 16h37M14 34h44M18 56h44" />
        <Ink d="M5 13l6-6M41 7l6 6M49 13l6-6M85 7l6 6M5 59l6 6M85 65l6-6" />
      </>
    ),
  },
  dividers: {
    said: "Dividers set to a length on the sheet, pricking the next mark",
    drawn: (
      <>
        <Sheet x={6} y={26} wide={84} high={42}>
          <Dot x={26} y={58} />
          <Dot x={62} y={58} />
          <Pale d="M26 58h36M26 63h36" />
          <Ink d="M72 34l10 22" />
        </Sheet>
        <Ink d="M42 8L26 57M46 8L62 57M36 28h16" />
        <circle
          cx="44"
          cy="7"
          r="4.2"
          fill="var(--paper)"
          stroke="var(--graphite)"
          strokeWidth="1.6"
        />
      </>
    ),
  },
  grid: {
    said: "A jug behind a frame of squares; the same squares, larger, on the sheet",
    drawn: (
      <>
        <Jug x={21} y={55} high={32} />
        <Ink d="M6 20h30v38h-30z" />
        <Pale d="M16 20v38M26 20v38M6 32.7h30M6 45.3h30" />
        <Sheet x={44} y={4} wide={48} high={64}>
          <Pale d="M60 4v64M76 4v64M44 25.3h48M44 46.7h48" />
          <Blocked x={68} y={63} high={54} />
        </Sheet>
      </>
    ),
  },
  picture_plane: {
    said: "An eye held still before a clear pane, on which the jug behind it is outlined",
    drawn: (
      <>
        <g transform="translate(0 6) scale(0.82)">
          <Eye x={16} y={36} open={0.8} />
        </g>
        <Sight from={[25, 35]} to={[76, 24]} />
        <Sight from={[25, 35]} to={[76, 54]} />
        <path d="M42 6l16 6v54l-16-8z" fill="var(--pad)" fillOpacity="0.7" />
        <Ink d="M42 6l16 6v54l-16-8z" />
        <Blocked x={50} y={45} high={17} />
        <Jug x={79} y={56} high={32} />
      </>
    ),
  },
  triangulation: {
    said: "Tilts carried from both ends of a base until they cross at the third point",
    drawn: (
      <>
        <Sheet x={6} y={4} wide={84} high={64}>
          <Pale d="M16 58L72 6M78 58L38 6" />
          <Ink d="M18 56h58" />
          <Dot x={18} y={56} />
          <Dot x={76} y={56} />
          <Dot x={50.4} y={26} />
        </Sheet>
        <Stick from={[27, 57]} to={[63, 24]} />
      </>
    ),
  },
  by_eye: {
    said: "Nothing but the eye: the whole halved, and halved again",
    drawn: (
      <>
        <g transform="translate(-1 8) scale(0.9)">
          <Eye x={18} y={30} open={0.7} />
        </g>
        <Sheet x={42} y={4} wide={50} high={64}>
          <Blocked x={67} y={62} high={52} />
          <Pale d="M48 36h38M67 8v56M48 23h38" />
        </Sheet>
      </>
    ),
  },
};
