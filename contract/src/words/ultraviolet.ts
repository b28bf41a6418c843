import {
  type LampFault,
  type LampFeed,
  toCore,
  type UltravioletLine,
  ultravioletDose,
  ultravioletLimits,
} from '@katharos/core';
import { detailFields, type DetailKey, verifyFields } from '../job/fields.ts';
import type { JobDocument, Survey } from '../job/job.ts';
import { type Say, writeNumber } from './amounts.ts';

/** What the survey says of the water that would reach a lamp without a membrane ahead of it. */
export function lampFeedOf(survey: Survey, hardnessMgL: number): LampFeed {
  const read = (key: DetailKey) => {
    const reading = survey.details[key];
    return reading ? toCore(detailFields[key].dimension, reading) : null;
  };
  return {
    ironMgL: read('iron'),
    manganeseMgL: read('manganese'),
    hardnessMgL,
    transmittance: read('transmittance'),
  };
}

export interface UltravioletVerdict {
  flowLPerH: number;
  doseMjCm2: number;
  enough: boolean;
}

/** The dose at the flow that was measured at the tap; nothing while it was not. */
export function ultravioletVerdict(
  document: JobDocument,
  { lamp }: UltravioletLine,
): UltravioletVerdict | undefined {
  const reading = document.verify.readings.productFlow;
  if (!reading) return undefined;
  const flowLPerH = toCore(verifyFields.productFlow.dimension, reading);
  if (!(flowLPerH > 0)) return undefined;
  const { transmittance } = lampFeedOf(document.survey, 0);
  const doseMjCm2 = ultravioletDose(
    lamp,
    flowLPerH,
    transmittance ?? ultravioletLimits.transmittance,
  );
  return { flowLPerH, doseMjCm2, enough: doseMjCm2 >= ultravioletLimits.doseMjCm2 };
}

/** The verdict on a lamp in a sentence. */
export const ultravioletSentence = (
  { flowLPerH, doseMjCm2, enough }: UltravioletVerdict,
  say: Say,
): string =>
  `At ${say('flow', flowLPerH)} the lamp gives ${writeNumber(doseMjCm2, 0)} mJ/cm²; ${ultravioletLimits.doseMjCm2} are wanted. ${
    enough
      ? 'That is enough while the lamp is new and its sleeve clean.'
      : 'Hold the flow back, or fit a larger lamp, before anybody drinks.'
  }`;

/** What speaks against a lamp in this water. */
export const lampFaultWords: Record<LampFault, string> = {
  iron: 'iron over 0.05 mg/L coats the sleeve',
  manganese: 'manganese over 0.05 mg/L coats the sleeve',
  hardness: 'hardness over 17 mg/L (1 gpg) bakes on to the sleeve; soften first',
  transmittance: 'the water lets less than 90 % of the light through',
  dose: 'the dose at the tap’s flow is too low; hold the flow back or take a larger lamp',
};
