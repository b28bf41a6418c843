import { type PlumbingSite, toCore } from '@katharos/core';
import { detailFields, type DetailKey } from '../job/fields.ts';
import type { JobDocument } from '../job/job.ts';

/** A detail of the survey in the core's unit; null where it was not read. */
export const detailOf = ({ survey }: JobDocument, key: DetailKey): number | null => {
  const reading = survey.details[key];
  return reading ? toCore(detailFields[key].dimension, reading) : null;
};

const yes = (answer: 'yes' | 'no' | undefined): boolean | null =>
  answer === undefined ? null : answer === 'yes';

/** What was seen under the sink, as the core wants it. */
export function plumbingSite(document: JobDocument): PlumbingSite {
  const { site, outlet } = document.survey;
  return {
    supply: site.supplyKind ?? null,
    drainMaterial: site.drainMaterial ?? null,
    drainRun: site.drainRun ?? null,
    drainPipeM: detailOf(document, 'drainPipe'),
    disposal: yes(site.disposal),
    dishwasher: yes(site.dishwasher),
    airGap: yes(site.airGap),
    counter: site.counter ?? null,
    holeThere: yes(site.tapHole),
    drilling: site.drilling ?? null,
    outlet: outlet === 'unknown' ? null : outlet,
    frost: yes(site.frost),
  };
}
