import type { JobDocument } from '../document/job.ts';

/** A fill whose time is known, over what it was to take. */
export interface TimedFill {
  id: string;
  minutes: number;
  ratio: number;
  isRunning: boolean;
  /** When it was over, or now; ms of the epoch. */
  at: number;
}

/**
 * Fills whose drain was seen to stop, and those that run: one that was cut short, or ended unseen, says nothing.
 * @param now ms of the epoch, where a fill that still runs counts: it takes this long at least
 */
export function timedFills(records: JobDocument['flush']['steps'], now?: number): TimedFill[] {
  return Object.entries(records).flatMap(
    ([id, { startedAt, done, minutes, endedUnseen, seen }]) => {
      if (!id.startsWith('tank-fill') || !startedAt || !minutes || endedUnseen) return [];
      if (done && !seen?.includes('drain-stopped')) return [];
      const at = done ? Date.parse(done.at) : now;
      if (at === undefined) return [];
      const took = (at - Date.parse(startedAt)) / 60_000;
      return took > 0 ? [{ id, minutes: took, ratio: took / minutes, isRunning: !done, at }] : [];
    },
  );
}
