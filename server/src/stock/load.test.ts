import { describe, expect, test } from '@jest/globals';
import { plumbedJobOf, starterCatalogue, usualFirmSettings } from '@katharos/job';
import { demoJobs } from '../seed/demoJobs.ts';
import { loadOf } from './load.ts';

const held = { catalogue: starterCatalogue, settings: usualFirmSettings };
const documents = demoJobs(new Date('2026-03-01T09:00:00Z')).map(({ document }) => document);
const chosen = documents.filter(({ system }) => system !== null);

describe('what a job wants loaded', () => {
  test('is nothing that is known before a system is chosen', () => {
    const early = documents.filter(({ system }) => system === null);
    expect(early.length).toBeGreaterThan(0);
    for (const document of early) expect(loadOf(document, held)).toBeNull();
  });

  test('is its parts list without what comes in the kit, line by line', () => {
    expect(chosen.length).toBeGreaterThan(3);
    for (const document of chosen) {
      const plumbed = plumbedJobOf(document, starterCatalogue, usualFirmSettings)!;
      const load = loadOf(document, held)!;
      const total = (list: readonly { quantity: number }[]) =>
        list.reduce((sum, { quantity }) => sum + quantity, 0);
      const inKit = plumbed.plumbing.parts.reduce(
        (sum, line) => sum + Math.min(line.inKit, line.quantity),
        0,
      );
      expect(total(load)).toBeCloseTo(total(plumbed.plumbing.parts) - inKit, 6);
      expect(load.every(({ quantity }) => quantity > 0)).toBe(true);
    }
  });

  test('names what the catalogue lacks, so that somebody looks for what takes its place', () => {
    for (const document of chosen) {
      const whole = loadOf(document, held)!;
      expect(whole.filter(({ partId }) => partId === null)).toEqual([]);
      const clip = whole.find(({ partId }) => partId?.startsWith('clip'))!;
      const without = starterCatalogue.filter(({ id }) => id !== clip.partId);
      const load = loadOf(document, { ...held, catalogue: without })!;
      expect(load.map(({ quantity }) => quantity)).toEqual(whole.map(({ quantity }) => quantity));
      expect(load.filter(({ partId }) => partId === null)).toHaveLength(1);
    }
  });
});
