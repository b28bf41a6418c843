import { type Outcome, succeed } from '../base/outcome.ts';
import { netDrivingPressure } from '../membrane/netDrivingPressure.ts';
import { directFlow } from './point/directFlow.ts';
import { type OperatingPoint, OperatingPointSolver } from './point/operatingPoint.ts';
import { resolveSystem } from './point/roSystem.ts';
import {
  type Ageing,
  type FeedWater,
  newMembrane,
  productSideOf,
  roSystemOf,
  type SystemDesign,
  tapLineOf,
} from './design.ts';

/** Where the pressure goes on its way from the street into the product, bar. What comes in equals what is spent and left. */
export interface PressureBudget {
  supplyBar: number;
  /** Added by the pump at this flow. */
  pumpBar: number;
  prefiltersBar: number;
  /** Mean osmotic pressure across the membrane. */
  osmoticBar: number;
  /** Of the tank, or of the line to the open tap. */
  productSideBar: number;
  /** Net driving pressure: what is left to make water. */
  leftBar: number;
  productLPerH: number;
}

/**
 * Budget of a design against a tank at a pressure, or through its open tap where it has no tank.
 * Net driving pressure by ASTM D4516. Errors: those of the operating point.
 */
export function pressureBudget(
  design: SystemDesign,
  water: FeedWater,
  tankBar: number,
  ageing: Ageing = newMembrane,
): Outcome<PressureBudget> {
  const solved = solveAt(design, water, tankBar, ageing);
  if (!solved.ok) return solved;
  const point = solved.value;
  const leftBar = netDrivingPressure({
    feedTdsMgL: water.tdsMgL,
    permeateTdsMgL: point.permeateTdsMgL,
    temperatureC: water.temperatureC,
    feedPressureBar: point.membranePressureBar,
    recovery: point.recovery,
    permeateFlowLPerH: point.permeateFlowLPerH,
    permeatePressureBar: point.permeateBackPressureBar,
  });
  const resolved = resolveSystem(roSystemOf(design, water, ageing));
  if (!resolved.ok) return resolved;
  const prefiltersBar = resolved.value.prefilterResistance * point.feedFlowLPerH;
  return succeed({
    supplyBar: water.pressureBar,
    pumpBar: point.membranePressureBar - (water.pressureBar - prefiltersBar),
    prefiltersBar,
    osmoticBar: point.membranePressureBar - point.permeateBackPressureBar - leftBar,
    productSideBar: point.permeateBackPressureBar,
    leftBar,
    productLPerH: point.permeateFlowLPerH,
  });
}

function solveAt(
  design: SystemDesign,
  water: FeedWater,
  tankBar: number,
  ageing: Ageing,
): Outcome<OperatingPoint> {
  const system = roSystemOf(design, water, ageing);
  if (!design.tank) return directFlow({ ...system, tapLine: tapLineOf(design) });
  const resolved = resolveSystem(system);
  if (!resolved.ok) return resolved;
  const productSideBar = productSideOf(design)(tankBar);
  return new OperatingPointSolver(resolved.value).solve(() => productSideBar);
}
