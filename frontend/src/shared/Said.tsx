// Text with its vulgar fractions set as fractions: "1 3/8 cans".
import { Fragment } from "react";
import styles from "./Said.module.css";

const FRACTION = /(?:(\d+) )?(\d+)\/(\d+)/g;

export function Said({ text }: { text: string }) {
  const parts = [];
  let from = 0;
  for (const found of text.matchAll(FRACTION)) {
    const [whole, above, below] = [found[1], found[2], found[3]];
    parts.push(text.slice(from, found.index));
    parts.push(
      <span key={found.index} className={styles.number}>
        {whole}
        <span className="visually-hidden">
          {whole ? " " : ""}
          {above}/{below}
        </span>
        <span className={styles.fraction} aria-hidden="true">
          <sup>{above}</sup>
          <i>⁄</i>
          <sub>{below}</sub>
        </span>
      </span>,
    );
    from = found.index + found[0].length;
  }
  parts.push(text.slice(from));
  return (
    <>
      {parts.map((part, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: parts of one text never change places
        <Fragment key={i}>{part}</Fragment>
      ))}
    </>
  );
}
