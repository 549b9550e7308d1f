// The shortcuts of the screen at hand, opened with "?".
import { Modal } from "antd";
import styles from "./ShortcutHelp.module.css";
import type { Shortcut } from "./useShortcuts";

type Props = { open: boolean; onClose: () => void; shortcuts: readonly Shortcut[] };

export function ShortcutHelp({ open, onClose, shortcuts }: Props) {
  return (
    <Modal open={open} onCancel={onClose} footer={null} title="Keys on this screen" width={560}>
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
    </Modal>
  );
}
