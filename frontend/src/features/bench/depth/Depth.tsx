// What recedes: edges parallel in reality, circles, cast shadows, equal steps, and where one stands.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { queries } from "../../../api/queries";
import type { Bench, Change, PerspectiveRoom } from "../../../api/types";
import { Said } from "../../../shared/Said";
import { Circles } from "./Circles";
import styles from "./Depth.module.css";
import { DepthSum } from "./DepthSum";
import { Families } from "./Families";
import { Heads } from "./Heads";
import { Shadows } from "./Shadows";
import { Steps } from "./Steps";
import type { SetPicking } from "./usePoints";

type Props = {
  bench: Bench;
  onChange: (change: Change) => Promise<string | null>;
  setPicking: SetPicking;
};

/** What every part of the pane is given; `open` is the part that taps go to. */
export type DepthPart = {
  bench: Bench;
  room: PerspectiveRoom;
  make: (change: Change) => Promise<void>;
  setPicking: SetPicking;
  open: boolean;
  onOpen: (open: boolean) => void;
};

const PARTS = [Families, Circles, Shadows, Steps, Heads] as const;

export function Depth({ bench, onChange, setPicking }: Props) {
  const told = useQuery(queries.perspective(bench));
  const [open, setOpen] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const make = async (change: Change) => setTrouble(await onChange(change));
  const room = told.data;
  if (!room) {
    return <p role={told.error ? "alert" : "status"}>{told.error?.message ?? "Looking…"}</p>;
  }
  return (
    <div className={styles.depth} data-depth data-told={room.version}>
      <section>
        <p className={styles.eye}>
          <Said text={room.eye_level} />
        </p>
        {trouble && (
          <p role="alert" className={styles.bad}>
            {trouble}
          </p>
        )}
        {room.doubts.map((each) => (
          <p key={each} className={styles.bad}>
            <Said text={each} />
          </p>
        ))}
      </section>
      {PARTS.map((Part, i) => (
        <Part
          key={Part.name}
          bench={bench}
          room={room}
          make={make}
          setPicking={setPicking}
          open={open === i}
          onOpen={(wanted) => setOpen(wanted ? i : null)}
        />
      ))}
      {room.station.length > 0 && (
        <section>
          <h2>Where your eye was</h2>
          {room.station.map((each) => (
            <p key={each}>
              <Said text={each} />
            </p>
          ))}
        </section>
      )}
      <DepthSum />
    </div>
  );
}

/** A part's button to begin and to end, as they all have it. */
export function Begin({
  open,
  onOpen,
  what,
}: Pick<DepthPart, "open" | "onOpen"> & { what: string }) {
  return (
    <div className={styles.row}>
      <Button onClick={() => onOpen(!open)} aria-expanded={open}>
        {open ? "Done" : what}
      </Button>
    </div>
  );
}
