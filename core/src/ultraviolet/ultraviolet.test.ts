import { describe, expect, test } from '@jest/globals';
import { samplePart, sampleParts, sampleWater, tankDesign } from '../test/samples.ts';
import { partsOf } from '../catalogue/parts.ts';
import { tubeRuns } from '../plumbing/tubes/tubeRuns.ts';
import { ultravioletFlushPlan } from '../flush/flushPlan.ts';
import { ultravioletWaterline } from '../waterline/waterline.ts';
import { productDose, ultravioletDose, ultravioletLimits } from './ultravioletDose.ts';
import { assessUltraviolet, isUltravioletLine, type UltravioletLine } from './ultravioletLine.ts';

const line: UltravioletLine = {
  kind: 'ultraviolet-line',
  prefilters: partsOf(sampleParts, 'prefilter').slice(0, 2),
  lamp: samplePart('lamp'),
  tap: samplePart('tap'),
  line: tankDesign.line,
};
const clear = { ironMgL: 0, manganeseMgL: 0, hardnessMgL: 5, transmittance: 0.96 };
const assessed = (change: Partial<typeof clear> = {}, system = line, water = sampleWater) => {
  const result = assessUltraviolet(system, water, { ...clear, ...change });
  if (!result.ok) throw new Error(result.failure.code);
  return result.value;
};

describe('the dose', () => {
  const lamp = { ratedFlowLPerH: 200, ratedDoseMjCm2: 40 };

  test('is the rated one at the rating, and in inverse proportion to the flow', () => {
    expect(ultravioletDose(lamp, 200, 0.95)).toBeCloseTo(40, 9);
    expect(ultravioletDose(lamp, 100, 0.95)).toBeCloseTo(80, 9);
    expect(productDose(lamp, 400)).toBeCloseTo(20, 9);
  });

  test('falls with what the water absorbs, and never exceeds that of water that absorbs nothing', () => {
    const doses = [0.6, 0.8, 0.9, 0.95, 0.99, 1].map((t) => ultravioletDose(lamp, 200, t));
    for (const [i, dose] of doses.entries()) if (i > 0) expect(dose).toBeGreaterThan(doses[i - 1]!);
    // Average of 10^(-aL) along 2 cm with a = -log10(0.95): 0.9504.
    expect(doses.at(-1)! / 40).toBeCloseTo(1 / 0.9504, 3);
  });
});

describe('an ultraviolet line', () => {
  test('passes what the supply pushes through filters, tube and tap', () => {
    const usual = assessed();
    expect(usual.flowLPerMin).toBeGreaterThan(1);
    expect(usual.secondsPerGlass).toBeCloseTo(15 / usual.flowLPerMin, 9);
    const weak = assessed({}, line, { ...sampleWater, pressureBar: 2 });
    expect(weak.flowLPerMin).toBeLessThan(usual.flowLPerMin);
    expect(weak.doseMjCm2).toBeGreaterThan(usual.doseMjCm2);
  });

  test('keeps its dose up to the flow it names', () => {
    const { mostLPerMin } = assessed();
    expect(ultravioletDose(line.lamp, mostLPerMin * 60, 0.96)).toBeCloseTo(
      ultravioletLimits.doseMjCm2,
      9,
    );
  });

  test.each([
    ['iron', { ironMgL: 0.06 }],
    ['manganese', { manganeseMgL: 0.05 }],
    ['hardness', { hardnessMgL: 180 }],
    ['transmittance', { transmittance: 0.8 }],
  ])('is not lit in water with too much %s', (fault, change) => {
    expect(assessed().faults).not.toContain(fault);
    expect(assessed(change).faults).toContain(fault);
  });

  test('says what was not read', () => {
    const blind = assessUltraviolet(line, sampleWater, {
      ironMgL: null,
      manganeseMgL: null,
      hardnessMgL: 5,
      transmittance: null,
    });
    expect(blind.ok && blind.value.unread).toEqual(['iron', 'manganese', 'transmittance']);
  });

  test('is told from a system with a membrane', () => {
    expect(isUltravioletLine(line)).toBe(true);
    expect(isUltravioletLine(tankDesign)).toBe(false);
  });

  test('is drawn, plumbed and flushed from street to tap, without drain or tank', () => {
    const drawn = ultravioletWaterline(line, sampleWater, { tap: 'open' });
    if (!drawn.ok) throw new Error(drawn.failure.code);
    expect(drawn.value.nodes.map(({ kind }) => kind)).toEqual([
      'street',
      'feed-valve',
      'sediment',
      'carbon',
      'lamp',
      'tap',
    ]);
    for (const { flowLPerH, tdsMgL } of drawn.value.nodes) {
      expect(flowLPerH).toBeCloseTo(assessed().flowLPerMin * 60, 6);
      expect(tdsMgL).toBe(sampleWater.tdsMgL);
    }
    const pressures = drawn.value.nodes.map(({ pressureBar }) => pressureBar);
    for (const [i, bar] of pressures.entries())
      if (i > 0) expect(bar).toBeLessThanOrEqual(pressures[i - 1]!);
    expect(tubeRuns(line).map(({ id }) => id)).toEqual([
      'feed-valve>prefilter-1',
      'prefilter-2>lamp',
      'lamp>tap',
    ]);
    const steps = ultravioletFlushPlan(line, assessed()).map(({ code }) => code);
    expect(steps.indexOf('line-flush')).toBeLessThan(steps.indexOf('lamp-on'));
  });
});
