import { type Part, partsOf, type TapPart } from '../catalogue/parts.ts';
import { asksForUnit, withUnit } from '../system/unit.ts';
import type { LampIons } from '../system/lampWater.ts';
import type { Branch } from '../hydraulics/branchPressure.ts';
import {
  directFlowFromLPerDay,
  type MineralPlace,
  type ProductLine,
  type SystemDesign,
} from '../system/design.ts';

/** What the site fixes before parts are chosen. */
export interface SiteChoices {
  line: ProductLine;
  /** A code that asks for an air gap at the tap. */
  airGap: boolean;
  /** Chloramine at the tap asks for catalytic carbon. */
  chloramine: boolean;
  /** Whether an outlet can be had; without one no pump and no lamp. */
  power: boolean;
  /** Whether a tank finds a place; without one only tankless units are left. */
  tankRoom: boolean;
  /** Unsafe water asks for a lamp, and so does who wants germs out. */
  unsafe: boolean;
  /** Of the feed; a lamp is only proposed in water that it can treat. */
  lampIons: LampIons;
  mineral: MineralPlace | 'none';
  /** Ways to a refrigerator and whatever else hangs on the product line. */
  branches: Branch[];
}

/** Make-ups that a search compares. */
export const familyKeys = ['tank', 'permeate-pump', 'pumped-tank', 'direct-flow'] as const;
export type FamilyKey = (typeof familyKeys)[number];

export const familyOf = ({ tank, pump, permeatePump }: SystemDesign): FamilyKey =>
  tank === null ? 'direct-flow' : pump ? 'pumped-tank' : permeatePump ? 'permeate-pump' : 'tank';

/** Why a make-up was not even tried. */
export type Exclusion = 'no-outlet' | 'no-tank-room' | 'not-in-catalogue';

export function exclusionOf(
  key: FamilyKey,
  catalogue: readonly Part[],
  site: SiteChoices,
): Exclusion {
  const pumped = key === 'pumped-tank' || key === 'direct-flow';
  if (pumped && !site.power) return 'no-outlet';
  if (key !== 'direct-flow' && !site.tankRoom && partsOf(catalogue, 'tank').length > 0)
    return 'no-tank-room';
  return 'not-in-catalogue';
}

type Bank = Pick<SystemDesign, 'elements' | 'arrangement'>;

const oneElement: readonly Bank[] = [{ elements: 1, arrangement: 'series' }];
/** Several elements ask for more flow and pressure than a supply alone gives: only behind a pump. */
const banks: readonly Bank[] = [
  ...oneElement,
  { elements: 2, arrangement: 'series' },
  { elements: 2, arrangement: 'parallel' },
  { elements: 3, arrangement: 'series' },
  { elements: 3, arrangement: 'parallel' },
];

/** What stands ahead of a tank or a tap besides the membrane. */
type Drive = Pick<SystemDesign, 'pump' | 'solenoid' | 'shutoff' | 'permeatePump'>;

/** All combinations of the catalogue that a practitioner would consider for the site; those of one feed side follow each other. */
export function candidates(catalogue: readonly Part[], site: SiteChoices): SystemDesign[] {
  const prefilters = choosePrefilters(catalogue, site.chloramine);
  const orNone = <T>(parts: T[]): (T | null)[] => (parts.length > 0 ? parts : [null]);
  const lamp = site.unsafe && site.power ? (partsOf(catalogue, 'lamp')[0] ?? null) : null;
  const bed = partsOf(catalogue, 'mineral')[0];
  const mineralAt = (hasTank: boolean): SystemDesign['mineral'] =>
    bed && site.mineral !== 'none'
      ? { part: bed, place: hasTank ? site.mineral : 'after-tank' }
      : null;
  const [tankMineral, directMineral] = [mineralAt(true), mineralAt(false)];
  const posts = orNone(partsOf(catalogue, 'post-filter')).flatMap((postFilter) =>
    chooseTaps(catalogue, site.airGap).map((tap) => ({ postFilter, tap })),
  );
  const closer = closerBehindPump(catalogue);
  const pumped: Drive[] = (site.power ? partsOf(catalogue, 'pump') : []).map((pump) => ({
    pump,
    ...closer,
    permeatePump: null,
  }));
  // A tankless unit holds its own.
  const inUnits = pumped.map((drive) => ({ ...drive, solenoid: null, shutoff: null }));
  const unpumped: Drive[] = orNone(partsOf(catalogue, 'shutoff')).flatMap((shutoff) =>
    [null, ...partsOf(catalogue, 'permeate-pump')].map((permeatePump) => ({
      pump: null,
      solenoid: null,
      shutoff,
      permeatePump,
    })),
  );
  const units = partsOf(catalogue, 'unit');
  // A tank inside a compact unit needs no room of its own.
  const tanks = partsOf(catalogue, 'tank').filter(({ internal }) =>
    internal ? units.length > 0 : site.tankRoom,
  );

  const designs: SystemDesign[] = [];
  for (const membrane of partsOf(catalogue, 'membrane')) {
    const direct = membrane.rating.ratedFlowLPerDay >= directFlowFromLPerDay;
    for (const restrictor of partsOf(catalogue, 'restrictor')) {
      for (const drive of direct ? inUnits : [...unpumped, ...pumped]) {
        for (const bank of drive.pump ? banks : oneElement) {
          for (const tank of direct ? [null] : tanks) {
            const bare: SystemDesign = {
              unit: null,
              kit: null,
              prefilters,
              ...drive,
              membrane,
              ...bank,
              restrictor,
              tank,
              mineral: tank ? tankMineral : directMineral,
              lamp,
              ...posts[0]!,
              line: site.line,
              branches: site.branches,
            };
            const { unit } = withUnit(bare, catalogue);
            // What exists in a unit alone is not put together from other parts, unless a firm keeps no units at all.
            if (!unit && units.length > 0 && asksForUnit(bare)) continue;
            for (const post of posts) designs.push({ ...bare, unit, ...post });
          }
        }
      }
    }
  }
  return designs;
}

/** A pump's switch does not stop the water: a solenoid wired with it does, else the valve of an unpumped system. */
export function closerBehindPump(
  catalogue: readonly Part[],
): Pick<SystemDesign, 'solenoid' | 'shutoff'> {
  const solenoid = partsOf(catalogue, 'solenoid')[0] ?? null;
  return { solenoid, shutoff: solenoid ? null : (partsOf(catalogue, 'shutoff')[0] ?? null) };
}

/**
 * Plain taps, or those with an air gap where the code asks for one and the catalogue has one. A tap with a display, a
 * combined one or a dispenser is a matter of taste: it is composed by hand.
 */
function chooseTaps(catalogue: readonly Part[], airGap: boolean): TapPart[] {
  const plain = partsOf(catalogue, 'tap').filter(
    ({ powered, dispenser, combined }) => !powered && !dispenser && !combined,
  );
  const asked = plain.filter((tap) => (tap.airGap === true) === airGap);
  return asked.length > 0 ? asked : plain;
}

/** Sediment first, then the carbon that this disinfectant asks for, twice. */
export function choosePrefilters(catalogue: readonly Part[], chloramine: boolean) {
  const all = partsOf(catalogue, 'prefilter');
  const sediment = all.find((part) => part.media === 'sediment');
  const block = all.find((part) => part.media === 'carbon-block');
  const catalytic = all.find((part) => part.media === 'catalytic-carbon');
  const first = chloramine ? (catalytic ?? block) : block;
  return [sediment, first, block].filter((part) => part !== undefined);
}
