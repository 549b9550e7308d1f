// The subject side: the scene, the picture or the rough thumbnail, with the landmarks on it.
import type { Bench } from "../../../api/types";
import { polyline } from "../../../geometry/marks";
import { SubjectImage } from "../../../shared/SubjectImage";
import { useOthers } from "../../../shared/useLive";
import styles from "./BenchPicture.module.css";
import { StickSign } from "./StickSign";
import type { Picture } from "./usePicture";

export function SubjectSide({
  bench,
  picture,
  chosen,
  kind,
  height,
}: {
  bench: Bench;
  picture: Picture;
  chosen: readonly string[];
  kind: string;
  height: number;
}) {
  const others = useOthers();
  const points = chosen.flatMap((id) => picture.byId.get(id)?.seen ?? []);
  const { divide, subject } = picture.layout;
  const shown = bench.subject;
  const corner = subject.toScreen({ x: shown.left_mm, y: shown.top_mm });
  return (
    <g>
      <clipPath id="subject-side">
        <rect x="0" y="0" width={divide} height={height} />
      </clipPath>
      <g clipPath="url(#subject-side)">
        <SubjectImage
          shown={shown}
          x={corner.x}
          y={corner.y}
          width={shown.width_mm * subject.perMm}
          height={shown.height_mm * subject.perMm}
        />
        {!shown.image &&
          picture.onSubject.map((each) => (
            <path
              key={each.id}
              d={polyline(each.points, each.closed)}
              className={styles.thumbnail}
              data-closed={each.closed}
            />
          ))}
        {picture.drawn.map(({ landmark, seen }) =>
          seen ? (
            <circle
              key={landmark.id}
              cx={seen.x}
              cy={seen.y}
              r={chosen.includes(landmark.id) ? 6.5 : 3.2}
              className={styles.dot}
              data-chosen={chosen.includes(landmark.id)}
              data-dot={landmark.id}
              data-hidden={shown.hidden.includes(landmark.id)}
            />
          ) : null,
        )}
      </g>
      {others.sticks.map((each) => {
        const theirs = each.landmarks.flatMap((id) => picture.byId.get(id)?.seen ?? []);
        const [first] = theirs;
        return first ? (
          <g key={each.listener} className={styles.theirs} data-theirs={each.landmarks.join(" ")}>
            <StickSign
              kind={each.kind}
              points={theirs}
              top={44}
              bottom={height}
              left={0}
              right={divide}
            />
            <text x={first.x + 10} y={first.y - 14}>
              {others.others.find((one) => one.listener === each.listener)?.name ?? ""}
            </text>
          </g>
        ) : null;
      })}
      <StickSign kind={kind} points={points} top={44} bottom={height} left={0} right={divide} />
      {picture.drawn.every((each) => !each.seen) && (
        <text x={divide / 2} y={height / 2} textAnchor="middle" className={styles.note}>
          {shown.missing ?? "No thumbnail tapped: tap landmarks on the sheet instead."}
        </text>
      )}
    </g>
  );
}
