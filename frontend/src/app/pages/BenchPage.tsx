// The bench: the picture, the pad under it, the prompter beside it.
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Button, Segmented } from "antd";
import { useCallback, useEffect, useRef, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { ApiError, api } from "../../api/client";
import type { Bench, Change, Prompt, Relation, Relations, Sighting } from "../../api/types";
import { BenchPicture } from "../../features/bench";
import { PAD_SHORTCUTS, Pad, padKey, usePad } from "../../features/pad";
import { EaselPrompt, Marks, Progress, Prompter, Readings } from "../../features/prompter";
import { Setup } from "../../features/setup";
import { STICK_SHORTCUTS, StickBar, StickOverlay, stickKey, useStick } from "../../features/stick";
import { download } from "../../shared/download";
import { ShortcutHelp } from "../../shared/ShortcutHelp";
import { StaleDialog } from "../../shared/StaleDialog";
import { StudyHeader } from "../../shared/StudyHeader";
import { useShortcuts } from "../../shared/useShortcuts";
import { type StudyHandle, useStudy } from "../../shared/useStudy";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

const SIDES = ["Next", "Readings", "Marks", "Set-up"] as const;
type Side = (typeof SIDES)[number];

const SHORTCUTS = [
  ...PAD_SHORTCUTS,
  { keys: "Shift+N", does: "Take up what is suggested" },
  { keys: "Shift+A", does: "Another suggestion" },
  { keys: "Shift+E", does: "To the easel, hands full: one prompt and one pad, large" },
  { keys: "Shift+S", does: "Another simple relation" },
  { keys: "Shift+D", does: "Draw by the simple relation" },
  ...STICK_SHORTCUTS,
  { keys: "Shift+V", does: "Reveal the truth about a simulated subject, or hide it" },
  { keys: "Ctrl+Z", does: "Undo" },
  { keys: "Ctrl+Shift+Z", does: "Redo" },
  { keys: "?", does: "These keys" },
];

export default function BenchPage() {
  const id = Number(useParams().id);
  const study = useStudy(id);
  if (study.error) {
    return (
      <div className={styles.lost}>
        <Wordmark />
        <p role="alert">{study.error.message}</p>
        <Link to="/">Back to the wall</Link>
      </div>
    );
  }
  return study.bench ? (
    <OnBench key={id} study={study} bench={study.bench} />
  ) : (
    <p role="status">Fetching the study…</p>
  );
}

/** Plumb and level lines for the whole drawing, to be stepped through after the relations. */
function asRelations(lines: Relations["lines"] | undefined): Relation[] {
  return (lines ?? []).map((line) => {
    const kind = line.axis === "plumb" ? "drop" : "level";
    const [from = "", to = ""] = line.through;
    return {
      said: line.said,
      kind,
      along: null,
      landmarks: line.through.slice(0, 1),
      entry: { id: "r", kind, from, to },
      worth: 0,
    };
  });
}

/** After a tap, keys belong to the pad again and not to the button that was tapped. */
function letGo(event: React.MouseEvent): void {
  const held = document.activeElement;
  if (
    event.detail > 0 &&
    held instanceof HTMLElement &&
    held.matches("button, input[type=radio]")
  ) {
    held.blur();
  }
}

function OnBench({ study, bench }: { study: StudyHandle; bench: Bench }) {
  const pad = usePad(bench);
  const [search, setSearch] = useSearchParams();
  const side = (SIDES.find((each) => each === search.get("side")) ?? "Next") as Side;
  const [turn, setTurn] = useState(0);
  const [pointed, setPointed] = useState<string | null>(null);
  const [message, setMessage] = useState<{ text: string; bad: boolean } | null>(null);
  const [help, setHelp] = useState(false);
  const [promise, setPromise] = useState<Prompt | null>(null);
  const [step, setStep] = useState(0);
  const [unchecked, setUnchecked] = useState(false);

  const [revealed, setRevealed] = useState(false);
  const stick = useStick(bench, {
    kind: pad.state.kind,
    slots: pad.state.slots,
    put: pad.put,
    fill: pad.fill,
  });
  const truth = useQuery({
    queryKey: ["reveal", bench.id, bench.version],
    queryFn: () => api.reveal(bench.id),
    enabled: revealed,
    placeholderData: keepPreviousData,
    retry: false,
  });

  const make = useCallback(
    async (change: Change): Promise<string | null> => {
      try {
        await study.change(change);
        return null;
      } catch (error) {
        return error instanceof ApiError ? error.sentence : String(error);
      }
    },
    [study.change],
  );

  const keep = async () => {
    const sighting = pad.sighting();
    const trouble = await make({
      type: pad.state.editing ? "edit_sighting" : "take_sighting",
      sighting,
    } as Change);
    if (trouble === null) {
      setMessage({
        text: pad.state.editing ? "Corrected." : "Kept. The drawing has tightened.",
        bad: false,
      });
      setTurn(0);
      pad.clear();
    } else {
      setMessage({ text: trouble, bad: true });
    }
  };

  const back = () =>
    study
      .undo()
      .then((made) =>
        setMessage({ text: `Taken back.${made.redo ? ` ${made.redo}` : ""}`, bad: false }),
      )
      .catch(() => undefined);
  const again = () =>
    study
      .redo()
      .then(() => setMessage({ text: "Brought again.", bad: false }))
      .catch(() => undefined);
  const prompts = study.prompts ? [...study.prompts.sightings, ...study.prompts.checks] : [];
  const prompt = prompts.length ? prompts[turn % prompts.length] : undefined;

  const easel = search.get("easel") === "yes";
  const toEasel = () => setSearch(easel ? {} : { easel: "yes" }, { replace: true });
  // At the easel the pad is always laid out for what is asked: only the value is left to give.
  const asked = easel && prompt ? `${prompt.kind} ${prompt.start} ${prompt.end}` : null;
  const laidOut = useRef<string | null>(null);
  useEffect(() => {
    if (asked !== laidOut.current) {
      laidOut.current = asked;
      if (asked && prompt) {
        pad.takeUp(prompt);
      }
    }
  }, [asked, prompt, pad.takeUp]);

  const relations = [...(study.relations?.relations ?? []), ...asRelations(study.relations?.lines)];
  const relation = relations.length ? relations[step % relations.length] : undefined;
  const adopt = (each: Relation) =>
    make({ type: "adopt_relation", relation: each.entry as unknown as Sighting });

  useShortcuts((event) => {
    const command = event.ctrlKey || event.metaKey;
    if (command && event.key.toLowerCase() === "z") {
      event.shiftKey ? again() : back();
      return true;
    }
    if (event.key === "?") {
      setHelp(true);
      return true;
    }
    if (event.shiftKey && event.key === "N") {
      if (prompt) {
        pad.takeUp(prompt);
      }
      return true;
    }
    if (event.shiftKey && event.key === "E") {
      toEasel();
      return true;
    }
    if (event.shiftKey && event.key === "A") {
      setTurn(turn + 1);
      return true;
    }
    if (event.shiftKey && event.key === "S") {
      setStep(step + 1);
      return true;
    }
    if (event.shiftKey && event.key === "D") {
      if (relation) {
        adopt(relation);
      }
      return true;
    }
    if (event.shiftKey && stickKey(stick, event.key)) {
      return true;
    }
    if (event.shiftKey && event.key === "V" && bench.subject.kind === "scene") {
      setRevealed(!revealed);
      return true;
    }
    return padKey(pad, event, keep);
  });

  const strike = (reading: string, struck: boolean) =>
    make({ type: "strike_sighting", id: reading, struck }).then(
      (trouble) => trouble && setMessage({ text: trouble, bad: true }),
    );
  if (easel) {
    return (
      // biome-ignore lint/a11y/useKeyWithClickEvents: only lets go of what a pointer has pressed
      // biome-ignore lint/a11y/noStaticElementInteractions: only lets go of what a pointer has pressed
      <div
        className={styles.easel}
        data-version={bench.version}
        data-busy={study.busy}
        onClick={letGo}
      >
        <EaselPrompt
          bench={bench}
          prompt={prompt}
          onAnother={() => setTurn(turn + 1)}
          onLeave={toEasel}
        />
        <Pad bench={bench} pad={pad} message={message} busy={study.busy} onKeep={keep} />
        <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={SHORTCUTS} />
        <StaleDialog study={study} />
      </div>
    );
  }
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: only lets go of what a pointer has pressed
    // biome-ignore lint/a11y/noStaticElementInteractions: only lets go of what a pointer has pressed
    <div
      className={styles.bench}
      data-version={bench.version}
      data-busy={study.busy}
      onClick={letGo}
    >
      <StudyHeader study={study} bench={bench} stage="bench" onUndo={back} onRedo={again}>
        <Button onClick={toEasel}>Easel</Button>
        <Button onClick={() => download(api.fileAddress(bench.id))}>Save as file</Button>
        <Button onClick={() => setHelp(true)} aria-label="Keys on this screen">
          ?
        </Button>
      </StudyHeader>
      <BenchPicture
        bench={bench}
        chosen={pad.state.slots.flatMap((each) => each ?? [])}
        kind={pad.state.kind}
        pointed={pointed}
        promise={side === "Next" ? promise : null}
        relation={side === "Next" ? relation : undefined}
        reveal={revealed ? truth.data : undefined}
        overlay={
          stick.inHand
            ? (picture, height) => (
                <StickOverlay
                  stick={stick}
                  scale={picture.layout.subject}
                  right={picture.layout.divide}
                  bottom={height}
                  name={(each) => bench.landmarks.find((one) => one.id === each)?.name ?? each}
                />
              )
            : undefined
        }
        onChoose={pad.choose}
      >
        {stick.inHand && <StickBar stick={stick} unit={bench.unit?.name ?? "unit"} />}
        {bench.subject.kind !== "thumbnail" && !stick.inHand && (
          <div className={styles.subjectTools}>
            <Button onClick={stick.toggle}>Take up the stick</Button>
            {bench.subject.kind === "scene" && (
              <Button onClick={() => setRevealed(!revealed)} aria-pressed={revealed}>
                {revealed ? "Hide the truth" : "Reveal the truth"}
              </Button>
            )}
            {bench.subject.faults.length > 0 && (
              <p>A human hand: {bench.subject.faults.join("; ")}.</p>
            )}
          </div>
        )}
        {revealed && (
          <p role="status" className={styles.revealed}>
            {truth.data?.said ?? truth.error?.message ?? "Looking behind the curtain…"}
          </p>
        )}
      </BenchPicture>
      <aside className={styles.side}>
        <Segmented
          block
          options={[...SIDES]}
          value={side}
          onChange={(value) =>
            setSearch(value === "Next" ? {} : { side: value }, { replace: true })
          }
        />
        <div className={styles.scroll}>
          {side === "Next" && (
            <Prompter
              bench={bench}
              prompts={study.prompts}
              turn={turn}
              onTake={pad.takeUp}
              onAnother={() => setTurn(turn + 1)}
              onAgain={(reading) => pad.correct(reading, true)}
              onStrike={(reading) => strike(reading, true)}
              onPoint={setPointed}
              onKeepAll={(reading) => make({ type: "keep_sighting", id: reading })}
              onPointPrompt={setPromise}
              relation={relation}
              relationCount={relations.length}
              onNextRelation={() => setStep(step + 1)}
              onAdopt={adopt}
              onShowUnchecked={() => {
                setUnchecked(true);
                setSearch({ side: "Readings" }, { replace: true });
              }}
            />
          )}
          {side === "Readings" && (
            <Readings
              bench={bench}
              onlyUnchecked={unchecked}
              onEdit={(reading) => pad.correct(reading, false)}
              onStrike={strike}
              onRemove={(reading) => make({ type: "remove_sighting", id: reading })}
              onPoint={setPointed}
            />
          )}
          {side === "Marks" && (
            <Marks
              bench={bench}
              onChoose={pad.choose}
              onLeave={(relation) => make({ type: "leave_relation", id: relation })}
            />
          )}
          {side === "Set-up" && <Setup bench={bench} onChange={make} />}
        </div>
        <Progress bench={bench} />
      </aside>
      <Pad bench={bench} pad={pad} message={message} busy={study.busy} onKeep={keep} />
      <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={SHORTCUTS} />
      <StaleDialog study={study} />
    </div>
  );
}
