import { briefOf, optionsOf, plumbingOf } from '@katharos/job';
import { cabinetSvg, holePlanSentence, holePlanSvg } from '@katharos/papers';
import {
  cautionWords,
  codesCaveat,
  colourWords,
  placeName,
  routeWords,
  stepParts,
  toolNames,
  tubeEndNames,
  tubeFunctionNames,
  type Reader,
  readerOf,
  workWords,
} from '@katharos/words';
import {
  type CheckedLine,
  checkVan,
  type Plumbing,
  type Van,
  type Part,
  toolsOf,
} from '@katharos/core';
import type { Job, Session } from '@katharos/contract';
import { ApiError } from '../http/apiError.ts';
import { drawing, paper, quiet, setPdf } from './pdf.ts';
import type { Content } from 'pdfmake/interfaces.js';

/**
 * The job sheet as a PDF: order of work, tubes, parts, tools, labels with a code that opens the job, holes at one to one.
 * @param address of the job's page, for the code on the labels
 * @param van what it holds, for what has to be bought
 * Errors: 'not-agreed' while no system is chosen or the survey contradicts itself.
 */
export async function sheetPdf(
  job: Job,
  firm: Session['firm'],
  catalogue: readonly Part[],
  address: string,
  van: Van,
): Promise<Buffer> {
  const { document, number } = job;
  const { settings } = firm;
  const brief = briefOf(document.survey, catalogue, {
    standards: settings.standards,
    overruled: optionsOf(document.size.overruled),
  });
  if (!document.system || !brief.ok) throw new ApiError('not-agreed');
  const { design } = document.system;
  const reader = readerOf(settings);
  const plumbing = plumbingOf(document, design, brief.value);
  const { name, address: place, note } = document.customer;
  return setPdf({
    ...paper(settings.paper, `Job sheet ${number}`, firm.name, number),
    pageMargins: [48, 44, 48, 52],
    content: [
      { text: firm.name, fontSize: 12, bold: true },
      { text: `Job sheet, no. ${number}`, color: quiet },
      {
        text: [name, place].filter(Boolean).join(', '),
        fontSize: 16,
        bold: true,
        margin: [0, 12, 0, 4],
      },
      ...(note ? [note] : []),
      { text: codesCaveat, bold: true, margin: [0, 6, 0, 0] },
      ...(plumbing.drain.deviation
        ? [
            {
              text: `Deviation at the drain: ${document.plumb.drain?.reason || 'no reason is recorded'}`,
              bold: true,
            },
          ]
        : []),
      heading('Order of work'),
      work(job, plumbing, reader),
      ...cabinet(plumbing),
      heading('Tubes'),
      tubes(plumbing, reader),
      heading('Parts'),
      partsTable(checkVan(plumbing.parts, van, job.id).lines, reader),
      heading('Tools'),
      `${toolsOf(plumbing.steps)
        .map((tool) => toolNames[tool])
        .join(', ')}.`,
      { ...heading('Labels, one for each end'), pageBreak: 'before' },
      labels(plumbing, address),
      ...holePlan(plumbing),
    ],
  });
}

const heading = (text: string) => ({
  text,
  bold: true,
  fontSize: 12,
  margin: [0, 14, 0, 4] as [number, number, number, number],
});

function work(job: Job, { steps, parts }: Plumbing, reader: Reader): Content {
  const { done = {}, notes = {} } = job.document.plumb;
  return {
    layout: 'lightHorizontalLines',
    table: {
      widths: [14, '*'],
      dontBreakRows: true,
      body: steps.map((step) => {
        const words = workWords(step, reader);
        return [
          { text: done[step.id]?.mark === step.mark ? 'x' : '[  ]', fontSize: 9 },
          {
            stack: [
              { text: [{ text: `${words.title}. `, bold: true }, words.instruction] },
              ...step.cautions.map((caution) => ({ text: cautionWords[caution], italics: true })),
              ...(step.parts.length > 0
                ? [{ text: `Takes: ${stepParts(step, parts).join(', ')}`, color: quiet }]
                : []),
              { text: `Proof: ${words.proof}`, color: quiet },
              ...(notes[step.id] ? [{ text: `Note: ${notes[step.id]}` }] : []),
            ],
          },
        ];
      }),
    },
  };
}

/** The holes on a page of their own; where none is drilled a sentence says so. */
function holePlan({ holes }: Plumbing): Content[] {
  const head = heading('Holes, one to one');
  if (holes.length === 0) return [head, holePlanSentence(holes)];
  return [
    { ...head, pageBreak: 'before' },
    holePlanSentence(holes),
    { ...drawing(holePlanSvg(holes)), margin: [0, 8, 0, 0] },
  ];
}

/** The cabinet one to ten, on one piece of paper with its heading. */
function cabinet(plumbing: Plumbing): Content[] {
  const svg = cabinetSvg(plumbing);
  return svg
    ? [{ stack: [heading('Where it stands, one to ten'), drawing(svg)], unbreakable: true }]
    : [];
}

function tubes({ tubes: all }: Plumbing, reader: Reader): Content {
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
          `${placeName(tube.from)} – ${placeName(tube.to)}`,
          tubeFunctionNames[tube.function],
          tube.size,
          tube.colour ? colourWords[tube.colour] : '–',
          {
            stack: [
              { text: reader.cut(tube.cutM), noWrap: true },
              ...(tube.known === 'usual'
                ? [{ text: routeWords.usual, color: quiet, noWrap: true }]
                : []),
            ],
          },
          [...new Set(tube.ends)].map((end) => tubeEndNames[end]).join('; '),
          String(tube.lockClips),
        ]),
      ],
    },
  };
}

/** What goes into the van, and what of it has to be bought. */
function partsTable(lines: readonly CheckedLine[], reader: Reader): Content {
  return {
    layout: 'lightHorizontalLines',
    table: {
      headerRows: 1,
      widths: ['*', 'auto', 'auto'],
      body: [
        ['Part', 'Quantity', 'To buy'].map((text) => ({ text, color: quiet })),
        ...lines.map(({ name, quantity, unit, missing }) => [
          name,
          reader.pieces(quantity, unit),
          missing > 0 ? reader.pieces(missing, unit) : 'in the van',
        ]),
      ],
    },
  };
}

function labels({ tubes: all }: Plumbing, address: string): Content {
  const each = all.flatMap((tube) =>
    [tube.from, tube.to].map((end): Content => ({
      columns: [
        { qr: address, fit: 57, eccLevel: 'L' as const },
        {
          width: '*',
          stack: [
            { text: `${tube.label} ${tubeFunctionNames[tube.function]}`, bold: true },
            `${placeName(tube.from)} – ${placeName(tube.to)}`,
            { text: `at: ${placeName(end)}`, color: quiet },
          ],
        },
      ],
      columnGap: 8,
      fontSize: 9,
      margin: [0, 4, 0, 4],
    })),
  );
  const rows = Array.from({ length: Math.ceil(each.length / 2) }, (_, i) => [
    each[2 * i]!,
    each[2 * i + 1] ?? '',
  ]);
  return { table: { widths: ['*', '*'], dontBreakRows: true, body: rows } };
}
