import type { OwedCheck } from '@katharos/core';
import { isPractice } from '../document/accepted.ts';
import { isFlushed } from '../document/flushRecord.ts';
import { certificationOf } from './certification.ts';
import type { JobDocument } from '../document/job.ts';
import type { GapCode } from './gapCodes.ts';

/** Under which gap each owed check is told. */
function gapOf(owed: OwedCheck): GapCode {
  if (owed.startsWith('ion:')) return 'ions-unread';
  if (owed.startsWith('leak-')) return 'leaks-unchecked';
  if (owed.startsWith('lamp-')) return 'lamp-unchecked';
  if (owed === 'stops') return 'shutoff-untested';
  if (owed === 'germs') return 'germs-untested';
  return owed === 'total-chlorine' ? 'chlorine-unread' : 'tds-unread';
}

/** What is open in a job that is about to be certified: nobody should have to remember it. */
export function certificateGaps(document: JobDocument): GapCode[] {
  const { system, plumb, flush, verify } = document;
  // Owed and untested do not hang on what was weighed.
  const found = certificationOf(document, null);
  const owed = (found?.owed ?? []).map(gapOf);
  const gaps: [GapCode, boolean][] = [
    ['not-agreed', !system?.agreed],
    [
      'nothing-ticked',
      Object.keys(plumb.done ?? {}).length === 0 && Object.keys(plumb.ticks).length === 0,
    ],
    [
      'not-flushed',
      flush.plan ? !isFlushed(flush) : !Object.values(flush.steps).some(({ done }) => done),
    ],
    ...[...new Set(owed)].map((gap): [GapCode, boolean] => [gap, true]),
    ['flows-unread', (found?.untested ?? []).length > 0],
    ['simulated', isPractice(verify)],
  ];
  return gaps.filter(([, isOpen]) => isOpen).map(([code]) => code);
}
