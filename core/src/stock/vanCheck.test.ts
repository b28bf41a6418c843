import { describe, expect, test } from '@jest/globals';
import type { PartsLine } from '../plumbing/order/partsList.ts';
import { checkVan, type Van } from './vanCheck.ts';

const job = '11111111-1111-4111-8111-111111111111';
const other = '22222222-2222-4222-8222-222222222222';
const line = (id: string, quantity: number): PartsLine => ({
  id,
  key: id,
  name: id,
  quantity,
  inKit: 0,
  unit: 'piece',
  price: 1,
});
const taken = (jobId: string, partId: string, quantity: number) => ({
  jobId,
  lines: [{ partId, quantity }],
  takenAt: '2026-03-01T09:00:00.000Z',
  takenBy: 'Odo',
});
const van = (stock: Van['stock'], takings: Van['takings'] = []): Van => ({ stock, takings });

describe('the van check', () => {
  test('buys what the van lacks, and nothing that it has', () => {
    const { lines, short } = checkVan(
      [line('a', 3), line('b', 2), line('c', 1)],
      van([
        { partId: 'a', quantity: 2 },
        { partId: 'b', quantity: 5 },
      ]),
      job,
    );
    expect(lines.map(({ missing }) => missing)).toEqual([1, 0, 1]);
    expect(short.map(({ id }) => id)).toEqual(['a', 'c']);
  });

  test('counts what this job took out already, not what another job took', () => {
    const stock = [{ partId: 'a', quantity: 0 }];
    expect(checkVan([line('a', 3)], van(stock, [taken(job, 'a', 3)]), job).short).toEqual([]);
    const foreign = checkVan([line('a', 3)], van(stock, [taken(other, 'a', 3)]), job);
    expect(foreign.taking).toBeNull();
    expect(foreign.short[0]!.missing).toBe(3);
  });

  test('does not promise one piece to two lines, and reckons metres without a rounding tail', () => {
    const stock = [{ partId: 'a', quantity: 3 }];
    const twice = checkVan([line('a', 2), line('a', 2)], van(stock), job);
    expect(twice.lines.map(({ missing }) => missing)).toEqual([0, 1]);
    const tube = checkVan([line('t', 4.1)], van([{ partId: 't', quantity: 4 }]), job);
    expect(tube.short[0]!.missing).toBe(0.1);
  });
});
