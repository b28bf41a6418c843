import { describe, expect, test } from '@jest/globals';
import {
  isUltravioletLine,
  type Part,
  partsOf,
  recommend,
  type Recommendation,
  type SystemDesign,
  type WorkStep,
} from '@katharos/core';
import Papa from 'papaparse';
import { starterCatalogue } from '../catalogue/starterCatalogue.ts';
import { sayIn } from '../words/amounts.ts';
import { partsCsv } from '../words/partsCsv.ts';
import { briefOf, optionsOf } from '../job/brief.ts';
import { type JobDocument, newJobDocument } from '../job/job.ts';
import { placeName, tubeEndNames } from '../words/parts.ts';
import {
  bodyName,
  drainRemarkWords,
  feedRemarkWords,
  tapHoleSentence,
  tapRemarkWords,
} from '../words/plumbing.ts';
import { cautionWords, stepParts, toolNames, workWords } from '../words/work.ts';
import { plumbingOf, routesOf } from './plumbing.ts';
import { plumbingSite } from './siteOf.ts';

const reading = (value: number, unit: string) => ({ value, unit, takenAt: null, by: null });

function surveyed(change: (document: JobDocument) => void = () => undefined): JobDocument {
  const document = newJobDocument('Odo Marsh');
  document.survey.readings = {
    feedTds: reading(420, 'ppm'),
    pressure: reading(2.3, 'bar'),
    highestPressure: reading(7, 'bar'),
    temperature: reading(13, 'C'),
    demand: reading(12, 'L/day'),
  };
  document.survey.details = {
    cabinetWidth: reading(80, 'cm'),
    cabinetHeight: reading(70, 'cm'),
    cabinetDepth: reading(20, 'in'),
    drainPipe: reading(1.5, 'in'),
    fridgeLine: reading(4, 'm'),
  };
  change(document);
  return document;
}

/** What is recommended for a survey: searched once, since many jobs here differ only in how they are plumbed. */
const recommended = new Map<string, Recommendation['best']['design']>();

function plumbed(document: JobDocument) {
  const brief = briefOf(document.survey, starterCatalogue, {
    overruled: optionsOf(document.size.overruled),
  });
  if (!brief.ok) throw new Error(brief.failure.code);
  const key = JSON.stringify([document.survey, document.size.overruled]);
  const design = recommended.get(key) ?? recommend(brief.value.task)!.best.design;
  recommended.set(key, design);
  return { design, brief: brief.value, plumbing: plumbingOf(document, design, brief.value) };
}

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
    for (const code of [
      'fit-regulator',
      'fit-leak-stop',
      'mount-pump',
      'fit-branch',
      'power',
    ] as const)
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
      job.plumb.placements = { unit: { x: 0.1, y: 0.2, z: 0, lies: false } };
    });
    const { plumbing } = plumbed(document);
    const codes = plumbing.steps.map(({ code }) => code);
    expect(codes).not.toContain('fit-leak-stop');
    expect(codes).not.toContain('fit-regulator');
    expect(plumbing.placed.find(({ id }) => id === 'unit')).toMatchObject({ x: 0.1, y: 0.2 });
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

/** Every kind of system, made by what is measured, answered and composed. */
const kinds: [name: string, change: (document: JobDocument) => void, compose?: Composed][] = [
  ['a tank unit', () => undefined],
  [
    'a stone counter that may not be drilled without asking',
    ({ survey }) => {
      survey.site = { counter: 'quartz', drilling: 'ask', supplyKind: 'plastic', airGap: 'no' };
      survey.safe = 'no';
    },
  ],
  ['a house where nothing may be drilled', ({ survey }) => (survey.site = { drilling: 'no' })],
  ['an air gap', ({ survey }) => (survey.site = { airGap: 'yes', supplyKind: 'hose' })],
  [
    'four branches',
    ({ survey }) => {
      for (const key of ['iceLine', 'secondTapLine', 'machineLine'] as const)
        survey.details[key] = reading(3, 'm');
    },
  ],
  ['no room for a tank', ({ survey }) => (survey.tankRoom = 'no')],
  [
    'a unit in the cellar',
    ({ plumb }) => (plumb.remote = { through: 'floor', lengthM: 6, riseM: 3 }),
  ],
  [
    'a tank next door',
    ({ plumb }) => (plumb.nextCupboard = { width: 0.4, height: 0.6, depth: 0.5 }),
  ],
  [
    'a bank behind a pump',
    () => undefined,
    (design) => ({ ...design, elements: 2, arrangement: 'parallel' }),
  ],
  ['a compact unit', () => undefined, (design) => ({ ...design, tank: partOf('tank', 'acorn-3') })],
  [
    'a tap with a display',
    () => undefined,
    (design) => ({ ...design, tap: partOf('tap', 'egret-display') }),
  ],
  ['a dispenser', () => undefined, (design) => ({ ...design, tap: partOf('tap', 'plover-stand') })],
  [
    'a permeate pump',
    () => undefined,
    (design) => ({
      ...design,
      pump: null,
      shutoff: partOf('shutoff', 'toggle-valve'),
      permeatePump: partOf('permeate-pump', 'otter-lift'),
    }),
  ],
];

type Composed = (design: SystemDesign) => SystemDesign;
const partOf = <K extends Part['kind']>(kind: K, id: string) =>
  partsOf(starterCatalogue, kind).find((part) => part.id === id)!;

function sheetOf([, change, compose]: (typeof kinds)[number]) {
  const document = surveyed(change);
  const { design, brief, plumbing } = plumbed(document);
  if (!compose) return plumbing;
  if (isUltravioletLine(design)) throw new Error('it has a membrane');
  return plumbingOf(document, compose(design), brief);
}

describe.each(kinds)('the sheet of %s', (...kind) => {
  const { steps, tubes, parts } = sheetOf(kind);

  test.each(['metric', 'us'] as const)('is in whole sentences in %s', (units) => {
    const say = sayIn(units);
    for (const step of steps) {
      const { title, instruction, proof } = workWords(step, say);
      expect(title).toMatch(/^[A-Z]/);
      for (const sentence of [instruction, proof]) {
        expect(sentence).toMatch(/^[A-Z0-9].*[.!]$/s);
        expect(`${title} ${sentence}`).not.toMatch(
          /undefined|NaN|\[object|Infinity|(^|[^.\d])0 [a-z]| {2}/,
        );
      }
    }
  });

  test('finds every part in the catalogue that a firm starts with, with its price', () => {
    for (const { name, price, quantity } of parts) {
      expect(price).not.toBeNull();
      expect(quantity).toBeGreaterThan(0);
      expect(name).toMatch(/^[A-Z]/);
    }
    for (const step of steps)
      for (const name of stepParts(step, parts)) expect(name).toMatch(/^([A-Z]|\d+ × [A-Z])/);
  });

  test('names both ends of every tube, and how they are made', () => {
    for (const { from, to, ends } of tubes) {
      for (const place of [from, to]) expect(placeName(place)).toMatch(/^[A-Z][a-z]/);
      for (const end of ends) expect(tubeEndNames[end]).toBeTruthy();
    }
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

describe('words', () => {
  const { steps } = plumbed(surveyed()).plumbing;

  test('of holes are in the reader’s units', () => {
    const hole = steps.find(({ code }) => code === 'drill-drain') as WorkStep;
    expect(workWords(hole, sayIn('metric')).title).toContain('6 mm');
    expect(workWords(hole, sayIn('us')).title).toContain('0.24 in');
  });

  test('exist for tools, cautions and remarks, and say where codes come first', () => {
    for (const table of [cautionWords, feedRemarkWords, drainRemarkWords, tapRemarkWords])
      for (const sentence of Object.values(table)) expect(sentence).toMatch(/^[A-Z].*\.$/);
    for (const name of Object.values(toolNames)) expect(name).not.toMatch(/\.$/);
    expect(cautionWords['saddle-barred']).toMatch(/codes/);
    expect(bodyName('bin-2')).toBe('Bin');
    expect(
      tapHoleSentence({
        mount: 'existing',
        holeMm: 0,
        counter: null,
        tool: 'none',
        pilotMm: null,
        rpm: null,
        minutes: 0,
        remarks: [],
      }),
    ).toBe('There is a hole already.');
  });
});

test('the parts list goes out as CSV and comes back the same, quotes and commas included', () => {
  const lines = [
    {
      id: 'a',
      key: 'a',
      name: 'Tube 1/4", "clear", soft',
      quantity: 2.5,
      unit: 'm' as const,
      price: 2.25,
    },
    { id: 'b', key: 'b', name: 'Saddle', quantity: 1, unit: 'piece' as const, price: null },
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
