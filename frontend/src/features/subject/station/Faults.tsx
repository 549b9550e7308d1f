// Human faults of the hand: off by default, each with its size and what it costs from here.
import { InputNumber, Switch } from "antd";
import type { StationRoom } from "../../../api/types";
import { FaultSign } from "../../../shared/drawn";
import styles from "./Station.module.css";

type Props = { room: StationRoom; onChange: (faults: Record<string, number>) => void };

export function Faults({ room, onChange }: Props) {
  const on = Object.fromEntries(
    room.faults.filter((each) => each.on).map((each) => [each.name, each.size]),
  );
  return (
    <section className={styles.faults}>
      <h2>A human hand</h2>
      <p>Turn a fault on, and the stick on the bench suffers from it. The bench says so.</p>
      <ul>
        {room.faults.map((each) => (
          <li key={each.name}>
            <Switch
              checked={each.on}
              aria-label={each.title}
              onChange={(checked) => {
                const { [each.name]: _, ...rest } = on;
                onChange(checked ? { ...on, [each.name]: each.size } : rest);
              }}
            />
            <b>{each.title}</b>
            <span className={styles.drawn}>
              <FaultSign fault={each.name} size={each.size} />
            </span>
            {each.on && (
              <InputNumber
                aria-label={`${each.title}, how much`}
                value={each.size}
                min={0.1}
                max={each.most}
                suffix={each.size_in === "degrees" ? "°" : "mm"}
                onChange={(value) => value && onChange({ ...on, [each.name]: value })}
              />
            )}
            <small>{each.said}</small>
          </li>
        ))}
      </ul>
    </section>
  );
}
