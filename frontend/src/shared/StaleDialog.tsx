// The choice when a study was changed elsewhere meanwhile.
import { Button } from "antd";
import { useState } from "react";
import { Dialog } from "./Dialog";
import type { StudyHandle } from "./useStudy";

export function StaleDialog({ study }: { study: StudyHandle }) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const what = study.stale?.request.kind === "change" ? "Your change" : "This step back or forward";
  const insist = async () => {
    try {
      await study.insist();
      setTrouble(null);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error));
    }
  };
  const giveWay = () => {
    setTrouble(null);
    study.giveWay();
  };
  return (
    <Dialog
      open={study.stale !== null}
      title="Changed elsewhere meanwhile"
      onClose={giveWay}
      actions={
        <>
          <Button size="large" onClick={giveWay}>
            Leave mine out
          </Button>
          <Button size="large" type="primary" onClick={insist}>
            Make mine on top
          </Button>
        </>
      }
    >
      <p>
        Someone, perhaps you on another tablet, changed this study since you last saw it. The bench
        now shows their state. {what} has not been made yet: nothing is lost either way.
      </p>
      {trouble && <p role="alert">It could not be made: {trouble}</p>}
    </Dialog>
  );
}
