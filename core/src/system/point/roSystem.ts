import { firstOutOfRange, type Range } from '../../base/guard.ts';
import { filterResistance, type FilterDrop, refuseFilter } from '../../hydraulics/prefilterDrop.ts';
import type { Pump } from '../../hydraulics/pumpPressure.ts';
import { type Restrictor, restrictorCoefficient } from '../../hydraulics/restrictorFlow.ts';
import { limits } from '../../base/limits.ts';
import {
  type ElementPermeance,
  elementPermeance,
  type MembraneRating,
} from '../../membrane/elementPermeance.ts';
import type { ElementAtTemperature } from '../../membrane/localFlux.ts';
import { temperatureCorrectionFactor } from '../../membrane/temperatureCorrectionFactor.ts';
import { fail, type Outcome, succeed } from '../../base/outcome.ts';
import { osmoticScale } from '../../water/osmoticPressure.ts';

/** The water as it arrives. */
export interface Feed {
  tdsMgL: number;
  temperatureC: number;
  /** Supply pressure while the unit runs, bar gauge. */
  pressureBar: number;
}

/** One or several equal elements, and their age. */
export interface MembraneBank extends MembraneRating {
  count?: number;
  arrangement?: 'series' | 'parallel';
  /** Water permeance over new, 1 when absent. */
  flowFactor?: number;
  /** Salt passage over new at equal flow, 1 when absent. */
  saltPassageFactor?: number;
}

/** From the street to the drain: all that decides what the membranes make. */
export interface RoSystem {
  feed: Feed;
  membrane: MembraneBank;
  restrictor: Restrictor;
  prefilters?: FilterDrop | undefined;
  pump?: Pump | undefined;
  /** What is not as it should be; absent in a sound system. */
  trouble?: FeedSideTrouble | undefined;
}

/** What may be wrong between the street and the drain, besides what a part's own rating says. */
export interface FeedSideTrouble {
  /** Flow coefficient of a feed valve that throttles, m3/h at 1 bar; absent where it is open. */
  feedValveKv?: number | undefined;
  /** Leak past the membrane (a cut O-ring, an element that is not seated), mL/min of concentrate at 1 bar across it. */
  leakMlMin?: number | undefined;
  /** The housing is empty: all product is what leaks. */
  membraneAbsent?: boolean | undefined;
  /** Share of the feed that passes outside the element, by a torn or turned brine seal; 0 to under 1. */
  brineSealShare?: number | undefined;
  /** Flow of the drain line behind the restrictor over a free one: 1 where it is free. */
  drainLineFactor?: number | undefined;
}

/** A system with every option filled in and every coefficient at the water's temperature; the solvers see only this. */
export interface ResolvedSystem {
  feed: Feed;
  element: ElementAtTemperature;
  count: number;
  series: boolean;
  /** bar per L/h of feed. */
  prefilterResistance: number;
  pump: Pump | undefined;
  /** L/h per root bar. */
  restrictorCoefficient: number;
  /** Of the feed valve, bar per (L/h)^2; 0 where it is open. */
  feedValve: number;
  /** Past the membrane, L/h per root bar; 0 where nothing leaks. */
  leak: number;
  /** Share of the feed that passes outside the elements. */
  brineSealShare: number;
  membraneAbsent: boolean;
  /** A pump that is starved loses its boost; asked where something is wrong, and in sound systems left out. */
  pumpStarves: boolean;
}

/**
 * Checks a system and resolves it.
 * @param knownPermeance skips the calibration when the caller has solved the same rating before
 * Errors: 'not-a-number', 'out-of-range' with the field's path; those of `elementPermeance`.
 */
export function resolveSystem(
  system: RoSystem,
  knownPermeance?: ElementPermeance,
): Outcome<ResolvedSystem> {
  const { feed, membrane, restrictor, prefilters, pump, trouble = {} } = system;
  const { feedValveKv, leakMlMin = 0, brineSealShare = 0, drainLineFactor = 1 } = trouble;
  const { count = 1, flowFactor = 1, saltPassageFactor = 1 } = membrane;
  const refused =
    firstOutOfRange([
      ['feed.tdsMgL', feed.tdsMgL, limits.tdsMgL],
      ['feed.temperatureC', feed.temperatureC, limits.temperatureC],
      ['feed.pressureBar', feed.pressureBar, limits.supplyPressureBar],
      ['membrane.count', count, limits.elementCount],
      ['membrane.flowFactor', flowFactor, limits.ageFactor],
      ['membrane.saltPassageFactor', saltPassageFactor, limits.ageFactor],
      ['restrictor.flowMlMin', restrictor.flowMlMin, limits.restrictorFlowMlMin],
      ['restrictor.atPressureBar', restrictor.atPressureBar, limits.ratedPressureBar],
      ['trouble.feedValveKv', feedValveKv ?? limits.tapKv.max, limits.tapKv],
      ['trouble.leakMlMin', leakMlMin, { min: 0, max: limits.restrictorFlowMlMin.max }],
      ['trouble.brineSealShare', brineSealShare, { min: 0, max: 0.99 }],
      ['trouble.drainLineFactor', drainLineFactor, { min: 0.001, max: 1 }],
    ]) ??
    (prefilters && refuseFilter('prefilters', prefilters)) ??
    (pump && refusePump(pump));
  if (refused) return refused;
  if (!Number.isInteger(count)) {
    return fail('out-of-range', 'membrane.count', { got: count, ...limits.elementCount });
  }

  const permeance = knownPermeance ? succeed(knownPermeance) : elementPermeance(membrane);
  return permeance.ok ? succeed(coefficientsOf(system, permeance.value)) : permeance;
}

/** A system's coefficients at its water's temperature, unchecked: for systems that were checked and then changed. */
export function coefficientsOf(
  { feed, membrane, restrictor, prefilters, pump, trouble }: RoSystem,
  permeance: ElementPermeance,
): ResolvedSystem {
  const { feedValveKv, leakMlMin = 0, drainLineFactor = 1 } = trouble ?? {};
  const { count = 1, arrangement = 'series', flowFactor = 1, saltPassageFactor = 1 } = membrane;
  const tcf = temperatureCorrectionFactor(feed.temperatureC);
  return {
    feed,
    element: {
      water: permeance.water * flowFactor * tcf,
      salt: permeance.salt * flowFactor * saltPassageFactor * tcf,
      osmoticScaleBar: osmoticScale(feed.temperatureC),
    },
    count,
    series: arrangement === 'series',
    prefilterResistance: filterResistance(prefilters, feed.temperatureC),
    pump,
    restrictorCoefficient: restrictorCoefficient(restrictor) * drainLineFactor,
    feedValve: feedValveKv === undefined ? 0 : (1000 * feedValveKv) ** -2,
    leak: restrictorCoefficient({ flowMlMin: leakMlMin, atPressureBar: 1 }),
    brineSealShare: trouble?.brineSealShare ?? 0,
    membraneAbsent: trouble?.membraneAbsent === true,
    pumpStarves: trouble !== undefined,
  };
}

function refusePump(pump: Pump) {
  const checks: [string, number, Range][] = [
    ['pump.curve.length', pump.curve.length, { min: 1, max: 100 }],
    ['pump.bypassBar', pump.bypassBar, limits.bypassBar],
  ];
  pump.curve.forEach((point, i) => {
    const floor = pump.curve[i - 1]?.flowLPerH ?? 0;
    checks.push(
      [`pump.curve.${i}.flowLPerH`, point.flowLPerH, { min: floor, max: limits.flowLPerH.max }],
      [`pump.curve.${i}.boostBar`, point.boostBar, limits.boostBar],
    );
  });
  return firstOutOfRange(checks);
}
