import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The lines of a PDF, page by page, as a person reads them. */
export async function pdfLines(pdf: Buffer): Promise<string[][]> {
  const document = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false }).promise;
  const pages: string[][] = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    const { items } = await page.getTextContent();
    const lines = new Map<number, string>();
    for (const item of items) {
      if (!('str' in item) || item.str.trim() === '') continue;
      const height = Math.round((item.transform as number[])[5]!);
      lines.set(height, `${lines.get(height) ?? ''} ${item.str}`.trim());
    }
    pages.push([...lines.values()]);
  }
  await document.cleanup();
  return pages;
}

/** All text of a PDF, page after page. */
export async function pdfText(pdf: Buffer): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false }).promise;
  const pages: string[] = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    const { items } = await page.getTextContent();
    const text = items.map((item) => ('str' in item ? item.str : '')).join(' ');
    // How a line is broken is nothing that it says.
    pages.push(text.replace(/ +/g, ' '));
  }
  await document.cleanup();
  return pages.join('\n');
}

/** A part of a document as a screen reader finds it. */
export interface PdfPart {
  role: string;
  /** Words for a picture. */
  alt: string;
  text: string;
}

/** What a PDF says of itself to a screen reader, and its parts in the order in which they are read out. */
export async function pdfStructure(pdf: Buffer) {
  const document = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false }).promise;
  const parts: PdfPart[] = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    const { items } = await page.getTextContent({ includeMarkedContent: true });
    const texts = new Map<string, string>();
    let marked = '';
    for (const item of items) {
      if ('str' in item) texts.set(marked, `${texts.get(marked) ?? ''}${item.str}`);
      else marked = item.type.startsWith('begin') ? item.id : '';
    }
    const tree = await page.getStructTree();
    for (const node of (tree?.children ?? []) as StructureNode[]) {
      parts.push({
        role: node.role,
        alt: node.alt ?? '',
        text: node.children.map(({ id }) => texts.get(id) ?? '').join(' '),
      });
    }
  }
  const { info } = await document.getMetadata();
  const { Title: title = '', Language: language } = info as { Title?: string; Language?: string };
  const isMarked = (await document.getMarkInfo())?.Marked ?? false;
  await document.cleanup();
  return { isMarked, language, title, parts };
}

interface StructureNode {
  role: string;
  alt?: string;
  children: { id: string }[];
}
