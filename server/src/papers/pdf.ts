import { createRequire } from 'node:module';
import { dirname, join, sep } from 'node:path';
import pdfmake from 'pdfmake';
import { inAllScripts } from './scripts.ts';
import { footLevel, writeTags } from './tags.ts';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

const fontFolder = join(
  dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')),
  'fonts',
  'Roboto',
);
const font = (face: string) => join(fontFolder, `Roboto-${face}.ttf`);
const require = createRequire(import.meta.url);
/** Folder of a package of fonts, wherever it is installed. */
function folderOf(name: string, ...inside: string[]): string {
  const entry = require.resolve(name);
  return join(entry.slice(0, entry.lastIndexOf(join(name)) + name.length), ...inside);
}
const hans = folderOf('@embedpdf/fonts-sc', 'fonts');
const arabic = folderOf('@embedpdf/fonts-arabic', 'fonts');
const emoji = folderOf('@expo-google-fonts/noto-emoji');
/** A face that has no slant: names in other scripts stand upright. */
const upright = (normal: string, bold: string) => ({
  normal,
  bold,
  italics: normal,
  bolditalics: bold,
});
pdfmake.setFonts({
  Han: upright(join(hans, 'NotoSansHans-Regular.otf'), join(hans, 'NotoSansHans-Bold.otf')),
  Arabic: upright(
    join(arabic, 'NotoNaskhArabic-Regular.ttf'),
    join(arabic, 'NotoNaskhArabic-Bold.ttf'),
  ),
  Emoji: upright(
    join(emoji, '400Regular', 'NotoEmoji_400Regular.ttf'),
    join(emoji, '700Bold', 'NotoEmoji_700Bold.ttf'),
  ),
  Roboto: {
    normal: font('Regular'),
    bold: font('Medium'),
    italics: font('Italic'),
    bolditalics: font('MediumItalic'),
  },
});
// A document may read the shipped fonts and nothing else, neither from the disk nor from the network.
pdfmake.setLocalAccessPolicy((path) =>
  [fontFolder, hans, arabic, emoji].some((folder) => path.startsWith(folder + sep)),
);
pdfmake.setUrlAccessPolicy(() => false);
writeTags();

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
  info: { title, author: firm, creator: 'Katharos', producer: 'Katharos' },
  language: 'en-GB',
  version: '1.7',
  displayTitle: true,
  tagged: true,
  pageSize: size,
  pageMargins: [56, 56, 56, 64],
  defaultStyle: { font: 'Roboto', fontSize: 10, color: ink, lineHeight: 1.25 },
  footer: (page: number, pages: number) => ({
    text: `${firm} · ${number}${pages > 1 ? ` · ${page} of ${pages}` : ''}`,
    alignment: 'center',
    color: quiet,
    fontSize: 8,
    headlineLevel: footLevel,
  }),
});

/** Which record a document is, and where a certificate stands in its firm's chain. */
interface MarkedAs {
  version: number;
  hash: string;
  seal: { link: number; seal: string } | null;
}

/** Marks across a document that it is a draft, or at its foot which record it is. */
export function marked(
  document: TDocumentDefinitions,
  record: MarkedAs | null,
): TDocumentDefinitions {
  if (!record) return { ...document, watermark: { text: 'DRAFT', color: quiet, opacity: 0.12 } };
  const { footer } = document;
  return {
    ...document,
    footer: (page, pages, size): Content => [
      (typeof footer === 'function' ? footer(page, pages, size) : footer) ?? '',
      {
        text: [
          `Version ${record.version} · ${record.hash}`,
          ...(record.seal
            ? [`Certificate ${record.seal.link} of the firm · ${record.seal.seal}`]
            : []),
        ].join('\n'),
        alignment: 'center',
        color: quiet,
        fontSize: 6,
        headlineLevel: footLevel,
      },
    ],
  };
}

/** How tightly type is set, the usual first: what would leave a few lines over for a page of their own is set tighter. */
const tightness = [1, 0.95, 0.9, 0.86];

/** A page filled less than this holds what was left over, share of its height. */
const leftOver = 0.2;

/** Height of a drawing, pt; a line of text begins where it is. */
const heightOf = (node: object): number =>
  'height' in node && typeof node.height === 'number' ? node.height : 0;

/** Sets a document so that no page holds only what was left over, as far as smaller type can help. */
export async function setPdf(document: TDocumentDefinitions): Promise<Buffer> {
  const { fontSize = 10, lineHeight = 1.25 } = document.defaultStyle ?? {};
  let usual: Buffer | undefined;
  for (const scale of tightness) {
    const filled = new Map<number, number>();
    const pdf = await pdfmake
      .createPdf({
        // Setting changes what it is given.
        ...inAllScripts(document),
        defaultStyle: {
          ...document.defaultStyle,
          fontSize: fontSize * scale,
          lineHeight: lineHeight * scale,
        },
        pageBreakBefore: ({ startPosition, pageNumbers, headlineLevel, ...rest }) => {
          if (headlineLevel === footLevel) return false;
          const { pageNumber, verticalRatio, pageInnerHeight } = startPosition;
          // What begins on one page may end on the next.
          for (const number of pageNumbers) {
            const end =
              number === pageNumber ? verticalRatio + heightOf(rest) / pageInnerHeight : 0;
            filled.set(number, Math.max(filled.get(number) ?? 0, end));
          }
          return false;
        },
      })
      .getBuffer();
    if ([...filled].every(([page, share]) => page === 1 || share > leftOver)) return pdf;
    usual ??= pdf;
  }
  return usual!;
}

/** Points in a millimetre: a PDF's unit is a seventy-second of an inch. */
const ptPerMm = 72 / 25.4;

/**
 * A drawing in the size that it says of itself in millimetres; left alone, it would be set in points.
 * @param alt what it shows, for whoever has it read out
 */
export function drawing(
  svg: string,
  alt: string,
): { svg: string; width: number; height: number; alt: string } {
  const [width, height] = (['width', 'height'] as const).map((side) => {
    const said = new RegExp(`^<svg[^>]*\\s${side}="([\\d.]+)mm"`).exec(svg);
    if (!said) throw new Error(`a drawing says its ${side} in millimetres`);
    return Number(said[1]) * ptPerMm;
  });
  return { svg, width: width!, height: height!, alt };
}
