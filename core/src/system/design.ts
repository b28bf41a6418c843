import type {
  KitPart,
  LampPart,
  MembranePart,
  MineralPart,
  PermeatePumpPart,
  PostFilterPart,
  PrefilterPart,
  PumpPart,
  RestrictorPart,
  ShutoffPart,
  SolenoidPart,
  TankPart,
  TapPart,
  UnitPart,
} from '../catalogue/parts.ts';
import type { Branch } from '../hydraulics/branchPressure.ts';
import type { TapLine } from '../hydraulics/tapLine.ts';
import type { Disinfectant } from '../water/carbonLife.ts';
import type { FilterDrop } from '../hydraulics/prefilterDrop.ts';
import type { RoSystem } from './point/roSystem.ts';
import type { Shutoff } from '../tank/bladderTank.ts';

export type MineralPlace = 'before-tank' | 'after-tank';

/** A system as it would be installed: the parts, how they are joined, and the line to the tap. Absent parts are null. */
export interface SystemDesign {
  /** What the parts come in; null where housings, vessels and tubes are put together loosely. */
  unit: UnitPart | null;
  /** The box that most of it is bought in; null where every part is bought by itself. */
  kit: KitPart | null;
  prefilters: PrefilterPart[];
  pump: PumpPart | null;
  shutoff: ShutoffPart | null;
  /** Shuts the feed while the pump rests, for a stopped pump lets the supply through. */
  solenoid: SolenoidPart | null;
  membrane: MembranePart;
  elements: number;
  arrangement: 'series' | 'parallel';
  restrictor: RestrictorPart;
  /** Pushes product into the tank with the power of the drain water; only where there is a tank. */
  permeatePump: PermeatePumpPart | null;
  tank: TankPart | null;
  mineral: { part: MineralPart; place: MineralPlace } | null;
  lamp: LampPart | null;
  postFilter: PostFilterPart | null;
  tap: TapPart;
  line: ProductLine;
  /** Tees behind the post filter, in the order of the water. */
  branches: Branch[];
}

/** The tube from tank or unit to the tap. */
export interface ProductLine {
  innerDiameterMm: number;
  lengthM: number;
  /** Height of the tap above the tank's connection, m. */
  riseM: number;
}

/** The feed as sizing needs it; hardness is taken as calcium hardness. */
export interface FeedWater {
  tdsMgL: number;
  temperatureC: number;
  pressureBar: number;
  hardnessMgL: number;
  alkalinityMgL: number;
  pH: number;
}

/** A supply as a design meets it through the year. */
export interface SizingWaters {
  /** As measured. */
  today: FeedWater;
  /** Coldest water and lowest pressure, where least is made; used with an aged membrane. */
  worst: FeedWater;
  /** Warmest water and highest pressure, where recovery, scale and salt passage are worst. */
  warm: FeedWater;
  /** What the carbon takes out; null where the supply carries none. */
  disinfectant: Disinfectant | null;
}

/** How far a membrane has aged: water permeance, and salt passage at equal flow, over new. */
export interface Ageing {
  flowFactor: number;
  saltPassageFactor: number;
}

export const newMembrane: Ageing = { flowFactor: 1, saltPassageFactor: 1 };
/** A membrane near the end of a customary life: a fifth of its flow lost, half as much salt again. Default, editable by firm. */
export const agedMembrane: Ageing = { flowFactor: 0.8, saltPassageFactor: 1.5 };

/** Elements from this rated flow on are made for tankless units, L/day. */
export const directFlowFromLPerDay = 1000;

/** Whether a design is one of the tankless units, whose pump, valves and inner lines are the maker's. */
export const isTanklessUnit = ({ tank, membrane }: SystemDesign): boolean =>
  tank === null && membrane.rating.ratedFlowLPerDay >= directFlowFromLPerDay;

/** Whether everything between the unit's ports was piped by its maker; tankless and compact ones were, also where no unit is named. */
export const isMakerPiped = (design: SystemDesign): boolean =>
  design.unit?.piped ?? (isTanklessUnit(design) || design.tank?.internal === true);

/** Several filters in one line as one: linear drops add. */
export function combineFilters(filters: readonly FilterDrop[]): FilterDrop | undefined {
  if (filters.length === 0) return undefined;
  const atFlowLPerH = 60;
  const dropBar = filters.reduce((sum, f) => sum + (f.dropBar / f.atFlowLPerH) * atFlowLPerH, 0);
  return { dropBar, atFlowLPerH };
}

/** The feed side of a design in a given water: what the operating point is solved for. */
export function roSystemOf(design: SystemDesign, water: FeedWater, ageing: Ageing): RoSystem {
  const { tdsMgL, temperatureC, pressureBar } = water;
  const { rating } = design.membrane;
  return {
    feed: { tdsMgL, temperatureC, pressureBar },
    // Written out: this runs for every feed side of a search, and spreading costs as much as solving.
    membrane: {
      ratedFlowLPerDay: rating.ratedFlowLPerDay,
      ratedPressureBar: rating.ratedPressureBar,
      ratedTdsMgL: rating.ratedTdsMgL,
      ratedRecovery: rating.ratedRecovery,
      ratedRejection: rating.ratedRejection,
      flowFactor: ageing.flowFactor,
      saltPassageFactor: ageing.saltPassageFactor,
      count: design.elements,
      arrangement: design.arrangement,
    },
    restrictor: design.restrictor.restrictor,
    prefilters: combineFilters(design.prefilters.map((part) => part.filter)),
    pump: design.pump?.pump,
  };
}

/** What stops the design when its tank is full: the pump's switch, else the valve. */
export function shutoffOf(design: SystemDesign): Shutoff {
  if (design.pump) return { kind: 'pressure-switch', cutoutBar: design.pump.cutoutBar };
  return design.shutoff?.shutoff ?? { kind: 'hydraulic' };
}

/**
 * Pressure that the membrane's product side sees, bar, by the tank's: all of it, or what a permeate pump lets through.
 */
export function productSideOf({ permeatePump }: SystemDesign): (tankBar: number) => number {
  const share = permeatePump?.backPressureShare ?? 1;
  return (tankBar) => share * tankBar;
}

/** The design's way from the tank (or the unit) to the glass. */
export function tapLineOf(design: SystemDesign): TapLine {
  const { innerDiameterMm, lengthM, riseM } = design.line;
  return {
    tubes: [{ innerDiameterMm, lengthM }],
    tapKv: design.tap.kv,
    riseM,
    postFilter: design.postFilter?.filter,
  };
}

/** The same design with a restrictor that passes this share of what its size says (1: just that). */
export const withRestrictor = (design: SystemDesign, share: number): SystemDesign => ({
  ...design,
  restrictor: {
    ...design.restrictor,
    restrictor: {
      ...design.restrictor.restrictor,
      flowMlMin: design.restrictor.restrictor.flowMlMin * share,
    },
  },
});
