import type { FaultCode } from '../diagnosis/fault.ts';

/** What a mend opens, and what has to run afterwards. */
export interface Mending {
  /** `unit`: something under pressure; `tank`: its air, with the water out; `new-tank`: the tank itself. */
  opens: 'nothing' | 'unit' | 'tank' | 'new-tank';
  /** What has to run clear afterwards; null where nothing was put into the water's way. */
  runs: 'carbon' | 'membrane' | 'line' | null;
}

const nothing: Mending = { opens: 'nothing', runs: null };
const line: Mending = { opens: 'unit', runs: 'line' };
const carbon: Mending = { opens: 'unit', runs: 'carbon' };
const membrane: Mending = { opens: 'unit', runs: 'membrane' };
const air: Mending = { opens: 'tank', runs: null };

export const mendings: Record<FaultCode, Mending> = {
  healthy: nothing,
  'supply-valve-partly-open': nothing,
  'prefilter-blocked': carbon,
  'carbon-spent': carbon,
  'membrane-absent': membrane,
  'membrane-bypass': membrane,
  'brine-seal-failed': membrane,
  'membrane-oxidised': membrane,
  'membrane-scaled': membrane,
  'membrane-old': membrane,
  'restrictor-missing': line,
  'restrictor-blocked': line,
  'check-valve-leaking': line,
  'shutoff-stuck-open': line,
  'shutoff-stuck-closed': line,
  'supply-pressure-low': nothing,
  'precharge-lost': air,
  'precharge-high': air,
  'bladder-torn': { opens: 'new-tank', runs: 'line' },
  'post-filter-blocked': carbon,
  'lines-swapped': line,
  'sampled-after-minerals': nothing,
  'sampled-after-standing': nothing,
  'sampled-first-tank': nothing,
  'pump-off': nothing,
  'pump-weak': nothing,
  'feed-water-changed': nothing,
  'meter-miscalibrated': nothing,
  'meters-differ': nothing,
  'tank-valve-closed': nothing,
  'drain-line-blocked': line,
  'product-tube-kinked': line,
};

/** Whether mending it puts a new cartridge ahead of the membrane, whose dust must not reach it. */
export const putsPrefilter = (fault: FaultCode): boolean =>
  fault === 'prefilter-blocked' || fault === 'carbon-spent';

/** Whether mending it puts a new membrane in, whose preservative has to be washed out. */
export const putsMembrane = (fault: FaultCode): boolean =>
  fault === 'membrane-absent' ||
  fault === 'membrane-oxidised' ||
  fault === 'membrane-scaled' ||
  fault === 'membrane-old';
