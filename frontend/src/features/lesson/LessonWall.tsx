// The wall of a lesson, for who teaches: each block-in over the truth, how near it came, what is
// common. Asked anew while it hangs there.
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api } from "../../api/client";
import { lessonFileAddress, makeLesson } from "../../api/lessons";
import { queries } from "../../api/queries";
import type { LessonWall as Wall } from "../../api/types";
import { download } from "../../shared/download";
import { TaskTold } from "../../shared/TaskTold";
import { Large } from "./Large";
import styles from "./Lesson.module.css";
import { Overlay } from "./Overlay";
import own from "./Pupils.module.css";

export function LessonWall() {
  const id = useParams().id ?? "";
  const client = useQueryClient();
  const navigate = useNavigate();
  const { data: wall, error } = useQuery(queries.lessonWall(id));
  const [code, setCode] = useState(false);
  const [large, setLarge] = useState<number | null>(null);
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
  const again = async () => {
    const made = await makeLesson({ again: id });
    await client.invalidateQueries({ queryKey: ["lessons"] });
    navigate(`/lessons/${made.id}/wall`);
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
        <Button size="large" onClick={again}>
          Give it to the next class
        </Button>
        <Button size="large" onClick={() => download(lessonFileAddress(id))}>
          Save as lesson file
        </Button>
      </div>
      {code && <ClassLink id={id} />}
      <p className={styles.lead}>{summary(wall)}</p>
      {wall.task && <TaskTold {...wall.task} eyeFirst={wall.task.eye_first} />}
      <Stuck pupils={wall.pupils} />
      {wall.trouble.map((each) => (
        <p key={each} role="alert" className={styles.bad}>
          {each}
        </p>
      ))}
      {wall.common.length > 0 && <Common wall={wall} />}
      <ul className={styles.pupils} aria-label="Pupils">
        {wall.pupils.map((each) => (
          <li key={each.study_id} data-pupil={each.name} data-stuck={each.stuck !== null}>
            <button type="button" className={own.show} onClick={() => setLarge(each.study_id)}>
              <Overlay truth={wall.truth} lines={each.lines} label={`${each.name}'s block-in`} />
            </button>
            <h2>
              <Link to={`/studies/${each.study_id}`}>{each.name}</Link>
              {each.room && <small className={own.where}> {WHERE[each.room] ?? each.room}</small>}
            </h2>
            {each.handed && <p className={own.handed}>{each.handed}</p>}
            {each.looked && <p className={styles.habit}>Looked at the truth first</p>}
            {each.stuck && <p className={own.stuck}>{each.stuck}</p>}
            <p>
              {each.near_percent === null
                ? "Nothing to compare yet"
                : `Sighted so far: ${each.near_percent.toFixed(1)} % of the height off`}
            </p>
            <p>
              Covered: {each.tiers.join(", ")}. {each.readings}{" "}
              {each.readings === 1 ? "reading" : "readings"}
            </p>
            {each.drawn_percent !== null && (
              <p>Drawn: {each.drawn_percent.toFixed(1)} % of the height off</p>
            )}
            {each.apart_mm !== null && (
              <p>At its check: {each.apart_mm.toFixed(0)} mm off the plan</p>
            )}
            {each.habits.map((one) => (
              <p key={one} className={styles.habit}>
                {one}
              </p>
            ))}
          </li>
        ))}
      </ul>
      {large !== null && <Large wall={wall} study={large} onShow={setLarge} />}
    </main>
  );
}

const WHERE: Record<string, string> = {
  bench: "at the bench",
  easel: "at the easel",
  subject: "before the subject",
  sheet: "framing",
  draw: "drawing",
  check: "checking",
  tone: "in tones",
  sitting: "at the sitting",
};

/** Who may need help, by name, so that nobody has to be looked for among thirty. */
function Stuck({ pupils }: { pupils: Wall["pupils"] }) {
  const stuck = pupils.filter((each) => each.stuck);
  if (stuck.length === 0) {
    return null;
  }
  return (
    <p role="status" className={own.stuck}>
      Look in on {stuck.map((each) => each.name).join(", ")}.
    </p>
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
