import { describe, expect, test } from '@jest/globals';
import { type DecisionTopic, drawsOfDay, seededRandom, usualHousehold } from '@katharos/core';
import { starterCatalogue } from '../catalogue/starterCatalogue.ts';
import { briefOf, optionsOf, surveyReadings } from './brief.ts';
import type { Survey } from '../document/job.ts';
import { newJobDocument } from '../document/newJob.ts';

const reading = (value: number, unit: string) => ({ value, unit, takenAt: null, by: null });
const surveyOf = (change: Partial<Survey> = {}): Survey => ({
  ...newJobDocument('x').survey,
  readings: {
    feedTds: reading(300, 'ppm'),
    pressure: reading(4, 'bar'),
    temperature: reading(14, 'C'),
    demand: reading(10, 'L/day'),
  },
  ...change,
});
const briefed = (survey: Survey, options: Parameters<typeof briefOf>[2] = {}) => {
  const brief = briefOf(survey, starterCatalogue, options);
  if (!brief.ok) throw new Error(brief.failure.code);
  return brief.value;
};

describe('a brief', () => {
  test.each<[Partial<Survey>, object | null]>([
    [{ disinfectant: 'none' }, null],
    [{ source: 'well' }, null],
    [{ source: 'mains' }, { kind: 'chlorine', residualMgL: 0.5, assumed: true }],
    [{ disinfectant: 'chloramine' }, { kind: 'chloramine', residualMgL: 2, assumed: true }],
    [
      { disinfectant: 'chlorine', details: { disinfectant: reading(900, 'ug/L') } },
      { kind: 'chlorine', residualMgL: 0.9, assumed: false },
    ],
  ])('of %j reckons with a disinfectant of %j', (change, expected) => {
    expect(briefed(surveyOf(change)).facts.disinfectant).toEqual(expected);
  });

  test('hands details on in the core’s units, and nothing for what was not read', () => {
    const { facts } = briefed(
      surveyOf({ details: { iron: reading(250, 'ug/L'), transmittance: reading(94, '%') } }),
    );
    expect(facts).toMatchObject({ ironMgL: 0.25, turbidityNtu: null });
    expect(facts.transmittance).toBeCloseTo(0.94, 12);
  });

  test('has a branch where a refrigerator’s line was measured', () => {
    expect(briefed(surveyOf()).task.site.branches).toEqual([]);
    const details = { fridgeLine: reading(12, 'ft'), fridgeRise: reading(-1, 'm') };
    expect(briefed(surveyOf({ details })).task.site.branches).toMatchObject([
      { kind: 'refrigerator', riseM: -1 },
    ]);
    expect(briefed(surveyOf({ details })).task.site.branches[0]!.lengthM).toBeCloseTo(3.6576, 6);
  });

  test('has every branch whose line was measured, in its own way of drawing, and the plate’s pressure where it was read', () => {
    const details = {
      iceLine: reading(3, 'm'),
      secondTapLine: reading(2, 'm'),
      secondTapRise: reading(20, 'cm'),
      machineLine: reading(1, 'm'),
    };
    const usual = briefed(surveyOf({ details })).task.site.branches;
    expect(usual.map(({ kind }) => kind)).toEqual(['ice-maker', 'second-tap', 'machine']);
    const plate = reading(2, 'bar');
    const read = briefed(surveyOf({ details: { ...details, branchPressure: plate } })).task.site
      .branches;
    // A tap opens by hand: no plate says what it wants.
    expect(read.map(({ neededBar }) => neededBar)).toEqual([2, usual[1]!.neededBar, 2]);
    expect(usual[1]).toMatchObject({ lengthM: 2, riseM: 0.2 });
  });

  test('asks for a tap with an air gap where the code does', () => {
    expect(briefed(surveyOf()).task.site.airGap).toBe(false);
    expect(briefed(surveyOf({ site: { airGap: 'yes' } })).task.site.airGap).toBe(true);
  });

  test('judges in the water behind what was decided', () => {
    const high = surveyOf({
      readings: {
        ...surveyOf().readings,
        highestPressure: reading(7, 'bar'),
        pressure: reading(5, 'bar'),
      },
    });
    expect(briefed(high)).toMatchObject({ settings: { regulatorBar: 4.1 } });
    expect(briefed(high).task.waters.today.pressureBar).toBe(4.1);
    expect(briefed(high).survey.waters.today.pressureBar).toBe(5);
    const free = briefed(high, { overruled: { regulator: 'none' } });
    expect(free.task.waters.today.pressureBar).toBe(5);
    const hard = surveyOf({ readings: { ...surveyOf().readings, hardness: reading(20, 'dH') } });
    expect(
      briefed(hard, { overruled: { scaling: 'soften' } }).task.waters.today.hardnessMgL,
    ).toBeLessThan(17);
  });

  test('holds a firm’s own standards over the usual, and no others', () => {
    const { requirements } = briefed(surveyOf(), { standards: { productionMargin: 2.5 } });
    expect(requirements.productionMargin).toBe(2.5);
    expect(requirements.mostRecovery).toBe(briefed(surveyOf()).requirements.mostRecovery);
  });

  test('takes the largest draw of a day drawn up, and its litres', () => {
    const day = drawsOfDay(usualHousehold, { weekend: false, guests: false }, seededRandom(3));
    const household = { ...usualHousehold, guestChance: 0, day };
    const { demand, largestDraw } = surveyReadings({
      ...surveyOf({ household }),
      readings: {},
    });
    expect(demand).toBeCloseTo(
      day.reduce((sum, { litres }) => sum + litres, 0),
      9,
    );
    expect(largestDraw).toBe(Math.max(...day.map(({ litres }) => litres)));
    const bare = { ...household, day: [] };
    expect(surveyReadings({ ...surveyOf({ household: bare }), readings: {} }).demand).toBe(1);
  });
});

test('overruled options are read without their reasons', () => {
  const at = { at: '2026-03-01T09:00:00.000Z', by: 'Odo', reason: 'Because.' };
  const overruled = { regulator: { option: 'wide', ...at } } satisfies Partial<
    Record<DecisionTopic, object>
  >;
  expect(optionsOf(overruled)).toEqual({ regulator: 'wide' });
  expect(optionsOf({})).toEqual({});
});
