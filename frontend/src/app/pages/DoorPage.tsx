// The door, before anything of the studies is shown.
import { DoorRoom } from "../../features/door";
import { useTitle } from "../../shared/useTitle";

export default function DoorPage() {
  useTitle("The door");
  return <DoorRoom />;
}
