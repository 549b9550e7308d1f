// An address at which there is nothing.
import { Link } from "react-router";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function NowherePage() {
  useTitle("Nothing here");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <main className={styles.choice}>
        <h1>There is nothing at this address</h1>
        <p>
          It may be mistyped, or the study is gone. <Link to="/">To the wall of studies</Link>
        </p>
      </main>
    </>
  );
}
