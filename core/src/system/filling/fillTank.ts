import { firstOutOfRange } from '../../base/guard.ts';
import { limits } from '../../base/limits.ts';
import { integrate } from '../../base/numeric/integrate.ts';
import { fail, type Outcome, succeed } from '../../base/outcome.ts';
import { type OperatingPoint, OperatingPointSolver } from '../point/operatingPoint.ts';
import { resolveSystem, type RoSystem } from '../point/roSystem.ts';
import { risePressure } from '../../water/waterDensity.ts';
import {
  type BladderTank,
  type Shutoff,
  shutoffPressure,
  tankVolume,
  volumePerBar,
} from '../../tank/bladderTank.ts';
import { endOfFill } from './endOfFill.ts';

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
  const { tank, shutoff } = system;
  const solver = new OperatingPointSolver(resolved.value);
  const shutoffPressureBar = shutoffPressure(shutoff, pressureBar);
  const riseBar = risePressure(tank.riseM ?? 0, temperatureC);
  const pointAt = (tankBar: number) => solver.solve(() => tankBar + riseBar);
  // The shut-off senses the product line at the unit, which stands above the tank's own pressure by the rise.
  const end = endOfFill(pointAt, tank.prechargeBar, shutoffPressureBar - riseBar);
  if (!end.ok) return end;
  const { endBar, reachesClosing } = end.value;
  if (!reachesClosing)
    return succeed({ shutsOff: false, shutoffPressureBar, stallPressureBar: endBar });

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
      const volumeSlope = volumePerBar(tank, bar);
      into[0] = (60 * volumeSlope) / flow;
      into[1] = (volumeSlope * point.value.concentrateFlowLPerH) / flow;
      into[2] = volumeSlope * point.value.permeateTdsMgL;
    },
    3,
    tank.prechargeBar,
    endBar,
    { tolerance: 1e-6 },
  );
  if (failed && !failed.ok) return failed;
  if (filled.status !== 'converged') return fail(filled.status, 'fillTimeMin');
  const usableVolumeL = tankVolume(tank, endBar);
  return succeed({
    shutsOff: true,
    shutoffPressureBar,
    usableVolumeL,
    fillTimeMin: filled.values[0]!,
    drainVolumeL: filled.values[1]!,
    tankTdsMgL: filled.values[2]! / usableVolumeL,
  });
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
