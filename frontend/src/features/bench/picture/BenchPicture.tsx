// The one picture: subject on the left, sheet on the right, heights pulled straight across.
import { useMemo } from "react";
import type { Bench, Prompt, Relation, Reveal } from "../../../api/types";
import { polyline, zigzag } from "../../../geometry/marks";
import type { Point } from "../../../geometry/scale";
import { useSize } from "../../../shared/useSize";
import styles from "./BenchPicture.module.css";
import type { Strain } from "./labels";
import { LOW } from "./layout";
import { Mark, Slack } from "./Mark";
import { Names } from "./Names";
import { Outline } from "./Outline";
import { RevealMarks } from "./RevealMarks";
import { Rulers } from "./Rulers";
import { StickSign } from "./StickSign";
import { SubjectSide } from "./SubjectSide";
import { type Drawn, type Picture, usePicture } from "./usePicture";
import { usePointing } from "./usePointing";
import { useTightening } from "./useTightening";
import type { Looking } from "./useView";
import { WhichOne } from "./WhichOne";

const LEVEL_PX = 2.5;
/** Width of the picture below which its headings are kept short. */
const NARROW = 560;
/** Width of the buttons beside what is said of the sheet, what is added to them while it is looked
 * at from near, and the width of a letter of that. */
const BUTTONS = 216;
const FROM_NEAR = 160;
const NOTE_LETTER = 6.9;
const FOOT = 62;

type Props = {
  bench: Bench;
  /** Landmarks in the pad's slots, in order. */
  chosen: readonly string[];
  kind: string;
  /** A reading pointed at in a list. */
  pointed: string | null;
  /** A suggestion pointed at: what it would gain is drawn. */
  promise: Prompt | null;
  /** A simple relation to lay over the drawing. */
  relation: Relation | undefined;
  /** The truth, while it is revealed. */
  reveal: Reveal | undefined;
  /** What lies over the subject: the stick, while it is in hand. */
  overlay: ((picture: Picture, height: number) => React.ReactNode) | undefined;
  onChoose: (landmark: string) => void;
  /** Takes a tap on a line between two landmarks, while edges are asked for. */
  onEdge?: ((ends: [string, string]) => void) | undefined;
  /** Eye level, ellipses, heads: drawn over the sheet while they are looked at. */
  overSheet?: ((picture: Picture) => React.ReactNode) | undefined;
  /** How close it is looked at, and in what. */
  box: React.RefObject<HTMLDivElement | null>;
  looking: Looking;
  /** Takes the next tap on the subject, in mm there, while a landmark is being placed. */
  onPlace: ((at: Point) => void) | null;
  /** Whether room is kept at the foot for what is done with the stick. */
  foot: boolean;
  /** Whether all names are shown, colliding or not. */
  allNames: boolean;
  /** What stands over the picture: buttons and words. */
  children?: React.ReactNode;
};

export function BenchPicture(props: Props) {
  const { bench, chosen, kind, pointed, onChoose } = props;
  const { box, looking } = props;
  const { width, height: whole } = useSize(box);
  const height = whole - (props.foot && width > NARROW ? FOOT : 0);
  const picture = usePicture(useTightening(bench), width, height, props.looking.view);
  const strains = useMemo(() => strainsOf(bench, picture), [bench, picture]);
  const pointing = usePointing({
    picture,
    looking,
    onChoose,
    onEdge: props.onEdge,
    onPlace: props.onPlace,
  });
  const { over } = pointing;

  const lit = [...chosen, ...(over ? [over] : [])];
  return (
    <div className={`on-paper ${styles.picture}`} ref={box}>
      {width > 0 && (
        <svg
          width={width}
          height={whole}
          role={props.overlay ? "group" : "img"}
          aria-label={`Subject and sheet: ${bench.landmarks.length} landmarks, ${bench.readings.length} readings`}
          {...pointing.handlers}
          data-over={over !== null}
        >
          <clipPath id="sheet-side">
            <rect
              x={picture.layout.divide}
              y="0"
              width={width - picture.layout.divide}
              height={height}
            />
          </clipPath>
          <Halves bench={bench} picture={picture} width={width} height={height} />
          <Leaders picture={picture} ids={lit} />
          <SubjectSide
            bench={bench}
            picture={picture}
            chosen={chosen}
            kind={props.overlay ? "" : kind}
            height={height}
          />
          <g clipPath="url(#sheet-side)">
            <SheetSide bench={bench} picture={picture} chosen={chosen} pointed={pointed} />
          </g>
          <g clipPath="url(#sheet-side)">{props.overSheet?.(picture)}</g>
          <RelationLines picture={picture} bench={bench} relation={props.relation} />
          <Promised picture={picture} promise={props.promise} />
          {props.reveal && <RevealMarks picture={picture} reveal={props.reveal} />}
          <Names
            picture={picture}
            ids={lit}
            all={props.allNames}
            width={width}
            height={height}
            strains={strains}
          />
          <Titles
            bench={bench}
            divide={picture.layout.divide}
            width={width}
            near={looking.view.zoom > 1}
          />
          {props.overlay?.(picture, height)}
        </svg>
      )}
      {props.children}
      <WhichOne asked={pointing.asked} onChoose={pointing.choose} onLeave={pointing.leave} />
      <ul className="visually-hidden">
        {bench.landmarks.map((each) => (
          <li key={each.id}>
            <button
              type="button"
              tabIndex={-1}
              data-landmark={each.id}
              data-left={each.held_left_mm}
              data-top={each.held_top_mm}
              data-standing={each.standing}
              onClick={() => onChoose(each.id)}
            >
              {each.name}, {each.standing}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Halves({
  bench,
  picture,
  width,
  height,
}: {
  bench: Bench;
  picture: Picture;
  width: number;
  height: number;
}) {
  const { sheet, divide } = picture.layout;
  const s = bench.sheet;
  const [w, h] = [s.width_mm * sheet.perMm, s.height_mm * sheet.perMm];
  const inner = {
    x: sheet.left + s.margin_left_mm * sheet.perMm,
    y: sheet.top + s.margin_top_mm * sheet.perMm,
    width: w - (s.margin_left_mm + s.margin_right_mm) * sheet.perMm,
    height: h - (s.margin_top_mm + s.margin_bottom_mm) * sheet.perMm,
  };
  return (
    <g>
      <path d={`M${divide} 0V${height}`} stroke="var(--line)" />
      <g clipPath="url(#sheet-side)">
        <rect x={sheet.left + 3} y={sheet.top + 3} width={w} height={h} fill="var(--shadow)" />
        <rect x={sheet.left} y={sheet.top} width={w} height={h} className={styles.sheet} />
        <rect {...inner} className={s.fits ? styles.margin : styles.overrun} />
        {height >= LOW && (
          <Rulers
            scale={sheet}
            width={s.width_mm}
            height={s.height_mm}
            right={width}
            inches={bench.inches}
          />
        )}
      </g>
    </g>
  );
}

/** What each side is, over all that lies on it. */
function Titles({
  bench,
  divide,
  width,
  near,
}: {
  bench: Bench;
  divide: number;
  width: number;
  near: boolean;
}) {
  const s = bench.sheet;
  const unit =
    bench.unit && s.said_unit
      ? `${bench.unit.name} = ${fractions(s.said_unit)}`
      : (bench.unit?.name ?? "no unit yet");
  const over = s.fits ? "" : " — runs off the sheet";
  const said = [`${fractions(s.said_size)}, ${unit}${over}`, `${unit}${over}`, unit];
  const room = width - divide - 76 - BUTTONS - (near ? FROM_NEAR : 0);
  return (
    <g className={styles.titles}>
      <text x="18" y="27" className={styles.title}>
        Subject
      </text>
      <text x={divide + 18} y="27" className={styles.title}>
        Sheet
      </text>
      <text x={divide + 76} y="27" className={styles.note}>
        {said.find((each) => each.length * NOTE_LETTER <= room)}
      </text>
    </g>
  );
}

function Leaders({ picture, ids }: { picture: Picture; ids: readonly string[] }) {
  return (
    <g className={styles.leaders}>
      {picture.drawn.map(({ landmark, mark, seen }) =>
        seen && (ids.includes(landmark.id) || pulls(landmark, seen, mark, picture)) ? (
          <path
            key={landmark.id}
            d={`M${seen.x} ${seen.y}L${mark.x} ${mark.y}`}
            data-lit={ids.includes(landmark.id)}
          />
        ) : null,
      )}
    </g>
  );
}

/** The readings in doubt, with what each says. */
function strainsOf(bench: Bench, picture: Picture): Strain[] {
  return bench.doubts.flatMap((doubt) => {
    const reading = bench.readings.find((each) => each.id === doubt.sighting);
    const [a, b] = (reading?.landmarks ?? []).map((id) => picture.byId.get(id)?.mark);
    return a && b ? [{ key: doubt.sighting, text: `${fractions(doubt.reads)}?`, a, b }] : [];
  });
}

/** Lines are pulled across by themselves only where they are level, and all of both sides is seen. */
function pulls(landmark: Drawn["landmark"], seen: Point, mark: Point, picture: Picture): boolean {
  return landmark.tier === 1 && picture.layout.zoom === 1 && Math.abs(seen.y - mark.y) < LEVEL_PX;
}

function SheetSide({
  bench,
  picture,
  chosen,
  pointed,
}: {
  bench: Bench;
  picture: Picture;
  chosen: readonly string[];
  pointed: string | null;
}) {
  const { perMm } = picture.layout.sheet;
  const doubted = bench.doubts.map((each) => each.sighting);
  const strained = bench.readings.filter(
    (each) => doubted.includes(each.id) || each.id === pointed,
  );
  return (
    <g>
      {picture.drawn.map((each) => (
        <Slack key={each.landmark.id} drawn={each} perMm={perMm} />
      ))}
      {picture.onSheet.map((each) => (
        <Outline key={each.id} line={each} />
      ))}
      {strained.map((each) => {
        const a = picture.byId.get(each.landmarks[0] ?? "")?.mark;
        const b = picture.byId.get(each.landmarks[1] ?? "")?.mark;
        if (!a || !b) {
          return null;
        }
        const doubtful = doubted.includes(each.id);
        return (
          <path
            key={each.id}
            d={doubtful ? zigzag(a, b) : polyline([a, b], false)}
            className={doubtful ? styles.strain : styles.pointed}
          />
        );
      })}
      {picture.drawn.map((each) => (
        <Mark
          key={each.landmark.id}
          drawn={each}
          perMm={perMm}
          active={chosen.includes(each.landmark.id)}
        />
      ))}
    </g>
  );
}

/** The slack that would be left of the landmark which a suggestion settles most. */
function Promised({ picture, promise }: { picture: Picture; promise: Prompt | null }) {
  const mark = promise ? picture.byId.get(promise.settles)?.mark : undefined;
  if (!promise || !mark) {
    return null;
  }
  const radius = (mm: number) => Math.max(3, mm * picture.layout.sheet.perMm);
  return (
    <g className={styles.promise}>
      <circle cx={mark.x} cy={mark.y} r={Math.min(radius(promise.before_mm), 60)} />
      <circle
        cx={mark.x}
        cy={mark.y}
        r={Math.min(radius(promise.after_mm), 60)}
        data-after="true"
      />
    </g>
  );
}

/** Relations drawn by, and the one that is shown: each by its own sign. */
function RelationLines({
  picture,
  bench,
  relation,
}: {
  picture: Picture;
  bench: Bench;
  relation: Relation | undefined;
}) {
  const { sheet, divide } = picture.layout;
  const bottom = sheet.top + bench.sheet.height_mm * sheet.perMm;
  const right = sheet.left + bench.sheet.width_mm * sheet.perMm;
  const sign = (each: { kind: string; along: string | null; landmarks: string[] }) => (
    <StickSign
      kind={each.kind === "span" ? "straight" : each.kind === "drop" ? "plumb" : each.kind}
      points={each.landmarks.flatMap((id) => picture.byId.get(id)?.mark ?? [])}
      top={sheet.top}
      bottom={bottom}
      left={Math.max(sheet.left, divide)}
      right={right}
    />
  );
  return (
    <g>
      {bench.adopted.map((each) => (
        <g key={each.id} className={styles.adopted}>
          {sign(each)}
        </g>
      ))}
      {relation && <g className={styles.shownRelation}>{sign(relation)}</g>}
    </g>
  );
}

function fractions(text: string): string {
  return text.replace(/(\d+)\/(\d+)/g, "$1⁄$2");
}
