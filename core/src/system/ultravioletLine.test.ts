import { describe, expect, test } from '@jest/globals';
import { samplePart, sampleParts, sampleWater, tankDesign } from '../test/samples.ts';
import { partsOf } from '../catalogue/parts.ts';
import { tubeRuns } from '../plumbing/tubes/tubeRuns.ts';
import { ultravioletFlushPlan } from '../commission/flush/flushPlan.ts';
import { ultravioletWaterline } from './ultravioletWaterline.ts';
import { tapLineLoss } from '../hydraulics/tapLine.ts';
import { addedLamp } from '../test/plumbingSamples.ts';
import { ultravioletLimits } from '../base/practice.ts';
import { agedDose, productDose, ultravioletDose } from '../ultraviolet/ultravioletDose.ts';
import {
  assessUltraviolet,
  isAddedLamp,
  isUltravioletLine,
  type LampFeed,
  lampForProduct,
  type UltravioletLine,
} from './ultravioletLine.ts';

const line: UltravioletLine = {
  kind: 'ultraviolet-line',
  prefilters: partsOf(sampleParts, 'prefilter').slice(0, 2),
  lamp: samplePart('lamp'),
  tap: samplePart('tap'),
  line: tankDesign.line,
};
const clear: LampFeed = {
  ironMgL: 0,
  manganeseMgL: 0,
  hardnessMgL: 5,
  transmittance: 0.96,
  existing: null,
};
const assessed = (change: Partial<LampFeed> = {}, system = line, water = sampleWater) => {
  const result = assessUltraviolet(system, water, { ...clear, ...change });
  if (!result.ok) throw new Error(result.failure.code);
  return result.value;
};

describe('the dose', () => {
  const lamp = { ratedFlowLPerH: 200, ratedDoseMjCm2: 40 };

  test('is the rated one at the rating, and in inverse proportion to the flow', () => {
    expect(ultravioletDose(lamp, 200, 0.95)).toBeCloseTo(40, 9);
    expect(ultravioletDose(lamp, 100, 0.95)).toBeCloseTo(80, 9);
    // Product is judged by a lamp at the end of its life, which gives a fifth less.
    expect(productDose(lamp, 400)).toBeCloseTo(16, 9);
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
    expect(agedDose(line.lamp, mostLPerMin * 60, 0.96)).toBeCloseTo(ultravioletLimits.doseMjCm2, 9);
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
      existing: null,
    });
    expect(blind.ok && blind.value.unread).toEqual(['iron', 'manganese', 'transmittance']);
  });

  test('is told from a system with a membrane', () => {
    expect(isUltravioletLine(line)).toBe(true);
    expect(isUltravioletLine(tankDesign)).toBe(false);
  });

  test('is drawn, plumbed and flushed from street to tap, without drain or tank', () => {
    const drawn = ultravioletWaterline(line, sampleWater, clear, { tap: 'open' });
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

describe('a lamp added to a system that is there', () => {
  const hard = { ...clear, ironMgL: 0.2, hardnessMgL: 150, transmittance: 0.7 };
  const reads = (flowLPerMin: number, tdsMgL: number): LampFeed => ({
    ...hard,
    existing: { flowLPerMin, tdsMgL },
  });
  const judged = (flowLPerMin: number, rejection: number, system: UltravioletLine = addedLamp) =>
    assessed(reads(flowLPerMin, sampleWater.tdsMgL * (1 - rejection)), system);

  test('is lit in product: what the house’s water is too hard and too red for passes a membrane that works', () => {
    expect(assessed(hard).faults).toEqual(
      expect.arrayContaining(['iron', 'hardness', 'transmittance']),
    );
    const good = judged(1.5, 0.94);
    expect(good.rejectionAhead).toBeCloseTo(0.94, 9);
    expect(good.faults).toEqual([]);
    expect(good.unread).toEqual([]);
    expect(good.doseMjCm2).toBeCloseTo(productDose(addedLamp.lamp, 90), 9);
  });

  test('is not lit behind a membrane that lets too much through', () => {
    expect(judged(1.5, 0.8).faults).not.toContain('membrane');
    const worn = judged(1.5, 0.75).faults;
    expect(worn).toEqual(expect.arrayContaining(['membrane', 'hardness', 'transmittance']));
  });

  test('takes the flow that was measured, whatever the supply’s pressure, and says how much of it keeps the dose', () => {
    const slow = judged(1.2, 0.94);
    expect(slow.flowLPerMin).toBe(1.2);
    expect(judged(2.4, 0.94).doseMjCm2).toBeCloseTo(slow.doseMjCm2 / 2, 9);
    expect(judged(slow.mostLPerMin * 1.01, 0.94).faults).toEqual(['dose']);
    expect(judged(slow.mostLPerMin * 0.99, 0.94).faults).toEqual([]);
    const weak = assessed(reads(1.2, 20), addedLamp, { ...sampleWater, pressureBar: 1 });
    expect(weak.flowLPerMin).toBe(1.2);
  });

  test('needs the readings of what is there', () => {
    const blind = assessUltraviolet(addedLamp, sampleWater, clear);
    expect(blind).toMatchObject({ ok: false, failure: { code: 'existing-not-read' } });
  });

  test('is the cheapest lamp that is strong enough, else the strongest', () => {
    const small = { ...addedLamp.lamp, id: 'small', price: 50, ratedFlowLPerH: 100 };
    const large = { ...addedLamp.lamp, id: 'large', price: 90, ratedFlowLPerH: 300 };
    const dear = { ...large, id: 'dear', price: 120 };
    const lamps = [dear, small, large];
    expect(lampForProduct(lamps, 1.3)?.id).toBe('small');
    // New it would be enough; at the end of its life it is not.
    expect(lampForProduct(lamps, 1.5)?.id).toBe('large');
    expect(productDose(lampForProduct(lamps, 20)!, 240)).toBeCloseTo(40, 9);
    expect(lampForProduct([], 1)).toBeUndefined();
    // Neither the order of a catalogue nor the price decides where none is enough, but the light.
    expect(lampForProduct([...lamps].reverse(), 20)).toEqual(lampForProduct(lamps, 20));
  });

  test('is drawn from what is there to its tap, at the pressure that its flow needs', () => {
    const drawn = (tap: 'open' | 'closed') => {
      const line = ultravioletWaterline(addedLamp, sampleWater, reads(1.5, 30), { tap });
      if (!line.ok) throw new Error(line.failure.code);
      return line.value.nodes;
    };
    const open = drawn('open');
    expect(open.map(({ kind }) => kind)).toEqual(['existing', 'lamp', 'tap']);
    for (const node of open) expect(node).toMatchObject({ flowLPerH: 90, tdsMgL: 30 });
    const { innerDiameterMm, lengthM, riseM } = addedLamp.line;
    const loss = tapLineLoss(
      { tubes: [{ innerDiameterMm, lengthM }], tapKv: addedLamp.tap.kv, riseM },
      90,
      sampleWater.temperatureC,
    );
    expect(open[0]!.pressureBar).toBeCloseTo(loss.totalBar, 9);
    // What is left at the tap is what the open tap itself takes.
    expect(open[2]!.pressureBar).toBeCloseTo(loss.tapBar, 9);
    expect(drawn('closed')[2]!.pressureBar).toBeCloseTo(loss.totalBar - loss.riseBar, 9);
  });

  test('is filled before it is lit, and its flow compared with the one from before', () => {
    expect(isAddedLamp(line)).toBe(false);
    const steps = ultravioletFlushPlan(addedLamp, judged(1.5, 0.94));
    const codes = steps.map(({ code }) => code);
    expect(codes).toEqual([
      'reopen-existing',
      'leak-check',
      'lamp-fill',
      'mesh-check',
      'lamp-on',
      'leak-check',
      'rest-and-recheck',
    ]);
    expect(steps.find((step) => step.code === 'mesh-check')?.data.flowLPerH).toBe(90);
  });
});
