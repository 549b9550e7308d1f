// Series: studies from easy to hard, what each trains, and how far one has come.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { Link, useNavigate } from "react-router";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import type { Series } from "../../api/types";
import { download } from "../../shared/download";
import { FilePicker } from "../../shared/FilePicker";
import buttons from "../../shared/LinkButton.module.css";
import styles from "./Series.module.css";

type Step = Series["steps"][number];

const STANDS: Record<string, string> = {
  "not begun": "Not begun",
  begun: "Begun",
  drawn: "Drawn, not sound yet",
  checked: "It stands",
};

export function SeriesRoom() {
  const room = useQuery(queries.series());
  const client = useQueryClient();
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: api.beginFromScene,
    onSuccess: (bench) => {
      client.setQueryData(["bench", bench.id], bench);
      client.invalidateQueries({ queryKey: ["wall"] });
      client.invalidateQueries({ queryKey: ["series"] });
      navigate(`/studies/${bench.id}`);
    },
  });
  const add = useMutation({
    mutationFn: api.addSeries,
    onSuccess: () => client.invalidateQueries({ queryKey: ["series"] }),
  });
  const failed = begin.error ?? add.error ?? room.error;
  return (
    <main className={styles.room}>
      <div className={styles.head}>
        <Link to="/practice" className={buttons.plain}>
          Practice
        </Link>
        <p>
          A series is a plan of work: draw one after the other, and don't go on before it stands.
        </p>
        <FilePicker
          name="Series file"
          accept=".json,application/json"
          loading={add.isPending}
          onFile={add.mutate}
        >
          Add a series of your own
        </FilePicker>
      </div>
      {failed && (
        <p role="alert" className={styles.bad}>
          {failed instanceof ApiError ? failed.problem.detail : failed.message}
        </p>
      )}
      {room.data?.trouble.map((each) => (
        <p key={each} role="alert" className={styles.bad}>
          {each}
        </p>
      ))}
      {room.data?.series.map((each) => (
        <section key={each.name} data-series={each.name}>
          <div className={styles.title}>
            <h1>{each.title}</h1>
            <Button type="text" onClick={() => download(api.seriesAddress(each.name))}>
              Save as file
            </Button>
          </div>
          {each.note && <p className={styles.note}>{each.note}</p>}
          <ol className={styles.steps}>
            {each.steps.map((step, number) => (
              <StepCard
                // biome-ignore lint/suspicious/noArrayIndexKey: a step is its place in the series
                key={number}
                step={step}
                number={number + 1}
                waits={number === each.steps.findIndex((one) => one.stands !== "checked")}
                onBegin={() => begin.mutate(step.scene)}
                busy={begin.isPending}
              />
            ))}
          </ol>
        </section>
      ))}
    </main>
  );
}

type CardProps = {
  step: Step;
  number: number;
  /** It is the one to go on with. */
  waits: boolean;
  onBegin: () => void;
  busy: boolean;
};

function StepCard({ step, number, waits, onBegin, busy }: CardProps) {
  return (
    <li className={styles.step} data-waits={waits}>
      <div className={`on-paper ${styles.picture}`}>
        {step.picture && <img src={step.picture} alt="" />}
      </div>
      <h2>
        <span>{number}</span> {step.title}
      </h2>
      <p className={styles.trains}>{step.trains}</p>
      <p>{step.how}</p>
      <p className={styles.stands}>
        {step.missing
          ? "Its scene is not here: add its file under “Sight a scene”."
          : STANDS[step.stands]}
      </p>
      {!step.missing && (
        <div className={styles.actions}>
          {step.study !== null && (
            <Link to={`/studies/${step.study}`} className={buttons.plain}>
              Go on with it
            </Link>
          )}
          <Button
            type={waits && step.study === null ? "primary" : "default"}
            size="large"
            disabled={busy}
            onClick={onBegin}
            aria-label={`${step.study === null ? "Begin" : "Begin anew"}: ${step.title}`}
          >
            {step.study === null ? "Begin" : "Begin anew"}
          </Button>
        </div>
      )}
    </li>
  );
}
