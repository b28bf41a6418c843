import type { Assessment, LitreAssessment, TapAssessment } from './assessment.ts';
import { glassL } from '../base/practice.ts';
import { concentrateLsi } from '../water/carbonate/concentrateLsi.ts';
import { permeatePh } from '../water/carbonate/permeatePh.ts';
import type { TankPart } from '../catalogue/parts.ts';
import { divalentPassage } from '../membrane/divalentPassage.ts';
import { type Outcome, succeed } from '../base/outcome.ts';
import { netDrivingPressure } from '../membrane/netDrivingPressure.ts';
import { shutoffPressure, tankPressure, tankVolume } from '../tank/bladderTank.ts';
import { fillOnCurve, type ProductionCurve } from './filling/productionCurve.ts';
import { Solutions } from './solutions.ts';
import {
  type Ageing,
  type FeedWater,
  newMembrane,
  shutoffOf,
  type SystemDesign,
} from './design.ts';

/**
 * Solves a design in a water: production, quality, waste, tap.
 * @param solutions what designs that share parts have solved already, for a caller that assesses many
 * Units as named. Errors: those of the operating point, tank fill and tap flow.
 */
export function assess(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing = newMembrane,
  solutions = new Solutions(),
): Outcome<Assessment> {
  return design.tank
    ? assessTank(design, design.tank, water, ageing, solutions)
    : assessDirect(design, water, ageing, solutions);
}

function assessTank(
  design: SystemDesign,
  tank: TankPart,
  water: FeedWater,
  ageing: Ageing,
  solutions: Solutions,
): Outcome<Assessment> {
  const litre = solutions.litreOf(design, water, ageing, (curve) =>
    assessLitre(design, water, curve),
  );
  if (!litre.ok) return litre;
  const { fullBar, halfBar } = litre.value;
  const full = solutions.tapFlowOf(design, water, fullBar);
  if (!full.ok) return full;
  const half = solutions.tapFlowOf(design, water, halfBar);
  if (!half.ok) return half;
  return succeed(scaled(litre.value, tank.volumeL, tapOf(full.value, half.value)));
}

/** The design with a shell of one litre: all that neither the size of the shell nor the way to the glass changes. */
function assessLitre(
  design: SystemDesign,
  water: FeedWater,
  curve: ProductionCurve,
): Outcome<LitreAssessment> {
  const shell = { volumeL: 1, prechargeBar: curve.prechargeBar };
  const { running } = curve;
  const fill = fillOnCurve(curve, shell, shutoffPressure(shutoffOf(design), water.pressureBar));
  const usableVolumeL = tankVolume(shell, curve.endBar);
  const drainL = fill.shutsOff ? fill.drainVolumeL : Infinity;
  const fillingLPerH = fill.shutsOff
    ? (usableVolumeL / fill.fillTimeMin) * 60
    : running.permeateFlowLPerH / 2;
  const finished = finish(water, {
    running,
    fill,
    productionLPerDay: fill.shutsOff ? fillingLPerH * 24 : 0,
    productTdsMgL: fill.shutsOff ? fill.tankTdsMgL : running.permeateTdsMgL,
    recovery: usableVolumeL / (usableVolumeL + drainL),
    drainLPerProductL: drainL / usableVolumeL,
    usableVolumeL,
    fillingLPerH,
  });
  if (!finished.ok) return finished;
  const fullBar = curve.endBar;
  return succeed({
    ...finished.value,
    fullBar,
    halfBar: tankPressure(shell, usableVolumeL / 2),
  });
}

/** What comes at the open tap, from a full tank and from a half full one, L/min. */
const tapOf = (tapFullLPerMin: number, tapHalfLPerMin: number): TapAssessment => ({
  tapFullLPerMin,
  tapHalfLPerMin,
  secondsPerGlass: (glassL / tapHalfLPerMin) * 60,
});

/** By Boyle's law a shell's water, and with it time and drain of a fill, go with its volume; flows, pressures and strengths do not. */
function scaled(litre: LitreAssessment, volumeL: number, tap: TapAssessment): Assessment {
  const { fill } = litre;
  // Written out: a search makes two of these for every design, and copying with what is left out takes ten times as long.
  return {
    water: litre.water,
    running: litre.running,
    productionLPerDay: litre.productionLPerDay,
    productTdsMgL: litre.productTdsMgL,
    rejection: litre.rejection,
    recovery: litre.recovery,
    drainLPerProductL: litre.drainLPerProductL,
    netDrivingPressureBar: litre.netDrivingPressureBar,
    productPh: litre.productPh,
    productCo2MgL: litre.productCo2MgL,
    productAlkalinityMgL: litre.productAlkalinityMgL,
    productHardnessMgL: litre.productHardnessMgL,
    concentrateLsi: litre.concentrateLsi,
    fillingLPerH: litre.fillingLPerH,
    tapFullLPerMin: tap.tapFullLPerMin,
    tapHalfLPerMin: tap.tapHalfLPerMin,
    secondsPerGlass: tap.secondsPerGlass,
    usableVolumeL: litre.usableVolumeL * volumeL,
    fill: fill?.shutsOff
      ? {
          ...fill,
          usableVolumeL: fill.usableVolumeL * volumeL,
          fillTimeMin: fill.fillTimeMin * volumeL,
          drainVolumeL: fill.drainVolumeL * volumeL,
        }
      : fill,
  };
}

function assessDirect(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing,
  solutions: Solutions,
): Outcome<Assessment> {
  const solved = solutions.directOf(design, water, ageing);
  if (!solved.ok) return solved;
  const running = solved.value;
  const tapLPerMin = running.permeateFlowLPerH / 60;
  const finished = finish(water, {
    running,
    fill: null,
    productionLPerDay: running.permeateFlowLPerH * 24,
    productTdsMgL: running.permeateTdsMgL,
    recovery: running.recovery,
    drainLPerProductL: running.concentrateFlowLPerH / running.permeateFlowLPerH,
    usableVolumeL: 0,
    fillingLPerH: running.permeateFlowLPerH,
  });
  return finished.ok ? succeed({ ...finished.value, ...tapOf(tapLPerMin, tapLPerMin) }) : finished;
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
  | 'fillingLPerH'
>;

/** Adds the chemistry to the hydraulics. */
function finish(
  water: FeedWater,
  hydraulic: Hydraulic,
): Outcome<Omit<Assessment, keyof TapAssessment>> {
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
    productHardnessMgL: hardnessMgL * divalentPassage(passage),
  };
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
  });
}
