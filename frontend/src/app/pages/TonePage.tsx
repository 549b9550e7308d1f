// Light and dark, compared and planned.
import { ToneRoom } from "../../features/tone";
import { StudyPage } from "./StudyPage";

export default function TonePage() {
  return (
    <StudyPage stage="tone">
      {({ bench, make }) => <ToneRoom key={bench.id} bench={bench} make={make} />}
    </StudyPage>
  );
}
