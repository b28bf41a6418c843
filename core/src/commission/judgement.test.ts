import { expect, test } from '@jest/globals';
import type { RankedFault } from './diagnosis/suspect.ts';
import { judgementOf } from './judgement.ts';

const causes: RankedFault[] = [
  { fault: 'healthy', probability: 0.6 },
  { fault: 'membrane-old', probability: 0.2 },
  { fault: 'membrane-bypass', probability: 0.12 },
  { fault: 'precharge-lost', probability: 0.08 },
];

test('leaves out what the readings could not show, and names it', () => {
  const { sound, leading, untold } = judgementOf({
    causes,
    beyond: null,
    untold: ['precharge-lost'],
  });
  expect(untold).toEqual(['precharge-lost']);
  expect(sound).toBeCloseTo(0.6 / 0.92, 12);
  expect(leading).toEqual({
    faults: ['membrane-old'],
    probability: expect.closeTo(0.2 / 0.92, 12),
  });
});

test('is one set of probabilities: the sound one is in the list, and the list adds up', () => {
  const { sound, leading, told } = judgementOf({
    causes,
    beyond: null,
    untold: ['precharge-lost'],
  });
  expect(told.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 12);
  expect(told.find(({ faults }) => faults[0] === 'healthy')!.probability).toBe(sound);
  expect(told).toContainEqual(leading);
});
