// The keys of the screen at hand and Zirkel's own words, opened with "?" and fetched then.
import { lazy, Suspense } from "react";
import { Dialog } from "./Dialog";
import type { Shortcut } from "./useShortcuts";

const HelpPages = lazy(() => import("./HelpPages").then((each) => ({ default: each.HelpPages })));

type Props = { open: boolean; onClose: () => void; shortcuts: readonly Shortcut[] };

export function ShortcutHelp({ open, onClose, shortcuts }: Props) {
  return (
    <Dialog open={open} onClose={onClose} title="Marks, words and keys">
      <Suspense fallback={<p role="status">Fetching the words…</p>}>
        <HelpPages shortcuts={shortcuts} />
      </Suspense>
    </Dialog>
  );
}
