// Setting up a study: name and sheet, landmarks, shapes, unit. One thing asked at a time.
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Button, Input, Segmented } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, api } from "../../api/client";
import type { Point } from "../../geometry/scale";
import { PictureUpload } from "../../shared/PictureUpload";
import { SheetChooser } from "../../shared/SheetChooser";
import { Board } from "./Board";
import { KitChoice } from "./KitChoice";
import { KitStep } from "./KitStep";
import styles from "./NewStudy.module.css";
import { type Draft, freeId, fromKit, toFile, useDraft, without } from "./useDraft";

const STEPS = ["Name and sheet", "Landmarks", "Shapes", "Unit"] as const;

const HINTS = [
  "This is your thumbnail. Next you tap where the large points of the subject sit.",
  "Tap where a landmark sits, roughly. Then name it.",
  "Tap landmarks in order to join them by straight lines.",
  "Tap the two ends of the length you will count in.",
];

type Tier = 1 | 2 | 3;
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
    const to: [number, number] = [round(at.x), round(at.y)];
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
  return (
    <main className={styles.page}>
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
              <KitChoice
                chosen={draft.kit?.name ?? null}
                onChoose={(kit) => {
                  set(kit ? fromKit(kit, draft) : { kit: null, landmarks: [], shapes: [] });
                  setPicked(null);
                }}
              />
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

type StepProps = { draft: Draft; set: (part: Partial<Draft>) => void };

function LandmarkStep({
  draft,
  set,
  pending,
  setPending,
}: StepProps & { pending: Point | null; setPending: (p: Point | null) => void }) {
  const [name, setName] = useState("");
  const [tier, setTier] = useState<Tier>(1);
  const add = () => {
    if (pending && name.trim()) {
      const id = freeId(
        name,
        draft.landmarks.map((each) => each.id),
      );
      const rough: [number, number] = [round(pending.x), round(pending.y)];
      set({ landmarks: [...draft.landmarks, { id, name: name.trim(), tier, rough }] });
      setName("");
      setPending(null);
    }
  };
  const remove = (id: string) => set(without(draft, id));
  return (
    <>
      {pending ? (
        <>
          <label className={styles.field}>
            What is it called?
            <Input
              autoFocus
              key={`${pending.x} ${pending.y}`}
              size="large"
              value={name}
              maxLength={200}
              placeholder="Can, top of rim"
              onChange={(event) => setName(event.target.value)}
              onPressEnter={add}
            />
          </label>
          <Segmented
            block
            value={tier}
            onChange={setTier}
            options={[
              { label: "Large shape", value: 1 as Tier },
              { label: "Middle", value: 2 as Tier },
              { label: "Detail", value: 3 as Tier },
            ]}
          />
          <Button onClick={add} disabled={!name.trim()}>
            Add this landmark
          </Button>
        </>
      ) : (
        <p className={styles.quiet}>
          Choose points that you can find again: corners, tips, where a rim ends. Large shapes
          first; more can be added at any time.
        </p>
      )}
      <ul className={styles.list}>
        {[...draft.landmarks].reverse().map((each) => (
          <li key={each.id}>
            {each.name}
            <Button
              size="middle"
              type="text"
              onClick={() => remove(each.id)}
              aria-label={`Remove ${each.name}`}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

function ShapeStep({
  draft,
  set,
  joining,
  setJoining,
}: StepProps & { joining: string[]; setJoining: (ids: string[]) => void }) {
  const [name, setName] = useState("");
  const named = new Map(draft.landmarks.map((each) => [each.id, each.name]));
  const finish = (closed: boolean) => {
    const said = name.trim() || `Shape ${draft.shapes.length + 1}`;
    const id = freeId(
      said,
      draft.shapes.map((each) => each.id),
    );
    set({ shapes: [...draft.shapes, { id, name: said, outline: joining, closed }] });
    setName("");
    setJoining([]);
  };
  return (
    <>
      <label className={styles.field}>
        Name of the shape
        <Input
          value={name}
          size="large"
          placeholder="Watering can"
          maxLength={200}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <p className={styles.quiet}>
        {joining.length
          ? joining.map((id) => named.get(id)).join(" – ")
          : "Nothing joined yet: tap landmarks in order, or choose them here."}
      </p>
      <div className={styles.chips}>
        {draft.landmarks.map((each) => (
          <button type="button" key={each.id} onClick={() => setJoining([...joining, each.id])}>
            {each.name}
          </button>
        ))}
      </div>
      <div className={styles.actions}>
        <Button disabled={joining.length < 3} onClick={() => finish(true)}>
          Close it
        </Button>
        <Button disabled={joining.length < 2} onClick={() => finish(false)}>
          Leave it open
        </Button>
        <Button
          type="text"
          disabled={!joining.length}
          onClick={() => setJoining(joining.slice(0, -1))}
        >
          One back
        </Button>
      </div>
      <ul className={styles.list}>
        {draft.shapes.map((each) => (
          <li key={each.id}>
            {each.name}
            <Button
              size="middle"
              type="text"
              onClick={() => set({ shapes: draft.shapes.filter((s) => s.id !== each.id) })}
              aria-label={`Remove shape ${each.name}`}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

function UnitStep({ draft, set, turn }: StepProps & { turn: "from" | "to" }) {
  const { unit } = draft;
  const named = new Map(draft.landmarks.map((each) => [each.id, each.name]));
  const choose = (part: Partial<Draft["unit"]>) => set({ unit: { ...unit, ...part } });
  return (
    <>
      <Segmented
        block
        value={draft.counting}
        onChange={(counting) => set({ counting })}
        options={[
          { label: "Count in a length", value: "unit" as const },
          { label: "In mm on the sheet", value: "mm" as const },
        ]}
      />
      {draft.counting === "mm" ? (
        <p className={styles.quiet}>
          For sight-size and dividers: every reading is a length on the sheet itself.
        </p>
      ) : (
        <>
          <p className={styles.quiet}>
            Easy to find again, upright or level, big enough to read, small enough to count.
          </p>
          {(["from", "to"] as const).map((end) => (
            <label key={end} className={styles.field}>
              {end === "from" ? "From" : "To"}
              {turn === end ? " (next tap)" : ""}
              <select
                value={unit[end] ?? ""}
                onChange={(event) => choose({ [end]: event.target.value || null })}
              >
                <option value="">tap it, or choose</option>
                {[...named].map(([id, name]) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          ))}
          <Segmented
            block
            value={unit.along}
            onChange={(along) => choose({ along })}
            options={[
              { label: "Upright", value: "plumb" as const },
              { label: "Level", value: "level" as const },
              { label: "Straight", value: "straight" as const },
            ]}
          />
          <label className={styles.field}>
            Call it
            <Input
              size="large"
              value={unit.name}
              placeholder="can, head, jug width"
              maxLength={60}
              onChange={(e) => choose({ name: e.target.value })}
            />
          </label>
        </>
      )}
    </>
  );
}

function round(value: number): number {
  return Math.round(value * 1000) / 1000;
}
