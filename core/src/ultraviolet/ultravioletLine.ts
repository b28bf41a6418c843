import type { LampPart, PrefilterPart, TapPart } from '../catalogue/parts.ts';
import { tapFlow } from '../hydraulics/tapLine.ts';
import { type Outcome, succeed } from '../outcome.ts';
import { glassL } from '../sizing/assess.ts';
import {
  combineFilters,
  type FeedWater,
  type ProductLine,
  type SystemDesign,
} from '../sizing/systemDesign.ts';
import { ultravioletDose, ultravioletLimits } from './ultravioletDose.ts';

/** A drinking line without a membrane: sediment, carbon, lamp, tap. For water that is clear and soft but not safe. */
export interface UltravioletLine {
  kind: 'ultraviolet-line';
  prefilters: PrefilterPart[];
  lamp: LampPart;
  tap: TapPart;
  line: ProductLine;
}

/** What is installed: a system with a membrane, or an ultraviolet line. */
export type InstalledSystem = SystemDesign | UltravioletLine;

export const isUltravioletLine = (system: InstalledSystem): system is UltravioletLine =>
  'kind' in system;

/** What the lamp's feed carries that could shade or coat it; what was not read is null. */
export interface LampFeed {
  ironMgL: number | null;
  manganeseMgL: number | null;
  hardnessMgL: number;
  /** Per cm at 254 nm. */
  transmittance: number | null;
}

export type LampFault = 'iron' | 'manganese' | 'hardness' | 'transmittance' | 'dose';

export interface UltravioletAssessment {
  flowLPerMin: number;
  secondsPerGlass: number;
  doseMjCm2: number;
  /** Flow up to which the dose is held, L/min. */
  mostLPerMin: number;
  /** What speaks against it, and what was not read and is therefore open. */
  faults: LampFault[];
  unread: ('iron' | 'manganese' | 'transmittance')[];
}

/**
 * Flow at the open tap straight from the supply, and the dose that the lamp gives it.
 * Where transmittance was not read the least that a small reactor is made for stands in.
 * Units: L/min, s, mJ/cm2. Errors: those of `tapFlow`.
 */
export function assessUltraviolet(
  { prefilters, lamp, tap, line }: UltravioletLine,
  { pressureBar, temperatureC }: Pick<FeedWater, 'pressureBar' | 'temperatureC'>,
  feed: LampFeed,
): Outcome<UltravioletAssessment> {
  const solved = tapFlow({
    tubes: [{ innerDiameterMm: line.innerDiameterMm, lengthM: line.lengthM }],
    tapKv: tap.kv,
    riseM: line.riseM,
    postFilter: combineFilters(prefilters.map((part) => part.filter)),
    sourcePressureBar: pressureBar,
    temperatureC,
  });
  if (!solved.ok) return solved;
  const { flowLPerMin } = solved.value;
  const limits = ultravioletLimits;
  const transmittance = feed.transmittance ?? limits.transmittance;
  const doseMjCm2 = ultravioletDose(lamp, flowLPerMin * 60, transmittance);
  const faults: [LampFault, boolean][] = [
    ['iron', (feed.ironMgL ?? 0) >= limits.ironMgL],
    ['manganese', (feed.manganeseMgL ?? 0) >= limits.manganeseMgL],
    ['hardness', feed.hardnessMgL >= limits.hardnessMgL],
    ['transmittance', transmittance < limits.transmittance],
    ['dose', doseMjCm2 < limits.doseMjCm2],
  ];
  const unread: [UltravioletAssessment['unread'][number], boolean][] = [
    ['iron', feed.ironMgL === null],
    ['manganese', feed.manganeseMgL === null],
    ['transmittance', feed.transmittance === null],
  ];
  return succeed({
    flowLPerMin,
    secondsPerGlass: (glassL / flowLPerMin) * 60,
    doseMjCm2,
    mostLPerMin: ultravioletDose(lamp, 60, transmittance) / limits.doseMjCm2,
    faults: faults.filter(([, is]) => is).map(([fault]) => fault),
    unread: unread.filter(([, is]) => is).map(([key]) => key),
  });
}
