import type { Range } from './guard.ts';

/**
 * Where the equations hold or a figure is physically possible under a sink. Outside these a solver refuses
 * rather than extrapolates. Rules of practice ("too hard without a softener") are not limits; they are judged in `sizing/`.
 */
export const limits = {
  /** Liquid water that a thin-film element survives; 45 C is the common limit of the polymer. */
  temperatureC: { min: 0.5, max: 45 },
  /** Up to brackish water; the NaCl osmotic relation of ASTM D4516 is used well inside its range. */
  tdsMgL: { min: 1, max: 20000 },
  /** Gauge pressure of a supply line in a dwelling; above 16 bar pipe and housing have failed. */
  supplyPressureBar: { min: 0, max: 16 },
  ratedPressureBar: { min: 0.5, max: 30 },
  ratedFlowLPerDay: { min: 20, max: 20000 },
  /** Fractions, ends excluded in effect: an element that recovers or rejects all or nothing is none. */
  fraction: { min: 0.001, max: 0.9999 },
  ageFactor: { min: 0.02, max: 50 },
  elementCount: { min: 1, max: 12 },
  restrictorFlowMlMin: { min: 10, max: 50000 },
  backPressureBar: { min: 0, max: 16 },
  dropBar: { min: 0, max: 10 },
  flowLPerH: { min: 0.001, max: 100000 },
  boostBar: { min: 0, max: 30 },
  bypassBar: { min: 0, max: 30 },
  tankVolumeL: { min: 0.2, max: 1000 },
  prechargeBar: { min: 0, max: 6 },
  shutoffRatio: { min: 0.1, max: 1 },
  cutoutBar: { min: 0.1, max: 16 },
  innerDiameterMm: { min: 1, max: 100 },
  lengthM: { min: 0, max: 1000 },
  tapKv: { min: 0.001, max: 100 },
  riseM: { min: -50, max: 50 },
  alkalinityMgL: { min: 0.01, max: 2000 },
  calciumMgL: { min: 0.01, max: 3000 },
  co2MgL: { min: 0, max: 500 },
  pH: { min: 3, max: 11 },
  bedVolumeL: { min: 0.001, max: 100 },
  timeConstantMin: { min: 0.01, max: 1000 },
} as const satisfies Record<string, Range>;
