import { type HandChecks, isUltravioletLine } from '@katharos/core';
import { microbiologyOf } from './brief.ts';
import type { JobDocument } from '../document/job.ts';

/** How a laboratory's test for germs stands; undefined where neither supply nor lamp asks for one. */
export function germsOf({
  survey,
  system,
  verify: { germTest },
}: Pick<JobDocument, 'survey' | 'system' | 'verify'>): HandChecks['germs'] {
  if (germTest?.result) return germTest.result.found ? 'found' : 'none-found';
  const isLit =
    system !== null && (isUltravioletLine(system.design) || system.design.lamp !== null);
  return isLit || microbiologyOf(survey) !== 'safe' ? 'awaited' : undefined;
}

/** What of a job was tested by hand, by eye and by a laboratory. */
export const handChecksOf = (
  document: Pick<JobDocument, 'survey' | 'system' | 'verify'>,
): HandChecks => {
  const { shutoffTest, leakCheck } = document.verify;
  return { shutoffTest, leakCheck, germs: germsOf(document) };
};
