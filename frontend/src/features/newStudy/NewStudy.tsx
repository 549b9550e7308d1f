// Setting up a study: name and sheet, landmarks, shapes, unit. One thing asked at a time.
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, api } from "../../api/client";
import type { Point } from "../../geometry/scale";
import { PictureUpload } from "../../shared/PictureUpload";
import { SheetChooser } from "../../shared/SheetChooser";
import { Board } from "./Board";
import { KitStep } from "./KitStep";
import { KitTable } from "./KitTable";
import { LandmarkStep } from "./LandmarkStep";
import styles from "./NewStudy.module.css";
import { ShapeStep } from "./ShapeStep";
import { UnitStep } from "./UnitStep";
import { fromKit, rounded, toFile, useDraft, without } from "./useDraft";

const STEPS = ["Name and sheet", "Landmarks", "Shapes", "Unit"] as const;

const HINTS = [
  "This is your thumbnail. Next you tap where the large points of the subject sit.",
  "Tap where a landmark sits, roughly. Then name it.",
  "Tap landmarks in order to join them by straight lines.",
  "Tap the two ends of the length you will count in.",
];

/** Points that are pulled to place the whole; each further one moves by itself. */
const MOST_PULLED = 3;

export function NewStudy() {
  const { draft, set, forget } = useDraft();
  const [step, setStep] = useState(0);
  const [pending, setPending] = useState<Point | null>(null);
  const [joining, setJoining] = useState<string[]>([]);
  const [picked, setPicked] = useState<string | null>(null);
  const [unitTurn, setUnitTurn] = useState<"from" | "to">("from");
  const navigate = useNavigate();
  const client = useQueryClient();
  const begin = useMutation({
    mutationFn: () => api.make(toFile(draft)),
    onSuccess: (bench) => {
      forget();
      client.setQueryData(["bench", bench.id], bench);
      client.invalidateQueries({ queryKey: ["wall"] });
      navigate(`/studies/${bench.id}`);
    },
  });

  const drag = async (id: string, at: Point) => {
    const to: [number, number] = [rounded(at.x), rounded(at.y)];
    const pulled = { ...draft.pulled, [id]: to };
    const kit = draft.kit;
    const alone = !kit || Object.keys(pulled).length > MOST_PULLED;
    const places: Record<string, [number, number]> = alone
      ? { [id]: to }
      : await api.pullKit({ usual: kit.usual, pulled }).then((found) => found.places);
    set({
      pulled,
      landmarks: draft.landmarks.map((each) => ({
        ...each,
        rough: places[each.id] ?? each.rough,
      })),
    });
  };
  const tapLandmark = (id: string) => {
    if (step <= 1 && draft.kit) {
      setPicked(id === picked ? null : id);
    } else if (step === 2) {
      setJoining((old) => [...old, id]);
    } else if (step === 3) {
      set({ unit: { ...draft.unit, [unitTurn]: id } });
      setUnitTurn(unitTurn === "from" ? "to" : "from");
    }
  };
  const chosen = picked
    ? [picked]
    : step === 3
      ? [draft.unit.from ?? "", draft.unit.to ?? ""]
      : joining;
  // Before anything is set, the sheet is a table of kits to begin with.
  const tables = step === 0 && draft.landmarks.length === 0 && draft.picture === null;
  return (
    <main className={styles.page}>
      {tables ? (
        <KitTable
          onChoose={(kit) => {
            set(fromKit(kit, draft));
            setPicked(null);
          }}
          onBlank={() => setStep(1)}
        />
      ) : (
        <Board
          draft={draft}
          chosen={chosen}
          pending={pending}
          joining={joining}
          hint={draft.kit && step <= 1 ? "" : (HINTS[step] ?? "")}
          onPlace={(at) => {
            if (step <= 1 && !draft.kit) {
              setStep(1);
              setPending(at);
            }
          }}
          onLandmark={tapLandmark}
          onDrag={draft.kit ? drag : null}
        />
      )}
      <aside className={styles.side}>
        <ol className={styles.steps}>
          {STEPS.map((each, i) => (
            <li key={each}>
              <button
                type="button"
                aria-current={i === step ? "step" : undefined}
                onClick={() => setStep(i)}
              >
                {i + 1}. {each}
              </button>
            </li>
          ))}
        </ol>
        <div className={styles.body}>
          {draft.kit && step <= 1 && (
            <KitStep
              draft={draft}
              picked={picked}
              onPick={setPicked}
              onDrop={(id) => {
                set(without(draft, id));
                setPicked(null);
              }}
              onAnother={() => {
                set({ kit: null, landmarks: [], shapes: [], pulled: {} });
                setPicked(null);
                setStep(0);
              }}
            />
          )}
          {step === 0 && (
            <>
              <label className={styles.field}>
                What are you drawing?
                <Input
                  autoFocus
                  size="large"
                  value={draft.title}
                  placeholder="The boathouse, from the jetty"
                  maxLength={200}
                  onChange={(event) => set({ title: event.target.value })}
                  onPressEnter={() => setStep(1)}
                />
              </label>
              <p className={styles.field}>On which sheet?</p>
              <SheetChooser value={draft.sheet} onChange={(sheet) => set({ sheet })} />
              <p className={styles.field}>Have you a picture of it?</p>
              <PictureUpload
                label={draft.picture ? "Another picture" : "Tap on a photograph or print"}
                onTaken={({ picture, width, height }) =>
                  set({ picture: { picture, width, height } })
                }
              />
              {draft.picture && (
                <Button type="text" onClick={() => set({ picture: null })}>
                  Without it
                </Button>
              )}
            </>
          )}
          {step === 1 && (
            <LandmarkStep draft={draft} set={set} pending={pending} setPending={setPending} />
          )}
          {step === 2 && (
            <ShapeStep draft={draft} set={set} joining={joining} setJoining={setJoining} />
          )}
          {step === 3 && <UnitStep draft={draft} set={set} turn={unitTurn} />}
        </div>
        {begin.error instanceof ApiError && (
          <p role="alert" className={styles.bad}>
            {begin.error.problem.detail}
          </p>
        )}
        <div className={styles.actions}>
          {step < STEPS.length - 1 ? (
            <Button type="primary" size="large" onClick={() => setStep(step + 1)}>
              Next: {STEPS[step + 1]?.toLowerCase()}
            </Button>
          ) : (
            <Button
              type="primary"
              size="large"
              loading={begin.isPending}
              onClick={() => begin.mutate()}
            >
              Begin sighting
            </Button>
          )}
          {step < STEPS.length - 1 && draft.landmarks.length > 0 && (
            <Button size="large" onClick={() => begin.mutate()} loading={begin.isPending}>
              Begin as it is
            </Button>
          )}
        </div>
      </aside>
    </main>
  );
}
