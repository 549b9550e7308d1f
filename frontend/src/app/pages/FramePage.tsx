// Framing the subject and fitting it to the sheet.
import { SheetRoom } from "../../features/frame";
import { StudyPage } from "./StudyPage";

export default function FramePage() {
  return (
    <StudyPage stage="frame">
      {({ bench, make }) => <SheetRoom key={bench.id} bench={bench} make={make} />}
    </StudyPage>
  );
}
