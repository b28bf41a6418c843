import type { DisinfectantCapacity } from '../water/carbonLife.ts';
import type { FilterDrop } from '../hydraulics/prefilterDrop.ts';
import type { Pump } from '../hydraulics/pumpPressure.ts';
import type { Restrictor } from '../hydraulics/restrictorFlow.ts';
import type { CalciteMedia } from '../water/carbonate/calciteContact.ts';
import type { MembraneRating } from '../membrane/elementPermeance.ts';
import type { Shutoff } from '../tank/bladderTank.ts';

/** What every part of a firm's catalogue has. The price is in the firm's own currency, to the customer. */
interface PartBase {
  id: string;
  name: string;
  price: number;
  /** Body as it stands under the sink, m; usual sizes stand in where a data sheet was not looked up. */
  sizeM?: { width: number; height: number; depth: number } | undefined;
  service?: ServiceRoom | undefined;
}

/** Room that a part asks for where it stands or hangs; what its data sheet does not say is as usual. */
export interface ServiceRoom {
  /** To leave free under it, and beside and behind it, m. */
  belowM?: number | undefined;
  gapM?: number | undefined;
  /** Whether it may lie on its side. */
  mayLie?: boolean | undefined;
}

export type PrefilterMedia = 'sediment' | 'carbon-block' | 'catalytic-carbon';

export interface PrefilterPart extends PartBase {
  kind: 'prefilter';
  media: PrefilterMedia;
  filter: FilterDrop;
  disinfectantG: DisinfectantCapacity;
}
export interface MembranePart extends PartBase {
  kind: 'membrane';
  rating: MembraneRating;
}
export interface RestrictorPart extends PartBase {
  kind: 'restrictor';
  restrictor: Restrictor;
}
export interface PumpPart extends PartBase {
  kind: 'pump';
  pump: Pump;
  /** Tank pressure at which its switch stops it, bar gauge. */
  cutoutBar: number;
  minInletBar: number;
  powerW: number;
}
export interface PermeatePumpPart extends PartBase {
  kind: 'permeate-pump';
  /** Share of the tank's pressure that still reaches the membrane, 0 to 1. */
  backPressureShare: number;
}
export interface ShutoffPart extends PartBase {
  kind: 'shutoff';
  shutoff: Shutoff;
}
export interface TankPart extends PartBase {
  kind: 'tank';
  volumeL: number;
  prechargeBar: number;
  /** Built into a compact unit, piped and charged by its maker. */
  internal?: boolean | undefined;
}
export interface PostFilterPart extends PartBase {
  kind: 'post-filter';
  filter: FilterDrop;
}
export interface MineralPart extends PartBase {
  kind: 'mineral';
  media: Required<CalciteMedia>;
}
export interface LampPart extends PartBase {
  kind: 'lamp';
  /** Dose that the reactor gives at its rated flow, mJ/cm2 at L/h. */
  ratedFlowLPerH: number;
  ratedDoseMjCm2: number;
  powerW: number;
}
export interface TapPart extends PartBase {
  kind: 'tap';
  kv: number;
  holeMm: number;
  /** How far its stream falls from the middle of its hole, m. */
  reachM?: number | undefined;
  /** Its body holds the air gap of the drain line, whose two hoses pass its hole. */
  airGap?: boolean | undefined;
  /** A display or a valve in it takes a cable through its hole. */
  powered?: boolean | undefined;
  /** A dispenser that stands free, with tanks of its own, L, and a heater, W. */
  dispenser?: { hotL: number; coldL: number; heaterW: number } | undefined;
}
/** What joins a system to a house and its parts to each other. */
export const fittingRoles = [
  'feed-adapter',
  'feed-adapter-narrow',
  'hose-adapter',
  'three-way-valve',
  'saddle-valve',
  'regulator',
  'leak-stop',
  'check-valve',
  'tee',
  'tee-wide',
  'reducer',
  'union',
  'union-wide',
  'branch-valve',
  'drain-saddle',
  'drain-saddle-wide',
  'standpipe-clip',
  'tank-valve',
  'tap-bracket',
  'compression-set',
  'compression-set-wide',
  'lock-clip',
  'lock-clip-wide',
  'panel-bush',
  'tube-labels',
  'tube-quarter',
  'tube-three-eighths',
] as const;
export type FittingRole = (typeof fittingRoles)[number];
export interface FittingPart extends PartBase {
  kind: 'fitting';
  role: FittingRole;
}

export type Part =
  | PrefilterPart
  | MembranePart
  | RestrictorPart
  | PumpPart
  | PermeatePumpPart
  | ShutoffPart
  | TankPart
  | PostFilterPart
  | MineralPart
  | LampPart
  | TapPart
  | FittingPart;

export type PartKind = Part['kind'];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;

/** The parts of one kind, in the catalogue's order. */
export const partsOf = <K extends PartKind>(catalogue: readonly Part[], kind: K): PartOf<K>[] =>
  catalogue.filter((part): part is PartOf<K> => part.kind === kind);
