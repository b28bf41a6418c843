import type { JobSheetContent } from '@katharos/papers';
import { drawing, paper, quiet } from './pdf.ts';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

/**
 * The job sheet as a PDF: a first page of what is loaded and must be known, then order of work, tubes, labels with a code that opens the
 * job, holes at one to one.
 * @param address of the job's page, for the code on the labels
 */
export function sheetLayout(sheet: JobSheetContent, address: string): TDocumentDefinitions {
  return {
    ...paper(sheet.paper, sheet.title, sheet.firm, sheet.number),
    pageMargins: [48, 36, 48, 48],
    content: [
      ...cover(sheet),
      { ...heading('Order of work'), pageBreak: 'before' },
      work(sheet),
      ...cabinet(sheet),
      ...together('Tubes', tubes(sheet)),
      { ...heading('Labels, one for each end'), pageBreak: 'before' },
      labels(sheet, address),
      ...holePlan(sheet),
    ],
  };
}

const heading = (text: string) => ({
  text,
  headlineLevel: 2,
  bold: true,
  fontSize: 12,
  margin: [0, 12, 0, 4] as [number, number, number, number],
});

/** A heading never stands alone at the foot of a page, nor a table's last row alone on the next. */
const together = (text: string, content: Content): Content[] => [
  { stack: [heading(text), content], unbreakable: true },
];

function cover({ firm, title, customer, note, cover: first }: JobSheetContent): Content[] {
  return [
    {
      columns: [
        { text: firm, fontSize: 12, bold: true },
        { text: title, color: quiet, alignment: 'right' },
      ],
    },
    { text: customer, headlineLevel: 1, fontSize: 16, bold: true, margin: [0, 8, 0, 2] },
    ...(note ? [{ text: note }] : []),
    { text: first.waterOff, bold: true, margin: [0, 6, 0, 0] },
    { text: first.holes, bold: true },
    ...(first.deviation ? [{ text: first.deviation, bold: true }] : []),
    { ...heading('What matters on this job'), margin: [0, 8, 0, 2] },
    { ul: [...first.cautions, first.codes], fontSize: 9 },
    { ...heading('The line'), margin: [0, 8, 0, 2] },
    drawing(
      first.line,
      'The parts of the line in their order; the tubes between them are listed under Tubes.',
    ),
    { ...heading('To load'), margin: [0, 8, 0, 2] },
    partsTable(first.load),
    { text: [{ text: 'Tools: ', bold: true }, first.tools], fontSize: 8.5, margin: [0, 6, 0, 0] },
  ];
}

/** Thin rules and hardly any room between rows, so that a long list stays on the first page. */
const dense = {
  hLineWidth: () => 0.3,
  vLineWidth: () => 0,
  hLineColor: () => quiet,
  paddingTop: () => 1,
  paddingBottom: () => 1,
};

/** What goes into the van, in two columns side by side, and what of it has to be bought. */
function partsTable(load: JobSheetContent['cover']['load']): Content {
  const half = Math.ceil(load.length / 2);
  const column = (lines: typeof load): Content => ({
    layout: dense,
    fontSize: 8,
    table: {
      headerRows: 1,
      widths: ['*', 34, 42],
      body: [
        ['Part', 'Quantity', 'To buy'].map((text) => ({ text, color: quiet })),
        ...lines.map(({ name, quantity, toBuy }) => [
          name,
          quantity,
          { text: toBuy ?? '', noWrap: true },
        ]),
      ],
    },
  });
  return { columns: [column(load.slice(0, half)), column(load.slice(half))], columnGap: 16 };
}

function work({ steps }: JobSheetContent): Content {
  return {
    layout: 'lightHorizontalLines',
    table: {
      widths: [14, '*'],
      dontBreakRows: true,
      body: steps.map(({ done, title, instruction, cautions, takes, proof, note }) => [
        { text: done ? 'x' : '[  ]', fontSize: 9 },
        {
          stack: [
            { text: [{ text: `${title}. `, bold: true }, instruction] },
            ...cautions.map((text) => ({ text, italics: true })),
            ...(takes ? [{ text: takes, color: quiet }] : []),
            { text: proof, color: quiet },
            ...(note ? [{ text: note }] : []),
          ],
        },
      ]),
    },
  };
}

/** The holes on a page of their own; where none is drilled a sentence says so, under the labels. */
function holePlan({ holes: { sentence, plan } }: JobSheetContent): Content[] {
  const head = heading('Holes, one to one');
  if (!plan) return [{ stack: [head, sentence], unbreakable: true }];
  return [
    { ...head, pageBreak: 'before' },
    sentence,
    {
      ...drawing(plan, 'Circles of the holes in their true size, with a ruler.'),
      margin: [0, 8, 0, 0],
    },
  ];
}

/** The cabinet one to ten, on one piece of paper with its heading. */
const cabinet = ({ cabinet: svg }: JobSheetContent): Content[] =>
  svg
    ? [
        {
          stack: [
            heading('Where it stands, one to ten'),
            drawing(svg, 'Where each body stands in the cabinet, from the front and from above.'),
          ],
          unbreakable: true,
        },
      ]
    : [];

function tubes({ tubes: all }: JobSheetContent): Content {
  return {
    layout: 'lightHorizontalLines',
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: ['auto', '*', 'auto', 'auto', 'auto', 'auto', '*', 'auto'],
      body: [
        ['No.', 'From – to', 'Label', 'Tube', 'Colour', 'Cut', 'Ends', 'Clips'].map((text) => ({
          text,
          color: quiet,
        })),
        ...all.map((tube) => [
          String(tube.label),
          tube.way,
          tube.carries,
          tube.size,
          tube.colour,
          {
            stack: [
              { text: tube.cut, noWrap: true },
              ...(tube.cutNote ? [{ text: tube.cutNote, color: quiet, noWrap: true }] : []),
            ],
          },
          tube.ends,
          String(tube.clips),
        ]),
      ],
    },
  };
}

function labels({ labels: all }: JobSheetContent, address: string): Content {
  const each = all.map(({ head, way, at }): Content => ({
    columns: [
      { qr: address, fit: 57, eccLevel: 'L' as const },
      {
        width: '*',
        stack: [{ text: head, bold: true }, way, { text: at, color: quiet }],
      },
    ],
    columnGap: 8,
    fontSize: 9,
    margin: [0, 4, 0, 4],
  }));
  // Full pages of twelve rows; a rest of one row would stand alone, so the page before gives it one.
  const rows = Array.from({ length: Math.ceil(each.length / 2) }, (_, i) => [
    each[2 * i]!,
    each[2 * i + 1] ?? '',
  ]);
  return { table: { widths: ['*', '*'], dontBreakRows: true, body: rows } };
}
