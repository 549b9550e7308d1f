// The table of kits: kinds of subject whose landmarks are only pulled into place, each drawn.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import type { Kit } from "../../api/types";
import { FilePicker } from "../../shared/FilePicker";
import styles from "./KitTable.module.css";

type Props = {
  onChoose: (kit: Kit) => void;
  /** Landmarks of one's own on an empty thumbnail. */
  onBlank: () => void;
};

export function KitTable({ onChoose, onBlank }: Props) {
  const kits = useQuery(queries.kits());
  const [trouble, setTrouble] = useState<string | null>(null);
  const add = async (file: File) => {
    try {
      const kit = await api.addKit(file);
      await kits.refetch();
      setTrouble(null);
      onChoose(kit);
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.detail : String(error));
    }
  };
  return (
    <section className={styles.table} data-kits aria-label="Kits to begin with">
      <header>
        <h1>Begin with a kit, or with nothing</h1>
        <p>
          A kit's landmarks are named already: pull two or three into place, and the rest follows.
        </p>
      </header>
      {[...(kits.data?.trouble ?? []), ...(trouble ? [trouble] : [])].map((each) => (
        <p key={each} role="alert" className={styles.bad}>
          {each}
        </p>
      ))}
      <ul>
        <li>
          <button type="button" onClick={onBlank}>
            <svg viewBox="0 0 100 100" className="on-paper" aria-hidden="true">
              <path d="M12 4h76v92H12z" className={styles.empty} />
              <path d="M42 50h16M50 42v16" className={styles.cross} />
            </svg>
            <b>An empty thumbnail</b>
            <span>landmarks of your own</span>
          </button>
        </li>
        {(kits.data?.kits ?? []).map((kit) => (
          <li key={kit.name}>
            <button type="button" title={kit.note} onClick={() => onChoose(kit)}>
              <KitDrawing kit={kit} />
              <b>{kit.title}</b>
              <span>{kit.landmarks.length} landmarks</span>
            </button>
          </li>
        ))}
      </ul>
      <footer>
        <FilePicker name="A kit file" accept=".json,application/json" onFile={add}>
          A kit from a file
        </FilePicker>
        {kits.error && <Button onClick={() => kits.refetch()}>Fetch the kits again</Button>}
      </footer>
    </section>
  );
}

/** Room left round a drawn kit, of a hundred. */
const ROUND = 7;

/** A kit as it stands: its shapes in straight lines, its landmarks as small crosses. */
function KitDrawing({ kit }: { kit: Kit }) {
  const across = kit.landmarks.map((each) => each.at[0]);
  const down = kit.landmarks.map((each) => each.at[1]);
  const left = Math.min(...across);
  const top = Math.min(...down);
  const wide = Math.max(...across) - left;
  const high = Math.max(...down) - top;
  const per = (100 - 2 * ROUND) / Math.max(wide, high, 1e-9);
  const x = (at: number) => (50 + (at - left - wide / 2) * per).toFixed(1);
  const y = (at: number) => (50 + (at - top - high / 2) * per).toFixed(1);
  const places = new Map(
    kit.landmarks.map((each) => [each.id, `${x(each.at[0])} ${y(each.at[1])}`]),
  );
  return (
    <svg viewBox="0 0 100 100" className="on-paper" aria-hidden="true">
      {kit.shapes.map((shape) => (
        <path
          key={shape.id}
          className={styles.shape}
          data-closed={shape.closed}
          d={`M${shape.outline.map((id) => places.get(id)).join("L")}${shape.closed ? "Z" : ""}`}
        />
      ))}
      {[...places].map(([id, place]) => (
        <path key={id} className={styles.cross} d={`M${place}m-1.8 0h3.6m-1.8-1.8v3.6`} />
      ))}
    </svg>
  );
}
