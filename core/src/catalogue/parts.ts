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
  /** Most of its feed that it may turn into product in steady running, by its class; absent where no sheet says. */
  mostRecovery?: number | undefined;
  /** Most feed pressure that it bears, bar gauge. */
  mostBar?: number | undefined;
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
  /** Feed pressure under which its drain water no longer drives it, bar gauge; usual ones want 2. */
  minFeedBar?: number | undefined;
}
/** What stands ahead of the unit against scale: it takes hardness out, or keeps it in solution. */
export interface TreatmentPart extends PartBase {
  kind: 'treatment';
  method: 'softening' | 'inhibitor';
  /** Feed that it treats between two refills, L; of softening in water of 200 mg/L as CaCO3. */
  lastsL: number;
  /** Price of a refill: salt, or a new cartridge. */
  refillPrice: number;
}
export interface ShutoffPart extends PartBase {
  kind: 'shutoff';
  shutoff: Shutoff;
}
/** Stands in the feed, wired with the pump, and is shut while that rests. */
export interface SolenoidPart extends PartBase {
  kind: 'solenoid';
  powerW: number;
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
  /** A kitchen's whole tap: hot, cold and product in one body, each on its own way; the old tap comes out. */
  combined?: boolean | undefined;
  /** A dispenser that stands free, with tanks of its own, L, and a heater, W. */
  dispenser?: { hotL: number; coldL: number; heaterW: number } | undefined;
}
/** Outside diameters that push-fit ports are made for. */
export const portSizes = ['1/4"', '3/8"'] as const;
export type PortSize = (typeof portSizes)[number];

/** A unit as its maker builds it: the frame, what is in it, and its ports. */
export interface UnitPart extends PartBase {
  kind: 'unit';
  /** Cartridges ahead of the membranes that it takes, and how they come out. */
  cartridges: number;
  closing: 'housing' | 'quarter-turn';
  /** Membranes that it takes. */
  vessels: number;
  /** Ids of parts of the catalogue that are built in and not bought beside it. */
  holds: string[];
  /** Its inner tubes come made. */
  piped: boolean;
  /** Takes the post filter on its top, piped like the rest. */
  holdsPostFilter?: boolean | undefined;
  /** Makes water only while the tap is open; or has a tank of its own inside. */
  tankless?: boolean | undefined;
  innerTank?: boolean | undefined;
  ports: { feed: PortSize; product: PortSize; drain: PortSize };
  mounting: 'hangs' | 'stands';
  /** Empty. */
  weightKg: number;
  /** What housings and vessels bear at rest, bar gauge. */
  housingBar: number;
  vesselBar: number;
}
/** Colours that tubes are sold in; which means what is each kit's own affair. */
export const tubeColours = ['white', 'black', 'blue', 'red', 'yellow', 'green', 'orange'] as const;
export type TubeColour = (typeof tubeColours)[number];

/** A box as it is bought: parts, fittings and tube together, with what its maker says of colours, flushing and warranty. */
export interface KitPart extends PartBase {
  kind: 'kit';
  /** Parts of the catalogue in it, by id. */
  holds: { id: string; quantity: number }[];
  fittings: { role: FittingRole; quantity: number }[];
  /** Tube in it, m. */
  tubes: { size: PortSize; lengthM: number }[];
  /** What its tubes' colours mean. */
  colours: Partial<Record<'feed' | 'unit' | 'tank' | 'product' | 'drain', TubeColour>>;
  /** Tanks that its sheet has thrown away. */
  leastTankCycles: number;
  warranty: string;
}
/** What joins a system to a house and its parts to each other. */
export const fittingRoles = [
  'feed-adapter',
  'feed-adapter-narrow',
  'feed-adapter-unseen',
  'hose-adapter',
  'three-way-valve',
  'saddle-valve',
  'regulator',
  'regulator-wide',
  'leak-stop',
  'leak-stop-wide',
  'check-valve',
  'tee',
  'tee-wide',
  'reducer',
  'union',
  'union-wide',
  'branch-valve',
  'branch-valve-wide',
  'drain-saddle',
  'drain-saddle-wide',
  'standpipe-clip',
  'tank-valve',
  'tank-valve-wide',
  'tap-bracket',
  'compression-set',
  'compression-set-wide',
  'lock-clip',
  'lock-clip-wide',
  'panel-bush',
  'tube-labels',
  'bracket',
  'housing',
  'vessel',
  'screw-set',
  'o-ring-kit',
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
  | TreatmentPart
  | ShutoffPart
  | SolenoidPart
  | UnitPart
  | KitPart
  | TankPart
  | PostFilterPart
  | MineralPart
  | LampPart
  | TapPart
  | FittingPart;

export type PartKind = Part['kind'];

/** Every kind, in the order in which a catalogue is read. */
export const partKinds = [
  'unit',
  'kit',
  'membrane',
  'prefilter',
  'post-filter',
  'mineral',
  'tank',
  'pump',
  'permeate-pump',
  'treatment',
  'restrictor',
  'shutoff',
  'solenoid',
  'lamp',
  'tap',
  'fitting',
] as const satisfies readonly PartKind[];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;

/** The parts of one kind, in the catalogue's order. */
export const partsOf = <K extends PartKind>(catalogue: readonly Part[], kind: K): PartOf<K>[] =>
  catalogue.filter((part): part is PartOf<K> => part.kind === kind);
