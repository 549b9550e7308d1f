// Where the drawing itself stands, and what repairs it.
import { CheckRoom } from "../../features/check";
import { StudyPage } from "./StudyPage";

export default function CheckPage() {
  return (
    <StudyPage stage="check">
      {({ bench, make }) => <CheckRoom key={bench.id} bench={bench} make={make} />}
    </StudyPage>
  );
}
