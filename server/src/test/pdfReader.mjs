import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/**
 * Reads PDFs on a thread of its own: within the tests' sandbox, where every look at a global is a call, it takes ten times as long.
 * It is JavaScript because a thread of Node runs nothing else.
 */

const open = (pdf) => getDocument({ data: new Uint8Array(pdf), useSystemFonts: false }).promise;

async function eachPage(pdf, read) {
  const document = await open(pdf);
  const pages = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    pages.push(await read(await document.getPage(number)));
  }
  return { document, pages };
}

const close = (document) => document.cleanup();

/** The lines of a PDF, page by page, as a person reads them. */
export async function lines(pdf) {
  const { document, pages } = await eachPage(pdf, async (page) => {
    const { items } = await page.getTextContent();
    const found = new Map();
    for (const item of items) {
      if (!('str' in item) || item.str.trim() === '') continue;
      const height = Math.round(item.transform[5]);
      found.set(height, `${found.get(height) ?? ''} ${item.str}`.trim());
    }
    return [...found.values()];
  });
  await close(document);
  return pages;
}

/** All text of a PDF, page after page. */
export async function text(pdf) {
  const { document, pages } = await eachPage(pdf, async (page) => {
    const { items } = await page.getTextContent();
    // How a line is broken is nothing that it says.
    return items
      .map((item) => ('str' in item ? item.str : ''))
      .join(' ')
      .replace(/ +/g, ' ');
  });
  await close(document);
  return pages.join('\n');
}

/** What a PDF says of itself to a screen reader, and its parts in the order in which they are read out. */
export async function structure(pdf) {
  const { document, pages } = await eachPage(pdf, async (page) => {
    const { items } = await page.getTextContent({ includeMarkedContent: true });
    const texts = new Map();
    let marked = '';
    for (const item of items) {
      if ('str' in item) texts.set(marked, `${texts.get(marked) ?? ''}${item.str}`);
      else marked = item.type.startsWith('begin') ? item.id : '';
    }
    const tree = await page.getStructTree();
    return (tree?.children ?? []).map(({ role, alt = '', children }) => ({
      role,
      alt,
      text: children.map(({ id }) => texts.get(id) ?? '').join(' '),
    }));
  });
  const { info } = await document.getMetadata();
  const isMarked = (await document.getMarkInfo())?.Marked ?? false;
  await close(document);
  return {
    isMarked,
    language: info.Language,
    title: info.Title ?? '',
    parts: pages.flat(),
  };
}
