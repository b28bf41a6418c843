import { describe, expect, test } from '@jest/globals';
import { daysInMonth } from '../../base/calendar.ts';
import { assess } from '../../system/assess.ts';
import { samplePart, sampleWater, tankDesign } from '../../test/samples.ts';
import { costOfEarly, nextVisit } from './combine.ts';
import { type Due, duesOf, type DueTask } from './due.ts';

const design = {
  ...tankDesign,
  mineral: { part: samplePart('mineral'), place: 'before-tank' as const },
  lamp: samplePart('lamp'),
};
const assessed = (() => {
  const outcome = assess(design, sampleWater);
  if (!outcome.ok) throw new Error(outcome.failure.code);
  return outcome.value;
})();
const day = 20_000;
const task: DueTask = {
  design,
  assessed,
  demandLPerDay: 8,
  disinfectant: null,
  site: { ownSource: true, regulator: true, leakStop: true },
  foundSpent: {},
  dropDoubledAfterMonths: null,
  lampCounter: null,
  handedOver: day,
  lastDone: {},
  membraneDue: { saltPassage: null, flow: null, told: false },
  school: 'first',
};
const due = (change: Partial<DueTask>, kind: Due['kind']): Due =>
  duesOf({ ...task, ...change }).find((one) => one.kind === kind)!;
const months = ({ on, since }: Due) => (on - since) / daysInMonth;

describe('what is due', () => {
  test('stands in the order of its days, each thing of the system once', () => {
    const dues = duesOf(task);
    expect(new Set(dues.map(({ id }) => id)).size).toBe(dues.length);
    dues.slice(1).forEach(({ on }, i) => expect(on).toBeGreaterThanOrEqual(dues[i]!.on));
  });

  test('is due from when it was done last, and from the hand-over until then', () => {
    const id = due({}, 'sediment').id;
    expect(due({}, 'sediment').since).toBe(day);
    const changed = due({ lastDone: { [id]: day + 100 } }, 'sediment');
    expect(changed.since).toBe(day + 100);
    expect(changed.on - due({}, 'sediment').on).toBe(100);
  });

  test('carbon: strong disinfectant and a big household bring it to the short end, by what it has taken', () => {
    const chlorine = { kind: 'chlorine' as const, residualMgL: 1.5 };
    const small = due({ disinfectant: chlorine, demandLPerDay: 4 }, 'carbon');
    const big = due({ disinfectant: chlorine, demandLPerDay: 60 }, 'carbon');
    expect(small.because).toBe('calendar');
    expect(big.because).toBe('disinfectant');
    expect(months(big)).toBeLessThan(months(small));
    // Twice the litres, half the time.
    const twice = due({ disinfectant: chlorine, demandLPerDay: 120 }, 'carbon');
    expect(months(big) / months(twice)).toBeCloseTo(2, 1);
  });

  test('a membrane is due by its trend where that comes first, and says so', () => {
    const on = day + 400;
    expect(
      due({ membraneDue: { saltPassage: on, flow: null, told: true } }, 'membrane'),
    ).toMatchObject({
      on,
      because: 'salt-passage',
    });
    expect(
      due({ membraneDue: { saltPassage: on, flow: on - 9, told: true } }, 'membrane'),
    ).toMatchObject({
      on: on - 9,
      because: 'flow',
    });
    const late = due(
      { membraneDue: { saltPassage: day + 4000, flow: null, told: true } },
      'membrane',
    );
    expect(late.because).toBe('calendar');
    expect(late.others.map(({ because }) => because)).toContain('salt-passage');
  });

  test('scale counts as long as nothing was read of the membrane itself', () => {
    const outcome = assess(design, { ...sampleWater, hardnessMgL: 420, alkalinityMgL: 330, pH: 8 });
    if (!outcome.ok) throw new Error(outcome.failure.code);
    const assessed = outcome.value;
    const reasons = (told: boolean) => {
      const { because, others } = due(
        { membraneDue: { saltPassage: null, flow: null, told }, demandLPerDay: 60, assessed },
        'membrane',
      );
      return [because, ...others.map((one) => one.because)];
    };
    expect(reasons(false)).toContain('scaling');
    expect(reasons(true)).not.toContain('scaling');
  });

  test('each school: the calendar alone, the condition alone where there is one, or the first of both', () => {
    const membraneDue = { saltPassage: day + 4000, flow: null, told: true };
    expect(due({ membraneDue, school: 'calendar' }, 'membrane').because).toBe('calendar');
    expect(due({ membraneDue, school: 'condition' }, 'membrane').because).not.toBe('calendar');
    // Where no visit tells how a sediment filter loads, nothing is known but its age.
    expect(due({ school: 'condition' }, 'sediment').because).toBe('calendar');
  });

  test('a sediment filter goes by its drop, where visits tell of it', () => {
    const quick = due({ dropDoubledAfterMonths: 4 }, 'sediment');
    expect(quick.because).toBe('loading');
    expect(months(quick)).toBeCloseTo(4, 1);
    expect(due({ dropDoubledAfterMonths: 30 }, 'sediment').because).toBe('calendar');
    expect(due({ dropDoubledAfterMonths: 4, school: 'calendar' }, 'sediment').because).toBe(
      'calendar',
    );
  });

  test('a sediment filter goes by what it sees: dirty water loads it in months, clear water leaves it to the calendar', () => {
    const seen = (ironMgL: number, turbidityNtu: number | null = null) =>
      due({ feedSolids: { ironMgL, manganeseMgL: null, turbidityNtu } }, 'sediment');
    expect(seen(0.05).because).toBe('calendar');
    const rusty = seen(0.6);
    expect(rusty.because).toBe('solids');
    // Four times what clear water holds: a quarter of the life.
    expect(months(rusty)).toBeLessThanOrEqual(3.01);
    expect(months(seen(0.6, 4))).toBeLessThan(months(rusty));
    expect(months(seen(50))).toBeGreaterThanOrEqual(0.9);
    // What was read of the filter itself speaks first.
    const feedSolids = { ironMgL: 0.6, manganeseMgL: null, turbidityNtu: null };
    expect(due({ feedSolids, dropDoubledAfterMonths: 9 }, 'sediment').because).toBe('loading');
  });

  test('a lamp goes by its counter: one that was switched off at times lasts beyond the calendar', () => {
    const counted = (hours: number) =>
      due({ lampCounter: { hours, on: day + 200 }, school: 'condition' }, 'lamp');
    expect(counted(200 * 24).on).toBe(due({}, 'lamp').on);
    expect(counted(100 * 24).on).toBe(due({}, 'lamp').on + 100);
    expect(counted(100 * 24).because).toBe('hours');
  });

  test('what somebody found spent is due from that day, by any school, until it is changed', () => {
    for (const school of ['calendar', 'condition', 'first'] as const) {
      const foundSpent = { 'leak-stop': day + 30, 'prefilter-1': day + 50, regulator: day + 60 };
      expect(due({ foundSpent, school }, 'leak-stop')).toMatchObject({
        on: day + 30,
        because: 'found',
      });
      expect(due({ foundSpent, school }, 'sediment')).toMatchObject({
        on: day + 50,
        because: 'found',
      });
      const lastDone = { 'leak-stop': day + 31 };
      expect(due({ foundSpent, lastDone, school }, 'leak-stop').because).toBe('yearly');
    }
  });

  test('regulator and leak stop are looked at once a year, where there are any', () => {
    expect(months(due({}, 'regulator'))).toBeCloseTo(12, 1);
    expect(months(due({}, 'leak-stop'))).toBeCloseTo(12, 1);
    const site = { ownSource: false, regulator: false, leakStop: false };
    expect(due({ site }, 'regulator')).toBeUndefined();
  });

  test('a mineral bed goes by the mass that it gives', () => {
    const soft = due({ demandLPerDay: 2 }, 'mineral');
    const many = due({ demandLPerDay: 200 }, 'mineral');
    expect(many.because).toBe('dissolved');
    expect(many.on).toBeLessThan(soft.on);
  });

  test('germs are looked for where no authority does', () => {
    expect(due({}, 'germ-test')).toBeDefined();
    const mains = {
      ...task,
      site: { ownSource: false, regulator: false, leakStop: false },
      design: { ...design, lamp: null },
    };
    expect(duesOf(mains).some(({ kind }) => kind === 'germ-test')).toBe(false);
  });
});

describe('a visit that combines', () => {
  const one = (id: string, on: number, price: number): Due => ({
    id,
    kind: 'carbon',
    part: price > 0 ? { name: id, price, count: 1 } : null,
    on,
    because: 'calendar',
    since: on - 365,
    others: [],
  });

  test('takes along what costs less to do early than to come again for', () => {
    const dues = [one('a', day, 20), one('b', day + 40, 30), one('c', day + 100, 400)];
    const visit = nextVisit(dues, 60, day - 5)!;
    expect(visit.on).toBe(day);
    expect(visit.dues.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(visit.earlyCost).toBeCloseTo((30 * 40) / 365, 9);
    expect(visit.sparedCost).toBe(60);
    expect(nextVisit(dues, 2, day)!.dues.map(({ id }) => id)).toEqual(['a']);
  });

  test('never costs more than the trips it spares, and leaves nothing overdue behind', () => {
    const dues = [one('a', day - 90, 20), one('b', day - 1, 0), one('c', day + 30, 90)];
    for (const trip of [0, 5, 20, 80]) {
      const visit = nextVisit(dues, trip, day)!;
      expect(visit.on).toBe(day - 90);
      expect(visit.earlyCost).toBeLessThanOrEqual(visit.sparedCost + 1e-9);
      expect(visit.dues.map(({ id }) => id)).toEqual(expect.arrayContaining(['a', 'b']));
    }
  });

  test('loses nothing by what is overdue, and all of a part that is new', () => {
    expect(costOfEarly(one('a', day, 50), day + 30)).toBe(0);
    expect(costOfEarly(one('a', day, 50), day - 365)).toBeCloseTo(50, 9);
  });

  test('of a system with nothing to service is none', () => {
    expect(nextVisit([], 60, day)).toBeNull();
  });
});
