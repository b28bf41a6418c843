import { type Place, placeFacts } from '../places/place.ts';
import { insertion } from '../places/tubeEnds.ts';
import type { TubeRun } from './tubeRuns.ts';

/** Slack that lets the unit be pulled out for service, m. Default of the firm. */
export const serviceSlackM = 0.3;
/** Insertion at a drain saddle where its hole was not worked out, m. */
const usualSaddleM = 0.014;

/** Whether a place comes forward with the unit when that is pulled out. */
const onUnit = (place: Place): boolean =>
  placeFacts(place).stands === 'unit' || place === 'permeate-pump';

/** Whether a run goes from the unit to something that stays where it is. */
export const leavesUnit = ({ from, to, function: role }: TubeRun): boolean =>
  role !== 'unit' && onUnit(from) !== onUnit(to);

/** Length to cut, m: the route, what each end takes in, and slack where the run leaves the unit. */
export function cutLength(
  run: TubeRun,
  routeM = run.routeM,
  { slackM = serviceSlackM, saddleM = usualSaddleM } = {},
): number {
  const [from, to] = run.ends;
  return (
    routeM +
    insertion(from, run.size, saddleM) +
    insertion(to, run.size, saddleM) +
    (leavesUnit(run) ? slackM : 0)
  );
}
