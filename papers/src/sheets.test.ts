import { describe, expect, test } from '@jest/globals';
import {
  type ExistingSystem,
  type InstalledSystem,
  isUltravioletLine,
  type Part,
  partsOf,
  type SystemDesign,
  type WorkStep,
} from '@katharos/core';
import { starterCatalogue, type JobDocument, plumbingOf } from '@katharos/job';
import { plumbed, reading, surveyed } from '../../job/src/test/plumbedJobs.ts';
import {
  placeName,
  tubeEndNames,
  bodyName,
  drainRemarkWords,
  feedRemarkWords,
  tapHoleSentence,
  tapRemarkWords,
  cautionWords,
  toolNames,
  stepParts,
  readerOf,
  workWords,
} from '@katharos/words';

type Composed = (design: SystemDesign) => InstalledSystem;
const partOf = <K extends Part['kind']>(kind: K, id: string) =>
  partsOf(starterCatalogue, kind).find((part) => part.id === id)!;

/** A lamp on a system that was read at its tap. */
const existing = (site: JobDocument['survey']['site']) => (document: JobDocument) => {
  document.survey.site = site;
  document.survey.details.existingFlow = reading(1.6, 'L/min');
  document.survey.details.existingTds = reading(25, 'ppm');
  // Neither is of any meaning to a system that stays as it is.
  document.plumb.remote = { through: 'floor', lengthM: 6, riseM: 3 };
  document.plumb.drain = { place: 'after-bend', reason: 'It was so.' };
};
const added =
  (addedTo: ExistingSystem): Composed =>
  ({ tap, line }) => ({
    kind: 'ultraviolet-line',
    addedTo,
    prefilters: [],
    lamp: partOf('lamp', 'ember-6'),
    tap,
    line,
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
    'a lamp on a tank unit that is there',
    existing({ existing: 'tank-system' }),
    added('tank-system'),
  ],
  [
    'a lamp on a tankless unit that is there',
    existing({ existing: 'tankless-system', drilling: 'ask' }),
    added('tankless-system'),
  ],
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
    for (const step of steps) {
      const { title, instruction, proof } = workWords(step, readerOf({ units }));
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

test('a drain tube that a person makes wide gets a hole and a saddle that pass it', () => {
  const document = surveyed();
  const narrow = plumbed(document).plumbing;
  const { id } = narrow.tubes.find(({ to }) => to === 'drain')!;
  document.plumb.sizes = { [id]: '3/8"' };
  const wide = plumbed(document).plumbing;
  const told = ({ holes, drain, parts, steps }: typeof wide) => ({
    hole: holes.find(({ what }) => what === 'drain')?.mm,
    drawn: drain.holeMm,
    drilled: steps.flatMap((step) => (step.code === 'drill-drain' ? [step.data.holeMm] : [])),
    saddles: parts.filter(({ key }) => key.startsWith('drain-saddle')).map(({ key }) => key),
  });
  expect(told(narrow)).toEqual({ hole: 7, drawn: 7, drilled: [7], saddles: ['drain-saddle'] });
  expect(told(wide)).toEqual({
    hole: 10,
    drawn: 10,
    drilled: [10],
    saddles: ['drain-saddle-wide'],
  });
});

test('a lamp that is added touches neither supply nor counter nor waste, and stands in the cabinet beside what is there', () => {
  const made = sheetOf(kinds.find(([name]) => name === 'a lamp on a tank unit that is there')!);
  expect(made.holes).toEqual([]);
  expect(made.drain.deviation).toBe(false);
  expect(made.bodies.map(({ id }) => id)).toEqual(['lamp']);
  expect(made.placed.map(({ id }) => id)).toEqual(['lamp']);
  expect(made.clashes).toEqual([]);
  const there = made.obstacles.map(({ id }) => id);
  expect(there).toEqual(expect.arrayContaining(['trap', 'other-unit', 'other-tank']));
  expect(made.steps.map(({ code }) => code)).not.toContain('drill-through');
  // What was measured at its tap runs through its tubes.
  for (const { flowLPerH } of made.tubes) expect(flowLPerH).toBeCloseTo(96, 9);
  expect(made.parts.map(({ key }) => key).sort()).toEqual(
    ['ember-6', 'lock-clip', 'tube-labels', 'tube-quarter', 'union'].sort(),
  );
});

describe('words', () => {
  const { steps } = plumbed(surveyed()).plumbing;

  test('of holes are in the reader’s units', () => {
    const hole = steps.find(({ code }) => code === 'drill-drain') as WorkStep;
    expect(workWords(hole, readerOf({ units: 'metric' })).title).toContain('7 mm');
    expect(workWords(hole, readerOf({ units: 'us' })).title).toContain('5/16 in');
  });

  test('exist for tools, cautions and remarks, and say where codes come first', () => {
    for (const table of [cautionWords, feedRemarkWords, drainRemarkWords, tapRemarkWords])
      for (const sentence of Object.values(table)) expect(sentence).toMatch(/^[A-Z].*\.$/);
    for (const name of Object.values(toolNames)) expect(name).not.toMatch(/\.$/);
    expect(cautionWords['saddle-barred']).toMatch(/codes/);
    expect(bodyName('bin-2')).toBe('Bin');
    expect(
      tapHoleSentence(
        {
          mount: 'existing',
          holeMm: 0,
          counter: null,
          tool: 'none',
          pilotMm: null,
          rpm: null,
          minutes: 0,
          remarks: [],
        },
        readerOf(),
      ),
    ).toBe('There is a hole already.');
  });
});
