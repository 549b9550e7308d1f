// A phone as the pad: the code to scan that takes it to this study at the easel.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { queries } from "../../../api/queries";
import type { Bench } from "../../../api/types";
import styles from "./Setup.module.css";

export function PhoneAsPad({ bench }: { bench: Bench }) {
  const [shown, setShown] = useState(false);
  const { data: door } = useQuery(queries.door());
  const path = `/studies/${bench.id}?easel=yes`;
  const code = useQuery({ ...queries.qr(path), enabled: shown && (door?.here ?? false) });
  if (!door) {
    return null;
  }
  return (
    <section>
      <h2>A phone as the pad</h2>
      {door.network && door.here ? (
        <>
          <Button aria-expanded={shown} onClick={() => setShown(!shown)}>
            {shown ? "Hide the code" : "Show the code to scan"}
          </Button>
          {shown && code.data && (
            <>
              <div
                className={styles.code}
                role="img"
                aria-label="The code that makes a phone the pad of this study"
                // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by Zirkel's own server
                dangerouslySetInnerHTML={{ __html: code.data.svg }}
              />
              <p>{code.data.address}</p>
            </>
          )}
        </>
      ) : (
        <p>
          One hand on the stick, the phone in the other, the bench large before you:{" "}
          <Link to="/devices">how another device comes in</Link>.
        </p>
      )}
    </section>
  );
}
