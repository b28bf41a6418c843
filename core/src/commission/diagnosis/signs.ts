import type { ReadingCode } from './reading.ts';
import type { Scenario } from './scenario.ts';
import { simulationOf } from './simulate.ts';

/** What a person beside it sees of a system, without an instrument. */
export interface Signs {
  productLPerH: number;
  drainLPerH: number;
  /** The feed's own where no product comes. */
  productTdsMgL: number;
  /** From empty until the drain stops; Infinity where it never does. Null without a tank. */
  fillMin: () => number | null;
  /** Whether the drain stops once the tank is full, or the tap closed. */
  drainStops: () => boolean;
  /** From a full tank, L/min; without a tank what runs. */
  tapLPerMin: () => number;
}

/**
 * Computes what is seen of a system in a scenario.
 * @throws RangeError as `simulationOf`
 */
export function signsOf(as: Scenario): Signs {
  const { system, trouble } = as;
  const simulation = simulationOf(as, 'quick');
  const number = (code: ReadingCode) => Number(simulation.read(code) ?? 0);
  const productLPerH = number('productFlowLPerH');
  const tankInLine = system.tank !== undefined && !trouble.tankValveClosed;
  return {
    productLPerH,
    drainLPerH: number('drainFlowLPerH'),
    productTdsMgL: productLPerH > 0 ? simulation.productMgL : system.feed.tdsMgL,
    fillMin: () => {
      const minutes = simulation.read('fillTimeMin');
      return system.tank === undefined ? null : typeof minutes === 'number' ? minutes : Infinity;
    },
    drainStops: () => simulation.read('drainStopsWhenFull') === true,
    tapLPerMin: () => (tankInLine ? number('tapFlowStartLPerMin') : productLPerH / 60),
  };
}
