// What is behind "?": the marks drawn, Zirkel's own words, the keys of the screen at hand.
import { Switch } from "antd";
import { useState } from "react";
import { GLOSSARY } from "./glossary";
import { Legend } from "./Legend";
import { letterKeys, setLetterKeys } from "./letterKeys";
import styles from "./ShortcutHelp.module.css";
import type { Shortcut } from "./useShortcuts";

export function HelpPages({ shortcuts }: { shortcuts: readonly Shortcut[] }) {
  const [letters, setLetters] = useState(letterKeys);
  const turn = (on: boolean) => {
    setLetterKeys(on);
    setLetters(on);
  };
  return (
    <>
      <Legend />
      <dl className={styles.words}>
        {GLOSSARY.map(([word, meaning]) => (
          <div key={word}>
            <dt>{word}</dt>
            <dd>{meaning}</dd>
          </div>
        ))}
      </dl>
      {shortcuts.length > 0 && (
        <>
          <h2 className={styles.head}>Keys on this screen</h2>
          <p className={styles.switch}>
            <Switch checked={letters} onChange={turn} aria-label="Single letters are keys" />
            Single letters and figures are keys; off, only those with Ctrl are.
          </p>
          <dl className={styles.list}>
            {shortcuts.map((each) => (
              <div key={each.keys}>
                <dt>
                  {each.keys.split(" ").map((key) => (
                    <kbd key={key}>{key}</kbd>
                  ))}
                </dt>
                <dd>{each.does}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
    </>
  );
}
