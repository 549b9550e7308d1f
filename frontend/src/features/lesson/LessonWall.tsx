// The wall of a lesson, for who teaches: each block-in over the truth, how near it came, what is
// common. Asked anew while it hangs there.
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { api } from "../../api/client";
import { queries } from "../../api/queries";
import type { LessonWall as Wall } from "../../api/types";
import styles from "./Lesson.module.css";
import { Overlay } from "./Overlay";

export function LessonWall() {
  const id = useParams().id ?? "";
  const client = useQueryClient();
  const { data: wall, error } = useQuery(queries.lessonWall(id));
  const [code, setCode] = useState(false);
  if (error) {
    return <p role="alert">{error.message}</p>;
  }
  if (!wall) {
    return null;
  }
  const close = async () => {
    await api.closeLesson(id, !wall.closed);
    await client.invalidateQueries({ queryKey: ["lesson wall", id] });
  };
  return (
    <main className={styles.room}>
      <div className={styles.head}>
        <h1>{wall.title}</h1>
        <Button size="large" aria-expanded={code} onClick={() => setCode(!code)}>
          {code ? "Hide the link" : "The link for the class"}
        </Button>
        <Button size="large" onClick={close}>
          {wall.closed ? "Let others join again" : "Nobody else joins"}
        </Button>
      </div>
      {code && <ClassLink id={id} />}
      <p className={styles.lead}>{summary(wall)}</p>
      {wall.trouble.map((each) => (
        <p key={each} role="alert" className={styles.bad}>
          {each}
        </p>
      ))}
      {wall.common.length > 0 && <Common wall={wall} />}
      <ul className={styles.pupils} aria-label="Pupils">
        {wall.pupils.map((each) => (
          <li key={each.study_id} data-pupil={each.name}>
            <Link to={`/studies/${each.study_id}`}>
              <Overlay truth={wall.truth} lines={each.lines} label={`${each.name}'s block-in`} />
              <h2>{each.name}</h2>
            </Link>
            <p>
              {each.near_percent === null
                ? "Nothing to compare yet"
                : `What is held: ${each.near_percent.toFixed(1)} % of the height off`}
            </p>
            <p>
              Held: {each.tiers.join(", ")}. {each.readings}{" "}
              {each.readings === 1 ? "reading" : "readings"}
            </p>
            {each.apart_mm !== null && <p>Drawn: {each.apart_mm.toFixed(0)} mm off at its check</p>}
            {each.habits.map((one) => (
              <p key={one} className={styles.habit}>
                {one}
              </p>
            ))}
          </li>
        ))}
      </ul>
    </main>
  );
}

function summary(wall: Wall): string {
  const count = wall.pupils.length;
  if (count === 0) {
    return "Nobody has joined yet. Show the class the link.";
  }
  const some = count === 1 ? "One pupil" : `${count} pupils`;
  const half =
    wall.median_percent === null
      ? ""
      : ` Half of them are within ${wall.median_percent.toFixed(1)} % of the height.`;
  return `${some}.${half} The truth is the pale line, each block-in the dark one.`;
}

/** What several share, each as a row of dots, one a pupil. */
function Common({ wall }: { wall: Wall }) {
  return (
    <section aria-label="What is common" className={styles.common}>
      <h2>What is common</h2>
      <ul>
        {wall.common.map((each) => (
          <li key={each.said}>
            <span className={styles.dots} aria-hidden="true">
              {wall.pupils.map((one) => (
                <i key={one.study_id} data-has={each.names.includes(one.name)} />
              ))}
            </span>
            <span>
              <b>{each.names.length}</b> of {wall.pupils.length}. {each.said} Show next time:{" "}
              {each.show} <small>{each.names.join(", ")}</small>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function ClassLink({ id }: { id: string }) {
  const path = `/lessons/${id}`;
  const { data: door } = useQuery(queries.door());
  const shows = (door?.network && door.here) ?? false;
  const code = useQuery({ ...queries.qr(path), enabled: shows });
  if (!door) {
    return null;
  }
  return (
    <section className={styles.link} aria-label="The link for the class">
      {shows && code.data ? (
        <>
          <div
            className={styles.code}
            role="img"
            aria-label="The code that lets the class in"
            // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by Zirkel's own server
            dangerouslySetInnerHTML={{ __html: code.data.svg }}
          />
          <p>
            Pupils scan the code: they come to this lesson and their own study, and to nothing else
            here. Who opens <b>{code.data.address}</b> and gives the passcode may do everything.
          </p>
        </>
      ) : (
        <p>
          {door.network ? (
            <>
              On every device: <b>{`${window.location.origin}${path}`}</b>
            </>
          ) : (
            <>
              Only this machine is served: <Link to={path}>join here</Link>, or see{" "}
              <Link to="/devices">how other devices come in</Link>.
            </>
          )}
        </p>
      )}
    </section>
  );
}
