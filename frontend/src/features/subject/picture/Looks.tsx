// How a picture is looked at: grey, squinted, with more or less contrast, in few tones.
import { Slider, Switch } from "antd";
import type { PictureSubject } from "../../../api/types";
import { Choice } from "../../../shared/Choice";
import styles from "./Picture.module.css";

export function Looks({
  picture,
  look,
}: {
  picture: PictureSubject;
  look: (part: Partial<PictureSubject>) => void;
}) {
  return (
    <section className={styles.looks}>
      <h2>How it is looked at</h2>
      <label className={styles.row}>
        <Switch checked={picture.grey} onChange={(grey) => look({ grey })} /> Grey
      </label>
      <label>
        Squint
        <Slider
          defaultValue={picture.squint}
          min={0}
          max={30}
          onChangeComplete={(squint) => look({ squint })}
          ariaLabelForHandle="Squint"
        />
      </label>
      <label>
        Contrast
        <Slider
          defaultValue={picture.contrast}
          min={0.4}
          max={2.5}
          step={0.1}
          onChangeComplete={(contrast) => look({ contrast })}
          ariaLabelForHandle="Contrast"
        />
      </label>
      <div>
        Flat tones
        <Choice
          block
          options={[{ value: 0, label: "All" }, 2, 3, 5, 7]}
          value={picture.tones}
          onChange={(tones) => look({ tones: tones as PictureSubject["tones"] })}
        />
      </div>
    </section>
  );
}
