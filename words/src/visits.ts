import type { FlushVisits, VisitsCost } from '@katharos/core';
import type { Reader } from './reader.ts';

/** Who is there when the tank has filled. */
export const visitsNames: Record<FlushVisits, string> = {
  wait: 'Wait',
  household: 'Household',
  'come-back': 'Come back',
};

/** What a choice costs, and whom. */
export function visitsCostSentence(
  { visits, waitMin, householdMin, moreTrips }: VisitsCost,
  reader: Reader,
): string {
  const trips = `${reader.number(moreTrips, 0)} more ${reader.plural(moreTrips, { one: 'trip', other: 'trips' })}`;
  switch (visits) {
    case 'wait':
      return `You wait ${reader.minutes(waitMin)} and leave once.`;
    case 'household':
      return `The household drains the tank, ${reader.minutes(householdMin)} of their time, by day. ${trips} to verify.`;
    case 'come-back':
      return `Nothing is asked of the household. ${trips}.`;
  }
}
