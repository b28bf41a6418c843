import { calciteContact, type RemineralisedWater } from '../carbonate/calciteContact.ts';
import { concentrateLsi } from '../carbonate/concentrateLsi.ts';
import { permeatePh } from '../carbonate/permeatePh.ts';
import { tapFlow, tapLineLoss } from '../hydraulics/tapLine.ts';
import { fail, type Outcome, succeed } from '../outcome.ts';
import { netDrivingPressure } from '../readings/normalise.ts';
import { directFlow } from '../system/directFlow.ts';
import { type OperatingPoint, OperatingPointSolver } from '../system/operatingPoint.ts';
import { resolveSystem } from '../system/roSystem.ts';
import { tankPressure, tankVolume } from '../tank/bladderTank.ts';
import { fillTankWith, refuseTank, type TankFill } from '../tank/fillTank.ts';
import {
  type Ageing,
  type FeedWater,
  newMembrane,
  roSystemOf,
  shutoffOf,
  type SystemDesign,
  tapLineOf,
} from './systemDesign.ts';

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
  minerals: RemineralisedWater | null;
  usableVolumeL: number;
  /** At the open tap with the tank full and with half of its usable water drawn; equal without a tank. */
  tapFullLPerMin: number;
  tapHalfLPerMin: number;
  secondsPerGlass: number;
}

/** A drinking glass, L. */
export const glassL = 0.25;

/**
 * Solves a design in a water: production, quality, waste, tap.
 * Units as named. Errors: those of the operating point, tank fill and tap flow.
 */
export function assess(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing = newMembrane,
): Outcome<Assessment> {
  return design.tank ? assessTank(design, water, ageing) : assessDirect(design, water, ageing);
}

function assessTank(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<Assessment> {
  const tank = design.tank!;
  const shutoff = shutoffOf(design);
  const refused = refuseTank(tank, shutoff);
  if (refused) return refused;
  const resolved = resolveSystem(roSystemOf(design, water, ageing));
  if (!resolved.ok) return resolved;
  const solver = new OperatingPointSolver(resolved.value);
  const running = solver.solve(() => tank.prechargeBar);
  if (!running.ok) return running;
  const filled = fillTankWith(solver, { tank, shutoff }, water.pressureBar, water.temperatureC);
  if (!filled.ok) return filled;
  const fill = filled.value;

  const restingBar = fill.shutsOff ? fill.shutoffPressureBar : fill.stallPressureBar;
  const usableVolumeL = tankVolume(tank, restingBar);
  const halfBar = tankPressure(tank, usableVolumeL / 2);
  const full = flowAtTap(design, water, restingBar);
  if (!full.ok) return full;
  const half = flowAtTap(design, water, halfBar);
  if (!half.ok) return half;
  const productTdsMgL = fill.shutsOff ? fill.tankTdsMgL : running.value.permeateTdsMgL;
  const drainL = fill.shutsOff ? fill.drainVolumeL : Infinity;
  const meanFlowLPerH = fill.shutsOff
    ? (usableVolumeL / fill.fillTimeMin) * 60
    : running.value.permeateFlowLPerH / 2;
  return finish(design, water, {
    running: running.value,
    fill,
    productionLPerDay: fill.shutsOff ? meanFlowLPerH * 24 : 0,
    productTdsMgL,
    recovery: usableVolumeL / (usableVolumeL + drainL),
    drainLPerProductL: drainL / usableVolumeL,
    usableVolumeL,
    tapFullLPerMin: full.value,
    tapHalfLPerMin: half.value,
    mineralFlowLPerH: design.mineral?.place === 'after-tank' ? half.value * 60 : meanFlowLPerH,
  });
}

function assessDirect(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<Assessment> {
  const solved = directFlow({ ...roSystemOf(design, water, ageing), tapLine: tapLineOf(design) });
  if (!solved.ok) return solved;
  const running = solved.value;
  const tapLPerMin = running.permeateFlowLPerH / 60;
  return finish(design, water, {
    running,
    fill: null,
    productionLPerDay: running.permeateFlowLPerH * 24,
    productTdsMgL: running.permeateTdsMgL,
    recovery: running.recovery,
    drainLPerProductL: running.concentrateFlowLPerH / running.permeateFlowLPerH,
    usableVolumeL: 0,
    tapFullLPerMin: tapLPerMin,
    tapHalfLPerMin: tapLPerMin,
    mineralFlowLPerH: running.permeateFlowLPerH,
  });
}

/** Flow at the open tap from a tank at a pressure; nothing where the tank cannot lift the water, which is an answer too. */
function flowAtTap(design: SystemDesign, water: FeedWater, tankBar: number): Outcome<number> {
  const line = tapLineOf(design);
  if (tankBar <= tapLineLoss(line, 0, water.temperatureC).totalBar) return succeed(0);
  const flow = tapFlow({ ...line, sourcePressureBar: tankBar, temperatureC: water.temperatureC });
  return flow.ok ? succeed(flow.value.flowLPerMin) : flow;
}

type Hydraulic = Pick<
  Assessment,
  | 'running'
  | 'fill'
  | 'productionLPerDay'
  | 'productTdsMgL'
  | 'recovery'
  | 'drainLPerProductL'
  | 'usableVolumeL'
  | 'tapFullLPerMin'
  | 'tapHalfLPerMin'
> & { mineralFlowLPerH: number };

/** Adds the chemistry to the hydraulics. */
function finish(
  design: SystemDesign,
  water: FeedWater,
  { mineralFlowLPerH, ...hydraulic }: Hydraulic,
): Outcome<Assessment> {
  const { running, productTdsMgL } = hydraulic;
  const { temperatureC, alkalinityMgL, hardnessMgL } = water;
  const passage = productTdsMgL / water.tdsMgL;
  const ph = permeatePh(water, Math.min(Math.max(passage, 1e-6), 1));
  if (!ph.ok) return ph;
  const scaling = concentrateLsi({ ...water, calciumMgL: hardnessMgL }, running.recovery, passage);
  if (!scaling.ok) return scaling;
  const product = {
    productCo2MgL: ph.value.co2MgL,
    productAlkalinityMgL: alkalinityMgL * passage,
    // Divalent calcium passes a polyamide membrane a third as readily as the salts on the whole (typical, never a promise).
    productHardnessMgL: (hardnessMgL * passage) / 3,
  };
  const bed = mineralBed(design, productTdsMgL, product, temperatureC, mineralFlowLPerH);
  if (!bed.ok && bed.failure.code !== 'water-not-in-equilibrium-range') return bed;
  return succeed({
    water,
    ...hydraulic,
    rejection: 1 - passage,
    netDrivingPressureBar: netDrivingPressure({
      feedTdsMgL: water.tdsMgL,
      permeateTdsMgL: running.permeateTdsMgL,
      temperatureC,
      feedPressureBar: running.membranePressureBar,
      recovery: running.recovery,
      permeateFlowLPerH: running.permeateFlowLPerH,
      permeatePressureBar: running.permeateBackPressureBar,
    }),
    productPh: ph.value.permeatePh,
    ...product,
    concentrateLsi: scaling.value.lsi,
    minerals: bed.ok ? bed.value : null,
    secondsPerGlass: (glassL / hydraulic.tapHalfLPerMin) * 60,
  });
}

function mineralBed(
  design: SystemDesign,
  tdsMgL: number,
  product: Pick<Assessment, 'productCo2MgL' | 'productAlkalinityMgL' | 'productHardnessMgL'>,
  temperatureC: number,
  flowLPerH: number,
): Outcome<RemineralisedWater | null> {
  if (!design.mineral) return succeed(null);
  if (!(flowLPerH > 0)) return fail('source-below-rise', 'design.line.riseM');
  return calciteContact(
    {
      tdsMgL,
      alkalinityMgL: product.productAlkalinityMgL,
      calciumMgL: product.productHardnessMgL,
      co2MgL: product.productCo2MgL,
      temperatureC,
    },
    design.mineral.part.media,
    flowLPerH,
  );
}
