import { describe, expect, test } from '@jest/globals';
import { tankDesign, sampleWater } from '../test/samples.ts';
import { expectedReadings } from '../system/expectedReadings.ts';
import { acceptance, type HandChecks, lampAcceptance } from './acceptance.ts';
import { verdict, type VerificationReadings } from './verdict.ts';

const point = expectedReadings(tankDesign, sampleWater);
if (!point.ok) throw new Error(point.failure.code);
const { permeateTdsMgL, permeateFlowLPerH, concentrateFlowLPerH } = point.value;
const passed: HandChecks = { shutoffTest: 'passed', leakCheck: 'dry' };

/** A system that works, but for what is changed. */
const found = (change: Partial<VerificationReadings> = {}, checks = passed) => {
  const judged = verdict(tankDesign, {
    feedTdsMgL: sampleWater.tdsMgL,
    productTdsMgL: permeateTdsMgL,
    temperatureC: sampleWater.temperatureC,
    pressureBar: sampleWater.pressureBar,
    productFlowLPerH: permeateFlowLPerH,
    drainFlowLPerH: concentrateFlowLPerH,
    ...change,
  });
  if (!judged.ok) throw new Error(judged.failure.code);
  return acceptance(judged.value, checks);
};

describe('a system is accepted', () => {
  test('where everything was checked and is as it should be', () => {
    expect(found()).toEqual({ grade: 'good', faults: [], remarks: [], unchecked: [] });
  });

  test.each<[string, Partial<VerificationReadings>, Partial<HandChecks>, string]>([
    ['a leak', {}, { leakCheck: 'leak' }, 'leak'],
    ['a drain that does not stop', {}, { shutoffTest: 'failed' }, 'runs-on'],
    ['a seventh of its product', { productFlowLPerH: permeateFlowLPerH / 7 }, {}, 'product-flow'],
    ['three times its drain flow', { drainFlowLPerH: 3 * concentrateFlowLPerH }, {}, 'drain-flow'],
    ['a rejection under 80 %', { productTdsMgL: 0.25 * sampleWater.tdsMgL }, {}, 'rejection'],
  ])('never with %s', (_what, change, checks, fault) => {
    const { grade, faults } = found(change, { ...passed, ...checks });
    expect(grade).toBe('not-accepted');
    expect(faults).toContain(fault);
  });

  test('with a remark where a flow or the rejection lies outside its band', () => {
    expect(found({ productFlowLPerH: 0.6 * permeateFlowLPerH })).toMatchObject({
      grade: 'marginal',
      remarks: ['product-flow-off'],
    });
    expect(found({ productTdsMgL: 0.15 * sampleWater.tdsMgL }).grade).toBe('marginal');
  });

  test('for what was checked; what was not is named', () => {
    const judged = found({}, { shutoffTest: 'not-done', leakCheck: 'not-done' });
    expect(judged).toMatchObject({ grade: 'good', unchecked: ['leak', 'shut-off'] });
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
