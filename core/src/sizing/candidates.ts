import { type Part, partsOf } from '../catalogue/parts.ts';
import type { ProductLine, SystemDesign } from './systemDesign.ts';

/** What the site fixes before parts are chosen. */
export interface SiteChoices {
  line: ProductLine;
  /** Chloramine at the tap asks for catalytic carbon. */
  chloramine: boolean;
  /** Whether an outlet can be had; without one no pump and no lamp. */
  power: boolean;
  /** Whether a tank finds a place; without one only tankless units are left. */
  tankRoom: boolean;
  /** Unsafe water asks for a lamp. */
  unsafe: boolean;
  mineral: 'before-tank' | 'after-tank' | 'none';
}

/** Elements from this rated flow on are made for tankless units. */
const directFlowFromLPerDay = 1000;

/** All combinations of the catalogue that a practitioner would consider for the site. */
export function candidates(catalogue: readonly Part[], site: SiteChoices): SystemDesign[] {
  const prefilters = choosePrefilters(catalogue, site.chloramine);
  const tap = partsOf(catalogue, 'tap')[0];
  if (!tap) return [];
  const shared = {
    prefilters,
    tap,
    line: site.line,
    elements: 1,
    arrangement: 'series' as const,
    postFilter: partsOf(catalogue, 'post-filter')[0] ?? null,
    lamp: site.unsafe && site.power ? (partsOf(catalogue, 'lamp')[0] ?? null) : null,
  };
  const bed = partsOf(catalogue, 'mineral')[0];
  const mineralAt = (hasTank: boolean) =>
    bed && site.mineral !== 'none'
      ? { part: bed, place: hasTank ? site.mineral : ('after-tank' as const) }
      : null;
  const pumps = site.power ? [null, ...partsOf(catalogue, 'pump')] : [null];
  const valve = partsOf(catalogue, 'shutoff')[0] ?? null;
  const designs: SystemDesign[] = [];
  for (const membrane of partsOf(catalogue, 'membrane')) {
    const direct = membrane.rating.ratedFlowLPerDay >= directFlowFromLPerDay;
    const tanks = direct ? [null] : site.tankRoom ? partsOf(catalogue, 'tank') : [];
    for (const restrictor of partsOf(catalogue, 'restrictor')) {
      for (const pump of direct ? pumps.filter((p) => p !== null) : pumps) {
        for (const tank of tanks) {
          const shutoff = pump ? null : valve;
          const mineral = mineralAt(tank !== null);
          designs.push({ ...shared, membrane, restrictor, pump, tank, shutoff, mineral });
        }
      }
    }
  }
  return designs;
}

/** Sediment first, then the carbon that this disinfectant asks for, twice. */
function choosePrefilters(catalogue: readonly Part[], chloramine: boolean) {
  const all = partsOf(catalogue, 'prefilter');
  const sediment = all.find((part) => part.media === 'sediment');
  const block = all.find((part) => part.media === 'carbon-block');
  const catalytic = all.find((part) => part.media === 'catalytic-carbon');
  const first = chloramine ? (catalytic ?? block) : block;
  return [sediment, first, block].filter((part) => part !== undefined);
}
