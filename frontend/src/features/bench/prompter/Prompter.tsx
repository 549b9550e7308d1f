// Beside the picture: what to sight next and why, and what no longer agrees.
import { Button } from "antd";
import type { Ambiguous, Bench, Change, Prompt, Prompts, Relation } from "../../../api/types";
import { Said } from "../../../shared/Said";
import { HandRecord } from "./HandRecord";
import { HowYouCount } from "./HowYouCount";
import styles from "./Prompter.module.css";
import { Shifted } from "./Shifted";
import { SightNext } from "./SightNext";
import type { Next } from "./useNext";

type Props = {
  bench: Bench;
  next: Next;
  onSetUp: () => void;
  onHang: (hang: NonNullable<Prompts["hang"]>) => void;
  onTake: (prompt: Prompt) => void;
  onAgain: (sighting: string) => void;
  onStrike: (sighting: string) => void;
  onKeepAll: (sighting: string) => void;
  onPoint: (sighting: string | null) => void;
  /** The suggestion pointed at, so that the picture can show what it would gain. */
  onPointPrompt: (prompt: Prompt | null) => void;
  make: (change: Change) => void;
  /** Makes the scatter of the readings one's own. */
  onBelieve: () => void;
  /** How finely is counted; null for what is usual. */
  onCounting: (to: Bench["artist"]["found"]) => void;
  relation: Relation | undefined;
  relationCount: number;
  onNextRelation: () => void;
  onAdopt: (relation: Relation) => void;
  onShowUnchecked: () => void;
};

export function Prompter(props: Props) {
  const { bench } = props;
  const prompts = props.next.data;
  return (
    <div className={styles.prompter}>
      {prompts?.shifted && <Shifted shifted={prompts.shifted} make={props.make} />}
      <SightNext
        bench={bench}
        next={props.next}
        onTake={props.onTake}
        onPoint={props.onPointPrompt}
        onSetUp={props.onSetUp}
      />
      {prompts?.hang && !props.next.enough && (
        <section aria-label="Many in one glance">
          <h2 className={styles.label}>Many in one glance</h2>
          <p className={styles.because}>{prompts.hang.said}</p>
          <div className={styles.actions}>
            <Button onClick={() => prompts.hang && props.onHang(prompts.hang)}>
              {prompts.hang.kind === "drop" ? "Hang it" : "Hold it"}
            </Button>
          </div>
        </section>
      )}
      {bench.scatter > 1 && !bench.artist.said && (
        <section aria-label="Your own scatter">
          <h2 className={`${styles.label} ${styles.chalk}`}>Your own scatter</h2>
          <p className={styles.because}>{bench.agreement}</p>
          <div className={styles.actions}>
            <Button onClick={props.onBelieve}>Make it mine</Button>
          </div>
        </section>
      )}
      <HandRecord bench={bench} make={props.make} />
      <HowYouCount artist={bench.artist} onCounting={props.onCounting} />
      <Doubts {...props} />
      {prompts?.ambiguous.slice(0, 1).map((each) => (
        <section key={each.landmark} aria-label="May lie elsewhere">
          <h2 className={`${styles.label} ${styles.chalk}`}>May lie elsewhere</h2>
          <p className={styles.because}>
            <Said text={each.said} />
          </p>
          {each.kind && each.start && each.end && (
            <div className={styles.actions}>
              <Button onClick={() => props.onTake(asPrompt(each))}>Sight it</Button>
            </div>
          )}
        </section>
      ))}
      {bench.takes
        .filter((each) => each.warning)
        .sort((a, b) => Number(a.thin) - Number(b.thin))
        .slice(0, 1)
        .map((each) => (
          <TakeWarning key={each.name} take={each} />
        ))}
      <SimpleHere {...props} />
      <Unchecked {...props} />
    </div>
  );
}

function TakeWarning({ take }: { take: Bench["takes"][number] }) {
  const said = take.thin ? "A take that little ties" : "A take that drifts";
  return (
    <section aria-label={said}>
      <h2 className={take.thin ? styles.label : `${styles.label} ${styles.chalk}`}>{said}</h2>
      <p className={styles.because}>{take.warning}</p>
    </section>
  );
}

/** The reading that would tell where a landmark lies, as a suggestion to be taken up. */
function asPrompt(place: Ambiguous): Prompt {
  return {
    kind: place.kind ?? "drop",
    start: place.start ?? "",
    end: place.end ?? "",
    along: null,
    towards: null,
    ask: place.ask ?? "",
    because: place.said,
    gain: 0,
    checks: [],
    settles: place.landmark,
    before_mm: 0,
    after_mm: 0,
  };
}

function Doubts(props: Props) {
  const standing = props.bench.doubts.filter((each) => !each.kept);
  return (
    <>
      {standing.slice(0, 3).map((doubt) => (
        <section
          key={doubt.sighting}
          aria-label="Doesn't agree"
          onPointerEnter={() => props.onPoint(doubt.sighting)}
          onPointerLeave={() => props.onPoint(null)}
        >
          <h2 className={`${styles.label} ${styles.chalk}`}>Doesn't agree</h2>
          <p className={styles.said}>
            <Said text={doubt.headline} />
          </p>
          <p className={styles.because}>
            <Said text={doubt.detail} />
          </p>
          <div className={styles.actions}>
            <Button onClick={() => props.onAgain(doubt.sighting)}>Sight again</Button>
            <Button onClick={() => props.onStrike(doubt.sighting)}>Strike</Button>
            <Button type="text" onClick={() => props.onKeepAll(doubt.sighting)}>
              Keep
            </Button>
          </div>
        </section>
      ))}
    </>
  );
}

function SimpleHere(props: Props) {
  return (
    <>
      {props.relation && (
        <section aria-label="Simple here">
          <h2 className={`${styles.label} ${styles.green}`}>Simple here</h2>
          <p className={styles.said}>
            <Said text={props.relation.said} />
            {props.relation.within && (
              <>
                , <Said text={props.relation.within} />
              </>
            )}
            .
          </p>
          <div className={styles.actions}>
            <Button
              onClick={() => props.relation && props.onAdopt(props.relation)}
              aria-keyshortcuts="Shift+D"
            >
              Draw by it
            </Button>
            <Button
              type="text"
              onClick={props.onNextRelation}
              disabled={props.relationCount < 2}
              aria-keyshortcuts="Shift+S"
            >
              Another
            </Button>
          </div>
        </section>
      )}
    </>
  );
}

function Unchecked(props: Props) {
  const prompts = props.next.data;
  return (
    <>
      {prompts && prompts.unchecked.length > 0 && (
        <section aria-label="Not checked by anything">
          <h2 className={styles.label}>Not checked by anything</h2>
          <p className={styles.because}>
            {prompts.unchecked.length === 1
              ? "One reading could be wrong and nothing would notice."
              : `${prompts.unchecked.length} readings could be wrong and nothing would notice.`}
          </p>
          <div className={styles.actions}>
            {prompts.checks[0] && (
              <Button onClick={() => prompts.checks[0] && props.onTake(prompts.checks[0])}>
                Check {prompts.checks[0].checks.length} of them
              </Button>
            )}
            <Button type="text" onClick={props.onShowUnchecked}>
              Show them
            </Button>
          </div>
        </section>
      )}
    </>
  );
}
