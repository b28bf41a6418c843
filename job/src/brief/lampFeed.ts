import {
  lampAt,
  type LampFault,
  type LampFeed,
  practiceLimits,
  toCore,
  type UltravioletAssessment,
  type UltravioletLine,
} from '@katharos/core';
import { lampReadings } from './brief.ts';
import { detailFields, type DetailKey, verifyFields, type VerifyKey } from '../fields/fields.ts';
import type { JobDocument, Survey } from '../document/job.ts';

/** What the survey says of the water that would reach a lamp, and of a system that is there ahead of it. */
export function lampFeedOf(survey: Survey, hardnessMgL: number | null): LampFeed {
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
  /** What speaks against it at this flow in this water, and what of the water was not read. */
  faults: LampFault[];
  unread: UltravioletAssessment['unread'];
}

/** Hardness at the lamp by what was read of the supply and decided about it, mg/L; null where it was not read. */
function readHardness({ survey, size }: Pick<JobDocument, 'survey' | 'size'>): number | null {
  const reading = survey.readings.hardness;
  if (!reading) return null;
  const hardness = toCore('hardness', reading);
  return size.overruled.scaling?.option === 'soften'
    ? Math.min(hardness, practiceLimits.softenedMgL)
    : hardness;
}

/** Whether the lamp cannot be relied on: too little light, or a water that shades or coats it. */
export const isTooLittle = ({ faults }: Pick<UltravioletVerdict, 'faults'>): boolean =>
  faults.length > 0;

/** The dose at the flow that was measured at the tap; nothing while a reading for it is missing. */
export function ultravioletVerdict(
  document: Pick<JobDocument, 'survey' | 'size' | 'verify'>,
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
  const feed = lampFeedOf(document.survey, readHardness(document));
  const flowLPerMin = flowLPerH / 60;
  const { doseMjCm2, rejectionAhead, faults, unread } = lampAt(
    line,
    flowLPerMin,
    { tdsMgL: feedTds },
    { ...feed, existing: { flowLPerMin, tdsMgL: productTds } },
  );
  return { flowLPerH, doseMjCm2, rejectionAhead, faults, unread };
}
