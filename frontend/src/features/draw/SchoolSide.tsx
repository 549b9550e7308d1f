// The school: looked at before it is taken up, its set-up, checks, mistakes and its own table.
import { Button, Select } from "antd";
import type { Change, RecipeRoom as Room } from "../../api/types";
import { Choice } from "../../shared/Choice";
import { Sign } from "../../shared/drawn";
import { Said } from "../../shared/Said";
import { OwnEye } from "./OwnEye";
import styles from "./Recipe.module.css";
import looked from "./SchoolSide.module.css";
import { TwoPlumbs } from "./TwoPlumbs";

type SideProps = {
  beside: boolean;
  onBeside: () => void;
  room: Room;
  onLook: (school: string) => void;
  onTakeUp: () => void;
  onChange: (change: Change) => void;
};

export function SchoolSide({ room, beside, onBeside, onLook, onTakeUp, onChange }: SideProps) {
  const begin = (part: Partial<Room>) =>
    onChange({
      type: "set_block_in",
      inside_out: part.inside_out ?? room.inside_out,
      box_ticked: part.box_ticked ?? room.box_ticked,
    });
  const lists = [
    ["Set up", room.set_up],
    ["Check", room.checks],
    ["What goes wrong", room.mistakes],
  ] as const;
  return (
    <div className={styles.scroll}>
      <Select
        aria-label="School"
        className={styles.select}
        value={room.school}
        options={room.schools.map((each) => ({
          value: each.name,
          label: each.title.split(":")[0],
        }))}
        onChange={onLook}
      />
      <Button aria-pressed={beside} className={looked.beside} onClick={onBeside}>
        All schools side by side
      </Button>
      {room.looked_at && (
        <div className={looked.looked} role="status">
          <p>{room.looked_at}</p>
          <Button type="primary" onClick={onTakeUp}>
            Take it up
          </Button>
          <Button onClick={() => onLook(room.taken)}>Back</Button>
        </div>
      )}
      <p className={styles.note}>{room.title}.</p>
      <Choice
        block
        options={[
          { value: "out", label: "Outline first" },
          { value: "in", label: "Features first" },
        ]}
        value={room.inside_out ? "in" : "out"}
        onChange={(value) => begin({ inside_out: value === "in" })}
      />
      {!room.inside_out && (
        <Choice
          block
          options={[
            { value: "draw", label: "Draw the box" },
            { value: "tick", label: "Only tick it" },
          ]}
          value={room.box_ticked ? "tick" : "draw"}
          onChange={(value) => begin({ box_ticked: value === "tick" })}
        />
      )}
      {room.school === "by_eye" && <OwnEye room={room} onChange={onChange} />}
      {lists.map(([title, hints]) => (
        <section key={title}>
          <h2>{title}</h2>
          <ul className={styles.hints}>
            {hints.map((each) => (
              <li key={each.text}>
                <Sign sign={each.sign} />
                <span>{each.text}</span>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {room.school.startsWith("sight_size") && <TwoPlumbs />}
      {room.own.map((table) => (
        <section key={table.title}>
          <h2>{table.title}</h2>
          <div className={styles.tableBox}>
            <table className={styles.table}>
              <thead>
                <tr>
                  {table.head.map((each, i) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: columns never change places
                    <th key={i}>{each}</th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {table.rows.map((row) => (
                  <tr key={row.join()}>
                    {row.map((each, i) => (
                      // biome-ignore lint/suspicious/noArrayIndexKey: columns never change places
                      <td key={i}>
                        <Said text={each} />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </section>
      ))}
    </div>
  );
}
