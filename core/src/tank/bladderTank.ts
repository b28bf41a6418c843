/** Standard atmosphere, bar. */
export const atmosphereBar = 1.01325;

/** A bladder or diaphragm tank. */
export interface BladderTank {
  /** Shell volume, L. */
  volumeL: number;
  /** Air pressure with the tank empty, bar gauge. */
  prechargeBar: number;
  /** Height of the tank above the unit, m; negative below it. */
  riseM?: number;
}

/**
 * Water in a bladder tank at a pressure (isothermal air): `Vt (1 - (P0 + 1.01325)/(P + 1.01325))`, L; none below the precharge.
 */
export function tankVolume(tank: BladderTank, pressureBar: number): number {
  if (pressureBar <= tank.prechargeBar) return 0;
  return tank.volumeL * (1 - (tank.prechargeBar + atmosphereBar) / (pressureBar + atmosphereBar));
}

/** Water that a tank takes for each bar more, at a pressure, L/bar: the slope of `tankVolume`. */
export const volumePerBar = ({ volumeL, prechargeBar }: BladderTank, pressureBar: number): number =>
  (volumeL * (prechargeBar + atmosphereBar)) / (pressureBar + atmosphereBar) ** 2;

/** The inverse: pressure of a tank that holds a volume, bar gauge. */
export function tankPressure(tank: BladderTank, waterL: number): number {
  return (tank.prechargeBar + atmosphereBar) / (1 - waterL / tank.volumeL) - atmosphereBar;
}

/** What stops production when the tank is full. */
export type Shutoff =
  | { kind: 'hydraulic'; ratio?: number }
  | { kind: 'pressure-switch'; cutoutBar: number };

/** Share of the supply pressure at which a four-port valve usually closes; a property of the valve, by default 2/3. */
export const usualShutoffRatio = 0.67;

/** Pressure on the product line at which production stops, bar gauge. */
export function shutoffPressure(shutoff: Shutoff, supplyBar: number): number {
  return shutoff.kind === 'hydraulic'
    ? (shutoff.ratio ?? usualShutoffRatio) * supplyBar
    : shutoff.cutoutBar;
}
