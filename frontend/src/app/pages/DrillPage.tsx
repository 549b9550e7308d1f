// One trial after the other.
import { Drill } from "../../features/practice";
import { useTitle } from "../../shared/useTitle";

export default function DrillPage() {
  useTitle("Practice");
  return <Drill />;
}
