// What waits to be sent, shown until it has gone in.
import { Button } from "antd";
import { useEffect, useState } from "react";
import type { Bench, Change } from "../api/types";
import styles from "./UnsentBar.module.css";
import { useOthers } from "./useLive";
import type { StudyHandle } from "./useStudy";

export function UnsentBar({ study, bench }: { study: StudyHandle; bench: Bench }) {
  const { unsent } = study;
  const silent = useSilence();
  if (unsent.length === 0) {
    return silent ? (
      <section className={styles.bar} role="status" aria-label="No answer">
        <p>Zirkel does not answer. What you enter waits here until it does.</p>
      </section>
    ) : null;
  }
  const wait = unsent.filter((each) => !each.trouble).length;
  return (
    <section className={styles.bar} role="status" aria-label="Not sent yet">
      {wait > 0 && (
        <p>
          Zirkel does not answer. {wait === 1 ? "One entry waits" : `${wait} entries wait`} here and
          go
          {wait === 1 ? "es" : ""} in when it does.
        </p>
      )}
      <ul>
        {unsent.map((each) => (
          <li key={each.token} data-unsent={each.trouble ? "refused" : "waits"}>
            <span>{describe(each.change, bench)}</span>
            {each.trouble && (
              <>
                <b>was not taken: {each.trouble}</b>
                <Button onClick={() => study.leaveOut(each.token)}>Leave it out</Button>
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What passes by itself need not be said. */
const SILENT_MS = 4000;

/** Whether nothing has been heard of Zirkel for a while. */
function useSilence(): boolean {
  const { heard } = useOthers();
  const [silent, setSilent] = useState(false);
  useEffect(() => {
    setSilent(false);
    if (heard) {
      return;
    }
    const later = window.setTimeout(() => setSilent(true), SILENT_MS);
    return () => window.clearTimeout(later);
  }, [heard]);
  return silent;
}

const NUMBERS = ["units", "degrees", "offset", "fraction", "ratio"] as const;

/** A change in few words, of what is known here: the server's own words aren't at hand. */
function describe(change: Change, bench: Bench): string {
  if (change.type !== "take_sighting" && change.type !== "edit_sighting") {
    return change.type.replaceAll("_", " ");
  }
  const fields = change.sighting as unknown as Record<string, unknown>;
  const named = (id: unknown) => bench.landmarks.find((each) => each.id === id)?.name;
  const ends = [named(fields.from), named(fields.to)].filter(Boolean).join(" to ");
  const value = NUMBERS.map((each) => fields[each]).find((each) => each != null);
  return [ends || String(fields.kind), value].filter((each) => each != null).join(": ");
}
