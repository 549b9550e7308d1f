// Devices: the address and the code to scan, who is let in, and how others are served at all.
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { Navigate } from "react-router";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import { Sign } from "../../shared/drawn";
import styles from "./Door.module.css";

export function DevicesRoom() {
  const client = useQueryClient();
  const { data: door, error } = useQuery({ ...queries.door(), refetchInterval: 5000 });
  const [trouble, setTrouble] = useState<string | null>(null);
  const make = async (made: Promise<unknown>) => {
    try {
      await made;
      setTrouble(null);
      await client.invalidateQueries({ queryKey: ["door"] });
    } catch (wrong) {
      setTrouble(wrong instanceof ApiError ? wrong.problem.detail : String(wrong));
    }
  };
  if (error) {
    return <p role="alert">{error.message}</p>;
  }
  if (!door) {
    return null;
  }
  if (!door.let_in) {
    return <Navigate to="/door" replace />;
  }
  if (!door.network) {
    return (
      <main className={styles.devices}>
        <h1>Devices</h1>
        <Together />
        <p>
          Zirkel is served on this machine alone. To use a tablet at the easel, or a phone as the
          pad, stop it and start it for your own network:
        </p>
        <pre>make demo HOST=0.0.0.0</pre>
        <p>
          It then shows an address, a passcode and a code to scan. Every device gives the passcode
          once.
        </p>
      </main>
    );
  }
  return (
    <main className={styles.devices}>
      <h1>Devices</h1>
      {door.devices.length === 0 && <Together />}
      {trouble && (
        <p role="alert" className={styles.bad}>
          {trouble}
        </p>
      )}
      <div className={styles.two}>
        {door.qr && (
          <figure>
            <div
              className={styles.code}
              role="img"
              aria-label="The code to scan with a tablet or phone"
              // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by Zirkel's own server
              dangerouslySetInnerHTML={{ __html: door.qr }}
            />
            <figcaption>
              Scan it with the tablet or phone: it is let in at once. The code is good for one
              device and ten minutes; then there is another.
            </figcaption>
          </figure>
        )}
        <section aria-label="How another device comes in">
          <h2>Another device</h2>
          <ol>
            <li>
              It is in the same network as this one, and opens{" "}
              {door.addresses.map((each) => (
                <b key={each} className={styles.address}>
                  {each}
                </b>
              ))}
            </li>
            {door.passcode && (
              <li>
                The passcode: <b className={styles.passcode}>{spaced(door.passcode)}</b>
              </li>
            )}
          </ol>
          {door.here ? (
            <Button size="large" onClick={() => make(api.newPasscode())}>
              Another passcode
            </Button>
          ) : (
            <p>The passcode is shown on the machine that runs Zirkel.</p>
          )}
          {door.plain && (
            <p className={styles.care}>
              What goes over the network can be read by others in it. At home that is you; in a
              school or a café, start Zirkel with a certificate of your own.
            </p>
          )}
        </section>
      </div>
      <section aria-label="Devices let in">
        <h2>Let in</h2>
        {door.devices.length === 0 ? (
          <p>No other device yet.</p>
        ) : (
          <ul className={styles.list}>
            {door.devices.map((each) => (
              <li key={each.id}>
                <b>
                  {each.name}
                  {each.this ? ", this one" : ""}
                  {each.lesson ? ", a pupil's" : ""}
                </b>
                <span>seen {said(each.seen_at)}</span>
                {(door.here || each.this) && (
                  <Button
                    size="large"
                    aria-label={`Put out: ${each.name}`}
                    onClick={() => make(api.putOut(each.id))}
                  >
                    Put out
                  </Button>
                )}
              </li>
            ))}
          </ul>
        )}
      </section>
    </main>
  );
}

/** Which device serves for what. */
function Together() {
  return (
    <ul className={styles.together}>
      <li>
        <Sign sign="machine" />
        <span>
          <b>This machine</b> keeps the studies and does the arithmetic.
        </span>
      </li>
      <li>
        <Sign sign="tablet" />
        <span>
          <b>A tablet at the easel</b> shows the bench where you draw.
        </span>
      </li>
      <li>
        <Sign sign="phone" />
        <span>
          <b>A phone in the hand</b> is the pad: a reading taken there is on the bench at once.
        </span>
      </li>
    </ul>
  );
}

function spaced(code: string): string {
  return /^\d{8}$/.test(code) ? `${code.slice(0, 4)} ${code.slice(4)}` : code;
}

function said(at: string): string {
  return new Date(`${at}Z`).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
}
