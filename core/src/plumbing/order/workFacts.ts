import type { InstalledSystem } from '../../system/ultravioletLine.ts';
import type { DrainHole } from '../connections/drainHole.ts';
import type { FeedChoice } from '../connections/feedConnection.ts';
import type { PlumbingSite } from '../connections/siteFacts.ts';
import type { TapHole } from '../connections/tapHole.ts';
import type { Passage } from '../places/passage.ts';
import type { ScheduledTube } from '../tubes/tubeSchedule.ts';

/** All that an order of work is made from. */
export interface WorkFacts {
  system: InstalledSystem;
  site: PlumbingSite;
  feed: FeedChoice;
  drain: DrainHole;
  tap: TapHole;
  tubes: readonly ScheduledTube[];
  regulatorBar: number | null;
  leakStop: boolean;
  /** The tank stands in the next cupboard. */
  tankNextDoor: boolean;
  /** What the lines of a unit that stands elsewhere pass; null for one in the cabinet. */
  remote: Passage | null;
}
