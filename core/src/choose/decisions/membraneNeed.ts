import { practiceLimits } from '../../base/practice.ts';
import { type Purpose, purposeTable } from '../../water/purpose.ts';
import type { FeedWater } from '../../system/design.ts';
import type { SiteFacts } from './decision.ts';

/** What a water and a household ask for: a membrane, or less. */
export interface MembraneNeed {
  needed: boolean;
  /** What asks for one, the first that does; null where nothing does. */
  because: 'dissolved' | 'hardness' | 'purpose' | 'unread' | null;
  /** What does instead where none is needed. */
  instead: 'carbon' | 'carbon-and-lamp' | 'lamp' | 'nothing' | null;
}

/**
 * Whether anything asks for a membrane: dissolved solids, hardness, or what the system is bought against. Water under 200 mg/L that is
 * not hard and holds nothing that a household wants out is made no better by one; carbon does taste, a lamp does germs.
 * @param tdsRead whether dissolved solids were read: what is assumed tells nobody to do without
 */
export function membraneNeed(
  { tdsMgL, hardnessMgL }: Pick<FeedWater, 'tdsMgL' | 'hardnessMgL'>,
  { microbiology, disinfectant }: Pick<SiteFacts, 'microbiology' | 'disinfectant'>,
  purposes: readonly Purpose[],
  tdsRead: boolean,
): MembraneNeed {
  const asks = purposes.some((purpose) => {
    const { removedBy } = purposeTable[purpose];
    return removedBy !== 'carbon' && removedBy !== 'lamp';
  });
  const needed = (because: MembraneNeed['because']): MembraneNeed => ({
    needed: true,
    because,
    instead: null,
  });
  if (!tdsRead) return needed('unread');
  if (tdsMgL >= practiceLimits.membraneFromTdsMgL) return needed('dissolved');
  if (hardnessMgL >= practiceLimits.hardMgL) return needed('hardness');
  if (asks) return needed('purpose');
  const lamp = microbiology === 'unsafe' || purposes.includes('germs');
  const carbon = disinfectant !== null || purposes.includes('taste');
  return {
    needed: false,
    because: null,
    instead: lamp ? (carbon ? 'carbon-and-lamp' : 'lamp') : carbon ? 'carbon' : 'nothing',
  };
}
