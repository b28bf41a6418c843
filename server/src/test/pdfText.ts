import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** All text of a PDF, page after page, as a person reads it. */
export async function pdfText(pdf: Buffer): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false }).promise;
  const pages: string[] = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    const { items } = await page.getTextContent();
    pages.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  await document.cleanup();
  return pages.join('\n');
}
