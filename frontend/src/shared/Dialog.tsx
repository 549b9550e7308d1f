// What has to be answered or read before anything else: the browser's own dialog, which keeps the
// focus, closes by Escape and stands over all.
import { useEffect, useRef } from "react";
import styles from "./Dialog.module.css";

type Props = {
  open: boolean;
  title: string;
  onClose: () => void;
  children: React.ReactNode;
  /** What can be done, in a row at the foot. */
  actions?: React.ReactNode;
  /** As large as the screen, for what all are to see. */
  wide?: boolean;
};

export function Dialog({ open, title, onClose, children, actions, wide }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (open) {
      dialog.current?.showModal();
    }
  }, [open]);
  if (!open) {
    return null;
  }
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: Escape closes it, as any dialog
    <dialog
      ref={dialog}
      className={wide ? `${styles.dialog} ${styles.wide}` : styles.dialog}
      aria-label={title}
      onClose={onClose}
      onClick={(event) => event.target === dialog.current && onClose()}
    >
      <div>
        <header>
          <h2>{title}</h2>
          <button type="button" aria-label="Close" onClick={onClose}>
            ×
          </button>
        </header>
        {children}
        {actions && <footer>{actions}</footer>}
      </div>
    </dialog>
  );
}
