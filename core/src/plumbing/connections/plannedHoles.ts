import type { DrainHole } from './drainHole.ts';
import type { TapHole } from './tapHole.ts';

/** A hole that is drilled at sink or counter, mm. */
export interface PlannedHole {
  what: 'tap' | 'pilot' | 'drain';
  mm: number;
}

/** Every hole that is drilled, with its diameter; a drain hole where the system drains. */
export function plannedHoles(tap: TapHole, drain: DrainHole | null): PlannedHole[] {
  const drilled = tap.mount === 'drilled';
  return [
    ...(drilled ? [{ what: 'tap' as const, mm: tap.holeMm }] : []),
    ...(drilled && tap.pilotMm ? [{ what: 'pilot' as const, mm: tap.pilotMm }] : []),
    ...(drain && drain.holeMm > 0 ? [{ what: 'drain' as const, mm: drain.holeMm }] : []),
  ];
}
