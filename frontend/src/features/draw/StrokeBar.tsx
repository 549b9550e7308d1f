// Under the tracing: how closely the strokes follow, and the strokes in words.
import { Button, Slider } from "antd";
import { Said } from "../../shared/Said";
import styles from "./Recipe.module.css";

type Props = {
  tolerance: number;
  onTolerance: (mm: number) => void;
  said: string[];
  error: string | null;
  onClear: (() => void) | null;
};

export function StrokeBar({ tolerance, onTolerance, said, error, onClear }: Props) {
  const status = said.length === 0 ? "Trace an edge." : `${said.length} strokes: `;
  return (
    <div className={styles.strokeBar}>
      <label>
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
      <p role="status">
        {error ?? status}
        {said.slice(0, 8).map((each, number) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: strokes have no names but their order
          <span key={number} className={styles.said}>
            <Said text={each} />
          </span>
        ))}
      </p>
      <Button onClick={() => onClear?.()} disabled={!onClear}>
        Clear
      </Button>
    </div>
  );
}
