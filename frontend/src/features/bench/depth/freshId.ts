// Names for what is added.
/** An id of this stem that none of these has. */
export function freshId(stem: string, taken: readonly { id: string }[]): string {
  const used = new Set(taken.map((each) => each.id));
  let number = used.size + 1;
  while (used.has(`${stem}_${number}`)) {
    number += 1;
  }
  return `${stem}_${number}`;
}
