import { lampAt, type LampFeed, toCore, type UltravioletLine } from '@katharos/core';
import { lampReadings } from './brief.ts';
import { detailFields, type DetailKey, verifyFields, type VerifyKey } from '../fields/fields.ts';
import type { JobDocument, Survey } from '../document/job.ts';

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
