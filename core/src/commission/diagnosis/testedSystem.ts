import { firstOutOfRange } from '../../base/guard.ts';
import { limits } from '../../base/limits.ts';
import type { FilterDrop } from '../../hydraulics/prefilterDrop.ts';
import type { Pump } from '../../hydraulics/pumpPressure.ts';
import type { Restrictor } from '../../hydraulics/restrictorFlow.ts';
import { refuseTapLine, type TapLine } from '../../hydraulics/tapLine.ts';
import { closesWhenFull } from '../../system/closing.ts';
import {
  type Ageing,
  type FeedWater,
  isMakerPiped,
  newMembrane,
  roSystemOf,
  shutoffOf,
  type SystemDesign,
  tapLineOf,
} from '../../system/design.ts';
import { refuseTank } from '../../system/filling/fillTank.ts';
import { type MembraneBank, resolveSystem } from '../../system/point/roSystem.ts';
import type { Shutoff } from '../../tank/bladderTank.ts';
import type { CalciteMedia } from '../../water/carbonate/calciteContact.ts';

/** A water as the survey has it; hardness and alkalinity in mg/L as CaCO3. */
export interface SurveyedFeed {
  tdsMgL: number;
  temperatureC: number;
  pressureBar: number;
  alkalinityMgL: number;
  calciumMgL: number;
  pH: number;
  /** Free chlorine; 0 where absent. */
  chlorineMgL?: number | undefined;
}

/** Where the person says that the product was sampled. */
export const samplePoints = ['membrane-outlet', 'tap-after-tank', 'tap-after-minerals'] as const;
export type SamplePoint = (typeof samplePoints)[number];

/** A system as it was built and surveyed: all that its readings follow from. */
export interface TestedSystem {
  feed: SurveyedFeed;
  /** The factors are the age that is expected of it. */
  membrane: MembraneBank;
  restrictor: Restrictor;
  prefilters?: FilterDrop | undefined;
  pump?: Pump | undefined;
  tank?: TestedTank | undefined;
  /** Height of the tank above the unit, m. */
  tankElevationM?: number | undefined;
  shutoff: Shutoff;
  tapLine: TapLine;
  /** In the product line behind the place where the membrane's product is sampled. */
  remineralisation?: CalciteMedia | undefined;
  /** A gauge can be put between pre-filters or pump and membrane. */
  gaugePort: boolean;
  /** Of the tank's pressure, what the membrane's product side sees; 1 where nothing pushes the product. */
  backPressureShare?: number | undefined;
  /** Nothing closes the feed when the tank is full or the tap shut, so that the drain runs on by its build. */
  neverCloses?: boolean | undefined;
}

export interface TestedTank {
  volumeL: number;
  prechargeBar: number;
  /** It stands inside a unit, with no valve of its own. */
  internal?: boolean | undefined;
}

/** A design in its surveyed water as a system to be tested. @param chlorineMgL free chlorine of the supply */
export function testedSystemOf(
  design: SystemDesign,
  water: FeedWater,
  { ageing = newMembrane, chlorineMgL = 0 }: { ageing?: Ageing; chlorineMgL?: number } = {},
): TestedSystem {
  const { tdsMgL, temperatureC, pressureBar, alkalinityMgL, hardnessMgL, pH } = water;
  const { tank, mineral, permeatePump } = design;
  const { membrane, restrictor, prefilters, pump } = roSystemOf(design, water, ageing);
  return {
    feed: {
      tdsMgL,
      temperatureC,
      pressureBar,
      alkalinityMgL,
      calciumMgL: hardnessMgL,
      pH,
      chlorineMgL,
    },
    membrane,
    restrictor,
    prefilters,
    pump,
    tank: tank
      ? { volumeL: tank.volumeL, prechargeBar: tank.prechargeBar, internal: tank.internal }
      : undefined,
    shutoff: shutoffOf(design),
    tapLine: tapLineOf(design),
    remineralisation: mineral?.part.media,
    gaugePort: !isMakerPiped(design),
    backPressureShare: permeatePump?.backPressureShare,
    neverCloses: !closesWhenFull(design, water),
  };
}

/** Refuses a system that could not be built: 'out-of-range' with the field, or the errors of `resolveSystem`. */
export function refuseTested(system: TestedSystem) {
  const { tank, shutoff, tapLine, feed } = system;
  const resolved = resolveSystem(system);
  if (!resolved.ok) return resolved;
  return (
    firstOutOfRange([
      ['feed.alkalinityMgL', feed.alkalinityMgL, limits.alkalinityMgL],
      ['feed.calciumMgL', feed.calciumMgL, limits.calciumMgL],
      ['feed.pH', feed.pH, limits.pH],
    ]) ??
    refuseTank(tank ?? { volumeL: 1, prechargeBar: 0 }, shutoff) ??
    refuseTapLine(tapLine, 'tapLine.')
  );
}

/** Under this much chlorine no strip tells whether the carbon takes it; mg/L. */
const tellingChlorineMgL = 0.05;

/** Whether the supply carries enough chlorine for a strip behind the carbon to tell anything. */
export const isChlorinated = ({ feed }: TestedSystem): boolean =>
  (feed.chlorineMgL ?? 0) > tellingChlorineMgL;
