import {
  lampAt,
  type LampFault,
  type LampFeed,
  rejectionGrades,
  toCore,
  type UltravioletLine,
  ultravioletLimits,
} from '@katharos/core';
import { detailFields, type DetailKey, verifyFields, type VerifyKey } from '../job/fields.ts';
import { lampReadings } from '../job/brief.ts';
import type { JobDocument, Survey } from '../job/job.ts';
import { type Say, writeNumber, writePercent } from './amounts.ts';

/** What the survey says of the water that would reach a lamp, and of a system that is there ahead of it. */
export function lampFeedOf(survey: Survey, hardnessMgL: number): LampFeed {
  const read = (key: DetailKey) => {
    const reading = survey.details[key];
    return reading ? toCore(detailFields[key].dimension, reading) : null;
  };
  const [flowLPerH, tdsMgL] = [read('existingFlow'), read('existingTds')];
  return {
    ironMgL: read('iron'),
    manganeseMgL: read('manganese'),
    hardnessMgL,
    transmittance: read('transmittance'),
    existing:
      flowLPerH !== null && flowLPerH > 0 && tdsMgL !== null
        ? { flowLPerMin: flowLPerH / 60, tdsMgL }
        : null,
  };
}

export interface UltravioletVerdict {
  flowLPerH: number;
  doseMjCm2: number;
  /** Of the system that the lamp was added to; null for a line of its own. */
  rejectionAhead: number | null;
  /** The dose is held, and what is ahead of the lamp does its part. */
  enough: boolean;
}

/** The dose at the flow that was measured at the tap; nothing while a reading for it is missing. */
export function ultravioletVerdict(
  document: JobDocument,
  line: UltravioletLine,
): UltravioletVerdict | undefined {
  const read = (key: VerifyKey) => {
    const reading = document.verify.readings[key];
    return reading ? toCore(verifyFields[key].dimension, reading) : null;
  };
  if (lampReadings(line).some((key) => read(key) === null)) return undefined;
  const flowLPerH = read('productFlow') ?? 0;
  if (!(flowLPerH > 0)) return undefined;
  const [feedTds, productTds] = [read('feedTds') ?? 0, read('productTds') ?? 0];
  const feed = lampFeedOf(document.survey, 0);
  const flowLPerMin = flowLPerH / 60;
  const { doseMjCm2, rejectionAhead, faults } = lampAt(
    line,
    flowLPerMin,
    { tdsMgL: feedTds },
    { ...feed, existing: { flowLPerMin, tdsMgL: productTds } },
  );
  const enough = !faults.includes('dose') && !faults.includes('membrane');
  return { flowLPerH, doseMjCm2, rejectionAhead, enough };
}

/** The verdict on a lamp in a sentence or two. */
export function ultravioletSentence(
  { flowLPerH, doseMjCm2, rejectionAhead }: UltravioletVerdict,
  say: Say,
): string {
  const { doseMjCm2: wanted } = ultravioletLimits;
  const held = doseMjCm2 >= wanted;
  const sentences = [
    `At ${say('flow', flowLPerH)} the lamp gives ${writeNumber(doseMjCm2, 0)} mJ/cm²; ${wanted} are wanted.`,
    held
      ? 'That is enough while the lamp is new and its sleeve clean.'
      : 'Hold the flow back, or fit a larger lamp, before anybody drinks.',
  ];
  if (rejectionAhead !== null) {
    const fails = rejectionAhead < rejectionGrades.marginal;
    sentences.push(
      `The membrane ahead holds back ${writePercent(rejectionAhead)} of the dissolved solids${fails ? ': too little, mend it before the lamp is relied on' : ''}.`,
    );
  }
  return sentences.join(' ');
}

/** What speaks against a lamp in this water. */
export const lampFaultWords: Record<LampFault, string> = {
  membrane:
    'the system there holds back less than 80 % of the dissolved solids: mend it first, or its water coats the sleeve',
  iron: 'iron over 0.05 mg/L coats the sleeve',
  manganese: 'manganese over 0.05 mg/L coats the sleeve',
  hardness: 'hardness over 17 mg/L (1 gpg) bakes on to the sleeve; soften first',
  transmittance: 'the water lets less than 90 % of the light through',
  dose: 'the dose at the tap’s flow is too low; hold the flow back or take a larger lamp',
};
