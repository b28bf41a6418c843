import newtonRaphson from 'newton-raphson-method';
import odex from './odex.js';
import { concentrationPolarisation } from '../membrane/concentrationPolarisation.ts';
import { temperatureCorrectionFactor } from '../membrane/temperatureCorrectionFactor.ts';
import { pumpPressure } from '../hydraulics/pumpPressure.ts';
import { filterResistance } from '../hydraulics/prefilterDrop.ts';
import { restrictorCoefficient, restrictorFlow } from '../hydraulics/restrictorFlow.ts';
import type { MembraneRating } from '../membrane/elementPermeance.ts';
import type { RoSystem } from '../system/point/roSystem.ts';
import { osmoticPressure } from '../water/osmoticPressure.ts';

/**
 * The equations of one element written down as they stand and handed to general packages: `odex` marches the channel, a
 * Newton-Raphson package finds every root. It shares no numerical method with the core's solver, so it is what that one is tested
 * and timed against. One element, and only where all of the channel makes product.
 */

interface Outlet {
  permeateLPerH: number;
  permeateMgL: number;
}

const root = (f: (x: number) => number, start: number, h: number): number => {
  const x = newtonRaphson(f, start, { tolerance: 1e-8, maxIterations: 60, h });
  if (x === false) throw new Error('the plain solver did not converge');
  return x;
};

/** Local flux by Newton's method on `J - a (dP - pi(cm) + pi(cp))`, with everything recomputed at every trial. */
function localFlux(a: number, b: number, bar: number, beta: number, c: number, t: number) {
  const saltOf = (flux: number) => (b * beta * c) / (flux + b * beta);
  const flux = root(
    (trial) => {
      const cp = saltOf(trial);
      const cm = cp + beta * (c - cp);
      return trial - a * (bar - osmoticPressure(cm, t) + osmoticPressure(cp, t));
    },
    a * bar * 0.8,
    1e-4,
  );
  return { flux, cp: saltOf(flux) };
}

function march(
  a: number,
  b: number,
  feed: number,
  tdsMgL: number,
  bar: number,
  recovery: number,
  t: number,
): Outlet {
  const beta = concentrationPolarisation(recovery);
  const solver = new odex.Solver(2);
  solver.relativeTolerance = 1e-9;
  solver.absoluteTolerance = 1e-9;
  const { y } = solver.solve(
    (_s: number, [q, c]: number[]) => {
      const { flux, cp } = localFlux(a, b, bar, beta, c!, t);
      return [-flux, (flux * (c! - cp)) / q!];
    },
    0,
    [feed, tdsMgL],
    1,
  );
  const [q, c] = y as [number, number];
  return { permeateLPerH: feed - q, permeateMgL: (feed * tdsMgL - q * c) / (feed - q) };
}

/** Permeances from the rating by two nested searches. */
function permeances(rating: MembraneRating): { a: number; b: number } {
  const flow = rating.ratedFlowLPerDay / 24;
  const feed = flow / rating.ratedRecovery;
  const at = (a: number, b: number) =>
    march(a, b, feed, rating.ratedTdsMgL, rating.ratedPressureBar, rating.ratedRecovery, 25);
  const passage = 1 - rating.ratedRejection;
  const saltFor = (a: number) =>
    root(
      (b) => at(a, b).permeateMgL / rating.ratedTdsMgL / passage - 1,
      flow * passage,
      1e-3 * flow * passage,
    );
  const a = root(
    (trial) => at(trial, saltFor(trial)).permeateLPerH / flow - 1,
    flow / (rating.ratedPressureBar * 0.93),
    1e-3,
  );
  return { a, b: saltFor(a) };
}

/** A system whose permeances are known already, to be solved at any product-side pressure. */
export function plainSystem(system: RoSystem) {
  const { feed, membrane, restrictor, prefilters, pump } = system;
  const { a, b } = permeances(membrane);
  const t = feed.temperatureC;
  const tcf = temperatureCorrectionFactor(t);
  const { flowFactor = 1, saltPassageFactor = 1 } = membrane;
  const k = restrictorCoefficient(restrictor);

  const solveAt = (backBar: number) => {
    const membraneBar = (flow: number) =>
      pumpPressure(pump, feed.pressureBar - filterResistance(prefilters, t) * flow, flow);
    const outletAt = (flow: number, recovery: number) =>
      march(
        a * flowFactor * tcf,
        b * flowFactor * saltPassageFactor * tcf,
        flow,
        feed.tdsMgL,
        membraneBar(flow) - backBar,
        recovery,
        t,
      );
    const settled = (flow: number) => {
      const recovery = root((y) => outletAt(flow, y).permeateLPerH / flow - y, 0.2, 1e-4);
      return outletAt(flow, recovery);
    };
    const flow = root(
      (trial) => trial - settled(trial).permeateLPerH - restrictorFlow(k, membraneBar(trial)),
      restrictorFlow(k, membraneBar(0)) * 1.4,
      1e-3,
    );
    return { feedFlowLPerH: flow, ...settled(flow) };
  };
  return { solveAt };
}
