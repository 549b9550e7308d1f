// Short poses, each a drawing of its own: begun from this study's points, on the clock at once.
import { Button } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError } from "../../api/client";
import { beginShortPoses } from "../../api/shortPoses";
import type { SittingRoom as Room } from "../../api/types";
import styles from "./Sitting.module.css";

type Props = { study: number; set: Room["sets"][number] };

export function BeginShortPoses({ study, set }: Props) {
  const go = useNavigate();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [begun, setBegun] = useState(false);
  const poses = set.blocks.filter((each) => each.kind !== "rest").length;
  const begin = async () => {
    setBegun(true);
    try {
      const made = await beginShortPoses(study, set.blocks as never);
      go(`/studies/${made.studies[0]}?easel=yes`);
    } catch (error) {
      setBegun(false);
      setTrouble(error instanceof ApiError ? error.sentence : String(error));
    }
  };
  return (
    <>
      <Button type="primary" size="large" disabled={begun} onClick={begin}>
        Begin: {poses} drawings, one a pose
      </Button>{" "}
      {trouble && (
        <p role="alert" className={styles.bad}>
          {trouble}
        </p>
      )}
    </>
  );
}
