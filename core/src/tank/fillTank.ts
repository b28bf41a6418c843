import { firstOutOfRange } from '../guard.ts';
import { limits } from '../limits.ts';
import { findRoot } from '../numeric/findRoot.ts';
import { integrate } from '../numeric/integrate.ts';
import { fail, type FailureCode, type Outcome, succeed } from '../outcome.ts';
import { type OperatingPoint, OperatingPointSolver } from '../system/operatingPoint.ts';
import { resolveSystem, type RoSystem } from '../system/roSystem.ts';
import { risePressure } from '../water/waterDensity.ts';
import {
  atmosphereBar,
  type BladderTank,
  type Shutoff,
  shutoffPressure,
  tankVolume,
} from './bladderTank.ts';

/** How a tank fills, or where it stalls. */
export type TankFill =
  | {
      shutsOff: true;
      shutoffPressureBar: number;
      usableVolumeL: number;
      fillTimeMin: number;
      drainVolumeL: number;
      tankTdsMgL: number;
    }
  | { shutsOff: false; shutoffPressureBar: number; stallPressureBar: number };

/** Share of the flow into the empty tank at which a system is taken to have stalled. */
const stallShare = 0.001;

/** Failures of an operating point that mean, at some tank pressure, just "no product any more". */
const stalls: ReadonlySet<FailureCode> = new Set(['no-driving-pressure', 'pressure-below-osmotic']);

/** A system with the tank that it fills. */
export interface TankSystem extends RoSystem {
  tank: BladderTank;
  shutoff: Shutoff;
}

/**
 * Fills an empty bladder tank until the shut-off closes. Time, drain water and salt are one integral over tank pressure:
 * `integral dV / Qp(P)` with the flows beside it.
 * Units: bar gauge, L, min, mg/L. Errors: those of `operatingPoint`; 'shutoff-below-precharge' if production would stop
 * before the tank takes any water. Source: isothermal air cushion, solution-diffusion.
 */
export function fillTank(system: TankSystem): Outcome<TankFill> {
  const refused = refuseTank(system.tank, system.shutoff);
  if (refused) return refused;
  const resolved = resolveSystem(system);
  if (!resolved.ok) return resolved;
  const { temperatureC, pressureBar } = system.feed;
  return fillTankWith(new OperatingPointSolver(resolved.value), system, pressureBar, temperatureC);
}

/** Refuses a tank or shut-off that is not physical. */
export function refuseTank(tank: BladderTank, shutoff: Shutoff) {
  return firstOutOfRange([
    ['tank.volumeL', tank.volumeL, limits.tankVolumeL],
    ['tank.prechargeBar', tank.prechargeBar, limits.prechargeBar],
    ['tank.riseM', tank.riseM ?? 0, limits.riseM],
    shutoff.kind === 'hydraulic'
      ? (['shutoff.ratio', shutoff.ratio ?? 0.67, limits.shutoffRatio] as const)
      : (['shutoff.cutoutBar', shutoff.cutoutBar, limits.cutoutBar] as const),
  ]);
}

/** The same with a solver that is already warm; the tank and shut-off must have been checked. */
export function fillTankWith(
  solver: OperatingPointSolver,
  { tank, shutoff }: Pick<TankSystem, 'tank' | 'shutoff'>,
  supplyBar: number,
  temperatureC: number,
): Outcome<TankFill> {
  const shutoffPressureBar = shutoffPressure(shutoff, supplyBar);
  const riseBar = risePressure(tank.riseM ?? 0, temperatureC);
  // The shut-off senses the product line at the unit, which stands above the tank's own pressure by the rise.
  const closingBar = shutoffPressureBar - riseBar;
  if (closingBar <= tank.prechargeBar) {
    return fail('shutoff-below-precharge', 'tank.prechargeBar', {
      closingBar,
      prechargeBar: tank.prechargeBar,
    });
  }
  const pointAt = (tankBar: number) => solver.solve(() => tankBar + riseBar);
  const empty = pointAt(tank.prechargeBar);
  if (!empty.ok) return empty;
  const stalledFlow = stallShare * empty.value.permeateFlowLPerH;
  const full = pointAt(closingBar);
  if (!full.ok && !stalls.has(full.failure.code)) return full;
  if (!full.ok || full.value.permeateFlowLPerH <= stalledFlow) {
    const search = findRoot(
      (bar) => flowOf(pointAt(bar)) - stalledFlow,
      tank.prechargeBar,
      closingBar,
      { tolerance: 1e-7 },
    );
    if (search.status !== 'converged') return fail(search.status, 'stallPressureBar');
    return succeed({ shutsOff: false, shutoffPressureBar, stallPressureBar: search.x });
  }

  let failed: Outcome<OperatingPoint> | undefined;
  const filled = integrate(
    (bar, into) => {
      const point = pointAt(bar);
      if (!point.ok) {
        failed ??= point;
        into.fill(0);
        return;
      }
      const flow = point.value.permeateFlowLPerH;
      const volumeSlope =
        (tank.volumeL * (tank.prechargeBar + atmosphereBar)) / (bar + atmosphereBar) ** 2;
      into[0] = (60 * volumeSlope) / flow;
      into[1] = (volumeSlope * point.value.concentrateFlowLPerH) / flow;
      into[2] = volumeSlope * point.value.permeateTdsMgL;
    },
    3,
    tank.prechargeBar,
    closingBar,
    { tolerance: 1e-6 },
  );
  if (failed && !failed.ok) return failed;
  if (filled.status !== 'converged') return fail(filled.status, 'fillTimeMin');
  const usableVolumeL = tankVolume(tank, closingBar);
  return succeed({
    shutsOff: true,
    shutoffPressureBar,
    usableVolumeL,
    fillTimeMin: filled.values[0]!,
    drainVolumeL: filled.values[1]!,
    tankTdsMgL: filled.values[2]! / usableVolumeL,
  });
}

const flowOf = (point: Outcome<OperatingPoint>): number =>
  point.ok ? point.value.permeateFlowLPerH : 0;
