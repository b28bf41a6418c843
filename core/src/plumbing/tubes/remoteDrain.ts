import { tubeLoss } from '../../hydraulics/tubeLoss.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import { assess } from '../../system/assess.ts';
import {
  type Ageing,
  type FeedWater,
  type SystemDesign,
  withRestrictor,
} from '../../system/design.ts';
import { risePressure } from '../../water/waterDensity.ts';
import { boreMm } from '../places/tubeSize.ts';

/** What a drain line that climbs does to the system. */
export interface DrainClimb {
  /** Pressure that stands behind the restrictor, bar. */
  backBar: number;
  drainLPerProductL: number;
  productTdsMgL: number;
}

/** The pressure behind the restrictor depends on the drain flow a little: it has settled after this many turns. */
const turns = 6;

/**
 * The same system with its drain line led up to the waste at the sink: what stands in the line pushes back on the restrictor, so less
 * goes to drain and the product is a little saltier. A 1/4" line of the whole length and rise; a permeate pump's share is left out.
 * Units: m, bar, mg/L. Errors: those of `assess`.
 */
export function remoteDrain(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing,
  { lengthM, riseM }: { lengthM: number; riseM: number },
): Outcome<DrainClimb> {
  const { temperatureC } = water;
  const line = { innerDiameterMm: boreMm['1/4"'], lengthM };
  const climb = Math.max(risePressure(riseM, temperatureC), 0);
  let share = 1;
  for (let turn = 0; ; turn += 1) {
    // An orifice into a back pressure passes what a smaller one passes into the open.
    const assessed = assess(withRestrictor(design, share), water, ageing);
    if (!assessed.ok) return assessed;
    const { running, drainLPerProductL, productTdsMgL } = assessed.value;
    const backBar = climb + tubeLoss(line, running.concentrateFlowLPerH, temperatureC);
    if (turn === turns) return succeed({ backBar, drainLPerProductL, productTdsMgL });
    share = Math.sqrt(Math.max(1 - backBar / running.membranePressureBar, 0.01));
  }
}
