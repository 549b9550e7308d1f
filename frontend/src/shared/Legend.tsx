// What marks and lines mean, each drawn as it stands on the sheet.
import styles from "./Legend.module.css";
import { type Origin, ReadingSign, type Standing } from "./ReadingSign";

const CROSS = "M-5 0H5M0-5V5";

const MARKS: readonly (readonly [string, string, React.ReactNode])[] = [
  [
    "loose",
    "nothing holds it yet",
    <g key="loose">
      <circle r="14" className={styles.looseArea} />
      <circle r="4.5" className={styles.hollow} />
    </g>,
  ],
  [
    "held",
    "known, but no other reading would notice a mistake",
    <g key="held">
      <ellipse rx="15" ry="9" className={styles.area} />
      <path d={CROSS} className={styles.cross} />
    </g>,
  ],
  [
    "proven",
    "readings that check one another agree",
    <g key="proven">
      <ellipse rx="12" ry="8" className={styles.provenArea} />
      <path d={CROSS} className={styles.cross} />
      <rect x="-2.4" y="-2.4" width="4.8" height="4.8" className={styles.proof} />
    </g>,
  ],
  [
    "in doubt",
    "a reading on it doesn't agree",
    <g key="doubt">
      <ellipse rx="14" ry="9" className={styles.doubtArea} />
      <path d="M0-6 6 0 0 6-6 0Z" className={styles.diamond} />
      <path d={CROSS} className={styles.cross} />
    </g>,
  ],
  [
    "strained",
    "the reading that doesn't agree, with what it says",
    <path key="strained" d="M-16 0l5-5 6 10 6-10 6 10 6-10 3 5" className={styles.strain} />,
  ],
  [
    "predicted",
    "what the reading asked for would leave of the slack",
    <g key="predicted">
      <circle r="15" className={styles.looseArea} />
      <circle r="7" className={styles.after} />
    </g>,
  ],
  [
    "predicted point",
    "a head's construction says where it should lie; nothing was read",
    <g key="point" className={styles.fromHead}>
      <circle r="9" />
    </g>,
  ],
  [
    "sure line",
    "all its landmarks are held",
    <path key="sure" d="M-18 6 18-6" className={styles.sure} />,
  ],
  [
    "unsure line",
    "one of its landmarks may still slide",
    <path key="unsure" d="M-18 6 18-6" className={styles.unsure} />,
  ],
  ["agrees", "a reading that others check, and that fits", reading("measured", "fits")],
  ["unchecked", "nothing would notice if it were wrong", reading("measured", "unchecked")],
  ["computed", "read off a picture or scene by Zirkel", reading("computed", "fits")],
  ["guessed", "seen by eye alone, weighed by how far that eye errs", reading("guessed", "fits")],
  ["struck", "left out, and kept to be taken up again", reading("measured", "struck")],
];

function reading(origin: Origin, standing: Standing) {
  return (
    <g key={`${origin} ${standing}`} transform="translate(-18 -7)">
      <ReadingSign origin={origin} standing={standing} />
    </g>
  );
}

export function Legend() {
  return (
    <ul className={styles.legend} aria-label="What the marks mean">
      {MARKS.map(([name, meaning, drawn]) => (
        <li key={name}>
          <svg viewBox="-20 -18 40 36" aria-hidden="true" className="on-paper">
            <rect x="-20" y="-18" width="40" height="36" className={styles.paper} />
            {drawn}
          </svg>
          <span>
            <b>{name}</b> {meaning}
          </span>
        </li>
      ))}
    </ul>
  );
}
