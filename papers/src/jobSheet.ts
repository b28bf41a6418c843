import {
  checkVan,
  hotSideOf,
  type InstalledSystem,
  type Plumbing,
  tellingCautions,
  toolsOf,
  type Van,
} from '@katharos/core';
import type { FirmSettings, JobDocument } from '@katharos/job';
import {
  cautionWords,
  codesCaveat,
  colourWords,
  holesSentence,
  placeName,
  readerOf,
  routeWords,
  stepParts,
  toolNames,
  tubeEndNames,
  tubeFunctionNames,
  waterOffSentence,
  workWords,
} from '@katharos/words';
import { cabinetSvg } from './drawings/cabinetSvg.ts';
import { holeNames, holePlanSentence, holePlanSvg } from './drawings/holePlanSvg.ts';
import { lineSvg } from './drawings/lineSvg.ts';

/** All that one person needs, kneeling: one content, set as a page in the browser and as a PDF on the server. */
export interface JobSheetContent {
  number: number;
  firm: string;
  title: string;
  customer: string;
  note: string;
  paper: FirmSettings['paper'];
  /** Its first page: what is loaded, and what must be known before the valve is touched. */
  cover: {
    codes: string;
    deviation: string | null;
    waterOff: string;
    holes: string;
    cautions: string[];
    /** The line with its tube numbers and joints. */
    line: string;
    tools: string;
    /** Part, how much, and what of it has to be bought; null while the van is not known. */
    load: { name: string; quantity: string; toBuy: string | null }[];
  };
  steps: {
    id: string;
    done: boolean;
    title: string;
    instruction: string;
    cautions: string[];
    takes: string | null;
    proof: string;
    note: string | null;
  }[];
  cabinet: string | null;
  tubes: {
    id: string;
    label: number;
    way: string;
    carries: string;
    size: string;
    colour: string;
    cut: string;
    cutNote: string | null;
    ends: string;
    clips: number;
  }[];
  /** Two for every tube. */
  labels: { id: string; head: string; way: string; at: string }[];
  /** Sizes as they stand on the drawing, in millimetres; the drawing is null where nothing is drilled. */
  holes: { sentence: string; listed: string; plan: string | null };
}

export interface JobSheetSource {
  number: number;
  id: string;
  document: JobDocument;
  firm: { name: string; settings: FirmSettings };
  system: InstalledSystem;
  plumbing: Plumbing;
  /** What the van holds; null while it is not known. */
  van: Van | null;
}

/** Makes the job sheet of a plumbing. */
export function jobSheetOf({
  number,
  id,
  document,
  firm,
  system,
  plumbing,
  van,
}: JobSheetSource): JobSheetContent {
  const reader = readerOf(firm.settings);
  const { customer, plumb } = document;
  const { steps, tubes, parts, drain, holes, feed } = plumbing;
  const checked = van && checkVan(parts, van, id).lines;
  const hotSide = hotSideOf(system, plumbing.feed);
  return {
    number,
    firm: firm.name,
    title: `Job sheet, no. ${number}`,
    customer: [customer.name, customer.address].filter(Boolean).join(', '),
    note: customer.note,
    paper: firm.settings.paper,
    cover: {
      codes: codesCaveat,
      deviation: drain.deviation
        ? `Deviation: the drain is not on the sink side of the trap. ${plumb.drain?.reason || 'No reason is recorded.'}`
        : null,
      waterOff: waterOffSentence(feed, hotSide),
      holes: holesSentence(holes, reader),
      cautions: tellingCautions(steps).map((caution) => cautionWords[caution]),
      line: lineSvg(tubes),
      tools: `${toolsOf(steps)
        .map((tool) => toolNames[tool])
        .join(', ')}.`,
      load: parts.map(({ name, quantity, inKit, unit }, i) => ({
        name,
        quantity: reader.pieces(quantity, unit),
        toBuy:
          inKit >= quantity
            ? 'in the kit'
            : !checked
              ? null
              : checked[i]!.missing > 0
                ? reader.pieces(checked[i]!.missing, unit)
                : 'in the van',
      })),
    },
    steps: steps.map((step) => {
      const { title, instruction, proof } = workWords(step, reader);
      return {
        id: step.id,
        done: plumb.done?.[step.id]?.mark === step.mark,
        title,
        instruction,
        cautions: step.cautions.map((caution) => cautionWords[caution]),
        takes: step.parts.length > 0 ? `Takes: ${stepParts(step, parts).join(', ')}` : null,
        proof: `Proof: ${proof}`,
        note: plumb.notes?.[step.id] ? `Note: ${plumb.notes[step.id]}` : null,
      };
    }),
    cabinet: cabinetSvg(plumbing) ?? null,
    tubes: tubes.map((tube) => ({
      id: tube.id,
      label: tube.label,
      way: `${placeName(tube.from)} – ${placeName(tube.to)}`,
      carries: tubeFunctionNames[tube.function],
      size: tube.size,
      colour: tube.colour ? colourWords[tube.colour] : '–',
      cut: reader.cut(tube.cutM),
      cutNote: tube.known === 'usual' ? routeWords.usual : null,
      ends: [...new Set(tube.ends)].map((end) => tubeEndNames[end]).join('; '),
      clips: tube.lockClips,
    })),
    labels: tubes.flatMap((tube) =>
      [tube.from, tube.to].map((end) => ({
        id: `${tube.id}-${end}`,
        head: `${tube.label} ${tubeFunctionNames[tube.function]}`,
        way: `${placeName(tube.from)} – ${placeName(tube.to)}`,
        at: `at: ${placeName(end)}`,
      })),
    ),
    holes: {
      sentence: holePlanSentence(holes, reader),
      listed: holes
        .map(({ what, mm }) => `${holeNames[what]} ${reader.millimetres(mm)}`)
        .join(', '),
      plan: holes.length > 0 ? holePlanSvg(holes, reader) : null,
    },
  };
}
