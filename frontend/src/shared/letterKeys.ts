// Whether plain letters and figures are keys of the screen: some speak or are read to, and switch
// them off. Remembered in this browser.
const NAME = "letter keys";

export function letterKeys(): boolean {
  return localStorage.getItem(NAME) !== "off";
}

export function setLetterKeys(on: boolean): void {
  localStorage.setItem(NAME, on ? "on" : "off");
}
