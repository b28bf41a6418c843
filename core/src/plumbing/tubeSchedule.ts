import { tubeLoss } from '../hydraulics/tubeLoss.ts';
import type { InstalledSystem } from '../ultraviolet/ultravioletLine.ts';
import {
  boreMm,
  cutLength,
  type TubeFunction,
  type TubeRun,
  tubeRuns,
  type TubeSize,
} from './tubeRuns.ts';

/** Colours that tubes are sold in; which means what is each kit's own affair. */
export const tubeColours = ['white', 'black', 'blue', 'red', 'yellow', 'green', 'orange'] as const;
export type TubeColour = (typeof tubeColours)[number];
export type ColourMap = Partial<Record<TubeFunction, TubeColour>>;

/** Outside diameters by size, mm. */
export const outsideMm: Record<TubeSize, number> = { '1/4"': 6.35, '3/8"': 9.53 };

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
  flowLPerH: number;
}

/** Flow through each function's tubes, L/h. */
export type FlowByFunction = Record<TubeFunction, number>;

export interface TubeScheduleChoices {
  routes: Readonly<Record<string, number>>;
  /** Routes that follow from places in the cabinet. */
  positions?: Readonly<Record<string, number>>;
  colours: ColourMap;
  flows: FlowByFunction;
  temperatureC: number;
}

/** Every tube of a system as it is cut and labelled, in the order of the water. */
export function tubeSchedule(
  system: InstalledSystem,
  { routes, positions = {}, colours, flows, temperatureC }: TubeScheduleChoices,
): ScheduledTube[] {
  return tubeRuns(system).map((run, i): ScheduledTube => {
    const takenM = routes[run.id] ?? positions[run.id] ?? run.routeM;
    const cutM = cutLength(run, takenM);
    const flowLPerH = flows[run.function];
    const loss = (size: TubeSize) =>
      tubeLoss({ innerDiameterMm: boreMm[size], lengthM: cutM }, flowLPerH, temperatureC);
    return {
      ...run,
      takenM,
      known:
        routes[run.id] !== undefined
          ? 'measured'
          : positions[run.id] !== undefined
            ? 'by-position'
            : 'usual',
      cutM,
      boreMm: boreMm[run.size],
      outsideMm: outsideMm[run.size],
      colour: colours[run.function] ?? null,
      label: i + 1,
      lossBar: { '1/4"': loss('1/4"'), '3/8"': loss('3/8"') },
      flowLPerH,
    };
  });
}
