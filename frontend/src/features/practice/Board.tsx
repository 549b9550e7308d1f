// What an exercise puts before the eye, and the answer as it is set; then the truth over it.
import { useRef } from "react";
import type { Judged, Posed, PosedPiece } from "../../api/types";
import type { Point } from "../../geometry/scale";
import { besidePoints } from "../../geometry/words";
import { PlacedWords } from "../../shared/PlacedWords";
import { useSize } from "../../shared/useSize";
import styles from "./Board.module.css";
import { type Answer, RULER, WAYS } from "./ways";

type Props = {
  posed: Posed;
  answer: Answer | null;
  judged: Judged | null;
  cross: Point | null;
  /** Pointed at, in the board's own measure: a press, a move while pressed, a release. */
  onPoint: (p: Point, phase: "down" | "move" | "up", finger: boolean) => void;
  onNext: () => void;
  /** Whether what was looked at is gone: the frame alone is left. */
  gone: boolean;
};

/** Mean width of a letter or figure, in pixels. */
const LETTER = 8.4;

export function Board({ posed, answer, judged, cross, onPoint, onNext, gone }: Props) {
  const pieces = gone ? posed.pieces.filter((each) => each.sort !== "dot") : posed.pieces;
  const box = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(box);
  const way = WAYS[posed.way.sort];
  const ruler = posed.way.sort === "scale" ? RULER.high : 0;
  const size = Math.max(Math.min(width, (height - ruler) / posed.tall), 0);
  const press = useRef(false);
  const point = (event: React.PointerEvent<SVGElement>, phase: "down" | "move" | "up") => {
    if (judged) {
      if (phase === "down") {
        onNext();
      }
      return;
    }
    if (phase === "down") {
      press.current = true;
      event.currentTarget.setPointerCapture(event.pointerId);
    } else if (!press.current) {
      return;
    }
    const frame = event.currentTarget.getBoundingClientRect();
    onPoint(
      { x: (event.clientX - frame.left) / size, y: (event.clientY - frame.top) / size },
      phase,
      event.pointerType === "touch",
    );
    if (phase === "up") {
      press.current = false;
    }
  };
  const pointing = {
    onPointerDown: (event: React.PointerEvent<SVGElement>) => point(event, "down"),
    onPointerMove: (event: React.PointerEvent<SVGElement>) => point(event, "move"),
    onPointerUp: (event: React.PointerEvent<SVGElement>) => point(event, "up"),
    onPointerCancel: () => {
      press.current = false;
    },
  };
  return (
    <div className={`on-paper ${styles.box}`} ref={box}>
      {size > 0 && (
        <>
          <svg
            className={styles.board}
            width={size}
            height={size * posed.tall}
            role="img"
            aria-label={posed.asks}
            data-board={posed.card.exercise}
            data-seed={posed.card.seed}
            data-level={posed.card.level ?? ""}
            {...(ruler ? {} : pointing)}
          >
            {posed.image && !gone && <Picture image={posed.image} size={size} />}
            {pieces.map((each, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: pieces never change within a trial
              <Piece key={i} piece={each} size={size} />
            ))}
            <Names pieces={pieces} size={size} tall={posed.tall} />
            {!ruler && (answer || posed.way.sort === "turn" || posed.way.sort === "stretch") && (
              <way.Shown way={posed.way} answer={answer ?? []} size={size} />
            )}
            {cross && (
              <path
                className={styles.cross}
                d={`M${cross.x * size - 16} ${cross.y * size}h32M${cross.x * size} ${cross.y * size - 16}v32`}
              />
            )}
            {judged?.laid_over.map((each, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: pieces never change within a trial
              <Piece key={i} piece={each} size={size} />
            ))}
            {judged && <Names pieces={judged.laid_over} size={size} tall={posed.tall} />}
          </svg>
          {ruler > 0 && (
            <svg
              className={styles.board}
              width={size}
              height={ruler}
              role="img"
              aria-label="Ruler"
              data-ruler
              {...pointing}
            >
              <rect width={size} height={ruler} fill="transparent" />
              <way.Shown
                way={posed.way}
                answer={answer ?? []}
                size={size}
                truth={judged?.truth[0]}
              />
            </svg>
          )}
        </>
      )}
    </div>
  );
}

function Picture({ image, size }: { image: NonNullable<Posed["image"]>; size: number }) {
  const [left, top, right, bottom] = image.box;
  return (
    <image
      href={image.address}
      x={left * size}
      y={top * size}
      width={(right - left) * size}
      height={(bottom - top) * size}
      preserveAspectRatio="none"
    />
  );
}

/** What dots are called, where there is room for it. */
function Names({ pieces, size, tall }: { pieces: PosedPiece[]; size: number; tall: number }) {
  const dots = pieces.flatMap(({ sort, name, spots: [first], look }) =>
    sort === "dot" && first ? [{ name, look, at: { x: first[0] * size, y: first[1] * size } }] : [],
  );
  const placed = besidePoints(
    dots.flatMap(({ name, at }, i) =>
      name ? [{ id: String(i), text: name, at, must: true }] : [],
    ),
    dots.map((each) => each.at),
    { left: 2, right: size - 2, top: 2, bottom: size * tall - 2 },
    LETTER,
  );
  return (
    <PlacedWords
      words={placed}
      className={(each) => styles[dots[Number(each.id)]?.look ?? "plain"]}
    />
  );
}

function Piece({ piece, size }: { piece: PosedPiece; size: number }) {
  const spots = piece.spots.map(([x, y]) => [x * size, y * size] as const);
  const [first, second] = spots;
  if (!first) {
    return null;
  }
  const look = { className: styles[piece.look], "data-look": piece.look };
  const fill = piece.fill ?? undefined;
  if (piece.sort === "dot") {
    return (
      <g {...look}>
        <circle cx={first[0]} cy={first[1]} r={piece.look === "heavy" ? 8 : 6} fill="none" />
        <circle className={styles.core} cx={first[0]} cy={first[1]} r="1.8" />
      </g>
    );
  }
  if (piece.sort === "ellipse" && second) {
    return (
      <ellipse {...look} cx={first[0]} cy={first[1]} rx={second[0]} ry={second[1]} fill="none" />
    );
  }
  const d = `M${spots.map((each) => each.join(" ")).join("L")}`;
  if (piece.sort === "area") {
    return <path {...look} d={`${d}Z`} style={fill ? { fill, stroke: "none" } : undefined} />;
  }
  const last = spots[spots.length - 1] ?? first;
  return (
    <g {...look}>
      {piece.look === "asked" && <path d={d} className={styles.round} />}
      <path d={d} fill="none" />
      {piece.name && (
        <text
          x={(first[0] + last[0]) / 2 + 10}
          y={(first[1] + last[1]) / 2 + (first[1] === last[1] ? 22 : 5)}
        >
          {piece.name}
        </text>
      )}
    </g>
  );
}
