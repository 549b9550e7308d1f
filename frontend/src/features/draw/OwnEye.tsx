// The recipe reckoned with the artist's own eye, as the record has it: offered, never imposed.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { queries } from "../../api/queries";
import type { Change, RecipeRoom as Room } from "../../api/types";
import { useArtist } from "../../shared/useArtist";
import styles from "./Recipe.module.css";

type Props = { room: Room; onChange: (change: Change) => void };

export function OwnEye({ room, onChange }: Props) {
  const own = useQuery(queries.ownEye(useArtist())).data;
  const set = (part: number | null, straight: number | null) =>
    onChange({ type: "set_eye", part, straight });
  if (room.eye) {
    const [part, straight] = room.eye;
    return (
      <section data-own-eye>
        <h2>By your own eye</h2>
        <p className={styles.note}>
          Reckoned with an eye that parts lengths to {percent(part)} and keeps plumb and level to{" "}
          {percent(straight)} of their length.
        </p>
        <Button onClick={() => set(null, null)}>Reckon with the usual eye</Button>
      </section>
    );
  }
  if (!own?.parting) {
    return null;
  }
  return (
    <section data-own-eye>
      <h2>By your own eye</h2>
      <p className={styles.note}>{own.parting}</p>
      <Button onClick={() => set(own.part ?? null, own.straight ?? null)}>
        Reckon the recipe with it
      </Button>
    </section>
  );
}

function percent(share: number): string {
  return `${Math.round(share * 1000) / 10} %`;
}
