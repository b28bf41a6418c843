import {
  briefOf,
  cautionWords,
  codesCaveat,
  colourWords,
  type Job,
  optionsOf,
  placeName,
  type Plumbing,
  plumbingOf,
  sayIn,
  type Session,
  toolNames,
  tubeFunctionNames,
  workWords,
} from '@katharos/contract';
import { type Part, type PartsLine, toolsOf } from '@katharos/core';
import type { Content } from 'pdfmake/interfaces.js';
import { ApiError } from '../http/apiError.ts';
import { paper, quiet, setPdf } from '../papers/pdf.ts';

/**
 * The job sheet as a PDF: order of work, tubes, parts, tools, labels with a code that opens the job, holes at one to one.
 * @param address of the job's page, for the code on the labels
 * Errors: 'not-agreed' while no system is chosen or the survey contradicts itself.
 */
export async function sheetPdf(
  job: Job,
  firm: Session['firm'],
  catalogue: readonly Part[],
  address: string,
): Promise<Buffer> {
  const { document, number } = job;
  const { settings } = firm;
  const brief = briefOf(document.survey, catalogue, {
    standards: settings.standards,
    overruled: optionsOf(document.size.overruled),
  });
  if (!document.system || !brief.ok) throw new ApiError('not-agreed');
  const { design } = document.system;
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
      work(job, plumbing, settings.units),
      heading('Tubes'),
      tubes(plumbing, settings.units),
      heading('Parts'),
      parts(plumbing.parts),
      heading('Tools'),
      `${toolsOf(plumbing.steps)
        .map((tool) => toolNames[tool])
        .join(', ')}.`,
      { ...heading('Labels, one for each end'), pageBreak: 'before' },
      labels(plumbing, address),
      { ...heading('Holes, one to one'), pageBreak: 'before' },
      'Print at 100 %. The line must measure 100 mm, or the plan is no good.',
      holes(plumbing),
    ],
  });
}

const heading = (text: string) => ({
  text,
  bold: true,
  fontSize: 12,
  margin: [0, 14, 0, 4] as [number, number, number, number],
});

function work(job: Job, { steps }: Plumbing, units: 'metric' | 'us'): Content {
  const say = sayIn(units);
  const { done = {}, notes = {} } = job.document.plumb;
  return {
    layout: 'lightHorizontalLines',
    table: {
      widths: [14, '*'],
      dontBreakRows: true,
      body: steps.map((step) => {
        const words = workWords(step, say);
        return [
          { text: done[step.id]?.mark === step.mark ? 'x' : '[  ]', fontSize: 9 },
          {
            stack: [
              { text: [{ text: `${words.title}. `, bold: true }, words.instruction] },
              ...step.cautions.map((caution) => ({ text: cautionWords[caution], italics: true })),
              { text: `Proof: ${words.proof}`, color: quiet },
              ...(notes[step.id] ? [{ text: `Note: ${notes[step.id]}` }] : []),
            ],
          },
        ];
      }),
    },
  };
}

function tubes({ tubes: all }: Plumbing, units: 'metric' | 'us'): Content {
  const cut = (m: number) =>
    units === 'us' ? `${Math.ceil(m / 0.0254)} in` : `${Math.ceil(m * 100)} cm`;
  return {
    layout: 'lightHorizontalLines',
    table: {
      headerRows: 1,
      widths: ['auto', '*', 'auto', 'auto', 'auto', 'auto', 'auto'],
      body: [
        ['No.', 'From – to', 'Label', 'Tube', 'Colour', 'Cut', 'Clips'].map((text) => ({
          text,
          color: quiet,
        })),
        ...all.map((tube) => [
          String(tube.label),
          `${placeName(tube.from)} – ${placeName(tube.to)}`,
          tubeFunctionNames[tube.function],
          tube.size,
          tube.colour ? colourWords[tube.colour] : '–',
          cut(tube.cutM),
          String(tube.lockClips),
        ]),
      ],
    },
  };
}

const parts = (lines: readonly PartsLine[]): Content => ({
  layout: 'lightHorizontalLines',
  table: {
    widths: ['*', 'auto'],
    body: lines.map(({ name, quantity, unit }) => [name, `${quantity}${unit === 'm' ? ' m' : ''}`]),
  },
});

function labels({ tubes: all }: Plumbing, address: string): Content {
  const each = all.flatMap((tube) =>
    [tube.from, tube.to].map((end): Content => ({
      columns: [
        { qr: address, fit: 52 },
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

/** Points in a millimetre: a PDF's unit is a seventy-second of an inch. */
const pt = 72 / 25.4;

function holes({ tap, drain }: Plumbing): Content {
  const all = [
    ...(tap.holeMm > 0 ? [['Tap', tap.holeMm] as const] : []),
    ...(drain.holeMm > 0 ? [['Drain', drain.holeMm] as const] : []),
    ...(tap.pilotMm ? [['Pilot', tap.pilotMm] as const] : []),
  ];
  const drawn = all.map(([name, mm], i) => {
    const x = 25 + 50 * i;
    const arm = mm / 2 + 6;
    return `<circle cx="${x}" cy="45" r="${mm / 2}"/><path d="M${x - arm} 45h${2 * arm}M${x} ${45 - arm}v${2 * arm}"/><text x="${x - 10}" y="82" font-size="4" fill="black" stroke="none">${name}, ${mm} mm</text>`;
  });
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 170 90" width="${170 * pt}" height="${90 * pt}"><g stroke="black" stroke-width="0.3" fill="none"><path d="M10 10h100M10 7v6M110 7v6"/>${drawn.join('')}</g></svg>`,
    width: 170 * pt,
    margin: [0, 8, 0, 0],
  };
}
