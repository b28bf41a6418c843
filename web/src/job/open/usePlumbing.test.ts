import { expect, test } from '@jest/globals';
import { briefOf, type JobDocument, newJobDocument, starterCatalogue } from '@katharos/job';
import { recommend } from '@katharos/core';
import { plumbingBy } from './usePlumbing.ts';

const reading = (value: number, unit: string) => ({ value, unit, takenAt: null, by: null });

/** A surveyed job, what is recommended for it, and how it is plumbed after a change. */
function surveyed() {
  const document = newJobDocument('Odo Marsh');
  document.survey.readings = {
    feedTds: reading(420, 'ppm'),
    pressure: reading(2.8, 'bar'),
    temperature: reading(13, 'C'),
  };
  document.survey.details = {
    cabinetWidth: reading(0.8, 'm'),
    cabinetHeight: reading(0.7, 'm'),
    cabinetDepth: reading(0.5, 'm'),
  };
  const brief = briefOf(document.survey, starterCatalogue);
  if (!brief.ok) throw new Error(brief.failure.code);
  const { design } = recommend(brief.value.task)!.best;
  return (change: Partial<JobDocument['plumb']> = {}) =>
    plumbingBy({ ...document, plumb: { ...document.plumb, ...change } }, design, brief.value);
}

test('plumbing is not worked out again for what is ticked and noted, and is for what it follows from', () => {
  const plumbingAfter = surveyed();
  const before = plumbingAfter();
  const tick = { at: '2026-11-28T10:00:00Z', by: 'A. Rowe' };
  expect(plumbingAfter({ done: { 'tube:feed>unit': { ...tick, mark: 'm' } } })).toBe(before);
  expect(plumbingAfter({ notes: { leak: 'dry' }, ticks: { spanner: tick }, coils: [] })).toBe(
    before,
  );

  const beside = plumbingAfter({ nextCupboard: { width: 0.5, height: 0.7, depth: 0.5 } });
  expect(beside).not.toBe(before);
  const put = plumbingAfter({
    obstacles: [{ id: 'pipe', x: 0.1, y: 0, z: 0.1, width: 0.1, height: 0.7, depth: 0.1 }],
  });
  expect(put.obstacles).not.toEqual(before.obstacles);
  const moved = plumbingAfter({ order: before.steps.map(({ id }) => id).reverse() });
  expect(moved.steps.map(({ id }) => id)).not.toEqual(before.steps.map(({ id }) => id));
});
