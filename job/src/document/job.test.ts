import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import {
  type Dimension,
  type Part,
  partsOf,
  surveyRanges,
  type Unit,
  unitOf,
  units,
} from '@katharos/core';
import { starterCatalogue } from '../catalogue/starterCatalogue.ts';
import { partSchema } from '../catalogue/part.ts';
import { briefOf, surveyReadings, verificationReadings } from '../brief/brief.ts';
import { isWithin, surveyFields, verifyFields } from '../fields/fields.ts';
import { type JobDocument, jobDocumentSchema } from './job.ts';
import { newJobDocument } from './newJob.ts';
import type { Reading } from './reading.ts';
import { jobFileJsonSchema, jobFileSchema } from './jobFile.ts';
import { jobFileOf, upgradeJobFile } from './writtenFile.ts';
import { mergeDocuments, saysTheSame } from './merge.ts';
import { documentPlaces } from './documentPlaces.ts';
import { writtenPlaceOf } from './whole.ts';
import { stageOf } from '../brief/stage.ts';
import { stages } from '../fields/stages.ts';
import fc from 'fast-check';

const reading = (value: number, unit: string): Reading => ({
  value,
  unit,
  takenAt: null,
  by: null,
});
const tick = { at: '2026-03-01T09:00:00.000Z', by: 'Odo' };

function surveyed(): JobDocument {
  const job = newJobDocument('Odo Marsh');
  job.survey.readings = {
    feedTds: reading(320, 'ppm'),
    pressure: reading(52, 'psi'),
    temperature: reading(57, 'F'),
    demand: reading(3, 'gpd'),
  };
  return job;
}

describe('fields', () => {
  test('in every unit of theirs, take the ends of their range and refuse what lies past them', () => {
    for (const field of [...Object.values(surveyFields), ...Object.values(verifyFields)]) {
      const { min, max } = field.range;
      for (const [unit, { fromCore }] of Object.entries(
        units[field.dimension] as Record<string, Unit>,
      )) {
        expect(isWithin(field, { value: fromCore(min), unit })).toBe(true);
        expect(isWithin(field, { value: fromCore(max), unit })).toBe(true);
        expect(isWithin(field, { value: fromCore(max + 0.01 * (max - min)), unit })).toBe(false);
        expect(isWithin(field, { value: fromCore(min - 0.01 * (max - min)), unit })).toBe(false);
      }
    }
  });

  test('of the survey are those of the core', () => {
    expect(Object.keys(surveyFields).sort()).toEqual(Object.keys(surveyRanges).sort());
  });
});

describe('the starter catalogue', () => {
  test('is valid, and no id stands twice', () => {
    for (const part of starterCatalogue) expect(partSchema.parse(part)).toEqual(part);
    expect(new Set(starterCatalogue.map((part) => part.id)).size).toBe(starterCatalogue.length);
  });
});

describe('a document', () => {
  test('keeps a reading as it was entered', () => {
    expect(jobDocumentSchema.parse(surveyed())).toEqual(surveyed());
  });

  test.each<[string, (job: JobDocument) => unknown]>([
    ['customer.name', (job) => (job.customer.name = '  ')],
    ['survey.readings.feedTds.value', (job) => (job.survey.readings.feedTds = reading(0, 'ppm'))],
    ['survey.readings.pressure.unit', (job) => (job.survey.readings.pressure = reading(3, 'm'))],
    ['plumb.routes.a', (job) => (job.plumb.routes.a = { value: 900, unit: 'm' })],
    ['plumb.routes.a', (job) => (job.plumb.routes.a = { value: 1, unit: 'bar' })],
    ['flush.steps.x.startedAt', (job) => (job.flush.steps.x = { startedAt: 'noon', done: null })],
  ])('is refused at %s', (path, spoil) => {
    const job = surveyed();
    spoil(job);
    const parsed = jobDocumentSchema.safeParse(job);
    expect(parsed.error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
  });

  test('gives the core its readings in the core’s units', () => {
    const { feedTds, pressure, temperature, demand } = surveyReadings(surveyed().survey);
    expect(feedTds).toBe(320);
    expect(pressure).toBeCloseTo(3.585, 3);
    expect(temperature).toBeCloseTo(13.889, 3);
    expect(demand).toBeCloseTo(11.356, 3);
  });

  test('asks for what its site needs', () => {
    const job = surveyed();
    job.survey = {
      ...job.survey,
      safe: 'no',
      disinfectant: 'chloramine',
      outlet: 'none',
      tankRoom: 'no',
    };
    const brief = briefOf(job.survey, starterCatalogue);
    if (!brief.ok) throw new Error(brief.failure.code);
    expect(brief.value.task.site).toMatchObject({
      unsafe: true,
      chloramine: true,
      power: false,
      tankRoom: false,
    });
  });

  test('is verified with four readings, and flows are taken where they are there', () => {
    const document = newJobDocument('x');
    const { verify } = document;
    expect(verificationReadings(document)).toBeUndefined();
    verify.readings = {
      feedTds: reading(320, 'ppm'),
      productTds: reading(0, 'ppm'),
      temperature: reading(14, 'C'),
      pressure: reading(3.6, 'bar'),
    };
    expect(verificationReadings(document)).toEqual({
      feedTdsMgL: 320,
      productTdsMgL: 0,
      temperatureC: 14,
      pressureBar: 3.6,
    });
    verify.readings.drainFlow = reading(300, 'mL/min');
    expect(verificationReadings(document)?.drainFlowLPerH).toBeCloseTo(18, 12);
    // A gauge ahead of the regulator reads the street; the membrane gets what the regulator holds.
    verify.readings.pressure = reading(6.4, 'bar');
    expect(verificationReadings(document)?.pressureBar).toBe(6.4);
    document.survey.readings.pressure = reading(6, 'bar');
    document.survey.details.staticPressure = reading(6.8, 'bar');
    expect(verificationReadings(document)?.pressureBar).toBe(4.1);
  });
});

describe('the stage', () => {
  test('goes through all six as the work is done', () => {
    const job = newJobDocument('x');
    const seen = [stageOf(job)];
    job.survey.readings = surveyed().survey.readings;
    seen.push(stageOf(job));
    // Any design will do: the stage only asks whether one was chosen.
    job.system = { design: {} as never, chosenAt: tick.at, chosenBy: 'Odo', agreed: null };
    seen.push(stageOf(job));
    job.plumb.ticks.finished = tick;
    seen.push(stageOf(job));
    job.flush.steps['rest-and-recheck'] = { startedAt: null, done: tick };
    seen.push(stageOf(job));
    job.verify.readings = {
      ...job.survey.readings,
      productTds: reading(12, 'ppm'),
    };
    seen.push(stageOf(job));
    expect(seen.map(({ stage }) => stage)).toEqual(stages);
    expect(seen.every(({ finished }) => !finished)).toBe(true);
    job.keep.issued = tick;
    expect(stageOf(job)).toEqual({ stage: 'keep', finished: true });
  });
});

test('the places of a document are written down as its schema has them: run `npm run schema` after a change', () => {
  expect(documentPlaces).toEqual(writtenPlaceOf(jobDocumentSchema));
});

describe('merging two edits of one job', () => {
  const base = surveyed();
  const edited = (change: (job: JobDocument) => void) => {
    const job = structuredClone(base);
    change(job);
    return job;
  };

  test('takes both where they touch different fields', () => {
    const mine = edited((job) => (job.customer.phone = '0100 555'));
    const theirs = edited((job) => {
      job.survey.readings.hardness = reading(9, 'dH');
      delete job.survey.readings.demand;
    });
    const { document, conflicts } = mergeDocuments(base, mine, theirs);
    expect(conflicts).toEqual([]);
    expect(document.customer.phone).toBe('0100 555');
    expect(document.survey.readings.hardness).toEqual(reading(9, 'dH'));
    expect(document.survey.readings.demand).toBeUndefined();
    expect(jobDocumentSchema.safeParse(document).success).toBe(true);
  });

  test('names what both changed differently, keeps mine, and never mixes one reading of two', () => {
    const mine = edited((job) => (job.survey.readings.pressure = reading(3.1, 'bar')));
    const theirs = edited((job) => (job.survey.readings.pressure = reading(44, 'psi')));
    const { document, conflicts } = mergeDocuments(base, mine, theirs);
    expect(conflicts).toEqual(['survey.readings.pressure']);
    expect(document.survey.readings.pressure).toEqual(reading(3.1, 'bar'));
  });

  test('keeps what one decided about the place and another about a tube', () => {
    const mine = edited((job) => {
      job.plumb.nextCupboard = { width: 0.4, height: 0.6, depth: 0.5 };
      job.plumb.sizes = { 'restrictor>drain': '3/8"' };
    });
    const theirs = edited((job) => {
      job.plumb.done = { feed: { ...tick, mark: '[]' } };
      job.plumb.sizes = { 'tank-tee>tank': '3/8"' };
    });
    const { document, conflicts } = mergeDocuments(base, mine, theirs);
    expect(conflicts).toEqual([]);
    expect(document.plumb).toMatchObject({
      nextCupboard: { width: 0.4 },
      sizes: { 'restrictor>drain': '3/8"', 'tank-tee>tank': '3/8"' },
      done: { feed: { by: 'Odo' } },
    });
    expect(jobDocumentSchema.safeParse(document).success).toBe(true);
  });

  test('is no conflict where both say the same', () => {
    const both = edited((job) => (job.customer.note = 'Bring the long bit.'));
    const { document, conflicts } = mergeDocuments(base, both, structuredClone(both));
    expect(conflicts).toEqual([]);
    expect(document).toEqual(both);
  });

  test('with an unchanged side is the other side, whatever the edits', () => {
    const edits = fc.record({
      note: fc.string(),
      phone: fc.string(),
      hardness: fc.option(fc.double({ min: 1, max: 30, noNaN: true })),
      ticks: fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.constant(tick)),
    });
    fc.assert(
      fc.property(edits, ({ note, phone, hardness, ticks }) => {
        const other = edited((job) => {
          Object.assign(job.customer, { note, phone });
          if (hardness !== null) job.survey.readings.hardness = reading(hardness, 'dH');
          job.plumb.ticks = ticks;
        });
        expect(saysTheSame(mergeDocuments(base, base, other).document, other)).toBe(true);
        expect(saysTheSame(mergeDocuments(base, other, base).document, other)).toBe(true);
      }),
    );
  });

  test('does not care in which order a database gives the keys', () => {
    expect(
      saysTheSame({ a: 1, b: { c: [1, 2], d: null } }, { b: { d: null, c: [1, 2] }, a: 1 }),
    ).toBe(true);
    expect(saysTheSame({ a: [1, 2] }, { a: [2, 1] })).toBe(false);
  });
});

describe('the job file', () => {
  test('is published as it is: run `npm run schema` after a change', () => {
    const published = readFileSync(
      new URL('../../../docs/job-file.schema.json', import.meta.url),
      'utf8',
    );
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(jobFileJsonSchema())));
  });

  test('goes out and in again without loss, and a later version is named', () => {
    const file = jobFileOf(
      { number: 7, document: surveyed() },
      [],
      new Date('2026-03-01T09:00:00Z'),
    );
    const upgraded = upgradeJobFile(JSON.parse(JSON.stringify(file)));
    expect('file' in upgraded && jobFileSchema.parse(upgraded.file)).toEqual(file);
    expect(upgradeJobFile({ ...file, version: 5 })).toEqual({ tooNew: 5 });
    expect(upgradeJobFile('nothing')).toEqual({ file: 'nothing' });
  });
});

test('every unit of a field has a symbol to be shown with, but for pH and counts', () => {
  for (const dimension of Object.keys(units) as Dimension[]) {
    for (const name of Object.keys(units[dimension])) {
      const bare = dimension === 'pH' || dimension === 'count';
      expect(unitOf(dimension, name).symbol === '').toBe(bare);
    }
  }
});

test('a job file of version 1 is brought to this one: parts, design, survey and size get what they lacked', () => {
  const prefilter = {
    id: 'c',
    kind: 'prefilter',
    name: 'Carbon',
    price: 9,
    media: 'carbon-block',
    filter: { dropBar: 0.1, atFlowLPerH: 60 },
  };
  const lamp = { id: 'l', kind: 'lamp', name: 'Lamp', price: 90, ratedFlowLPerH: 200, powerW: 9 };
  const { size: _size, survey, ...document } = surveyed();
  const { details: _details, site: _site, ...older } = survey;
  const membrane = starterCatalogue.find(({ kind }) => kind === 'membrane');
  const design = {
    prefilters: [prefilter],
    pump: null,
    shutoff: null,
    membrane,
    elements: 1,
    arrangement: 'series',
    restrictor: starterCatalogue.find(({ kind }) => kind === 'restrictor'),
    tank: null,
    mineral: null,
    lamp,
    postFilter: null,
    tap: starterCatalogue.find(({ kind }) => kind === 'tap'),
    line: { innerDiameterMm: 4.3, lengthM: 1, riseM: 0 },
  };
  const file = {
    format: 'katharos-job',
    version: 1,
    number: 3,
    exportedAt: tick.at,
    document: {
      ...document,
      survey: older,
      system: { design, chosenAt: tick.at, chosenBy: 'Odo' },
    },
  };
  const upgraded = upgradeJobFile(file);
  const read = jobFileSchema.parse('file' in upgraded && upgraded.file);
  expect(read.version).toBe(4);
  expect(read.document.system).toMatchObject({
    agreed: null,
    design: {
      prefilters: [{ disinfectantG: { chlorine: 40, chloramine: 6 } }],
      lamp: { ratedDoseMjCm2: 40 },
      permeatePump: null,
      solenoid: null,
      branches: [],
    },
  });
  expect(read.document.survey.readings).toEqual(surveyed().survey.readings);
  expect(read.photographs).toEqual([]);
});

/** A plain design of the starter catalogue. */
function designed() {
  const first = <K extends Part['kind']>(kind: K) => partsOf(starterCatalogue, kind)[0]!;
  return {
    prefilters: partsOf(starterCatalogue, 'prefilter').slice(0, 2),
    pump: null,
    shutoff: first('shutoff'),
    permeatePump: null,
    membrane: first('membrane'),
    elements: 1,
    arrangement: 'series' as const,
    restrictor: first('restrictor'),
    tank: first('tank'),
    mineral: null,
    lamp: null,
    postFilter: first('post-filter'),
    tap: first('tap'),
    line: { innerDiameterMm: 4.3, lengthM: 1, riseM: 0 },
    branches: [],
  };
}

test('a file of version 2 keeps its branch as the first of several', () => {
  const branch = {
    innerDiameterMm: 4.3,
    lengthM: 6,
    riseM: 3.1,
    neededBar: 1.4,
    flowLPerMin: 1,
  };
  const of = (held: object | null) => {
    const { branches: _none, ...design } = designed();
    const document = surveyed();
    const system = { design: { ...design, branch: held }, chosenAt: tick.at, chosenBy: 'Odo' };
    const file = {
      format: 'katharos-job',
      version: 2,
      number: 3,
      exportedAt: tick.at,
      photographs: [],
      document: {
        ...document,
        size: { ...document.size, compared: [{ ...design, branch: held }] },
        system: { ...system, agreed: null },
      },
    };
    const upgraded = upgradeJobFile(file);
    return jobFileSchema.parse('file' in upgraded && upgraded.file).document;
  };
  const kept = [{ kind: 'refrigerator', ...branch }];
  expect(of(branch).system?.design).toMatchObject({ branches: kept });
  expect(of(branch).size.compared).toMatchObject([{ branches: kept }]);
  expect(of(null).system?.design).toMatchObject({ branches: [] });
});
