// Beside the tracing: how closely the strokes follow, and each stroke in words, in order.
import { Button, Slider } from "antd";
import { Sign } from "../../shared/drawn";
import { Said } from "../../shared/Said";
import styles from "./Recipe.module.css";

type Props = {
  tolerance: number;
  onTolerance: (mm: number) => void;
  said: string[];
  error: string | null;
  onClear: (() => void) | null;
};

export function StrokesSide({ tolerance, onTolerance, said, error, onClear }: Props) {
  return (
    <>
      <div className={styles.strokesHint}>
        <Sign sign="strokes" />
        <p>
          Trace an edge of the subject, or click along it: the fewest straight strokes that say it
          are drawn over. On the sheet you draw them yourself.
        </p>
      </div>
      <label className={styles.tolerance}>
        Within {tolerance} mm of the sheet
        <Slider
          min={0.5}
          max={20}
          step={0.5}
          value={tolerance}
          onChange={onTolerance}
          ariaLabelForHandle="Tolerance"
        />
      </label>
      <p role="status" className={styles.strokesStatus}>
        {error ??
          (said.length === 0
            ? "Trace an edge."
            : `${said.length} ${said.length === 1 ? "stroke" : "strokes"}:`)}
      </p>
      <ol className={styles.strokes}>
        {said.map((each, number) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: strokes have no names but their order
          <li key={number}>
            <Said text={each} />
          </li>
        ))}
      </ol>
      {onClear && (
        <Button size="large" onClick={onClear}>
          Clear
        </Button>
      )}
    </>
  );
}
