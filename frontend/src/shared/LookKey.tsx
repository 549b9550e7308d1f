// One key that goes on to the next way of looking at the subject.
import { Button } from "antd";
import { looksOf, type Shown, setLook, useLook } from "./useLook";

const NAMES = { seen: "As seen", lines: "In lines", squinted: "Squinting" };

export function LookKey({ shown }: { shown: Shown }) {
  const look = useLook();
  const looks = looksOf(shown);
  const now = looks.includes(look) ? look : "seen";
  const next = looks[(looks.indexOf(now) + 1) % looks.length] ?? "seen";
  return shown.image ? (
    <Button onClick={() => setLook(next)} title={`Next: ${NAMES[next].toLowerCase()}`}>
      {NAMES[now]}
    </Button>
  ) : null;
}
