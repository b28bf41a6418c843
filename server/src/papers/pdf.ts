import { createRequire } from 'node:module';
import { dirname, join, sep } from 'node:path';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';

const fontFolder = join(
  dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')),
  'fonts',
  'Roboto',
);
const font = (face: string) => join(fontFolder, `Roboto-${face}.ttf`);
pdfmake.setFonts({
  Roboto: {
    normal: font('Regular'),
    bold: font('Medium'),
    italics: font('Italic'),
    bolditalics: font('MediumItalic'),
  },
});
// A document may read the shipped fonts and nothing else, neither from the disk nor from the network.
pdfmake.setLocalAccessPolicy((path) => path.startsWith(fontFolder + sep));
pdfmake.setUrlAccessPolicy(() => false);

/** Inks of all papers. */
export const ink = '#12303a';
export const quiet = '#4c626a';

/** What all papers share: size, margins, type, and the firm at the foot of each page. */
export const paper = (
  size: 'A4' | 'LETTER',
  title: string,
  firm: string,
  number: number,
): Omit<TDocumentDefinitions, 'content'> => ({
  info: { title, author: firm },
  pageSize: size,
  pageMargins: [56, 56, 56, 64],
  defaultStyle: { font: 'Roboto', fontSize: 10, color: ink, lineHeight: 1.25 },
  footer: (page: number, pages: number) => ({
    text: `${firm} · ${number}${pages > 1 ? ` · ${page} of ${pages}` : ''}`,
    alignment: 'center',
    color: quiet,
    fontSize: 8,
  }),
});

/** Sets a document. */
export const setPdf = (document: TDocumentDefinitions): Promise<Buffer> =>
  pdfmake.createPdf(document).getBuffer();

/** Points in a millimetre: a PDF's unit is a seventy-second of an inch. */
const ptPerMm = 72 / 25.4;

/** A drawing in the size that it says of itself in millimetres; left alone, it would be set in points. */
export function drawing(svg: string): { svg: string; width: number; height: number } {
  const [width, height] = (['width', 'height'] as const).map((side) => {
    const said = new RegExp(`^<svg[^>]*\\s${side}="([\\d.]+)mm"`).exec(svg);
    if (!said) throw new Error(`a drawing says its ${side} in millimetres`);
    return Number(said[1]) * ptPerMm;
  });
  return { svg, width: width!, height: height! };
}
