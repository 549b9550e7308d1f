// The bench.
import { BenchRoom } from "../../features/bench";
import { StudyPage } from "./StudyPage";

export default function BenchPage() {
  return (
    <StudyPage stage="bench" bare>
      {({ study, bench }) => <BenchRoom key={bench.id} study={study} bench={bench} />}
    </StudyPage>
  );
}
