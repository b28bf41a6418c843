import { tapFlow, tapLineLoss } from '../hydraulics/tapLine.ts';
import { type Outcome, succeed } from '../base/outcome.ts';
import { tankPressure, tankVolume } from '../tank/bladderTank.ts';
import { type Condition, partsIn, troubled } from './condition.ts';
import {
  type FeedWater,
  productSideOf,
  roSystemOf,
  type SystemDesign,
  tapLineOf,
} from './design.ts';
import { type OperatingPoint, OperatingPointSolver } from './point/operatingPoint.ts';
import { resolveSystem } from './point/roSystem.ts';

/** Where somebody stands and looks: which valves are open, and what is in the tank. */
export type Scene =
  /** The tank at a pressure, its valve open; the tap open or closed. */
  | { tank: 'open'; tankBar: number; tap: 'open' | 'closed' }
  /** The tank's valve closed, or no tank: what is made goes to the open tap. */
  | { tank: 'closed'; tap: 'open' };

/** What is seen in a scene. */
export interface Observation {
  /** The design's parts as they are in the condition. */
  design: SystemDesign;
  point: OperatingPoint;
  /** Null where the tank is out of the line. */
  tankBar: number | null;
  /** What runs from the open tap, L/h; 0 where it is closed. */
  drawnLPerH: number;
}

/**
 * The forward model: what a design in a condition shows in a scene and a water, while it makes water. The waterline, what is expected of
 * a verification and whatever asks what a fault would look like read it.
 * Units: L/h, mg/L, bar gauge. Errors: those of the operating point and of the tap flow.
 */
export function observe(
  built: SystemDesign,
  condition: Condition,
  scene: Scene,
  water: FeedWater,
): Outcome<Observation> {
  const design = partsIn(built, condition);
  const resolved = resolveSystem(troubled(roSystemOf(design, water, condition.ageing), condition));
  if (!resolved.ok) return resolved;
  const solver = new OperatingPointSolver(resolved.value);
  const line = tapLineOf(design);
  const { temperatureC } = water;
  if (scene.tank === 'closed') {
    const solved = solver.solve((flow) => tapLineLoss(line, flow, temperatureC).totalBar);
    if (!solved.ok) return solved;
    const { permeateFlowLPerH } = solved.value;
    return succeed({ design, point: solved.value, tankBar: null, drawnLPerH: permeateFlowLPerH });
  }
  const { tankBar, tap } = scene;
  const productSide = productSideOf(design)(tankBar);
  const solved = solver.solve(() => productSide);
  if (!solved.ok) return solved;
  const seen = { design, point: solved.value, tankBar };
  if (tap === 'closed' || tankBar <= tapLineLoss(line, 0, temperatureC).totalBar)
    return succeed({ ...seen, drawnLPerH: 0 });
  const drawn = tapFlow({ ...line, sourcePressureBar: tankBar, temperatureC });
  return drawn.ok ? succeed({ ...seen, drawnLPerH: drawn.value.flowLPerMin * 60 }) : drawn;
}

/** Pressure in a design's tank when a share of its usable water is in it, bar; @param fullBar where filling ends */
export const tankBarAt = (
  tank: NonNullable<SystemDesign['tank']>,
  fullBar: number,
  share: number,
): number => tankPressure(tank, tankVolume(tank, fullBar) * Math.min(Math.max(share, 0), 1));
