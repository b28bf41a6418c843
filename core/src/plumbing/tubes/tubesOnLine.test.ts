import { describe, expect, test } from '@jest/globals';
import { archetypes, branchTo, factsOf } from '../../test/plumbingSamples.ts';
import { tankDesign } from '../../test/samples.ts';
import type { InstalledSystem } from '../../system/ultravioletLine.ts';
import { tubesOnLine } from './tubesOnLine.ts';

const found = (system: InstalledSystem, ...stretches: [string, string][]) =>
  tubesOnLine(factsOf(system).tubes, stretches).map((runs) => runs.map(({ id }) => id));

describe('tubes on the waterline', () => {
  test('drain water takes the drain’s tubes, not a shorter way through the product’s', () => {
    const [, pumped] = archetypes.find(([name]) => name === 'a unit with a permeate pump')!;
    const [drain, product] = found(
      pumped,
      ['membrane', 'drain'],
      ['membrane', 'permeate-pump'],
      ['prefilter-2', 'shutoff'],
      ['shutoff', 'membrane'],
      ['permeate-pump', 'tank'],
      ['tank', 'post-filter'],
      ['post-filter', 'tap'],
    );
    expect(drain).toEqual([
      'membrane>restrictor',
      'restrictor>permeate-pump',
      'permeate-pump>drain',
    ]);
    expect(product).toEqual(['membrane>permeate-pump']);
  });

  test('water passes the four-port valve twice, each time in tubes of its own', () => {
    const [in_, through, , out] = found(
      tankDesign,
      ['prefilter-2', 'shutoff'],
      ['shutoff', 'membrane'],
      ['membrane', 'drain'],
      ['membrane', 'tank'],
      ['tank', 'post-filter'],
      ['post-filter', 'tap'],
    );
    expect(in_).toEqual(['prefilter-2>shutoff']);
    expect(through).toEqual(['shutoff>membrane']);
    expect(out).toEqual(['membrane>shutoff', 'shutoff>tank-tee', 'tank-tee>tank']);
  });

  test('the way to the first of several tees is shown once', () => {
    const design = { ...tankDesign, branches: [branchTo('refrigerator'), branchTo('ice-maker')] };
    const stretches = found(
      design,
      ['post-filter', 'refrigerator'],
      ['post-filter', 'ice-maker'],
      ['post-filter', 'tap'],
      ['tank', 'post-filter'],
      ['membrane', 'tank'],
    );
    expect(stretches[0]).toEqual([
      'post-filter>tee-refrigerator',
      'tee-refrigerator>valve-refrigerator',
      'valve-refrigerator>refrigerator',
    ]);
    expect(stretches[1]![0]).toBe('tee-refrigerator>tee-ice-maker');
    expect(stretches[2]).toEqual(['tee-ice-maker>tap']);
  });

  test('all that leaves a tank leaves by its tee, and a place without tubes has none', () => {
    expect(found(tankDesign, ['tank', 'post-filter'])).toEqual([
      expect.arrayContaining(['tank-tee>post-filter']),
    ]);
    const [street] = found(tankDesign, ['street', 'feed-valve'], ['feed-valve', 'prefilter-1']);
    expect(street).toEqual([]);
  });
});
