import { describe, expect, test } from '@jest/globals';
import { changeOutPlan, type InstalledSystem, isUltravioletLine } from '@katharos/core';
import { workOrder } from '../../core/src/plumbing/order/workOrder.ts';
import { sampleFlush } from '../../core/src/test/flushSamples.ts';
import { archetypes, factsOf } from '../../core/src/test/plumbingSamples.ts';
import { sampleWater } from '../../core/src/test/samples.ts';
import { flushWords } from './flush.ts';
import { readerOf } from './reader.ts';
import { serviceWords } from './service.ts';
import { cautionWords } from './toolsAndCautions.ts';
import { workWords } from './work.ts';

const reader = readerOf({ units: 'metric' });
/** Words for what a system does not have: whoever kneels there looks for it in vain. */
function absentIn(system: InstalledSystem, leakStop: boolean, regulator: boolean): RegExp[] {
  const without: [RegExp, boolean][] = [
    [/leak stop/i, leakStop],
    [/regulator/i, regulator],
    [/\blamp\b/i, system.lamp !== null],
  ];
  if (isUltravioletLine(system)) {
    if (!system.addedTo) without.push([/membrane|\btanks?\b|restrictor|drain line/i, false]);
  } else {
    const { tank, tap, pump, permeatePump, mineral, postFilter, branches, unit } = system;
    const dispenser = tap.dispenser !== undefined;
    without.push(
      [/\btanks?\b/i, tank !== null || dispenser],
      [/\bpumps?\b/, pump !== null || permeatePump !== null || dispenser],
      [/minerals?\b/i, mineral !== null],
      [/post filter/i, postFilter !== null],
      [/refrigerator|ice maker|second tap/i, branches.length > 0],
      // Cartridges that turn out by a quarter are not in housings that come off downwards.
      [/below the housings/i, unit?.closing !== 'quarter-turn'],
    );
  }
  return without.filter(([, isThere]) => !isThere).map(([words]) => words);
}

const sayings = (words: object): string => Object.values<unknown>({ ...words }).join(' ');

describe('what a system does not have', () => {
  test.each(archetypes)(
    'is not spoken of at work, while flushing or at a visit: %s',
    (_name, system, change) => {
      const facts = factsOf(system, change);
      const steps = [
        ...workOrder(facts).map((step) => ({
          step: step.code as string,
          said: [
            sayings(workWords(step, reader)),
            ...step.cautions.map((caution) => cautionWords[caution]),
          ].join(' '),
        })),
        ...sampleFlush(system, sampleWater).map((step) => ({
          step: step.code as string,
          said: sayings(flushWords(step, reader)),
        })),
      ];
      if (!isUltravioletLine(system)) {
        const cartridges = system.prefilters.map((_, i) => ({
          id: `prefilter-${i + 1}`,
          kind: 'carbon' as const,
        }));
        for (const step of changeOutPlan(system, [
          ...cartridges,
          { id: 'sanitising', kind: 'sanitising' },
        ]))
          steps.push({
            step: step.code,
            said: sayings(serviceWords(step, reader)),
          });
      }
      const absent = absentIn(system, facts.leakStop, facts.regulatorBar !== null);
      const wrong = steps.flatMap(({ step, said }) =>
        absent
          .filter((words) => words.test(said))
          .map((words) => `${step}: ${words.exec(said)![0]}`),
      );
      expect(steps.length).toBeGreaterThan(5);
      expect(wrong).toEqual([]);
    },
  );
});
