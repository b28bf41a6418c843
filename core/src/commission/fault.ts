import { partsIn, sound, troubled, type Condition } from '../system/condition.ts';
import { closesWhenFull, feedCloser } from '../system/closing.ts';
import {
  type FeedWater,
  roSystemOf,
  shutoffOf,
  type SystemDesign,
  tapLineOf,
} from '../system/design.ts';
import { fillTank } from '../system/filling/fillTank.ts';
import { directFlow } from '../system/point/directFlow.ts';
import { tapFlow } from '../hydraulics/tapLine.ts';
import type { Outcome } from '../base/outcome.ts';

/** What can be wrong with a system, as a change to what it was built as. */
export type FaultCode =
  | 'supply-valve-partly-open'
  | 'prefilter-blocked'
  | 'membrane-absent'
  | 'membrane-bypass'
  | 'membrane-oxidised'
  | 'membrane-scaled'
  | 'restrictor-missing'
  | 'restrictor-blocked'
  | 'check-valve-leaking'
  | 'shutoff-stuck-open'
  | 'shutoff-stuck-closed'
  | 'supply-pressure-low'
  | 'precharge-lost'
  | 'precharge-high'
  | 'post-filter-blocked'
  | 'lines-swapped'
  | 'pump-off'
  | 'pump-weak'
  | 'tank-valve-closed'
  | 'water-cold';

/** A system with something wrong. */
export interface Altered {
  condition: Condition;
  water: FeedWater;
  /** The valve or switch that ends a fill stands still. */
  stuck?: 'open' | 'closed';
  checkValveLeaks?: true;
  linesSwapped?: true;
  tankValveClosed?: true;
}

export interface Fault {
  code: FaultCode;
  /** How common it is among all that may be wrong; only the relation counts. */
  weight: number;
  /** From the least to the most of it, as likely each. @param size of the membranes, over an ordinary under-sink element's */
  severities: (size: number) => readonly number[];
  exists: (design: SystemDesign) => boolean;
  alter: (as: Altered, severity: number) => Altered;
}

/** How many points stand for a range of severities. */
const steps = 5;
const middles = Array.from({ length: steps }, (_, i) => (i + 0.5) / steps);
const log = (least: number, most: number) => () =>
  middles.map((share) => least * (most / least) ** share);
const sized = (least: number, most: number) => (size: number) =>
  log(least, most)().map((v) => v * size);
const even = (least: number, most: number) => () =>
  middles.map((share) => least + (most - least) * share);
const whole = () => [1];
/** Rated flow of an ordinary under-sink element, L/day. */
const ordinaryLPerDay = 284;

/** How large a design's membranes are, over an ordinary one. */
export const sizeOf = ({ membrane, elements }: SystemDesign): number =>
  (membrane.rating.ratedFlowLPerDay * elements) / ordinaryLPerDay;

const always = () => true;
const withTank = ({ tank }: SystemDesign) => tank !== null;
const withPump = ({ pump }: SystemDesign) => pump !== null;

const conditioned =
  (change: (severity: number) => Partial<Condition>) =>
  (as: Altered, severity: number): Altered => ({
    ...as,
    condition: { ...as.condition, ...change(severity) },
  });
const watered =
  (change: (water: FeedWater, severity: number) => Partial<FeedWater>) =>
  (as: Altered, severity: number): Altered => ({
    ...as,
    water: { ...as.water, ...change(as.water, severity) },
  });

/** Defaults: ranges and weights as practice has them. */
export const faults: readonly Fault[] = [
  {
    code: 'supply-valve-partly-open',
    weight: 0.04,
    severities: sized(0.01, 0.08),
    exists: always,
    alter: conditioned((feedValveKv) => ({ feedValveKv })),
  },
  {
    code: 'prefilter-blocked',
    weight: 0.05,
    severities: log(3, 40),
    exists: ({ prefilters }) => prefilters.length > 0,
    alter: conditioned((prefilterFactor) => ({ prefilterFactor })),
  },
  {
    code: 'membrane-absent',
    weight: 0.012,
    severities: log(800, 4000),
    exists: always,
    alter: conditioned((leakMlMin) => ({ leakMlMin })),
  },
  {
    code: 'membrane-bypass',
    weight: 0.05,
    severities: sized(3, 150),
    exists: always,
    alter: conditioned((leakMlMin) => ({ leakMlMin })),
  },
  {
    code: 'membrane-oxidised',
    weight: 0.03,
    severities: log(2, 12),
    exists: always,
    alter: conditioned((v) => ({ ageing: { flowFactor: v ** 0.3, saltPassageFactor: v } })),
  },
  {
    code: 'membrane-scaled',
    weight: 0.04,
    severities: log(0.2, 0.7),
    exists: always,
    alter: conditioned((v) => ({ ageing: { flowFactor: v, saltPassageFactor: v ** -0.5 } })),
  },
  {
    code: 'restrictor-missing',
    weight: 0.02,
    severities: log(3, 12),
    exists: always,
    alter: conditioned((restrictorFactor) => ({ restrictorFactor })),
  },
  {
    // The drain line behind it, blocked, shows the same.
    code: 'restrictor-blocked',
    weight: 0.06,
    severities: log(0.05, 0.6),
    exists: always,
    alter: conditioned((restrictorFactor) => ({ restrictorFactor })),
  },
  {
    code: 'check-valve-leaking',
    weight: 0.03,
    severities: whole,
    exists: withTank,
    alter: (as) => ({ ...as, checkValveLeaks: true }),
  },
  {
    code: 'shutoff-stuck-open',
    weight: 0.03,
    severities: whole,
    exists: (design) => feedCloser(design) !== null,
    alter: (as) => ({ ...as, stuck: 'open' }),
  },
  {
    code: 'shutoff-stuck-closed',
    weight: 0.02,
    severities: whole,
    exists: (design) => feedCloser(design) !== null,
    alter: (as) => ({ ...as, stuck: 'closed' }),
  },
  {
    code: 'supply-pressure-low',
    weight: 0.03,
    severities: log(0.25, 0.65),
    exists: always,
    alter: watered(({ pressureBar }, v) => ({ pressureBar: pressureBar * v })),
  },
  {
    code: 'precharge-lost',
    weight: 0.04,
    severities: even(0, 0.5),
    exists: withTank,
    alter: conditioned((prechargeFactor) => ({ prechargeFactor })),
  },
  {
    code: 'precharge-high',
    weight: 0.02,
    severities: log(1.6, 5),
    exists: withTank,
    alter: conditioned((prechargeFactor) => ({ prechargeFactor })),
  },
  {
    code: 'post-filter-blocked',
    weight: 0.03,
    severities: log(4, 60),
    exists: ({ postFilter }) => postFilter !== null,
    alter: conditioned((postFilterFactor) => ({ postFilterFactor })),
  },
  {
    code: 'lines-swapped',
    weight: 0.015,
    severities: whole,
    exists: always,
    alter: (as) => ({ ...as, linesSwapped: true }),
  },
  {
    code: 'pump-off',
    weight: 0.02,
    severities: whole,
    exists: withPump,
    alter: conditioned(() => ({ pumpFactor: 0 })),
  },
  {
    code: 'pump-weak',
    weight: 0.03,
    severities: log(0.1, 0.7),
    exists: withPump,
    alter: conditioned((pumpFactor) => ({ pumpFactor })),
  },
  {
    code: 'tank-valve-closed',
    weight: 0.03,
    severities: whole,
    exists: ({ tank }) => tank !== null && tank.internal !== true,
    alter: (as) => ({ ...as, tankValveClosed: true }),
  },
  {
    code: 'water-cold',
    weight: 0.03,
    severities: even(2, 10),
    exists: always,
    alter: watered(({ temperatureC }, v) => ({ temperatureC: Math.max(1, temperatureC - v) })),
  },
];

/** Nothing wrong, in a water. */
export const asBuilt = (water: FeedWater): Altered => ({ condition: sound, water });

/** What a person beside it sees of a system: with the tank's valve closed and the tap open, and of its tank. */
export interface Signs {
  productLPerH: number;
  drainLPerH: number;
  productTdsMgL: number;
  /** From empty until the drain stops; Infinity where it never does. Null without a tank. */
  fillMin: () => number | null;
  /** Whether the drain stops once the tank is full, or the tap closed. */
  drainStops: () => boolean;
  /** From a full tank, L/min; without a tank what runs. */
  tapLPerMin: () => number;
}

const nothing: Signs = {
  productLPerH: 0,
  drainLPerH: 0,
  productTdsMgL: 0,
  fillMin: () => Infinity,
  drainStops: () => true,
  tapLPerMin: () => 0,
};

/** Computes what is seen of a system with something wrong. A fault so large that nothing can be solved shows no water. */
export function signsOf(built: SystemDesign, altered: Altered): Signs {
  const { condition, water, stuck, linesSwapped, checkValveLeaks, tankValveClosed } = altered;
  if (stuck === 'closed') return { ...nothing, fillMin: () => (built.tank ? Infinity : null) };
  const design = partsIn(built, condition);
  const system = troubled(roSystemOf(design, water, condition.ageing), condition);
  const tapLine = tapLineOf(design);
  const running = directFlow({ ...system, tapLine });
  if (!running.ok) return { ...nothing, fillMin: () => (built.tank ? Infinity : null) };
  const { permeateFlowLPerH, concentrateFlowLPerH, permeateTdsMgL, concentrateTdsMgL } =
    running.value;
  const fill = once(() =>
    design.tank
      ? fillTank({
          ...system,
          tank: { volumeL: design.tank.volumeL, prechargeBar: design.tank.prechargeBar },
          shutoff: shutoffOf(design),
        })
      : null,
  );
  const filled = () => valueOf(fill());
  const shuts = () => {
    if (stuck === 'open' || checkValveLeaks) return false;
    return (design.tank === null || filled()?.shutsOff === true) && closesWhenFull(design, water);
  };
  return {
    productLPerH: linesSwapped ? concentrateFlowLPerH : permeateFlowLPerH,
    drainLPerH: linesSwapped ? permeateFlowLPerH : concentrateFlowLPerH,
    productTdsMgL: linesSwapped ? concentrateTdsMgL : permeateTdsMgL,
    fillMin: () => {
      if (!design.tank) return null;
      if (tankValveClosed) return 0;
      const done = filled();
      return stuck !== 'open' && done?.shutsOff ? done.fillTimeMin : Infinity;
    },
    drainStops: shuts,
    tapLPerMin: () => {
      if (!design.tank) return permeateFlowLPerH / 60;
      if (tankValveClosed) return permeateFlowLPerH / 60;
      const done = filled();
      if (!done) return 0;
      const fullBar = done.shutsOff ? done.shutoffPressureBar : done.stallPressureBar;
      const flow = tapFlow({
        ...tapLine,
        sourcePressureBar: fullBar,
        temperatureC: water.temperatureC,
      });
      return flow.ok ? flow.value.flowLPerMin : 0;
    },
  };
}

const valueOf = <T>(outcome: Outcome<T> | null): T | null => (outcome?.ok ? outcome.value : null);

function once<T>(make: () => T): () => T {
  let made: { value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}
