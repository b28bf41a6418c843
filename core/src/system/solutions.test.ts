import { describe, expect, test } from '@jest/globals';
import { sampleDraws } from '../household/sampledDays.ts';
import { yearOfWater } from '../household/yearOfWater.ts';
import { sampleParts, sampleWater } from '../test/samples.ts';
import { requirements, site, watersOf } from '../test/sizingSamples.ts';
import { candidates } from '../choose/candidates.ts';
import { judge, trialOf } from '../choose/judge.ts';
import { ownershipCost } from '../choose/ownershipCost.ts';
import { Solutions } from './solutions.ts';
import { agedMembrane } from './design.ts';

const waters = watersOf(sampleWater);
const designs = candidates(sampleParts, site);

describe('shared solutions', () => {
  test('give every candidate the judgement that it gets alone', () => {
    const solutions = new Solutions();
    const trial = trialOf(requirements);
    for (const design of designs) {
      const shared = judge(design, waters, requirements, { solutions, trial });
      const alone = judge(design, waters, requirements);
      expect(shared.shortfalls).toEqual(alone.shortfalls);
      expect(shared.waitingDays).toBe(alone.waitingDays);
      expect(shared.today?.productionLPerDay).toBeCloseTo(alone.today?.productionLPerDay ?? 0, 9);
      expect(shared.worst?.fill).toEqual(alone.worst?.fill);
      expect(shared.fiveYearCost).toBeCloseTo(alone.fiveYearCost, 6);
    }
  });

  test('do not mix up waters, ages or tanks', () => {
    const solutions = new Solutions();
    const [design] = designs;
    const made = [waters.today, waters.worst].map((water) => {
      const curve = solutions.curveOf(design!, water, agedMembrane);
      if (!curve.ok) throw new Error(curve.failure.code);
      return curve.value;
    });
    expect(made[0]).not.toBe(made[1]);
    expect(solutions.curveOf(design!, waters.today, agedMembrane)).toEqual({
      ok: true,
      value: made[0],
    });
    const harder = { ...design!, tank: { ...design!.tank!, prechargeBar: 0.9 } };
    const curve = solutions.curveOf(harder, waters.today, agedMembrane);
    expect(curve.ok && curve.value.prechargeBar).toBe(0.9);
  });
});

describe('what owning costs', () => {
  const [design] = designs;
  const judged = judge(design!, waters, requirements);
  const cost = ownershipCost(design!, requirements, judged.today!, null);

  test('is water, power and cartridges, and water splits as the recovery says', () => {
    expect(cost.fiveYears).toBeCloseTo(cost.water + cost.power + cost.cartridges, 9);
    const { productM3PerYear, drainM3PerYear } = cost;
    expect(productM3PerYear).toBeCloseTo(0.365 * requirements.demandLPerDay, 9);
    const year = yearOfWater(
      requirements.demandLPerDay,
      sampleDraws(requirements.household),
      judged.today!.drainLPerProductL,
    );
    expect(year).toMatchObject({ productM3: productM3PerYear, drainM3: drainM3PerYear });
    const recovery = productM3PerYear / (productM3PerYear + drainM3PerYear);
    expect(recovery).toBeCloseTo(judged.today!.recovery, 9);
    expect(cost.power).toBe(0);
  });

  test('counts four more sets of yearly cartridges and one more membrane in five years', () => {
    const yearly =
      design!.prefilters.reduce((sum, part) => sum + part.price, 0) + design!.postFilter!.price;
    expect(cost.cartridges).toBeCloseTo(4 * yearly + design!.membrane.price, 9);
  });

  test('a pump pays for its running hours, a lamp for all hours', () => {
    const pumped = designs.find((candidate) => candidate.pump && candidate.tank)!;
    const running = judge(pumped, waters, requirements);
    const hours = (365 * 24 * requirements.demandLPerDay) / running.today!.productionLPerDay;
    expect(running.cost!.kwhPerYear).toBeCloseTo(
      ((pumped.pump!.powerW + pumped.solenoid!.powerW) * hours) / 1000,
      9,
    );
    const lamp = sampleParts.find((part) => part.kind === 'lamp')!;
    const lit = ownershipCost({ ...design!, lamp }, requirements, judged.today!, null);
    expect(lit.kwhPerYear).toBeCloseTo((lamp.powerW * 8760) / 1000, 9);
  });
});
