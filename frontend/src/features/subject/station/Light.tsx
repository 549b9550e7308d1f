// Where the light comes from: the scene's own, or another that shows the forms otherwise.
import type { SimulatedSubject, StationRoom } from "../../../api/types";
import styles from "./Station.module.css";

type Props = { room: StationRoom; onChange: (light: SimulatedSubject["light"]) => void };

export function Light({ room, onChange }: Props) {
  return (
    <label className={styles.light}>
      Light
      <select
        className="field"
        value={room.light ?? ""}
        onChange={(event) =>
          onChange(room.lights.find((each) => each.name === event.target.value)?.name ?? null)
        }
      >
        <option value="">The scene's own</option>
        {room.lights.map((each) => (
          <option key={each.name} value={each.name}>
            {each.title}
          </option>
        ))}
      </select>
    </label>
  );
}
