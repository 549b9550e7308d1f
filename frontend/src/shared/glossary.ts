// Zirkel's own words, in plain ones.
export const GLOSSARY: readonly (readonly [string, string])[] = [
  ["landmark", "A named point that you can find again on subject and sheet: crown, chin, handle."],
  ["sighting", "One reading taken from the subject with the stick, the plumb, or by eye."],
  ["unit", "The length that everything else is counted in: a head, the width of a jug."],
  ["take", "Readings made from one stance with one setting of the thumb. A step begins a new one."],
  ["tilt", "The lean of an edge, as an hour on a clock face: 10 and 4 o'clock are the same."],
  ["plumb", "Straight under: a true upright, by a weight on a string."],
  ["level", "At the same height: a true horizontal."],
  ["slack", "How far a landmark could still slide on the sheet, as sure as your readings are."],
  ["loose", "Nothing holds it yet, at least in one direction."],
  ["held", "Its place is known, but no other reading would notice a mistake."],
  ["proven", "Readings that check one another agree on its place."],
  ["in doubt", "A reading on it doesn't agree with the others."],
  ["strike", "Leave a reading out without losing it."],
  [
    "check",
    "The drawing itself measured and set against its plan: what is off, and what repairs it.",
  ],
  ["block-in", "The few light straight lines that put every large shape in its place."],
  ["envelope", "The straight lines round the whole subject."],
  ["station", "Where you stand or sit, with your arm's reach and eye height there."],
];
