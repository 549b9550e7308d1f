// A page on its way: its head stands already.
import { Coming } from "../shared/Coming";
import { Wordmark } from "../shared/Wordmark";
import styles from "./pages/pages.module.css";

export function Arriving({ what }: { what: string }) {
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <main>
        <Coming what={what} />
      </main>
    </>
  );
}
