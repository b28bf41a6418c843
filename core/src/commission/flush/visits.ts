import type { FlushHand, FlushStep } from './flushStep.ts';

/** Who is there when the tank has filled: the installer who waited, the household, or the installer on another visit. */
export const flushVisits = ['wait', 'household', 'come-back'] as const;
export type FlushVisits = (typeof flushVisits)[number];

/** So long a wait is no reason to leave and come again, min: a cup of tea, the papers, the leak look. */
const shortWaitMin = 45;

const isFill = ({ code }: FlushStep): boolean => code === 'tank-fill';
const isOfTank = ({ code }: FlushStep): boolean =>
  code === 'tank-fill' || code === 'tank-drain' || code === 'night-rest';

/** What each choice costs: minutes at the house beside hands-on work, minutes of the household's hands, trips more. */
export interface VisitsCost {
  visits: FlushVisits;
  waitMin: number;
  householdMin: number;
  moreTrips: number;
}

/** Whether there is anything to choose: a tank that is filled more than once. */
export const hasVisitsChoice = (steps: readonly FlushStep[]): boolean =>
  steps.filter(isFill).length > 1;

/** What each of the three costs, in the order in which they are offered. Units: min. */
export function visitsCosts(steps: readonly FlushStep[]): VisitsCost[] {
  const minutes = (of: readonly FlushStep[]) =>
    of.reduce((sum, step) => sum + (step.minutes ?? 0), 0);
  const waiting = minutes(steps.filter(({ attended }) => !attended));
  const firstFill = steps.findIndex(isFill);
  const after = firstFill < 0 ? [] : steps.slice(firstFill + 1);
  const theirs = minutes(after.filter((step) => step.attended && isOfTank(step)));
  return [
    { visits: 'wait', waitMin: waiting, householdMin: 0, moreTrips: 0 },
    { visits: 'household', waitMin: 0, householdMin: theirs, moreTrips: 1 },
    { visits: 'come-back', waitMin: 0, householdMin: 0, moreTrips: steps.filter(isFill).length },
  ];
}

/** The installer leaves once where it can be done without a long wait; else the household does the tanks. */
export const proposedVisits = (steps: readonly FlushStep[]): FlushVisits =>
  visitsCosts(steps)[0]!.waitMin <= shortWaitMin ? 'wait' : 'household';

/** The steps, each with whose turn it is. What comes after the first fill waits for whoever was chosen. */
export function handedOut(
  steps: readonly FlushStep[],
  visits: FlushVisits = proposedVisits(steps),
): FlushStep[] {
  if (visits === 'wait') return steps.map((step) => ({ ...step, by: 'installer' }));
  const tank: FlushHand = visits === 'household' ? 'household' : 'return-visit';
  let isFilled = false;
  let isHanded = false;
  return steps.map((step) => {
    const isWaiting = isFilled && isOfTank(step);
    isFilled ||= isFill(step);
    isHanded ||= isWaiting;
    return { ...step, by: isWaiting ? tank : isHanded ? 'return-visit' : 'installer' };
  });
}
