// The log: each sitting as it was, and the artist's own words about it.
import { Button, Input } from "antd";
import { useState } from "react";
import { api } from "../../api/client";
import type { Bench, SittingRoom as Room } from "../../api/types";
import { download } from "../../shared/download";
import { PictureUpload } from "../../shared/PictureUpload";
import { Said } from "../../shared/Said";
import { useArtist } from "../../shared/useArtist";
import own from "./Log.module.css";
import styles from "./Sitting.module.css";
import type { Tell } from "./tell";

type Props = { bench: Bench; room: Room; tell: Tell };
type Entry = Room["log"][number];

export function Log({ bench, room, tell }: Props) {
  const artist = useArtist();
  if (room.log.length === 0) {
    return null;
  }
  return (
    <section className={styles.log} aria-label="Log">
      {room.look_again.length > 0 && !room.clock && (
        <div className={styles.again}>
          <h2>Another day, look at this first</h2>
          <ol>
            {room.look_again.map((each) => (
              <li key={each}>
                <Said text={each} />
              </li>
            ))}
          </ol>
        </div>
      )}
      <div className={styles.logHead}>
        <h2>Log</h2>
        <Button onClick={() => download(api.takeAddress(bench.id, "log", artist))}>As a PDF</Button>
      </div>
      <p className={styles.key} aria-hidden="true">
        <i data-spent="sight" /> sighting <i data-spent="draw" /> drawing and looking{" "}
        <i data-spent="check" /> checking <i data-spent="rest" /> rest
      </p>
      <ol className={own.strip} ref={toItsEnd}>
        {room.log.map((each) => (
          <LogEntry key={`${each.id} ${each.note}`} study={bench.id} entry={each} tell={tell} />
        ))}
      </ol>
    </section>
  );
}

/** The latest sitting is looked at first. */
function toItsEnd(strip: HTMLOListElement | null) {
  if (strip) {
    strip.scrollLeft = strip.scrollWidth;
  }
}

function LogEntry({ study, entry, tell }: { study: number; entry: Entry; tell: Props["tell"] }) {
  const [note, setNote] = useState(entry.note ?? "");
  const keep = () => {
    if (note !== (entry.note ?? "")) {
      tell({ type: "note_sitting", sitting: entry.id, note: note || null });
    }
  };
  return (
    <li data-sitting={entry.id}>
      <b>{dated(entry.at)}</b>
      <span>{entry.said}</span>
      {entry.spent.length > 1 && (
        <div className={styles.spent} aria-hidden="true">
          {entry.spent.map((each) => (
            <i key={each.stage} data-spent={each.stage} style={{ flexGrow: each.minutes }} />
          ))}
        </div>
      )}
      {entry.brought && <span className={styles.brought}>{entry.brought}</span>}
      <div className={styles.pictures}>
        {entry.pictures.map((each) => (
          <LogPicture
            key={`${each.picture} ${each.check}`}
            study={study}
            sitting={entry.id}
            picture={each}
            tell={tell}
          />
        ))}
        <PictureUpload
          label="Photograph the drawing"
          onTaken={(taken) =>
            tell({
              type: "keep_log_picture",
              sitting: entry.id,
              picture: taken.picture,
              said: "",
            })
          }
        />
      </div>
      <Input.TextArea
        aria-label={`Note on ${dated(entry.at)}`}
        placeholder="In your own words: light, pose, what is next"
        value={note}
        autoSize={{ minRows: 1, maxRows: 6 }}
        maxLength={4000}
        onChange={(event) => setNote(event.target.value)}
        onBlur={keep}
      />
    </li>
  );
}

type PictureProps = {
  study: number;
  sitting: string;
  picture: Entry["pictures"][number];
  tell: Props["tell"];
};

/** A photograph of the drawing: a check's own as it was straightened, others as they were taken. */
function LogPicture({ study, sitting, picture, tell }: PictureProps) {
  const [said, setSaid] = useState(picture.said);
  const address = picture.check
    ? `/api/v1/studies/${study}/drawing.jpg?check=${encodeURIComponent(picture.check)}&`
    : `/api/v1/pictures/${picture.picture}/view?`;
  return (
    <figure>
      <a href={`${address}longest=1600`}>
        <img src={`${address}longest=400`} alt={said || `The drawing, ${dated(picture.at)}`} />
      </a>
      {picture.check ? (
        <figcaption>as checked</figcaption>
      ) : (
        <figcaption>
          <Input
            aria-label="What the photograph shows"
            placeholder="After the block-in"
            maxLength={200}
            value={said}
            onChange={(event) => setSaid(event.target.value)}
            onBlur={() => {
              if (said !== picture.said) {
                tell({ type: "keep_log_picture", sitting, picture: picture.picture, said });
              }
            }}
          />
          <Button
            type="text"
            onClick={() => tell({ type: "drop_log_picture", sitting, picture: picture.picture })}
          >
            Take out
          </Button>
        </figcaption>
      )}
    </figure>
  );
}

function dated(at: string): string {
  return new Date(at).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
}
