import type { TankFill } from './filling/fillTank.ts';
import type { FeedWater } from './design.ts';
import type { OperatingPoint } from './point/operatingPoint.ts';

/** What a design does in one water. */
export interface Assessment {
  water: FeedWater;
  /** Into the empty tank, or with the tap open where there is no tank. */
  running: OperatingPoint;
  /** Null without a tank. */
  fill: TankFill | null;
  /** Water it can make in a day, filling its tank over and over, L. 0 when it never shuts off. */
  productionLPerDay: number;
  productTdsMgL: number;
  /** 1 - product / feed TDS, over a whole fill. */
  rejection: number;
  /** Product / feed, over a whole fill. */
  recovery: number;
  drainLPerProductL: number;
  netDrivingPressureBar: number;
  productPh: number;
  productCo2MgL: number;
  productAlkalinityMgL: number;
  productHardnessMgL: number;
  concentrateLsi: number;
  usableVolumeL: number;
  /** Mean product flow while it fills its tank (runs, without one), L/h. */
  fillingLPerH: number;
  /** At the open tap with the tank full and with half of its usable water drawn; equal without a tank. */
  tapFullLPerMin: number;
  tapHalfLPerMin: number;
  secondsPerGlass: number;
}

/** What the way to the glass decides. */
export type TapAssessment = Pick<
  Assessment,
  'tapFullLPerMin' | 'tapHalfLPerMin' | 'secondsPerGlass'
>;

/** A design with a shell of one litre, without its tap; with the tank's pressure full and half full, bar. */
export interface LitreAssessment extends Omit<Assessment, keyof TapAssessment> {
  fullBar: number;
  halfBar: number;
}
