import type { TubeColour } from '../../catalogue/parts.ts';
import { practiceLimits } from '../../base/practice.ts';
import { tubeLoss } from '../../hydraulics/tubeLoss.ts';
import { type InstalledSystem, isUltravioletLine } from '../../system/ultravioletLine.ts';
import { cutLength } from './cutLength.ts';
import { type Place, placeFacts } from '../places/place.ts';
import { portSize } from '../places/portSize.ts';
import type { TubeFunction } from '../places/tubeFunction.ts';
import { boreMm, outsideMm, type TubeSize } from '../places/tubeSize.ts';
import { type Joints, plainJoints, type TubeRun, tubeRuns } from './tubeRuns.ts';

export type ColourMap = Partial<Record<TubeFunction, TubeColour>>;

/** A run with all that is needed to cut, fit and label it. */
export interface ScheduledTube extends TubeRun {
  /** Route as measured, or as usual, m. */
  takenM: number;
  /** Read along the way, worked out from where things stand, or the usual one. */
  known: 'measured' | 'by-position' | 'usual';
  cutM: number;
  boreMm: number;
  outsideMm: number;
  colour: TubeColour | null;
  /** Number on its label, from the street on. */
  label: number;
  /** Pressure that its flow costs in this size and in the other, bar. */
  lossBar: Record<TubeSize, number>;
  /** The narrowest tube whose loss is small, of a feed in all its runs, whatever it is laid in. */
  proposed: TubeSize;
  /** A size that a person chose, the system's own line, or the proposal. */
  sizeBy: 'person' | 'system' | 'proposal';
  flowLPerH: number;
  /** Ports that are narrower or wider than the tube, and so take a reducer. */
  reducers: number;
}

/** Flow through each function's tubes, L/h. */
export type FlowByFunction = Record<TubeFunction, number>;

export interface TubeScheduleChoices {
  joints?: Joints;
  routes: Readonly<Record<string, number>>;
  /** Routes that follow from places in the cabinet. */
  positions?: Readonly<Record<string, number>>;
  /** Sizes that a person chose. */
  sizes?: Readonly<Record<string, TubeSize>>;
  colours: ColourMap;
  flows: FlowByFunction;
  temperatureC: number;
  /** How far the drain hole lets a tube in, m. */
  saddleM?: number;
}

/** Every tube of a system as it is cut and labelled, in the order of the water. */
export function tubeSchedule(
  system: InstalledSystem,
  {
    joints = plainJoints,
    routes,
    positions = {},
    sizes = {},
    colours,
    flows,
    temperatureC,
    saddleM,
  }: TubeScheduleChoices,
): ScheduledTube[] {
  const reckoned = tubeRuns(system, joints).map((laid) => {
    const takenM = routes[laid.id] ?? positions[laid.id] ?? laid.routeM;
    const flowLPerH = branchFlow(system, laid) ?? flows[laid.function];
    const cutOf = (size: TubeSize) =>
      cutLength({ ...laid, size }, takenM, saddleM === undefined ? {} : { saddleM });
    const loss = (size: TubeSize) =>
      tubeLoss({ innerDiameterMm: boreMm[size], lengthM: cutOf(size) }, flowLPerH, temperatureC);
    const lossBar = { '1/4"': loss('1/4"'), '3/8"': loss('3/8"') };
    return { laid, takenM, flowLPerH, cutOf, lossBar };
  });
  const isCostly = ({ lossBar }: Pick<ScheduledTube, 'lossBar'>) =>
    lossBar['1/4"'] > practiceLimits.mostTubeLossBar;
  // A feed is of one size from its valve to the unit, whatever stands in it: its longest run decides.
  const feedIsCostly = reckoned.some((run) => run.laid.function === 'feed' && isCostly(run));
  const scheduled = reckoned.map(({ laid, cutOf, ...run }, i): ScheduledTube => {
    const { takenM, flowLPerH, lossBar } = run;
    const isWide = laid.function === 'feed' ? feedIsCostly : isCostly(run);
    const proposed: TubeSize = isWide ? '3/8"' : '1/4"';
    const { size, by } = sizeOf(laid, sizes[laid.id], proposed);
    return {
      ...laid,
      size,
      sizeBy: by,
      proposed,
      takenM,
      known:
        routes[laid.id] !== undefined
          ? 'measured'
          : positions[laid.id] !== undefined
            ? 'by-position'
            : 'usual',
      cutM: cutOf(size),
      boreMm: boreMm[size],
      outsideMm: outsideMm[size],
      colour: colours[laid.function] ?? null,
      label: i + 1,
      lossBar,
      flowLPerH,
      reducers: 0,
    };
  });
  const port = (place: Place) => portSize(system, place) ?? jointSize(scheduled, place);
  return scheduled.map((tube) => ({
    ...tube,
    reducers: [port(tube.from), port(tube.to)].filter((size) => size !== null && size !== tube.size)
      .length,
  }));
}

/** What a branch's own tubes carry while it draws, L/h; null for any other tube. */
function branchFlow(system: InstalledSystem, { to }: TubeRun): number | null {
  if (isUltravioletLine(system)) return null;
  const branch = system.branches.find(({ kind }) => to === kind || to === `valve-${kind}`);
  return branch ? 60 * branch.flowLPerMin : null;
}

/** What joins tubes is bought in the widest of them; the others reach it by a reducer. Null where a place joins none. */
export function jointSize(
  tubes: readonly Pick<ScheduledTube, 'from' | 'to' | 'size'>[],
  place: Place,
): TubeSize | null {
  if (placeFacts(place).port !== 'widest') return null;
  const met = tubes.filter(({ from, to }) => from === place || to === place);
  return met.some(({ size }) => size === '3/8"') ? '3/8"' : '1/4"';
}

/** Only a feed is free to follow its cost: all behind the membrane was simulated in the size that the system's line has. */
function sizeOf(
  laid: TubeRun,
  chosen: TubeSize | undefined,
  proposed: TubeSize,
): { size: TubeSize; by: ScheduledTube['sizeBy'] } {
  if (chosen) return { size: chosen, by: 'person' };
  if (laid.function === 'feed' && laid.size === '1/4"' && proposed === '3/8"')
    return { size: proposed, by: 'proposal' };
  return { size: laid.size, by: laid.function === 'feed' ? 'proposal' : 'system' };
}
