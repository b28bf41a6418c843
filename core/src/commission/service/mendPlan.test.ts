import { describe, expect, test } from '@jest/globals';
import { samplePart, sampleWater, tankDesign } from '../../test/samples.ts';
import type { SystemDesign } from '../../system/design.ts';
import { type FaultCode, faultCodes } from '../diagnosis/fault.ts';
import { servicedKinds, servicedOf } from '../../keeping/due/serviced.ts';
import { changeOutPlan } from './changeOutPlan.ts';
import { mendings } from './mending.ts';
import { mendPlan } from './mendPlan.ts';
import { washedOut } from '../washout/washedOut.ts';
import { serviceFactsOf } from './servicePlan.ts';
import { serviceStates } from './serviceStates.ts';
import type { ServiceStep } from './serviceStep.ts';

const pumped: SystemDesign = { ...tankDesign, pump: samplePart('pump') };
const designs: [string, SystemDesign][] = [
  ['a tank', tankDesign],
  ['a tank and a pump', pumped],
  ['no tank', { ...tankDesign, tank: null }],
  ['a tank inside', { ...pumped, tank: { ...tankDesign.tank!, internal: true } }],
];
const anySite = { ownSource: true, regulator: true, leakStop: true };
const isThere = ({ tank, pump, postFilter }: SystemDesign, fault: FaultCode) =>
  (tank ||
    !['precharge-lost', 'precharge-high', 'bladder-torn', 'tank-valve-closed'].includes(fault)) &&
  (pump || !fault.startsWith('pump')) &&
  (postFilter || fault !== 'post-filter-blocked');

const codes = (steps: readonly ServiceStep[]) => steps.map(({ code }) => code);

describe.each(designs)('mending a system with %s', (_name, design) => {
  const faults = faultCodes.filter((fault) => isThere(design, fault));

  test('every fault, alone or with another: each step has what it needs, and the system is left in use', () => {
    for (const one of faults) {
      for (const other of faults) {
        const plan = mendPlan(design, one === other ? [one] : [one, other]);
        expect([one, other, serviceStates(design, plan).faults]).toEqual([one, other, []]);
        expect(new Set(plan.map(({ id }) => id)).size).toBe(plan.length);
      }
    }
  });

  test('nothing under pressure is opened, and what was opened is seen dry and run before the tank takes it', () => {
    for (const fault of faults.filter((one) => mendings[one].opens === 'unit')) {
      const plan = mendPlan(design, [fault]);
      const { states } = serviceStates(design, plan);
      const at = plan.findIndex(({ code }) => code === 'mend');
      expect(states[at]).toMatchObject({ feed: 'closed', pressure: 'off', tap: 'open' });
      const after = codes(plan).slice(at);
      expect(after.indexOf('leak-check')).toBeGreaterThan(after.indexOf('open-feed'));
      expect(after.indexOf('run')).toBeGreaterThan(after.indexOf('leak-check'));
      if (after.includes('open-tank')) {
        expect(after.indexOf('open-tank')).toBeGreaterThan(after.indexOf('run'));
      }
    }
  });
});

describe.each(designs)('changing what is due on a system with %s', (_name, design) => {
  const lit = { ...design, lamp: samplePart('lamp') };

  test('each alone, and any two together: every step has what it needs, and the system is left in use', () => {
    const serviced = servicedOf(lit, anySite);
    expect(new Set(serviced.map(({ kind }) => kind)).size).toBeGreaterThan(5);
    for (const one of serviced) {
      for (const other of serviced) {
        const plan = changeOutPlan(lit, one === other ? [one] : [one, other]);
        expect([one.id, other.id, serviceStates(lit, plan).faults]).toEqual([one.id, other.id, []]);
      }
    }
    expect(serviceStates(lit, changeOutPlan(lit, serviced)).faults).toEqual([]);
  });
});

test('every kind of service is known to some system', () => {
  const all = servicedOf(
    {
      ...pumped,
      lamp: samplePart('lamp'),
      mineral: { part: samplePart('mineral'), place: 'after-tank' },
    },
    anySite,
  );
  expect([...new Set(all.map(({ kind }) => kind))].sort()).toEqual([...servicedKinds].sort());
});

test('a step keeps its id when more is to be done, so that its tick stays with it', () => {
  const serviced = servicedOf(pumped, anySite);
  const few = serviced.filter(({ kind }) => kind === 'carbon');
  const ids = (what: typeof serviced) =>
    changeOutPlan(pumped, what).flatMap((step) =>
      step.code === 'change' ? [[step.data.id, step.id] as const] : [],
    );
  const all = new Map(ids(serviced));
  expect(ids(few).length).toBeGreaterThan(0);
  for (const [of, id] of ids(few)) expect(all.get(of)).toBe(id);
});

test('of several alike each is told by its place, and one alone is not', () => {
  const carbon = { ...samplePart('prefilter'), media: 'carbon-block' as const };
  const three: SystemDesign = { ...pumped, prefilters: [pumped.prefilters[0]!, carbon, carbon] };
  const serviced = servicedOf(three, anySite);
  const places = (what: typeof serviced) =>
    changeOutPlan(three, what).flatMap((step) =>
      step.code === 'change' && step.data.what === 'carbon' ? [step.data.place] : [],
    );
  const carbons = serviced.filter(({ kind }) => kind === 'carbon');
  expect(new Set(places(carbons)).size).toBe(carbons.length);
  expect(places(carbons.slice(0, 1))).toEqual([null]);
});

test('a mend and a change-out are one opening', () => {
  const serviced = servicedOf(pumped, anySite).filter(({ kind }) => kind === 'carbon');
  const plan = changeOutPlan(pumped, serviced, ['membrane-bypass']);
  expect(codes(plan).filter((code) => code === 'close-feed')).toHaveLength(1);
  expect(codes(plan)).toEqual(expect.arrayContaining(['mend', 'change']));
  expect(serviceStates(pumped, plan).faults).toEqual([]);
});

describe('new carbon never runs through the membrane', () => {
  const housings: SystemDesign = pumped;
  const carbon = servicedOf(housings, anySite).filter(({ kind }) => kind === 'carbon');
  const membrane = servicedOf(housings, anySite).filter(({ kind }) => kind === 'membrane');

  test('but into a bucket, with the tube after the pre-filters off, until clear', () => {
    const plan = codes(changeOutPlan(housings, carbon));
    const at = (code: ServiceStep['code']) => plan.indexOf(code);
    expect(at('change')).toBeLessThan(at('tube-off'));
    expect(at('tube-off')).toBeLessThan(at('bucket-flush'));
    expect(at('bucket-flush')).toBeLessThan(at('tube-on'));
    expect(at('tube-on')).toBeLessThan(at('open-feed'));
    for (const left of ['tube-off', 'bucket-flush', 'tube-on'] as const)
      expect(
        serviceStates(
          housings,
          changeOutPlan(housings, carbon).filter(({ code }) => code !== left),
        ).faults.length,
      ).toBeGreaterThan(0);
  });

  test('nor is a new membrane put in before that', () => {
    const plan = changeOutPlan(housings, [...membrane, ...carbon]);
    const flushed = plan.findIndex(({ code }) => code === 'bucket-flush');
    const put = plan.findIndex((step) => step.code === 'change' && step.data.what === 'membrane');
    expect(flushed).toBeLessThan(put);
    expect(serviceStates(housings, plan).faults).toEqual([]);
  });

  test('and a new membrane throws away as many tanks as at the installation, then is verified', () => {
    const facts = serviceFactsOf(housings, sampleWater);
    const plan = changeOutPlan(housings, membrane, [], facts);
    const washed = washedOut(housings, sampleWater, false, null);
    if (!washed.ok) throw new Error(washed.failure.code);
    expect(plan.filter(({ code }) => code === 'drain-tank')).toHaveLength(washed.value.cycles!);
    expect(plan.at(-1)!.code).toBe('verify');
  });
});

describe('disinfection at a visit', () => {
  const due = servicedOf(pumped, anySite).filter(({ kind }) => kind === 'sanitising');
  const plan = changeOutPlan(pumped, due, [], serviceFactsOf(pumped, sampleWater));

  test('is by volume, with everything out that bleach spoils, and leaves the system in use', () => {
    expect(serviceStates(pumped, plan).faults).toEqual([]);
    const order = codes(plan);
    expect(order.indexOf('take-out')).toBeLessThan(order.indexOf('sanitise-dose'));
    expect(order.indexOf('sanitise-rinse')).toBeLessThan(order.indexOf('put-back'));
    const dose = plan.find((step) => step.code === 'sanitise-dose')!;
    if (dose.code !== 'sanitise-dose') throw new Error('no dose');
    // 100 mg/L out of 50 g/L: 2 mL for each litre, the tank's among them.
    expect(dose.data.bleachMl / dose.data.wettedL).toBeCloseTo(2, 9);
    const bare = serviceFactsOf({ ...pumped, tank: null }, sampleWater).disinfection;
    expect(bare === null || bare.wettedL < dose.data.wettedL).toBe(true);
  });

  test('never has bleach in while a cartridge or the membrane is', () => {
    const without = plan.filter(({ code }) => code !== 'take-out');
    expect(serviceStates(pumped, without).faults.map(({ needs }) => needs)).toEqual(
      expect.arrayContaining(['cartridges out', 'membrane out']),
    );
    const unrinsed = plan.filter(({ code }) => code !== 'sanitise-rinse');
    expect(serviceStates(pumped, unrinsed).faults.map(({ needs }) => needs)).toContain(
      'bleach none',
    );
  });

  test('stands twice as long where a laboratory found germs', () => {
    const found = serviceFactsOf(pumped, sampleWater, { germsFound: true }).disinfection!;
    expect(found.contactMin).toBe(30);
    expect(serviceFactsOf(pumped, sampleWater).disinfection!.contactMin).toBe(15);
  });

  test('is nothing that a sealed unit is ever due for', () => {
    const sealed: SystemDesign = { ...pumped, tank: { ...tankDesign.tank!, internal: true } };
    expect(servicedOf(sealed, anySite).map(({ kind }) => kind)).not.toContain('sanitising');
    expect(serviceFactsOf(sealed, sampleWater).disinfection).toBeNull();
  });

  test('comes before a sample for germs, which is the last thing of all', () => {
    const all = servicedOf({ ...pumped, lamp: samplePart('lamp') }, anySite);
    const order = changeOutPlan({ ...pumped, lamp: samplePart('lamp') }, all);
    expect(order.at(-1)).toMatchObject({ code: 'change', data: { what: 'germ-test' } });
  });
});

test('a step that is left out is found', () => {
  const plan = mendPlan(pumped, ['membrane-bypass']);
  for (const left of [
    'close-feed',
    'unplug',
    'close-tank',
    'let-off',
    'open-feed',
    'plug-in',
    'leak-check',
    'run',
    'close-tap',
    'open-tank',
  ]) {
    const without = plan.filter(({ code }) => code !== left);
    expect([left, serviceStates(pumped, without).faults.length > 0]).toEqual([left, true]);
  }
});

test('two at once are done in one opening, and what opens nothing before it', () => {
  const plan = codes(mendPlan(pumped, ['restrictor-missing', 'supply-valve-partly-open']));
  expect(plan.filter((code) => code === 'close-feed')).toHaveLength(1);
  expect(plan.indexOf('mend')).toBeLessThan(plan.indexOf('close-feed'));
  expect(plan.filter((code) => code === 'mend')).toHaveLength(2);
});

test('what is only a matter of reading is read again', () => {
  expect(codes(mendPlan(tankDesign, ['meter-miscalibrated']))).toEqual(['mend', 'verify']);
});
