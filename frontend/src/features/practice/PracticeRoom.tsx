// What to practise today, every exercise with its record, and whose eye it is.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { Link, useSearchParams } from "react-router";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import type { PracticeDrill, PracticeExercise, PracticeRoom as Room } from "../../api/types";
import { ArtistChoice } from "../../shared/ArtistChoice";
import { download } from "../../shared/download";
import { ExerciseSign, Sign } from "../../shared/drawn";
import { FilePicker } from "../../shared/FilePicker";
import buttons from "../../shared/LinkButton.module.css";
import { useArtist } from "../../shared/useArtist";
import { Months } from "./Months";
import { Plot } from "./Plot";
import styles from "./Practice.module.css";

export function PracticeRoom() {
  const artist = useArtist();
  const room = useQuery(queries.practice(artist));
  const [query] = useSearchParams();
  const chosen = room.data?.exercises.find((each) => each.name === query.get("exercise"));
  if (room.error) {
    return (
      <main className={styles.room}>
        <p role="alert">{room.error.message}</p>
        <Button size="large" onClick={() => room.refetch()}>
          Try again
        </Button>
      </main>
    );
  }
  if (!room.data) {
    return <main className={styles.room} />;
  }
  return chosen ? <OneExercise exercise={chosen} /> : <All room={room.data} />;
}

function All({ room }: { room: Room }) {
  const minutes = Math.round(room.today.reduce((sum, each) => sum + each.minutes, 0));
  return (
    <main className={styles.room} data-trials={room.trials}>
      <div className={styles.side}>
        <section className={styles.today} aria-label="Today" data-unprinted>
          <h1>Today, about {minutes === 1 ? "one minute" : `${minutes} minutes`}</h1>
          {room.habits.map((each) => (
            <p key={each}>{each}</p>
          ))}
          <ol>
            {room.today.map((each) => (
              <li key={each.exercise}>
                <ExerciseSign exercise={each.exercise} />
                <p>
                  <b>{each.title}</b>
                  <span>
                    {each.trials} {each.trials === 1 ? "trial" : "trials"}. {each.why}
                  </span>
                </p>
              </li>
            ))}
          </ol>
          <Link className={buttons.begin} to={drillAt(room.today_of)}>
            Begin
          </Link>
        </section>
        <Record room={room} />
      </div>
      <div className={styles.all}>
        <div className={styles.allHead}>
          <h2>Every exercise</h2>
          <p>
            <i className={styles.keyDot} /> one trial <i className={styles.keyBand} /> where your
            average lies <i className={styles.keyHatch} /> how far single answers scatter
          </p>
        </div>
        <ul className={styles.rows}>
          {room.exercises.map((each) => (
            <Row key={each.name} exercise={each} />
          ))}
        </ul>
        {room.guesses.length > 0 && (
          <>
            <h2>Before measuring, in your studies</h2>
            <ul className={styles.rows}>
              {room.guesses.map((line) => (
                <li key={line.name} className={styles.row}>
                  <Sign sign="unit" />
                  <div>
                    <h3>{line.title}</h3>
                    <p>{line.known ? `${line.lean} ${line.spread}` : line.spread}</p>
                  </div>
                  <Plot line={line} size="small" />
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
    </main>
  );
}

function Row({ exercise }: { exercise: PracticeExercise }) {
  const [line] = exercise.lines;
  if (!line) {
    return null;
  }
  return (
    <li data-unprinted={line.dots.length === 0 || undefined}>
      <Link className={styles.row} to={`/practice?exercise=${exercise.name}`}>
        <ExerciseSign exercise={exercise.name} />
        <div>
          <h3>{exercise.title}</h3>
          <p>{line.known ? `${line.lean} ${line.spread}` : exercise.trains}</p>
          {line.verdict !== "not known yet" && <p className={styles.verdict}>{line.change}</p>}
        </div>
        <Plot line={line} size="small" />
      </Link>
    </li>
  );
}

function OneExercise({ exercise }: { exercise: PracticeExercise }) {
  return (
    <main className={styles.one}>
      <div className={styles.oneHead}>
        <Link to="/practice" className={buttons.plain}>
          Practice
        </Link>
        <h1>{exercise.title}</h1>
        <Link className={buttons.begin} to={drillOf([exercise.drill])}>
          {exercise.drill.trials === 1 ? "Begin" : `Begin: ${exercise.drill.trials} trials`}
        </Link>
      </div>
      <div className={styles.about}>
        <ExerciseSign exercise={exercise.name} />
        <p>
          {exercise.trains} {exercise.good}
        </p>
      </div>
      {exercise.lines.every((line) => line.dots.length === 0) ? (
        <p className={styles.untried}>
          Nothing tried yet. {exercise.drill.trials === 1 ? "One trial" : "Ten trials"} a day for a
          week, and it is known to which side your eye errs, how far, and whether it gets surer.
        </p>
      ) : (
        <Known exercise={exercise} />
      )}
    </main>
  );
}

function Known({ exercise }: { exercise: PracticeExercise }) {
  return (
    <>
      {exercise.lines.map((line) => (
        <section key={line.name}>
          {exercise.lines.length > 1 && <h2>{line.title}</h2>}
          <p>
            {line.lean} {line.spread} {line.change}
          </p>
          <Plot line={line} size={exercise.lines.length > 1 ? "usual" : "large"} />
          <Months line={line} />
        </section>
      ))}
      <p className={styles.legend}>
        {exercise.lines.some((line) => line.choice)
          ? "Filled: seen. Open: not seen. The line: how large a difference a single look tells, with where it may well lie."
          : "Dots: single answers; every other trial, at your own step, is left out. The line: your average, with where it may well lie. Hatched: how far single answers scatter. A far miss now and then is taken for a slip."}
      </p>
    </>
  );
}

function Record({ room }: { room: Room }) {
  const client = useQueryClient();
  const take = useMutation({
    mutationFn: (file: Blob) => api.takeInPractice(file, room.artist),
    onSuccess: () => client.invalidateQueries({ queryKey: ["practice"] }),
  });
  return (
    <section className={styles.record} aria-label="The record">
      <div data-unprinted>
        <ArtistChoice />
      </div>
      <p data-printed-only>
        {room.artists.find((each) => each.id === room.artist)?.name || "The eye's record"},{" "}
        {new Date().toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" })}
      </p>
      <p>
        {room.trials === 0
          ? "Nothing is on record yet. No points, no badges: only what your eye does, and how sure that is."
          : `${room.trials === 1 ? "One trial" : `${room.trials} trials`} on record, kept whole.`}
      </p>
      {take.data && (
        <p role="status">
          {take.data.new} of {take.data.trials} trials were new and are kept.
        </p>
      )}
      {take.error && (
        <p role="alert" className={styles.bad}>
          {take.error instanceof ApiError ? take.error.problem.detail : take.error.message}
        </p>
      )}
      <div className={styles.actions}>
        {room.trials > 0 && <Button onClick={() => window.print()}>Print it</Button>}
        {room.trials > 0 && (
          <Button onClick={() => download(api.practiceAddress(room.artist))}>
            Save the record
          </Button>
        )}
        <FilePicker
          name="Record file"
          accept=".json,application/json"
          loading={take.isPending}
          onFile={take.mutate}
        >
          Take in a record
        </FilePicker>
      </div>
      {room.lends.length > 0 && (
        <details>
          <summary>What it lends to bench and recipe</summary>
          {room.lends.map((each) => (
            <p key={each}>{each}</p>
          ))}
        </details>
      )}
      <Link to="/practice/series" className={buttons.plain} data-unprinted>
        Series: studies from easy to hard
      </Link>
    </section>
  );
}

function drillOf(drills: readonly PracticeDrill[]): string {
  const of = drills.map((each) => `${each.exercise}:${each.trials}`).join(",");
  return drillAt(of);
}

function drillAt(of: string): string {
  return `/practice/drill?of=${of}&at=${Date.now().toString(36)}`;
}
