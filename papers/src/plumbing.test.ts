import { describe, expect, test } from '@jest/globals';
import { isUltravioletLine } from '@katharos/core';
import { type JobDocument, newJobDocument, routesOf, plumbingSite } from '@katharos/job';
import { plumbed, reading, surveyed } from '../../job/src/test/plumbedJobs.ts';
import { partsCsv } from './partsCsv.ts';
import Papa from 'papaparse';

describe('a site', () => {
  test('is what was answered, and nothing where nobody looked', () => {
    expect(plumbingSite(newJobDocument('x'))).toMatchObject({
      supply: null,
      disposal: null,
      drainPipeM: null,
      outlet: null,
    });
    const seen = surveyed(({ survey }) => {
      survey.site = { supplyKind: 'hose', disposal: 'no', counter: 'granite', drilling: 'ask' };
      survey.outlet = 'switched';
    });
    expect(plumbingSite(seen)).toMatchObject({
      supply: 'hose',
      disposal: false,
      counter: 'granite',
      drilling: 'ask',
      outlet: 'switched',
    });
    expect(plumbingSite(seen).drainPipeM).toBeCloseTo(0.0381, 6);
  });
});

describe('plumbing', () => {
  test('takes the survey, the choices and the settings together', () => {
    const { plumbing, design } = plumbed(
      surveyed((document) => {
        document.survey.site.disposal = 'yes';
        document.survey.outlet = 'switched';
        document.plumb.drain = { place: 'after-bend', reason: 'No straight part.' };
        document.plumb.colours = { feed: 'red', drain: 'black' };
        document.plumb.routes = { 'restrictor>drain': { value: 60, unit: 'cm' } };
      }),
    );
    if (isUltravioletLine(design)) throw new Error('it has a membrane');
    expect(design.pump).not.toBeNull();
    expect(plumbing.drain).toMatchObject({ deviation: true });
    expect(plumbing.obstacles.map(({ id }) => id)).toEqual(['trap', 'disposal']);
    expect(plumbing.cabinet!.depth).toBeCloseTo(0.508, 6);
    const codes = plumbing.steps.map(({ code }) => code);
    for (const code of ['fit-regulator', 'fit-leak-stop', 'fit-branch', 'power'] as const)
      expect(codes).toContain(code);
    expect(plumbing.steps.find(({ code }) => code === 'power')?.cautions).toContain(
      'switched-outlet',
    );
    const drain = plumbing.tubes.find(({ id }) => id === 'restrictor>drain')!;
    expect(drain).toMatchObject({ takenM: 0.6, known: 'measured', colour: 'black' });
    expect(plumbing.tubes.some(({ known }) => known === 'by-position')).toBe(true);
  });

  test('follows a code that asks for an air gap to the tap and its wider hole', () => {
    const { plumbing } = plumbed(
      surveyed(({ survey }) => {
        survey.site.airGap = 'yes';
        survey.site.counter = 'steel';
      }),
    );
    expect(plumbing.drain.way).toBe('air-gap-tap');
    expect(plumbing.tap.holeMm).toBe(28);
    expect(plumbing.steps.map(({ code }) => code)).toContain('mount-air-gap-tap');
  });

  test('leaves out what was decided against, and moves what a person moved', () => {
    const document = surveyed((job) => {
      const at = { at: '2026-03-01T09:00:00.000Z', by: 'Odo' };
      job.size.overruled = {
        'leak-stop': { option: 'none', reason: 'Floor drain.', ...at },
        regulator: { option: 'none', reason: 'One in the cellar.', ...at },
      };
      job.plumb.placements = {
        unit: { x: 0.1, y: 0.2, z: 0, lies: false },
        tank: { x: 0, y: 0, z: 0.05, lies: true, turned: true },
      };
    });
    const { plumbing } = plumbed(document);
    const codes = plumbing.steps.map(({ code }) => code);
    expect(codes).not.toContain('fit-leak-stop');
    expect(codes).not.toContain('fit-regulator');
    expect(plumbing.placed.find(({ id }) => id === 'unit')).toMatchObject({ x: 0.1, y: 0.2 });
    const [tank, body] = [plumbing.placed, plumbing.bodies].map((all) =>
      all.find(({ id }) => id === 'tank'),
    );
    expect(tank).toMatchObject({ z: 0.05, depth: body!.height, height: body!.depth });
    expect(plumbing.bodies.map(({ id }) => id)).not.toContain('leak-stop');
  });

  test('says whether the spout reaches only when both lengths are known', () => {
    expect(plumbed(surveyed()).plumbing.spout).toBeNull();
    const { plumbing } = plumbed(
      surveyed(({ survey }) => (survey.details.spoutToBowl = reading(20, 'cm'))),
    );
    expect(plumbing.spout!.neededM).toBeCloseTo(0.2, 9);
    expect(plumbing.spout!.reachM).toBeLessThan(0.2);
  });

  test('keeps the order that a person wants where physics allows it', () => {
    const usual = plumbed(surveyed()).plumbing.steps.map(({ id }) => id);
    const wanted = ['prove-spout', 'clear-up', ...usual];
    const { plumbing } = plumbed(surveyed((job) => (job.plumb.order = wanted)));
    const ids = plumbing.steps.map(({ id }) => id);
    expect(ids[0]).toBe('prove-spout');
    expect(ids.at(-1)).toBe('clear-up');
  });
});

describe('where things stand', () => {
  const of = (change: (document: JobDocument) => void) => plumbed(surveyed(change)).plumbing;

  test('a tank in the next cupboard leaves the cabinet, passes the panel, and is reached by a longer tube', () => {
    const here = of(() => undefined);
    const beside = of(
      ({ plumb }) => (plumb.nextCupboard = { width: 0.5, height: 0.7, depth: 0.5 }),
    );
    expect(here.bodies.map(({ id }) => id)).toContain('tank');
    expect(beside.bodies.map(({ id }) => id)).not.toContain('tank');
    expect(beside.next?.tank).toBeTruthy();
    expect(beside.steps.map(({ code }) => code)).toContain('drill-panel');
    const tubeOf = ({ tubes }: typeof here) => tubes.find(({ id }) => id === 'tank-tee>tank')!;
    expect(tubeOf(beside).takenM).toBeGreaterThan(tubeOf(here).takenM);
    const flat = of(({ plumb }) => (plumb.nextCupboard = { width: 0.5, height: 0.1, depth: 0.5 }));
    expect(flat.next?.tank).toBeNull();
  });

  test('a unit in the cellar takes nothing from the cabinet, and its three lines are as long as the way', () => {
    const { bodies, placed, tubes, steps } = of(
      ({ plumb }) => (plumb.remote = { through: 'floor', lengthM: 6.5, riseM: 3 }),
    );
    expect([...bodies, ...placed]).toEqual([]);
    expect(tubes.filter(({ takenM }) => takenM === 6.5).map(({ function: role }) => role)).toEqual([
      'feed',
      'drain',
      'product',
    ]);
    expect(steps.find(({ code }) => code === 'drill-through')?.data).toMatchObject({
      passage: 'floor',
      lines: 3,
    });
  });

  test('a narrow door is warned of', () => {
    const { reach } = of(({ survey }) => {
      survey.details.doorWidth = reading(18, 'cm');
      survey.details.doorHeight = reading(60, 'cm');
    });
    expect(reach.map(({ id, fault }) => `${id} ${fault}`)).toContain('tank not-through-the-door');
  });

  test('a size that a person chose is cut and listed in that size', () => {
    const { tubes, parts } = of(({ plumb }) => (plumb.sizes = { 'restrictor>drain': '3/8"' }));
    expect(tubes.find(({ id }) => id === 'restrictor>drain')).toMatchObject({
      size: '3/8"',
      sizeBy: 'person',
    });
    expect(parts.map(({ key }) => key)).toEqual(
      expect.arrayContaining(['tube-three-eighths', 'reducer', 'lock-clip-wide']),
    );
  });
});

test('the parts list goes out as CSV and comes back the same, quotes and commas included', () => {
  const lines = [
    {
      id: 'a',
      key: 'a',
      name: 'Tube 1/4", "clear", soft',
      quantity: 2.5,
      inKit: 0,
      unit: 'm' as const,
      price: 2.25,
    },
    {
      id: 'b',
      key: 'b',
      name: 'Saddle',
      quantity: 1,
      inKit: 0,
      unit: 'piece' as const,
      price: null,
    },
  ];
  const { data } = Papa.parse<string[]>(partsCsv(lines));
  expect(data).toEqual([
    ['id', 'name', 'quantity', 'unit', 'price'],
    ['a', 'Tube 1/4", "clear", soft', '2.5', 'm', '2.25'],
    ['b', 'Saddle', '1', 'piece', ''],
  ]);
});

test('routes are read in metres, whatever they were typed in', () => {
  const document = surveyed(
    (job) => (job.plumb.routes = { a: { value: 3, unit: 'ft' }, b: { value: 80, unit: 'cm' } }),
  );
  expect(routesOf(document).a).toBeCloseTo(0.9144, 9);
  expect(routesOf(document).b).toBeCloseTo(0.8, 9);
});
