// The time at hand: what fits into it, its clock, and the log.
import { SittingRoom } from "../../features/sitting";
import { StudyPage } from "./StudyPage";

export default function SittingPage() {
  return (
    <StudyPage stage="sitting">
      {({ bench, make }) => <SittingRoom key={bench.id} bench={bench} make={make} />}
    </StudyPage>
  );
}
