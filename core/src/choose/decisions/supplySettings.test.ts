import { describe, expect, test } from '@jest/globals';
import { choosePrefilters } from '../candidates.ts';
import { sampleParts, sampleWater, tankDesign } from '../../test/samples.ts';
import { requirements, watersOf } from '../../test/sizingSamples.ts';
import { decisionTopics } from './decision.ts';
import { decisionOptions, overruleDesign } from './decisionOptions.ts';
import { optionConsequences } from './optionConsequences.ts';
import { regulatorSettings, supplySettings, treatedWaters } from './supplySettings.ts';

const waters = watersOf({ ...sampleWater, pressureBar: 5.2 });
const plain = supplySettings(5.2);

describe('the settings of a supply', () => {
  test('follow the proposal, and a person’s choice before it', () => {
    expect(plain).toEqual({
      regulatorBar: null,
      softener: false,
      inhibitor: false,
      leakStop: true,
    });
    expect(supplySettings(7).regulatorBar).toBe(regulatorSettings.strict);
    expect(supplySettings(7, { regulator: 'none' }).regulatorBar).toBeNull();
    expect(supplySettings(5, { regulator: 'wide' }).regulatorBar).toBe(regulatorSettings.wide);
    expect(supplySettings(5, { scaling: 'soften', 'leak-stop': 'none' })).toMatchObject({
      softener: true,
      leakStop: false,
    });
  });

  test('without treatment leave the waters as they are', () => {
    expect(treatedWaters(waters, plain)).toEqual(waters);
  });

  test('a regulator holds down what is above it and lifts nothing', () => {
    const { today, worst } = treatedWaters(waters, { ...plain, regulatorBar: 4.5 });
    expect(today.pressureBar).toBe(4.5);
    expect(worst.pressureBar).toBe(waters.worst.pressureBar);
  });

  test('a softener exchanges in equal charge: solids rise by what sodium weighs more', () => {
    const { today } = treatedWaters(waters, { ...plain, softener: true });
    expect(today.hardnessMgL).toBeLessThan(17);
    // One millimole of hardness is 40.08 mg of calcium against 45.98 mg of sodium.
    const millimoles = (sampleWater.hardnessMgL - today.hardnessMgL) / 100.09;
    expect(today.tdsMgL - sampleWater.tdsMgL).toBeCloseTo(5.9 * millimoles, 6);
    expect(today.alkalinityMgL).toBe(sampleWater.alkalinityMgL);
  });
});

describe('options', () => {
  test('of every topic that has any hold exactly one that is in use', () => {
    const prefilters = choosePrefilters(sampleParts, false);
    for (const topic of decisionTopics) {
      const options = decisionOptions(topic, { ...tankDesign, prefilters }, plain, sampleParts);
      if (options.length === 0) continue;
      expect(options.filter(({ inUse }) => inUse)).toHaveLength(1);
      expect(new Set(options.map(({ key }) => key)).size).toBe(options.length);
    }
  });

  test('that were chosen are put into a proposal, and one that fits no more is passed over', () => {
    const changed = overruleDesign(
      tankDesign,
      { booster: 'p-1', 'post-filter': 'none', minerals: 'gone' },
      plain,
      sampleParts,
    );
    expect(changed.pump?.id).toBe('p-1');
    expect(changed.shutoff).toBeNull();
    expect(changed.postFilter).toBeNull();
    expect(changed.mineral).toBeNull();
    expect(overruleDesign(tankDesign, {}, plain, sampleParts)).toEqual(tankDesign);
  });

  test('are judged in the water they make', () => {
    const options = decisionOptions('scaling', tankDesign, plain, sampleParts);
    const judged = optionConsequences(options, waters, requirements);
    const [accepted, softened] = ['accept', 'soften'].map(
      (key) => judged[options.findIndex((option) => option.key === key)]!.today!,
    );
    expect(softened!.concentrateLsi).toBeLessThan(accepted!.concentrateLsi - 0.5);
    const pumps = decisionOptions('booster', tankDesign, plain, sampleParts);
    const both = optionConsequences(pumps, waters, requirements);
    const production = (key: string) =>
      both[pumps.findIndex((option) => option.key === key)]!.worst!.productionLPerDay;
    expect(production('p-1')).toBeGreaterThan(production('none'));
  });
});
