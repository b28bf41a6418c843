import type { Proposal } from '@katharos/papers';
import { paper, quiet } from './pdf.ts';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

const heading = (text: string): Content => ({
  text,
  headlineLevel: 2,
  bold: true,
  fontSize: 12,
  margin: [0, 16, 0, 4],
});
const paragraph = (text: string): Content => ({ text, margin: [0, 3, 0, 0] });

/** The proposal of a job as a PDF. */
export function proposalLayout(proposal: Proposal): TDocumentDefinitions {
  const { firm, number, totals } = proposal;
  return {
    ...paper(proposal.paper, `Proposal ${number}`, firm, number),
    content: [
      { text: firm, fontSize: 12, bold: true },
      { text: `Proposal, no. ${number}`, color: quiet },
      { text: proposal.title, headlineLevel: 1, fontSize: 20, bold: true, margin: [0, 20, 0, 4] },
      { text: [proposal.customer, proposal.address].filter(Boolean).join(', '), bold: true },
      heading('What we found'),
      ...proposal.found.map(paragraph),
      heading('What we propose'),
      ...proposal.proposed.map(paragraph),
      ...(proposal.figures.length > 0 ? [heading('What it does'), table(proposal.figures)] : []),
      ...(proposal.decided.length > 0
        ? [heading('Decided with you'), ...proposal.decided.map(paragraph)]
        : []),
      heading('What it costs'),
      {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          widths: ['*', 'auto', 'auto'],
          body: [
            [
              { text: 'Part', color: quiet },
              { text: 'Quantity', color: quiet, alignment: 'right' },
              { text: 'Price', color: quiet, alignment: 'right' },
            ],
            ...proposal.prices.map(({ name, quantity, price }) => [
              name,
              { text: quantity, alignment: 'right' as const },
              { text: price, alignment: 'right' as const },
            ]),
            sumRow('Sum', totals.net),
            sumRow(totals.taxLabel, totals.tax),
            sumRow('To pay', totals.gross, true),
          ],
        },
      },
      ...(proposal.agreed ? [paragraph(proposal.agreed)] : []),
      ...proposal.caveats.map((text, i): Content => ({
        text,
        color: quiet,
        fontSize: 9,
        margin: [0, i === 0 ? 18 : 6, 0, 0],
      })),
      { text: proposal.signature, margin: [0, 48, 0, 0], color: quiet },
    ],
  };
}

const sumRow = (label: string, value: string, bold = false) => [
  { text: label, bold, colSpan: 2 },
  '',
  { text: value, bold, alignment: 'right' as const },
];

const table = (rows: readonly [string, string][]): Content => ({
  layout: 'lightHorizontalLines',
  table: {
    widths: ['*', 'auto'],
    body: rows.map(([label, value]) => [
      { text: label, color: quiet },
      { text: value, alignment: 'right' as const },
    ]),
  },
});
