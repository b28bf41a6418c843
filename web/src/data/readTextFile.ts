/**
 * The text of a file as programs of several decades write it: UTF-8, UTF-16 with its mark, or else Windows-1252. Nothing for a file that
 * is no text: a picture, a PDF or a workbook that somebody opened as one.
 */
export async function readTextFile(file: Blob): Promise<string | undefined> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const text = decode(bytes);
  return holdsControls(text.slice(0, 20000)) ? undefined : text;
}

/** Whether a text holds characters that no program writes into one: controls besides tabulators, line ends, page ends and escapes. */
const holdsControls = (text: string): boolean =>
  Array.from({ length: text.length }, (_, i) => text.charCodeAt(i)).some(
    (code) => code < 9 || (code > 13 && code < 32 && code !== 27),
  );

function decode(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
