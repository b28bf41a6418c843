import { describe, expect, test } from '@jest/globals';
import {
  examinationOf,
  briefOf,
  jobDocumentSchema,
  stageOf,
  starterCatalogue,
  verificationReadings,
} from '@katharos/job';
import { decisionSentence, readerOf } from '@katharos/words';
import {
  decide,
  diagnose,
  judgementOf,
  recommend,
  type SystemDesign,
  verdict,
} from '@katharos/core';
import { composeDemoJobs } from './composeDemoJobs.ts';
import { composedFor, demoJobs } from './demoJobs.ts';

const jobs = demoJobs(composedFor).map(({ document }) => document);
const jobOf = (name: string) => {
  const found = jobs.find((document) => document.customer.name === name);
  if (!found) throw new Error(`no job of ${name}`);
  return found;
};

/** What the application would say about a sample job, by topic. */
function decisionsOf(name: string) {
  const brief = briefOf(jobOf(name).survey, starterCatalogue);
  if (!brief.ok) throw new Error(brief.failure.code);
  const { task, requirements, facts } = brief.value;
  const recommendation = recommend(task);
  if (!recommendation) throw new Error('no system');
  const { waters } = task;
  const list = decide(recommendation.best, { waters, requirements, facts, recommendation });
  return {
    design: recommendation.best.design,
    shortfalls: recommendation.best.shortfalls,
    codes: Object.fromEntries(list.map((decision) => [decision.topic, decision.code])),
    sentences: list.map((decision) => decisionSentence(decision, readerOf({ units: 'metric' }))),
  };
}

/** Numbers to ten figures: engines may differ in the last of a power's or a logarithm's. */
const rounded = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value), (_key, one: unknown) =>
    typeof one === 'number' ? Number(one.toPrecision(10)) : one,
  );

describe('the sample jobs', () => {
  test('are what the core composes today; otherwise npm run samples', () => {
    expect(rounded(demoJobs(composedFor))).toEqual(rounded(composeDemoJobs(composedFor)));
  });

  test('move with the day they are asked for', () => {
    const later = demoJobs(new Date(composedFor.getTime() + 3 * 86400e3));
    const at = ({ updatedAt }: { updatedAt: Date }) => updatedAt.getTime();
    expect(later.map(at)).toEqual(demoJobs(composedFor).map((job) => at(job) + 3 * 86400e3));
    for (const { document, updatedAt } of later)
      expect(document.survey.readings.feedTds?.takenAt ?? updatedAt.toISOString()).toBe(
        updatedAt.toISOString(),
      );
  });

  test('are valid documents, one in every stage', () => {
    for (const document of jobs) expect(jobDocumentSchema.parse(document)).toEqual(document);
    const stages = new Set(jobs.map((document) => stageOf(document).stage));
    expect([...stages].sort()).toEqual(['flush', 'keep', 'plumb', 'size', 'survey']);
  });

  test('every decision about them has a sentence with its numbers in it', () => {
    for (const document of jobs) {
      for (const sentence of decisionsOf(document.customer.name).sentences) {
        expect(sentence).not.toMatch(/NaN|undefined|–|Infinity/);
      }
    }
  });

  test('soft water at low pressure: a pump', () => {
    const { design, codes, shortfalls } = decisionsOf('Tamsin Orrell');
    expect(shortfalls).toEqual([]);
    expect(design.pump).not.toBeNull();
    expect(codes.booster).toBe('booster-low-supply');
  });

  test('brackish and hard: scale is the decision, and the osmotic pressure shows', () => {
    const { codes } = decisionsOf('Ilario Quenby');
    expect(codes.scaling).toBe('scaling-soften-or-accept');
  });

  test('an unsafe well with iron: a lamp that holds its dose, and treatment of the whole supply first', () => {
    const { design, codes } = decisionsOf('Hob Farrendale');
    expect(codes.pretreatment).toBe('pretreatment-needed');
    expect(design.lamp).not.toBeNull();
    expect(codes.disinfection).toBe('lamp-needed');
  });

  test('chloramine and a high night pressure: catalytic carbon and a regulator', () => {
    const { design, codes } = decisionsOf('Odalys Brightwen');
    expect(design.prefilters.map((part) => part.media)).toContain('catalytic-carbon');
    expect(codes.regulator).toBe('regulator-needed');
  });

  test('a tap and a refrigerator two floors up: the wider tube, and the pressure that is left up there', () => {
    const { design, codes } = decisionsOf('Per Hathersage-Lunn');
    expect(design.line.innerDiameterMm).toBeGreaterThan(6);
    expect(codes.refrigerator).toBe('refrigerator-only-when-full');
  });

  test('no room for a tank: tankless', () => {
    expect(decisionsOf('Café Millrace').design.tank).toBeNull();
  });

  test('a cut O-ring is found out, a fair installation is not accused', () => {
    const judged = (name: string) => {
      const document = jobOf(name);
      const { system } = document;
      const readings = verificationReadings(document);
      const result = verdict(system!.design as SystemDesign, readings!);
      if (!result.ok) throw new Error(result.failure.code);
      const weighed = diagnose(examinationOf(document)!);
      if (!weighed.ok) throw new Error(weighed.failure.code);
      return { ...result.value, ...judgementOf(weighed.value) };
    };
    const senna = judged('Senna Vauclair');
    expect(senna).toMatchObject({ asExpected: false });
    expect(senna.sound).toBeLessThan(0.2);
    expect(judged('Café Millrace')).toMatchObject({ asExpected: true });
    expect(judged('Dunstan Eskdale-Moor').sound).toBeGreaterThan(0.5);
  });
});
