/** Some browsers read a file a moment after it was handed over, ms. */
const readWithinMs = 10_000;

/** Hands what lies under an address to the browser's own way of saving a file; what goes wrong with it leaves the page as it is. */
export function saveFrom(address: string, name = ''): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
}

/** The same with what was made here. */
export function saveFile(content: string, type: string, name: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  saveFrom(address, name);
  setTimeout(() => URL.revokeObjectURL(address), readWithinMs);
}
