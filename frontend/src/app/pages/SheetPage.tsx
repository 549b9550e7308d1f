// Framing the subject and fitting it to the sheet.
import { SheetRoom } from "../../features/sheet";
import { StudyPage } from "./StudyPage";

export default function SheetPage() {
  return (
    <StudyPage stage="sheet">
      {({ bench, make }) => <SheetRoom key={bench.id} bench={bench} make={make} />}
    </StudyPage>
  );
}
