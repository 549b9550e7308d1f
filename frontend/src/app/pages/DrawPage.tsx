// Placing the landmarks by hand, step by step, and what is taken along.
import { RecipeRoom } from "../../features/draw";
import { StudyPage } from "./StudyPage";

export default function DrawPage() {
  return (
    <StudyPage stage="draw">
      {({ bench, make }) => <RecipeRoom key={bench.id} bench={bench} make={make} />}
    </StudyPage>
  );
}
