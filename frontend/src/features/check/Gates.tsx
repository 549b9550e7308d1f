// Which stage has earned the next; going on without is the artist's own affair.
import { Button } from "antd";
import type { Change, CheckRoom } from "../../api/types";
import list from "./Verdict.module.css";

type Props = {
  room: CheckRoom;
  tell: (change: Change, done?: string) => Promise<boolean>;
};

const TO: Record<number, string> = { 2: "to the middle shapes", 3: "to detail" };

export function Gates({ room, tell }: Props) {
  const reached = Math.max(...room.gates.filter((each) => each.gone).map((each) => each.tier));
  const next = room.gates.find((each) => each.tier === reached + 1);
  return (
    <section>
      <h3>Big to small</h3>
      <ol className={list.gates}>
        {room.gates.map((each) => (
          <li key={each.tier} data-sound={each.sound} data-here={each.tier === reached}>
            <b>{each.name}</b>
            <span>{each.said}</span>
          </li>
        ))}
      </ol>
      {next && (
        <Button
          onClick={() => tell({ type: "go_on", tier: next.tier })}
          type={next.earned ? "primary" : "default"}
        >
          {next.earned ? `Go on ${TO[next.tier]}` : `Go on ${TO[next.tier]} all the same`}
        </Button>
      )}
    </section>
  );
}
