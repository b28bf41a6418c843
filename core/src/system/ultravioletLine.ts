import type { LampPart, PrefilterPart, TapPart } from '../catalogue/parts.ts';
import { tapFlow } from '../hydraulics/tapLine.ts';
import { fail, type Outcome, succeed } from '../base/outcome.ts';
import { glassL, rejectionGrades, ultravioletLimits } from '../base/practice.ts';
import { combineFilters, type FeedWater, type ProductLine, type SystemDesign } from './design.ts';
import { divalentPassage } from '../membrane/divalentPassage.ts';
import { productDose, productTransmittance, agedDose } from '../ultraviolet/ultravioletDose.ts';

/** Kinds of system that a lamp is added to. */
export const existingSystems = ['tank-system', 'tankless-system'] as const;
export type ExistingSystem = (typeof existingSystems)[number];

/**
 * A lamp without a membrane of its own. Fed by the house it is a drinking line of sediment, carbon, lamp and tap, for water that is
 * clear and soft but not safe; added to a system that is there it treats that system's product, and the tap is the one that is there.
 */
export interface UltravioletLine {
  kind: 'ultraviolet-line';
  addedTo?: ExistingSystem | undefined;
  prefilters: PrefilterPart[];
  lamp: LampPart;
  tap: TapPart;
  line: ProductLine;
}

/** What is installed: a system with a membrane, or an ultraviolet line. */
export type InstalledSystem = SystemDesign | UltravioletLine;

export const isUltravioletLine = (system: InstalledSystem): system is UltravioletLine =>
  'kind' in system;

/** A lamp in the product line of a system that was there before it. */
export type AddedLamp = UltravioletLine & { addedTo: ExistingSystem };

export const isAddedLamp = (system: InstalledSystem): system is AddedLamp =>
  isUltravioletLine(system) && system.addedTo !== undefined;

/** What was read at the open tap of a system that is there. */
export interface ExistingReadings {
  flowLPerMin: number;
  tdsMgL: number;
}

/** What the lamp's feed carries that could shade or coat it; what was not read is null. */
export interface LampFeed {
  ironMgL: number | null;
  manganeseMgL: number | null;
  hardnessMgL: number | null;
  /** Per cm at 254 nm. */
  transmittance: number | null;
  /** Of the system that a lamp is added to; null where there is none, or it was not read. */
  existing: ExistingReadings | null;
}

export type LampFault = 'membrane' | 'iron' | 'manganese' | 'hardness' | 'transmittance' | 'dose';

export interface UltravioletAssessment {
  flowLPerMin: number;
  secondsPerGlass: number;
  doseMjCm2: number;
  /** Flow up to which the dose is held, L/min. */
  mostLPerMin: number;
  /** Share of the dissolved solids that a membrane ahead holds back; null where there is none. */
  rejectionAhead: number | null;
  /** What speaks against it, and what was not read and is therefore open. */
  faults: LampFault[];
  unread: ('iron' | 'manganese' | 'hardness' | 'transmittance')[];
}

/**
 * Flow at the open tap and the dose that the lamp gives it at the end of its life. Fed by the house the flow is what the supply pushes through, and where
 * transmittance was not read the least that a small reactor is made for stands in. Added to a system it is the flow that was measured
 * at its tap, more than what is left with the lamp in the line, and the water is that system's product.
 * Units: L/min, s, mJ/cm2. Errors: those of `tapFlow`; 'existing-not-read' without readings of the system that is there.
 */
export function assessUltraviolet(
  system: UltravioletLine,
  water: Pick<FeedWater, 'pressureBar' | 'temperatureC' | 'tdsMgL'>,
  feed: LampFeed,
): Outcome<UltravioletAssessment> {
  if (isAddedLamp(system)) {
    if (!feed.existing) return fail('existing-not-read', 'existing', {});
    return succeed(lampAt(system, feed.existing.flowLPerMin, water, feed));
  }
  const { prefilters, tap, line } = system;
  const solved = tapFlow({
    tubes: [{ innerDiameterMm: line.innerDiameterMm, lengthM: line.lengthM }],
    tapKv: tap.kv,
    riseM: line.riseM,
    postFilter: combineFilters(prefilters.map((part) => part.filter)),
    sourcePressureBar: water.pressureBar,
    temperatureC: water.temperatureC,
  });
  return solved.ok ? succeed(lampAt(system, solved.value.flowLPerMin, water, feed)) : solved;
}

/** What the lamp does at a flow, L/min, in the water that reaches it. Errors: none. */
export function lampAt(
  system: UltravioletLine,
  flowLPerMin: number,
  water: Pick<FeedWater, 'tdsMgL'>,
  feed: LampFeed,
): UltravioletAssessment {
  const own = { ...feed, rejectionAhead: null };
  const reaches =
    isAddedLamp(system) && feed.existing ? productOf(feed, feed.existing, water) : own;
  return judge(system.lamp, flowLPerMin, reaches);
}

/** Water at the reactor. */
type LampWater = Omit<LampFeed, 'existing'> & { rejectionAhead: number | null };

/**
 * Product of the system ahead. What was not read is held back by a membrane that works; one that lets too much through holds back
 * nothing that can be relied on.
 */
function productOf(
  feed: LampFeed,
  { tdsMgL }: ExistingReadings,
  water: Pick<FeedWater, 'tdsMgL'>,
): LampWater {
  const passage = water.tdsMgL > 0 ? Math.min(tdsMgL / water.tdsMgL, 1) : 1;
  const works = 1 - passage >= rejectionGrades.marginal;
  const passed = <T extends number | null>(mgL: T) =>
    works ? (mgL ?? 0) * divalentPassage(passage) : mgL;
  return {
    ironMgL: passed(feed.ironMgL),
    manganeseMgL: passed(feed.manganeseMgL),
    hardnessMgL: passed(feed.hardnessMgL),
    transmittance: works ? productTransmittance : feed.transmittance,
    rejectionAhead: 1 - passage,
  };
}

function judge(lamp: LampPart, flowLPerMin: number, water: LampWater): UltravioletAssessment {
  const limits = ultravioletLimits;
  const transmittance = water.transmittance ?? limits.transmittance;
  const doseMjCm2 = agedDose(lamp, flowLPerMin * 60, transmittance);
  const { rejectionAhead } = water;
  const faults: [LampFault, boolean][] = [
    ['membrane', rejectionAhead !== null && rejectionAhead < rejectionGrades.marginal],
    ['iron', (water.ironMgL ?? 0) >= limits.ironMgL],
    ['manganese', (water.manganeseMgL ?? 0) >= limits.manganeseMgL],
    ['hardness', (water.hardnessMgL ?? 0) >= limits.hardnessMgL],
    ['transmittance', transmittance < limits.transmittance],
    ['dose', doseMjCm2 < limits.doseMjCm2],
  ];
  const unread: [UltravioletAssessment['unread'][number], boolean][] = [
    ['iron', water.ironMgL === null],
    ['manganese', water.manganeseMgL === null],
    ['hardness', water.hardnessMgL === null],
    ['transmittance', water.transmittance === null],
  ];
  return {
    flowLPerMin,
    secondsPerGlass: (glassL / flowLPerMin) * 60,
    doseMjCm2,
    mostLPerMin: agedDose(lamp, 60, transmittance) / limits.doseMjCm2,
    rejectionAhead,
    faults: faults.filter(([, is]) => is).map(([fault]) => fault),
    unread: unread.filter(([, is]) => is).map(([key]) => key),
  };
}

/** The cheapest lamp whose dose is enough, else the one that gives most; undefined without any. @param doseOf mJ/cm2 */
export function fittingLamp(
  lamps: readonly LampPart[],
  doseOf: (lamp: LampPart) => number,
): LampPart | undefined {
  const byPrice = [...lamps].sort((a, b) => a.price - b.price);
  return (
    byPrice.find((lamp) => doseOf(lamp) >= ultravioletLimits.doseMjCm2) ??
    byPrice.sort((a, b) => doseOf(b) - doseOf(a))[0]
  );
}

/** The lamp for product at a flow, L/min. */
export const lampForProduct = (
  lamps: readonly LampPart[],
  flowLPerMin: number,
): LampPart | undefined => fittingLamp(lamps, (lamp) => productDose(lamp, flowLPerMin * 60));

/** The lamp for a line of its own, by what the house's water pushes through it. */
export const lampForLine = (
  lamps: readonly LampPart[],
  line: Omit<UltravioletLine, 'lamp'>,
  water: Parameters<typeof assessUltraviolet>[1],
  feed: LampFeed,
): LampPart | undefined =>
  fittingLamp(lamps, (lamp) => {
    const lit = assessUltraviolet({ ...line, lamp }, water, feed);
    return lit.ok ? lit.value.doseMjCm2 : 0;
  });
