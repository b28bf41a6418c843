import { describe, expect, test } from '@jest/globals';
import type { Job } from '@katharos/contract';
import { diffDocuments, type JobDocument, newJobDocument } from '@katharos/job';
import type { KeptDeed } from './deeds.ts';
import type { KeptJob } from './keptStore.ts';
import { presentOf, settled, takenIn } from './lanes.ts';
import { retryAfterMs } from './leader.ts';

const first = newJobDocument('Maud Ridley', 'Sluice Lane');
const job = (version: number, document: JobDocument): Job => ({
  id: 'a',
  number: 1,
  version,
  updatedAt: '2026-03-01T09:00:00.000Z',
  updatedBy: 'Odo',
  document,
});
const held: KeptJob = { id: 'a', job: job(3, first) };
const said = (customer: Partial<JobDocument['customer']>): JobDocument => ({
  ...first,
  customer: { ...first.customer, ...customer },
});
let seq = 0;
const deed = (customer: Partial<JobDocument['customer']>, from = first): KeptDeed => ({
  kind: 'document',
  patches: diffDocuments(from, { ...from, customer: { ...from.customer, ...customer } }),
  seq: (seq += 1),
  id: `d${seq}`,
  lane: 'a',
  at: '2026-03-01T09:00:00.000Z',
  userId: 'u',
  form: 1,
});

describe('what waits in this browser', () => {
  test('lies over what the server has', () => {
    const deeds = [deed({ note: 'one' }), deed({ phone: '0100' })];
    expect(presentOf(held, deeds).customer).toMatchObject({ note: 'one', phone: '0100' });
  });

  test('stays over what others saved meanwhile, and never goes back to an older state', () => {
    const deeds = [deed({ note: 'one' })];
    const newer = takenIn(held, deeds, job(5, said({ phone: 'theirs' })));
    expect(presentOf(newer, deeds).customer).toMatchObject({ note: 'one', phone: 'theirs' });
    expect(takenIn(newer, deeds, job(4, first))).toBe(newer);
  });

  test('of a value that another changed too waits for a choice, which keeps all else', () => {
    const deeds = [deed({ note: 'mine', phone: '0100' })];
    const theirs = job(4, said({ note: 'theirs', address: 'Mill' }));
    const conflict = takenIn(held, deeds, theirs);
    expect(conflict.conflict?.paths).toEqual(['customer.note']);
    const mine = settled(conflict, deeds, 'mine');
    expect(presentOf(mine.job, deeds).customer).toMatchObject({
      note: 'mine',
      phone: '0100',
      address: 'Mill',
    });
    const other = settled(conflict, deeds, 'theirs');
    expect(presentOf(other.job, other.rewritten).customer).toMatchObject({
      note: 'theirs',
      phone: '0100',
      address: 'Mill',
    });
  });
});

test('tries come ever more rarely, never all at once, and not before a busy server asks for them', () => {
  const waits = (random: number) =>
    Array.from({ length: 9 }, (_, tries) => retryAfterMs(tries, () => random));
  expect(waits(0)).toEqual([500, 1000, 2000, 4000, 8000, 16000, 30000, 30000, 30000]);
  expect(waits(0.5)[0]).toBe(1000);
  expect(Math.max(...waits(1))).toBeLessThanOrEqual(90_000);
  expect(retryAfterMs(0, () => 0, { kind: 'fault', retryAfterS: 7 })).toBe(7000);
});
