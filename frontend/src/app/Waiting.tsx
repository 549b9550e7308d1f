// What takes long says what it is doing and for how long, and can be left off.
import { useIsFetching, useIsMutating, useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useEffect, useState } from "react";
import { api } from "../api/client";
import { queries } from "../api/queries";
import styles from "./Waiting.module.css";

const PATIENCE_MS = 2000;

export function Waiting() {
  const busy =
    useIsFetching({ predicate: (query) => query.queryKey[0] !== "work" }) + useIsMutating() > 0;
  const [long, setLong] = useState(false);
  useEffect(() => {
    if (!busy) {
      setLong(false);
      return;
    }
    const waiting = window.setTimeout(() => setLong(true), PATIENCE_MS);
    return () => window.clearTimeout(waiting);
  }, [busy]);
  const work = useQuery({ ...queries.work(), enabled: long });
  const now = long ? work.data?.running[0] : undefined;
  // Nothing comes up in the middle of a trial: the drill itself says what it waits for.
  if (!now || window.location.pathname.startsWith("/practice/drill")) {
    return null;
  }
  return (
    <div className={styles.waiting} role="status" aria-live="polite">
      <span>
        <b>{now.doing ? `${now.doing[0]?.toUpperCase()}${now.doing.slice(1)}` : now.what}</b>
        <small>{Math.round(now.seconds)} s</small>
      </span>
      <Button onClick={() => api.leave(now.id).catch(() => undefined)}>Leave it</Button>
    </div>
  );
}
