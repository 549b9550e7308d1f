// Handing a file over to the browser.
export function download(address: string): void {
  const link = document.createElement("a");
  link.href = address;
  link.download = "";
  link.click();
}
