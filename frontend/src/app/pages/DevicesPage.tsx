// Devices that use this Zirkel, and how another one comes in.
import { DevicesRoom } from "../../features/door";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function DevicesPage() {
  useTitle("Devices");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <DevicesRoom />
    </>
  );
}
