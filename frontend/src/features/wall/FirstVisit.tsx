// What to do first, shown until it is sent away. Remembered in this browser.
import { Button } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { Sign } from "../../shared/drawn";
import styles from "./StudyWall.module.css";

const NAME = "first visit";

/** On an empty wall it stays. */
export function FirstVisit({ empty }: { empty: boolean }) {
  const [seen, setSeen] = useState(() => localStorage.getItem(NAME) === "seen");
  if (seen && !empty) {
    return null;
  }
  const away = () => {
    localStorage.setItem(NAME, "seen");
    setSeen(true);
  };
  return (
    <section className={styles.first} aria-label="What to do first">
      <ol>
        <li>
          <Sign sign="station" />
          <span>
            <b>Try it on a scene.</b> <Link to="/scenes">Sight a scene</Link>: Zirkel holds the
            stick, you lay it on, and the truth can be revealed.
          </span>
        </li>
        <li>
          <Sign sign="clock" />
          <span>
            <b>Answer what is asked.</b> Each reading says what it did: what it ties, what it
            proves, what it contradicts.
          </span>
        </li>
        <li>
          <Sign sign="edge" />
          <span>
            <b>Draw by it.</b> The recipe tells where each landmark goes on your own paper.
          </span>
        </li>
      </ol>
      {!empty && <Button onClick={away}>I see</Button>}
    </section>
  );
}
