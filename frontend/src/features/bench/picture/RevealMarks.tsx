// The truth over the block-in: where each mark truly belongs, joined to where it stands.
import type { Reveal } from "../../../api/types";
import styles from "./BenchPicture.module.css";
import type { Picture } from "./usePicture";

export function RevealMarks({ picture, reveal }: { picture: Picture; reveal: Reveal }) {
  const { sheet } = picture.layout;
  return (
    <g className={styles.reveal}>
      {reveal.marks.map((each) => {
        const drawn = picture.byId.get(each.landmark);
        if (!drawn) {
          return null;
        }
        const there = sheet.toScreen({ x: each.left_mm, y: each.top_mm });
        return (
          <g key={each.landmark} data-truth={each.landmark} data-inside={each.inside !== false}>
            <path d={`M${drawn.mark.x} ${drawn.mark.y}L${there.x} ${there.y}`} />
            <path d={`M${there.x - 5} ${there.y - 5}l10 10m0 -10l-10 10`} />
            {each.inside === false && (
              <text x={there.x + 9} y={there.y + 15}>
                {each.off}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
