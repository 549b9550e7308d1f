// The choice when a study was changed elsewhere meanwhile.
import { Button, Modal } from "antd";
import type { StudyHandle } from "./useStudy";

export function StaleDialog({ study }: { study: StudyHandle }) {
  const what = study.stale?.kind === "change" ? "Your change" : "This step back or forward";
  return (
    <Modal
      open={study.stale !== null}
      title="Changed elsewhere meanwhile"
      onCancel={study.giveWay}
      footer={[
        <Button key="away" onClick={study.giveWay}>
          Leave mine out
        </Button>,
        <Button key="on" type="primary" onClick={() => study.insist().catch(() => undefined)}>
          Make mine on top
        </Button>,
      ]}
    >
      <p>
        Someone, perhaps you on another tablet, changed this study since you last saw it. The bench
        now shows their state. {what} has not been made yet: nothing is lost either way.
      </p>
    </Modal>
  );
}
