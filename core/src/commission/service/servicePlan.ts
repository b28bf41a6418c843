import { flushTimes, washout } from '../../base/practice.ts';
import type { FeedWater, SystemDesign } from '../../system/design.ts';
import { assess } from '../../system/assess.ts';
import { isSealed } from '../flush/flushPlan.ts';
import { type Disinfection, disinfectionOf } from '../washout/disinfection.ts';
import { washedOut } from '../washout/washedOut.ts';
import type { ServiceCode, ServiceData, ServiceStep } from './serviceStep.ts';

/** Something that is done at a system in use: what it opens, and what has to run afterwards. */
export interface Act {
  opens: 'nothing' | 'unit' | 'tank' | 'new-tank';
  /** Minutes that have to run, tap open and tank closed; 0 where nothing was put into the water's way. */
  runsMin: number;
  /** The first tank afterwards is thrown away. */
  drains: boolean;
  /** New where dust or preservative comes from it: ahead of the membrane, or the membrane itself. */
  puts?: 'prefilter' | 'membrane' | undefined;
  /** Everything is taken out and bleach goes through it. */
  disinfects?: true | undefined;
  /** Done when everything has run clear: a sample. */
  atEnd?: true | undefined;
  /** Its cord is pulled. */
  lamp?: true;
  step: ServiceAct;
}
type ServiceAct = { [C in 'mend' | 'change']: { code: C; data: ServiceData[C] } }[
  | 'mend'
  | 'change'];

/** What of this system and its water the service of it hangs on. */
export interface ServiceFacts {
  /** Tanks that a new membrane throws away, and how long it is rinsed first, min. */
  washCycles: number;
  rinseMin: number;
  /** Null where a sealed unit cannot be disinfected. */
  disinfection: Disinfection | null;
}

/** What is customary, where nothing is known of the water. */
const usualFacts = (design: SystemDesign): ServiceFacts => ({
  washCycles: washout.leastTankCycles,
  rinseMin: flushTimes.membraneRinse,
  disinfection: disinfectionOf(design),
});

/** The same model as at the installation: what washes a new membrane out, and what bleach has to fill. */
export function serviceFactsOf(
  design: SystemDesign,
  water: FeedWater,
  { germsFound = false }: { germsFound?: boolean } = {},
): ServiceFacts {
  const washed = washedOut(design, water, isSealed(design), null);
  const today = assess(design, water);
  const usual = usualFacts(design);
  return {
    washCycles: (washed.ok ? washed.value.cycles : undefined) ?? usual.washCycles,
    rinseMin: washed.ok ? washed.value.rinse.timeMin : usual.rinseMin,
    disinfection: disinfectionOf(design, {
      tankL: today.ok ? today.value.usableVolumeL : 0,
      germsFound,
    }),
  };
}

/**
 * The steps of everything that is to be done, from a system in use back to a system in use. What opens nothing is done as it stands;
 * everything else in one opening, in the order of an installation: bleach with nothing in it that it spoils, new pre-filters into a bucket
 * with the tube behind them off, then the membrane, then joined, then under pressure, and verified where anything was put in.
 */
export function servicePlan(
  design: SystemDesign,
  acts: readonly Act[],
  facts: ServiceFacts = usualFacts(design),
): ServiceStep[] {
  const steps: ServiceStep[] = [];
  // By what is done and not by its place: a tick stays with its step when something is added before it.
  const add = <C extends ServiceCode>(code: C, data: ServiceData[C], of = '') =>
    steps.push({ id: of ? `${code}:${of}` : code, code, data } as ServiceStep);
  const act = ({ step }: Act) =>
    add(step.code, step.data, step.code === 'mend' ? step.data.fault : step.data.id);
  // What cannot be opened is not disinfected by hand.
  const opened = acts.filter(
    ({ opens, disinfects }) => opens !== 'nothing' && !(disinfects && !facts.disinfection),
  );
  for (const one of acts) if (one.opens === 'nothing' && !one.atEnd) act(one);
  if (opened.length > 0) openAndDo();
  for (const one of acts) if (one.atEnd) act(one);
  return steps;

  function openAndDo(): void {
    const opens = new Set(opened.map(({ opens: what }) => what));
    const disinfects = opened.some((one) => one.disinfects) ? facts.disinfection : null;
    const ofTank = opens.has('tank') || opens.has('new-tank') || disinfects !== null;
    const wet = opens.has('unit') || opens.has('new-tank');
    const pump = design.pump !== null;
    const lamp = design.lamp !== null && opened.some((one) => one.lamp);
    const tank = design.tank !== null;
    const ownValve = tank && design.tank?.internal !== true;
    add('close-feed', {});
    if (pump || lamp) add('unplug', { pump, lamp });
    // A tank whose own air or bladder is at stake is emptied; any other keeps its water.
    if (ownValve && !ofTank) add('close-tank', {});
    add('let-off', { tank: tank && (ofTank || !ownValve) });
    if (disinfects) disinfect(disinfects);
    const isNew = (what: Act['puts']) => opened.filter(({ puts }) => puts === what);
    const prefilters = isNew('prefilter');
    prefilters.forEach(act);
    if (disinfects) putBack('cartridges', disinfects);
    if (disinfects || (prefilters.length > 0 && !isSealed(design))) flushIntoBucket();
    const membranes = isNew('membrane');
    membranes.forEach(act);
    const isReplaced = membranes.length > 0;
    if (disinfects && !isReplaced) putBack('membrane', disinfects);
    opened.filter(({ puts, disinfects: all }) => !puts && !all).forEach(act);
    if (!wet) {
      add('close-tap', {});
      add('open-feed', { tap: 'closed', tank: ownValve });
      if (pump || lamp) add('plug-in', { pump, lamp });
      return;
    }
    if (ownValve && ofTank) add('close-tank', {});
    add('open-feed', { tap: 'open', tank: ownValve });
    if (pump || lamp) add('plug-in', { pump, lamp });
    add('leak-check', {});
    const minutes = Math.max(
      ...opened.map(({ runsMin }) => runsMin),
      ...(membranes.length > 0 ? [facts.rinseMin] : []),
    );
    if (minutes > 0) add('run', { minutes, tank: ownValve });
    add('close-tap', {});
    if (ownValve) add('open-tank', {});
    const cycles = !tank
      ? 0
      : isReplaced
        ? facts.washCycles
        : opened.some(({ drains }) => drains)
          ? 1
          : 0;
    for (let cycle = 1; cycle <= cycles; cycle += 1)
      add('drain-tank', { cycle, cycles }, String(cycle));
    add('verify', {});
  }

  function disinfect(dose: Disinfection): void {
    add('take-out', dose);
    add('sanitise-dose', dose);
    add('sanitise-fill', dose);
    add('sanitise-contact', dose);
    add('sanitise-rinse', dose);
  }

  function putBack(
    what: ServiceData['put-back']['what'],
    { postFilter, mineral }: Disinfection,
  ): void {
    add('put-back', { what, postFilter, mineral }, what);
  }

  function flushIntoBucket(): void {
    add('tube-off', {});
    const cartridges = design.prefilters.length;
    add('bucket-flush', { minutes: flushTimes.prefilter, cartridges });
    add('tube-on', {});
  }
}
