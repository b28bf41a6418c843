import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isAddedLamp, isUltravioletLine } from '../../system/ultravioletLine.ts';
import { archetypes, factsOf, seen } from '../../test/plumbingSamples.ts';
import { sampleParts, tankDesign } from '../../test/samples.ts';
import { drainWays } from '../places/drainWay.ts';
import { chooseFeed, feedConnections } from '../connections/feedConnection.ts';
import type { PlumbingSite } from '../connections/siteFacts.ts';
import { partsList } from './partsList.ts';
import { needsPower, workOrder } from './workOrder.ts';

const answer = fc.constantFrom(true, false, null);

/** A site as anybody may find or describe it. */
const anySite: fc.Arbitrary<PlumbingSite> = fc.record({
  supply: fc.constantFrom(
    'valve-half' as const,
    'valve-three-eighths' as const,
    'hose' as const,
    'copper' as const,
    'plastic' as const,
    null,
  ),
  drainMaterial: fc.constantFrom('plastic' as const, 'brass' as const, 'steel' as const, null),
  drainRun: fc.constantFrom('vertical' as const, 'horizontal' as const, null),
  drainPipeM: fc.option(fc.double({ min: 0.02, max: 0.12, noNaN: true })),
  disposal: answer,
  dishwasher: answer,
  airGap: answer,
  counter: fc.constantFrom(
    'steel' as const,
    'laminate' as const,
    'wood' as const,
    'composite' as const,
    'quartz' as const,
    'granite' as const,
    'porcelain' as const,
    null,
  ),
  holeThere: answer,
  drilling: fc.constantFrom('yes' as const, 'ask' as const, 'no' as const, null),
  outlet: fc.constantFrom('unswitched' as const, 'switched' as const, 'none' as const, null),
  frost: answer,
});

const anyWork = fc.record({
  archetype: fc.constantFrom(...archetypes),
  site: anySite,
  way: fc.option(fc.constantFrom(...drainWays), { nil: undefined }),
  regulatorBar: fc.option(fc.constantFrom(3, 4.1)),
  leakStop: fc.boolean(),
  remote: fc.constantFrom('floor' as const, 'wall' as const, null),
});

type Work = typeof anyWork extends fc.Arbitrary<infer W> ? W : never;

const made = ({ archetype: [, system], way, ...change }: Work) => {
  const facts = factsOf(system, { ...change, ...(way ? { way } : {}) });
  const steps = workOrder(facts);
  return { system, facts, steps, parts: partsList(system, steps, facts.tubes, sampleParts) };
};

describe('on any site, for any system', () => {
  test('the work is whole: each step once, each after what it stands on, every part of a step with a number', () => {
    fc.assert(
      fc.property(anyWork, (work) => {
        const { steps, facts } = made(work);
        const place = new Map(steps.map(({ id }, i) => [id, i]));
        expect(place.size).toBe(steps.length);
        steps.forEach(({ after, parts }, i) => {
          for (const before of after) expect(place.get(before)).toBeLessThan(i);
          for (const { quantity } of parts) expect(quantity).toBeGreaterThan(0);
        });
        expect(steps.filter(({ code }) => code === 'run-tube')).toHaveLength(facts.tubes.length);
        expect(steps.at(-1)!.code).toBe('clear-up');
      }),
      { numRuns: 300 },
    );
  });

  test('codes and licensed trades are named before anything is done, and where nothing may be drilled nothing is', () => {
    fc.assert(
      fc.property(anyWork, (work) => {
        const { steps, facts } = made(work);
        const first = steps.findIndex(({ cautions }) => cautions.includes('codes-first'));
        expect(first).toBeLessThanOrEqual(1);
        if (facts.site.drilling !== 'no' || work.remote) return;
        const codes = steps.map(({ code }) => code);
        expect(codes).not.toContain('drill-tap-hole');
        // Unless a person chose a saddle all the same, after leave was asked for.
        if (facts.drain.way === 'standpipe') expect(codes).not.toContain('drill-drain');
        expect(steps[0]!.code).toBe('ask-permission');
      }),
      { numRuns: 200 },
    );
  });

  test('water is closed and proved off before the line is opened, and whatever takes power is plugged in last', () => {
    fc.assert(
      fc.property(anyWork, (work) => {
        const { system, steps } = made(work);
        const ids = steps.map(({ id }) => id);
        const [closed, opened] = isAddedLamp(system)
          ? ['isolate-existing', 'cut-product-line']
          : ['close-supply', 'feed'];
        expect(ids).toContain(closed);
        expect(ids.indexOf(closed)).toBeLessThan(ids.indexOf('relieve-pressure'));
        expect(ids.indexOf('relieve-pressure')).toBeLessThan(ids.indexOf(opened));
        const power = steps.find(({ code }) => code === 'power');
        expect(power !== undefined).toBe(needsPower(system));
        if (!power) return;
        expect(power.cautions).toContain('dry-hands');
        const { outlet } = work.site;
        expect(power.cautions.includes('electrician')).toBe(outlet === 'none' || outlet === null);
        expect(ids.slice(ids.indexOf('power') + 1)).toEqual(['clear-up']);
      }),
      { numRuns: 200 },
    );
  });

  test('drilling takes glasses, stone takes water, and a mason’s stone is left to the mason', () => {
    fc.assert(
      fc.property(anyWork, (work) => {
        const { steps, facts } = made(work);
        for (const { tools, code } of steps) {
          if (tools.includes('bit-drain') || code === 'drill-tap-hole')
            expect(tools).toContain('safety-glasses');
          if (tools.includes('diamond-core')) expect(tools).toContain('water-feed');
        }
        const hole = steps.find(({ id }) => id === 'tap-hole');
        // A combined tap stands where the old one stood.
        if (hole && !facts.system.tap.combined && facts.tap.remarks.includes('stop-for-a-mason'))
          expect(hole.code).toBe('call-mason');
      }),
      { numRuns: 200 },
    );
  });

  test('a system without a membrane has no drain, one with a membrane has one', () => {
    fc.assert(
      fc.property(anyWork, (work) => {
        const { system, steps, parts } = made(work);
        const drains = steps.filter(({ id }) => id === 'drain');
        expect(drains).toHaveLength(isUltravioletLine(system) ? 0 : 1);
        const keys = parts.map(({ key }) => key);
        const ends = ['drain-saddle', 'drain-saddle-wide', 'standpipe-clip'].filter((key) =>
          keys.includes(key),
        );
        expect(ends).toHaveLength(isUltravioletLine(system) ? 0 : 1);
      }),
      { numRuns: 200 },
    );
  });
});

test.each([
  ['valve-half', 'valve-adapter', 'feed-adapter'],
  ['valve-three-eighths', 'valve-adapter', 'feed-adapter-narrow'],
  ['hose', 'hose-adapter', 'hose-adapter'],
  ['copper', 'three-way', 'three-way-valve'],
  ['copper', 'saddle', 'saddle-valve'],
  ['plastic', 'saddle', 'saddle-valve'],
] as const)(
  'a supply by %s taken by a %s takes a %s and no other feed part',
  (supply, way, key) => {
    const facts = { ...factsOf(tankDesign), feed: chooseFeed({ supply }, way) };
    const step = workOrder(facts).find(({ id }) => id === 'feed')!;
    expect(step.parts).toEqual([{ key, quantity: 1 }]);
    expect(step.tools.includes('bit-plastic')).toBe(supply === 'plastic');
    expect(step.cautions.includes('saddle-barred')).toBe(way === 'saddle');
    expect(feedConnections).toContain(facts.feed.way);
  },
);

test('a deviation at the drain, frost and an unasked landlord are each said at their step', () => {
  const at = (site: Partial<PlumbingSite>) =>
    workOrder(factsOf(tankDesign, { site: { ...seen, ...site } }));
  expect(at({ frost: true }).find(({ id }) => id === 'lay-out')?.cautions).toContain('frost');
  expect(at({ drilling: 'ask' })[0]).toMatchObject({
    code: 'ask-permission',
    data: { drilling: 'ask' },
  });
  expect(at({ drilling: 'yes' })[0]!.code).toBe('lay-out');
});
