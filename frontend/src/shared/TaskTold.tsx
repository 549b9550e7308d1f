// What a lesson asks, in its teacher's words and in Zirkel's.
import { dueSaid } from "./dueSaid";
import styles from "./TaskTold.module.css";

type Props = {
  asks: string;
  text: string | null;
  picture: string | null;
  kinds: string | null;
  truth?: string | undefined;
  eyeFirst?: boolean;
  minutes?: number | null;
  till?: string | null;
  due?: string | null;
};

export function TaskTold({ asks, text, picture, kinds, truth, eyeFirst, ...when }: Props) {
  const time = when.due
    ? ` ${dueSaid(when.due)}`
    : when.minutes
      ? `, within ${when.minutes} minutes from when you join`
      : when.till
        ? ` ${dueSaid(when.till)}`
        : "";
  return (
    <div className={styles.told}>
      {text && <p className={styles.text}>{text}</p>}
      {picture && <img src={picture} alt="What to look for" />}
      <p className={styles.asks}>
        To hand in: {asks.charAt(0).toLowerCase() + asks.slice(1)}
        {time}.
      </p>
      {kinds && <p>{kinds}</p>}
      {eyeFirst && <p>Say what the eye sees before each reading.</p>}
      {truth && <p>{truth}</p>}
    </div>
  );
}
