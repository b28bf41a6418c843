import { expect, test } from '@jest/globals';
import { newJobDocument } from './newJob.ts';
import { acceptedRegardless, isPractice } from './accepted.ts';

const { verify } = newJobDocument('Practised');
const at = '2026-03-01T09:00:00Z';
const reading = { value: 20, unit: 'ppm', takenAt: at, by: 'Wren' };
const look = { seen: true, at, by: 'Wren' };
const past = { readings: {}, mended: 'pushed home', at, by: 'Wren' };

test('one simulated reading, look or test makes a verification practice, also in one that was put down', () => {
  expect(isPractice({ ...verify, readings: { productTds: reading } })).toBe(false);
  const practised = { productTds: { ...reading, simulated: true as const } };
  for (const part of [
    { readings: practised },
    { looks: { 'pump-runs': { ...look, simulated: true as const } } },
    { shutoffSimulated: true as const },
    { earlier: { a: { ...past, readings: practised } } },
    { earlier: { a: { ...past, shutoffSimulated: true as const } } },
  ]) {
    expect(isPractice({ ...verify, ...part })).toBe(true);
  }
  expect(isPractice({ ...verify, looks: { 'pump-runs': look }, earlier: { a: past } })).toBe(false);
});

test('somebody’s word that it is accepted holds for what was read before it, and for nothing after', () => {
  const accepted = { reason: 'A hard water, and the household knows', at, by: 'Wren' };
  const earlier = { ...reading, takenAt: '2026-03-01T08:59:00Z' };
  const later = { ...reading, takenAt: '2026-03-01T09:00:01Z' };
  expect(acceptedRegardless({ ...verify, readings: { productTds: earlier } })).toBeUndefined();
  expect(acceptedRegardless({ ...verify, accepted, readings: { productTds: earlier } })).toBe(
    accepted,
  );
  expect(
    acceptedRegardless({ ...verify, accepted, readings: { feedTds: earlier, productTds: later } }),
  ).toBeUndefined();
  const looks = { 'pump-runs': { ...look, at: later.takenAt } };
  expect(acceptedRegardless({ ...verify, accepted, looks })).toBeUndefined();
});
