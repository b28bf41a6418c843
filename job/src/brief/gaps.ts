import { isUltravioletLine } from '@katharos/core';
import { isPractice } from '../document/accepted.ts';
import { isFlushed } from '../document/flushRecord.ts';
import { germsOf } from './handChecks.ts';
import type { JobDocument } from '../document/job.ts';
import type { GapCode } from './gapCodes.ts';

/** What is open in a job that is about to be certified: nobody should have to remember it. */
export function certificateGaps(document: JobDocument): GapCode[] {
  const { system, plumb, flush, verify } = document;
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
    ['leaks-unchecked', verify.leakCheck === 'not-done'],
    [
      'shutoff-untested',
      verify.shutoffTest === 'not-done' && !(system && isUltravioletLine(system.design)),
    ],
    [
      'flows-unread',
      !(system && isUltravioletLine(system.design)) &&
        (!verify.readings.productFlow || !verify.readings.drainFlow),
    ],
    ['germs-untested', germsOf(document) === 'awaited'],
    ['simulated', isPractice(verify)],
  ];
  return gaps.filter(([, isOpen]) => isOpen).map(([code]) => code);
}
