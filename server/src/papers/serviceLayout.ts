import type { ServiceReport } from '@katharos/papers';
import { paper, quiet } from './pdf.ts';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

const heading = (text: string): Content => ({
  text,
  headlineLevel: 2,
  bold: true,
  margin: [0, 18, 0, 4],
});
const table = (rows: readonly (readonly [string, string])[]): Content => ({
  layout: 'lightHorizontalLines',
  table: {
    widths: ['*', 'auto'],
    body: rows.map(([label, value]) => [{ text: label, color: quiet }, value]),
  },
});
const sentences = (texts: readonly string[]): Content[] =>
  texts.map((text): Content => ({ text, margin: [0, 4, 0, 0] }));

/** The report of a visit as a PDF of one page. */
export function serviceLayout(report: ServiceReport): TDocumentDefinitions {
  const { paper: size, firm, number, found, remarks, done, after, note, outlook } = report;
  return {
    ...paper(size, `${report.title} ${number}`, firm, number),
    content: [
      { text: firm, fontSize: 12, bold: true },
      { text: `${report.title}, no. ${number}`, color: quiet },
      { text: report.head, headlineLevel: 1, fontSize: 18, bold: true, margin: [0, 24, 0, 8] },
      { text: [report.customer, report.address].filter(Boolean).join(', '), bold: true },
      ...(found.length > 0 ? [heading('As found'), table(found)] : []),
      ...sentences(remarks),
      ...(done.length > 0
        ? [
            heading('Done'),
            table(done.map(({ what, batch }) => [what, batch ? `batch ${batch}` : ''] as const)),
          ]
        : []),
      ...(after.length > 0 ? [heading('Afterwards'), table(after)] : []),
      ...(note ? [heading('Remark'), { text: note }] : []),
      ...(outlook.length > 0 ? [heading('What comes'), ...sentences(outlook)] : []),
      ...report.caveats.map((text, i): Content => ({
        text,
        color: quiet,
        fontSize: 9,
        margin: [0, i === 0 ? 20 : 6, 0, 0],
      })),
      { text: report.signature, margin: [0, 36, 0, 0] },
    ],
  };
}
