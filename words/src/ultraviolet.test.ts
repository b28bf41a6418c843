import { describe, expect, test } from '@jest/globals';
import {
  partsOf,
  productDose,
  type UltravioletLine,
  agedDose,
  ultravioletLimits,
} from '@katharos/core';
import {
  starterCatalogue,
  lampReadings,
  type VerifyKey,
  newJobDocument,
  lampFeedOf,
  isTooLittle,
  ultravioletVerdict,
} from '@katharos/job';
import { reading } from '../../job/src/test/plumbedJobs.ts';
import { readerOf } from './reader.ts';
import { ultravioletSentence } from './ultraviolet.ts';
import fc from 'fast-check';

const [lamp] = partsOf(starterCatalogue, 'lamp');
const [tap] = partsOf(starterCatalogue, 'tap');
const own: UltravioletLine = {
  kind: 'ultraviolet-line',
  prefilters: [],
  lamp: lamp!,
  tap: tap!,
  line: { innerDiameterMm: 4.3, lengthM: 1.5, riseM: 0.8 },
};
const added: UltravioletLine = { ...own, addedTo: 'tank-system' };

const verified = (readings: Partial<Record<VerifyKey, [number, string]>>) => {
  const document = newJobDocument('x');
  for (const [key, [value, unit]] of Object.entries(readings))
    document.verify.readings[key as VerifyKey] = reading(value, unit);
  return document;
};

describe('the feed of a lamp', () => {
  test('is what was read, in the core’s units, and null where nobody did', () => {
    const { survey } = newJobDocument('x');
    expect(lampFeedOf(survey, 90)).toEqual({
      ironMgL: null,
      manganeseMgL: null,
      hardnessMgL: 90,
      transmittance: null,
      existing: null,
    });
    survey.details.existingFlow = reading(1.5, 'L/min');
    expect(lampFeedOf(survey, 90).existing).toBeNull();
    survey.details.existingTds = reading(24, 'ppm');
    survey.details.iron = reading(0.2, 'mg/L');
    const feed = lampFeedOf(survey, 90);
    expect(feed.existing?.flowLPerMin).toBeCloseTo(1.5, 9);
    expect(feed.existing?.tdsMgL).toBe(24);
    expect(feed.ironMgL).toBe(0.2);
  });
});

describe('a lamp’s verdict', () => {
  test('waits for every reading that it needs', () => {
    const readings: [VerifyKey, [number, string]][] = [
      ['productFlow', [90, 'L/h']],
      ['feedTds', [400, 'ppm']],
      ['productTds', [24, 'ppm']],
    ];
    expect(lampReadings(added)).toEqual(readings.map(([key]) => key));
    for (const missing of readings) {
      const taken = Object.fromEntries(readings.filter((one) => one !== missing));
      expect(ultravioletVerdict(verified(taken), added)).toBeUndefined();
    }
    const found = ultravioletVerdict(verified(Object.fromEntries(readings)), added)!;
    expect(isTooLittle(found)).toBe(false);
    expect(ultravioletVerdict(verified({ productFlow: [90, 'L/h'] }), own)).toBeDefined();
    expect(ultravioletVerdict(verified({ productFlow: [0, 'L/h'] }), own)).toBeUndefined();
  });

  test('judges the water as well as the dose, and names what nobody read', () => {
    const document = verified({ productFlow: [90, 'L/h'] });
    const judged = () => {
      const found = ultravioletVerdict(document, own)!;
      return isTooLittle(found) ? false : found.unread.length > 0 ? null : true;
    };
    expect(judged()).toBeNull();
    document.survey.readings.hardness = reading(12, 'mg/L CaCO3');
    document.survey.details.iron = reading(0.01, 'mg/L');
    document.survey.details.manganese = reading(0.01, 'mg/L');
    expect(judged()).toBeNull();
    document.survey.details.transmittance = reading(94, '%');
    expect(judged()).toBe(true);
    document.survey.readings.hardness = reading(120, 'mg/L CaCO3');
    expect(judged()).toBe(false);
    const soften = { option: 'soften', reason: 'x', at: '2026-01-01T00:00:00Z', by: 'x' };
    document.size.overruled.scaling = soften;
    expect(judged()).toBe(true);
  });

  test('takes product for clear where the membrane works, and the least a reactor is made for where nobody read', () => {
    const flow: [number, string] = [120, 'L/h'];
    const alone = ultravioletVerdict(verified({ productFlow: flow }), own)!;
    expect(alone.doseMjCm2).toBeCloseTo(agedDose(lamp!, 120, ultravioletLimits.transmittance), 9);
    expect(alone.rejectionAhead).toBeNull();
    const behind = (product: number) =>
      ultravioletVerdict(
        verified({ productFlow: flow, feedTds: [400, 'ppm'], productTds: [product, 'ppm'] }),
        added,
      )!;
    expect(behind(24).doseMjCm2).toBeCloseTo(productDose(lamp!, 120), 9);
    expect(behind(200).doseMjCm2).toBeCloseTo(alone.doseMjCm2, 9);
    expect(behind(200).faults).toContain('membrane');
  });

  test('is enough exactly while the dose is held and the membrane holds back four fifths', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 590, noNaN: true }),
        fc.double({ min: 0.5, max: 0.99, noNaN: true }),
        (flow, rejection) => {
          const found = ultravioletVerdict(
            verified({
              productFlow: [flow, 'L/h'],
              feedTds: [500, 'ppm'],
              productTds: [500 * (1 - rejection), 'ppm'],
            }),
            added,
          )!;
          expect(found.rejectionAhead).toBeCloseTo(rejection, 9);
          const holds = found.doseMjCm2 >= ultravioletLimits.doseMjCm2;
          expect(found.faults.includes('dose')).toBe(!holds);
          expect(found.faults.includes('membrane')).toBe(found.rejectionAhead! < 0.8);
        },
      ),
    );
  });

  test('is said in whole sentences, the membrane’s share among them', () => {
    const found = { flowLPerH: 90, doseMjCm2: 85.4, rejectionAhead: 0.93, faults: [], unread: [] };
    expect(ultravioletSentence(found, readerOf({ units: 'metric' }))).toBe(
      'At 1.5 L/min the lamp still gives 85 mJ/cm² at the end of its life; 40 mJ/cm² are wanted. That is enough while its sleeve is clean. The membrane ahead holds back 93 % of the dissolved solids.',
    );
    const worn = ultravioletSentence(
      { ...found, doseMjCm2: 30, rejectionAhead: 0.7 },
      readerOf({ units: 'us' }),
    );
    expect(worn).toMatch(/Hold the flow back/);
    expect(worn).toMatch(/too little, mend it before the lamp is relied on\.$/);
    expect(worn).toMatch(/gal|gpd|gph|gpm/);
  });
});
