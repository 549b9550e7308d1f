// The subject with the areas asked for, or the whole on its sheet in a few flat tones.

import { useRef } from "react";
import type { Bench, ToneRoom } from "../../api/types";
import { nearest } from "../../geometry/hit";
import { polyline } from "../../geometry/marks";
import { fitted } from "../../geometry/scale";
import { Choice } from "../../shared/Choice";
import { CloserBox } from "../../shared/CloserBox";
import { LookKey } from "../../shared/LookKey";
import { SubjectImage } from "../../shared/SubjectImage";
import { useCloser } from "../../shared/useCloser";
import { useSize } from "../../shared/useSize";
import styles from "./Tone.module.css";

type Props = {
  bench: Bench;
  room: ToneRoom;
  flat: boolean;
  onFlat: (flat: boolean) => void;
  /** The two areas that are compared. */
  asked: readonly (string | null)[];
  /** Landmarks joined so far, while an area is outlined. */
  outline: readonly string[] | null;
  onTap: ((landmark: string) => void) | null;
};

const FINGER = 26;
const LETTERS = ["A", "B"];

export function ToneBoard({ bench, room, flat, onFlat, asked, outline, onTap }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const seen = useSize(box);
  const closer = useCloser(box);
  const [width, height] = [seen.width * closer.zoom, seen.height * closer.zoom];
  const shown = frameOf(bench, room, flat);
  const scale = fitted(
    { width: shown.width, height: shown.height },
    { left: 20, top: 64, width: Math.max(60, width - 40), height: Math.max(60, height - 84) },
  );
  const at = ([x, y]: [number, number]) => scale.toScreen({ x: x - shown.left, y: y - shown.top });
  const areas = [...room.areas].sort((a, b) => (b.share ?? 0) - (a.share ?? 0));
  const corner = at([shown.left, shown.top]);
  const dots = bench.landmarks.flatMap((each) => {
    const place: [number | null, number | null] = flat
      ? [each.held_left_mm, each.held_top_mm]
      : [each.seen_left_mm, each.seen_top_mm];
    return place[0] === null || place[1] === null
      ? []
      : [{ id: each.id, at: at([place[0], place[1]]) }];
  });
  return (
    <CloserBox closer={closer}>
      <div className={styles.toggle} style={{ display: "flex", gap: 8 }}>
        <Choice
          options={["Subject", "Flat tones"]}
          value={flat ? "Flat tones" : "Subject"}
          onChange={(value) => onFlat(value === "Flat tones")}
        />
        {!flat && <LookKey shown={room.subject} />}
      </div>
      <div className={`on-paper ${styles.board}`} ref={box} {...closer.touching}>
        {width > 0 && (
          // biome-ignore lint/a11y/useKeyWithClickEvents: landmarks can be chosen from a list too
          <svg
            width={width}
            height={height}
            role="img"
            aria-label={flat ? "The whole in flat tones" : "The subject with its areas"}
            data-flat={flat}
            onClick={(event) => {
              const frame = event.currentTarget.getBoundingClientRect();
              const tapped = { x: event.clientX - frame.left, y: event.clientY - frame.top };
              const found =
                dots[
                  nearest(
                    dots.map((each) => each.at),
                    tapped,
                    FINGER,
                  )
                ];
              if (found && onTap) {
                onTap(found.id);
              }
            }}
          >
            {flat && (
              <rect
                x={corner.x}
                y={corner.y}
                width={shown.width * scale.perMm}
                height={shown.height * scale.perMm}
                fill={room.paper_grey}
                className={styles.paper}
              />
            )}
            {!flat && (
              <SubjectImage
                shown={room.subject}
                x={corner.x}
                y={corner.y}
                width={shown.width * scale.perMm}
                height={shown.height * scale.perMm}
              />
            )}
            {areas.map((each) => {
              const points = (flat ? each.sheet_mm : each.seen_mm).map(at);
              const place = asked.indexOf(each.id);
              const middle = points.reduce(
                (sum, p) => ({ x: sum.x + p.x / points.length, y: sum.y + p.y / points.length }),
                { x: 0, y: 0 },
              );
              return points.length > 2 ? (
                <g key={each.id} data-area-drawn={each.id} data-asked={place >= 0}>
                  <path
                    d={polyline(points, true)}
                    fill={flat ? (each.sheet_grey ?? "none") : "none"}
                    className={flat ? styles.filled : styles.outlined}
                  />
                  {place >= 0 && (
                    <>
                      <circle cx={middle.x} cy={middle.y} r="15" className={styles.letterGround} />
                      <text
                        x={middle.x}
                        y={middle.y + 6}
                        textAnchor="middle"
                        className={styles.letter}
                      >
                        {LETTERS[place]}
                      </text>
                    </>
                  )}
                </g>
              ) : null;
            })}
            {outline && (
              <g className={styles.outlining}>
                <path
                  d={polyline(
                    outline.flatMap((id) => dots.find((each) => each.id === id)?.at ?? []),
                    false,
                  )}
                />
                {dots.map((each) => (
                  <circle
                    key={each.id}
                    cx={each.at.x}
                    cy={each.at.y}
                    r={outline.includes(each.id) ? 7 : 4.5}
                    data-dot={each.id}
                    data-chosen={outline.includes(each.id)}
                  />
                ))}
              </g>
            )}
          </svg>
        )}
      </div>
    </CloserBox>
  );
}

/** What is looked at, in mm: the sheet, or the subject beside it. */
function frameOf(bench: Bench, room: ToneRoom, flat: boolean) {
  const { subject } = room;
  if (flat) {
    return { left: 0, top: 0, width: bench.sheet.width_mm, height: bench.sheet.height_mm };
  }
  if (subject.image && subject.width_mm && subject.height_mm) {
    return {
      left: subject.left_mm ?? 0,
      top: subject.top_mm ?? 0,
      width: subject.width_mm,
      height: subject.height_mm,
    };
  }
  const seen = bench.landmarks.flatMap((each) =>
    each.seen_left_mm === null || each.seen_top_mm === null
      ? []
      : [[each.seen_left_mm, each.seen_top_mm] as const],
  );
  const [xs, ys] = [seen.map((each) => each[0]), seen.map((each) => each[1])];
  const [left, top] = [Math.min(...xs, 0) - 10, Math.min(...ys, 0) - 10];
  const [right, bottom] = [Math.max(...xs, 100) + 10, Math.max(...ys, 100) + 10];
  return { left, top, width: right - left, height: bottom - top };
}
