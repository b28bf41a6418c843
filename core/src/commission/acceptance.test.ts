import { describe, expect, test } from '@jest/globals';
import { tankDesign, sampleWater } from '../test/samples.ts';
import { expectedReadings } from '../system/expectedReadings.ts';
import { acceptance, type HandChecks, lampAcceptance, limitsFound } from './acceptance.ts';
import type { RankedFault } from './diagnosis/suspect.ts';
import { type Judgement, judgementOf } from './judgement.ts';
import { verdict, type VerificationReadings } from './verdict.ts';

const point = expectedReadings(tankDesign, sampleWater);
if (!point.ok) throw new Error(point.failure.code);
const { permeateTdsMgL, permeateFlowLPerH, concentrateFlowLPerH } = point.value;
const passed: HandChecks = { shutoffTest: 'passed', leakCheck: 'dry' };

const limits = { productShareOfFeed: 0.1, productTdsMgL: 60 };
const judged = (sound: number): Judgement => ({
  sound,
  leading: { faults: ['membrane-old'], probability: 1 - sound },
  untold: [],
});

const measured = (change: Partial<VerificationReadings> = {}) => {
  const compared = verdict(tankDesign, {
    feedTdsMgL: sampleWater.tdsMgL,
    productTdsMgL: permeateTdsMgL,
    temperatureC: sampleWater.temperatureC,
    pressureBar: sampleWater.pressureBar,
    productFlowLPerH: permeateFlowLPerH,
    drainFlowLPerH: concentrateFlowLPerH,
    ...change,
  });
  if (!compared.ok) throw new Error(compared.failure.code);
  return compared.value;
};

/** A system that works, but for what is changed. */
const found = (
  sound: number | null,
  change: Partial<VerificationReadings> = {},
  checks: Partial<HandChecks> = {},
) =>
  acceptance(
    measured(change),
    { ...passed, ...checks },
    sound === null ? null : judged(sound),
    limits,
  );

describe('a system is accepted', () => {
  test('where it is likely sound, and everything was checked', () => {
    expect(found(0.9)).toEqual({ grade: 'good', faults: [], remarks: [], unchecked: [] });
  });

  test.each<[string, number, Partial<HandChecks>, string]>([
    ['a leak', 0.95, { leakCheck: 'leak' }, 'leak'],
    ['a drain that does not stop', 0.95, { shutoffTest: 'failed' }, 'runs-on'],
    ['something that is wrong by all that was read', 0.1, {}, 'not-sound'],
  ])('never with %s', (_what, sound, checks, fault) => {
    const { grade, faults } = found(sound, {}, checks);
    expect(grade).toBe('not-accepted');
    expect(faults).toContain(fault);
  });

  test('with a remark where it is not sure, could not be weighed, or hardly keeps a limit of the firm', () => {
    expect(found(0.4)).toMatchObject({ grade: 'marginal', remarks: ['not-sure'] });
    expect(found(null)).toMatchObject({ grade: 'marginal', remarks: ['not-weighed'] });
    // A sound system may pass more than the firm likes: that is said, and is no fault of it.
    expect(found(0.95, { productTdsMgL: 0.15 * sampleWater.tdsMgL })).toMatchObject({
      grade: 'marginal',
      remarks: expect.arrayContaining(['limit:rejection']),
    });
  });

  test('for what was checked; what was not is named', () => {
    const { grade, unchecked } = found(0.9, {}, { shutoffTest: 'not-done', leakCheck: 'not-done' });
    expect([grade, unchecked]).toEqual(['good', ['leak', 'shut-off']]);
  });
});

describe('a limit', () => {
  const keptOf = (productTdsMgL: number) =>
    limitsFound(measured({ productTdsMgL }), { productShareOfFeed: 0.1, productTdsMgL: 60 });

  test('that is read just as it stands is kept by chance; farther off it is sure', () => {
    expect(keptOf(60).find(({ of }) => of === 'product-tds')!.kept).toBeCloseTo(0.5, 6);
    expect(keptOf(0.1 * sampleWater.tdsMgL)[0]!.kept).toBeCloseTo(0.5, 6);
    expect(keptOf(50)[1]!.kept).toBeGreaterThan(0.999);
    expect(keptOf(70)[1]!.kept).toBeLessThan(0.001);
  });
});

describe('a laboratory’s test for germs', () => {
  const graded = (germs: HandChecks['germs']) =>
    lampAcceptance({ doseHeld: true, waterFits: true, membraneWorks: true }, { ...passed, germs });

  test('that is awaited is open, that found some is a fault, that found none is neither', () => {
    expect(graded('awaited')).toMatchObject({ grade: 'good', unchecked: ['germs'] });
    expect(graded('found')).toMatchObject({ grade: 'not-accepted', faults: ['germs'] });
    expect(graded('none-found')).toMatchObject({ grade: 'good', unchecked: [], faults: [] });
    expect(graded(undefined).unchecked).toEqual([]);
  });
});

describe('what is judged', () => {
  test('leaves out what the readings could not show, and names it', () => {
    const causes: RankedFault[] = [
      { fault: 'healthy', probability: 0.6 },
      { fault: 'membrane-old', probability: 0.2 },
      { fault: 'membrane-bypass', probability: 0.12 },
      { fault: 'precharge-lost', probability: 0.08 },
    ];
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
});

describe('a lamp is accepted', () => {
  const lit = { doseHeld: true, waterFits: true, membraneWorks: true };

  test('by dose, water and the membrane ahead of it', () => {
    expect(lampAcceptance(lit, passed)).toMatchObject({ grade: 'good', unchecked: [] });
    for (const [change, fault] of [
      [{ doseHeld: false }, 'dose'],
      [{ waterFits: false }, 'lamp-water'],
      [{ membraneWorks: false }, 'membrane-ahead'],
    ] as const)
      expect(lampAcceptance({ ...lit, ...change }, passed)).toMatchObject({
        grade: 'not-accepted',
        faults: [fault],
      });
    expect(lampAcceptance(lit, { ...passed, leakCheck: 'leak' }).faults).toEqual(['leak']);
  });

  test('with its water named where that was not read', () => {
    expect(lampAcceptance({ ...lit, waterFits: null }, passed)).toMatchObject({
      grade: 'good',
      unchecked: ['lamp-water'],
    });
  });
});
