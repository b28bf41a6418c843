import { dayOf, type TrendState } from '@katharos/core';

/** What an installed system needs, the most pressing first. */
export const needs = ['limit', 'overdue', 'drifts', 'soon', 'unread', 'nothing'] as const;
export type Need = (typeof needs)[number];

/** So near that a day should be found, and so long unread that nobody knows; days. Defaults of ours. */
const soonDays = 31;
const unreadDays = 366;

export interface SystemState {
  /** Null while nothing was read that a trend can be made of. */
  membrane: { saltPassage: { state: TrendState }; flow: { state: TrendState } } | null;
  /** ISO calendar days; null where nothing is due, or nothing was read. */
  dueOn: string | null;
  readOn: string | null;
}

/** What a system needs most on a day. */
export function needOf({ membrane, dueOn, readOn }: SystemState, today: string): Need {
  const states = membrane ? [membrane.saltPassage.state, membrane.flow.state] : [];
  const now = dayOf(today)!;
  if (states.includes('limit-reached')) return 'limit';
  if (dueOn !== null && dueOn < today) return 'overdue';
  if (states.includes('drifting')) return 'drifts';
  if (dueOn !== null && dayOf(dueOn)! - now <= soonDays) return 'soon';
  if (readOn === null || now - dayOf(readOn)! > unreadDays) return 'unread';
  return 'nothing';
}
