// Begin with a kit: a kind of subject whose landmarks are only pulled into place.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import type { Kit } from "../../api/types";
import { FilePicker } from "../../shared/FilePicker";
import styles from "./NewStudy.module.css";

type Props = { chosen: string | null; onChoose: (kit: Kit | null) => void };

export function KitChoice({ chosen, onChoose }: Props) {
  const kits = useQuery(queries.kits());
  const [trouble, setTrouble] = useState<string | null>(null);
  const add = async (file: File) => {
    try {
      const kit = await api.addKit(file);
      await kits.refetch();
      setTrouble(null);
      onChoose(kit);
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.detail : String(error));
    }
  };
  const groups = new Map<string, Kit[]>();
  for (const kit of kits.data?.kits ?? []) {
    groups.set(kit.group, [...(groups.get(kit.group) ?? []), kit]);
  }
  return (
    <section className={styles.kits} data-kits>
      <p className={styles.field}>Begin with a kit?</p>
      <p className={styles.quiet}>
        Its landmarks are named already. Pull two or three into place, and the rest follows.
      </p>
      {[...groups].map(([group, own]) => (
        <div key={group} className={styles.kitGroup}>
          <span>{group}</span>
          <p>
            {own.map((kit) => (
              <button
                type="button"
                key={kit.name}
                aria-pressed={kit.name === chosen}
                title={kit.note}
                onClick={() => onChoose(kit.name === chosen ? null : kit)}
              >
                {kit.title}
              </button>
            ))}
          </p>
        </div>
      ))}
      {(kits.data?.trouble ?? []).map((each) => (
        <p key={each} className={styles.bad}>
          {each}
        </p>
      ))}
      {trouble && (
        <p role="alert" className={styles.bad}>
          {trouble}
        </p>
      )}
      <FilePicker name="A kit file" accept=".json,application/json" onFile={add}>
        A kit from a file
      </FilePicker>
      {kits.error && <Button onClick={() => kits.refetch()}>Fetch the kits again</Button>}
    </section>
  );
}
