import {
  type InstalledSystem,
  isUltravioletLine,
  type UltravioletLine,
} from '../ultraviolet/ultravioletLine.ts';

export const tubeFunctions = ['feed', 'unit', 'tank', 'product', 'drain'] as const;
export type TubeFunction = (typeof tubeFunctions)[number];
export const tubeSizes = ['1/4"', '3/8"'] as const;
export type TubeSize = (typeof tubeSizes)[number];
export type TubeEnd = 'push-fit' | 'compression' | 'saddle';

/** One run of tube under the sink. */
export interface TubeRun {
  id: string;
  from: string;
  to: string;
  function: TubeFunction;
  size: TubeSize;
  /** Usual route of a unit beside the sink, m; the person replaces it by the measured one. */
  routeM: number;
  ends: readonly [TubeEnd, TubeEnd];
  lockClips: number;
}

/** Insertion at each push-fit end by tube size, m: to the mark, past the first stop. */
const insertionM: Record<TubeSize, number> = { '1/4"': 0.014, '3/8"': 0.018 };
/** Slack that lets the unit be pulled out for service, m. Default of the firm. */
export const serviceSlackM = 0.3;

/** Length to cut: route, insertion at both ends, and service slack where the run goes to the unit. */
export function cutLength(run: TubeRun, routeM = run.routeM, slackM = serviceSlackM): number {
  return routeM + 2 * insertionM[run.size] + (run.function === 'unit' ? 0 : slackM);
}

/** Usual bore by tube size, mm. */
export const boreMm: Record<TubeSize, number> = { '1/4"': 4.3, '3/8"': 6.35 };

/** The tube size with this bore; the product line of a design is given by its bore. */
const sizeOfBore = (bore: number): TubeSize => (bore > 5 ? '3/8"' : '1/4"');

const run = (
  from: string,
  to: string,
  role: TubeFunction,
  size: TubeSize,
  routeM: number,
  ends: TubeRun['ends'] = ['push-fit', 'push-fit'],
): TubeRun => ({
  id: `${from}>${to}`,
  from,
  to,
  function: role,
  size,
  routeM,
  ends,
  lockClips: ends.filter((end) => end === 'push-fit').length,
});

/** Every run that a system needs, in the order of the water. */
export function tubeRuns(design: InstalledSystem): TubeRun[] {
  if (isUltravioletLine(design)) return ultravioletRuns(design);
  const tankless = design.tank === null;
  const feedSize: TubeSize = tankless ? '3/8"' : '1/4"';
  const productSize = sizeOfBore(design.line.innerDiameterMm);

  const runs: TubeRun[] = [run('feed-valve', 'prefilter-1', 'feed', feedSize, 0.9)];
  let last = `prefilter-${design.prefilters.length}`;
  if (design.pump && !tankless) {
    runs.push(run(last, 'pump', 'unit', '1/4"', 0.35));
    last = 'pump';
  }
  if (design.shutoff) {
    runs.push(run(last, 'shutoff', 'unit', '1/4"', 0.12));
    last = 'shutoff';
  }
  if (!tankless) runs.push(run(last, 'membrane', 'unit', '1/4"', 0.2));
  runs.push(run('membrane', 'drain', 'drain', '1/4"', 1.1, ['push-fit', 'saddle']));
  last = 'membrane';
  if (design.shutoff) {
    runs.push(run('membrane', 'shutoff', 'unit', '1/4"', 0.15));
    last = 'shutoff';
  }
  if (design.permeatePump) {
    runs.push(run(last, 'permeate-pump', 'unit', '1/4"', 0.2));
    last = 'permeate-pump';
  }
  if (design.mineral?.place === 'before-tank') {
    runs.push(run(last, 'mineral', 'unit', '1/4"', 0.2));
    last = 'mineral';
  }
  if (design.tank)
    runs.push(run(last, 'tank', 'tank', productSize, 0.7, ['push-fit', 'compression']));
  for (const [id, present] of [
    ['post-filter', design.postFilter !== null],
    ['mineral', design.mineral?.place === 'after-tank'],
    ['lamp', design.lamp !== null],
  ] as const) {
    if (!present) continue;
    runs.push(run(last, id, 'unit', productSize, 0.2));
    last = id;
  }
  if (design.branch) runs.push(run(last, 'refrigerator', 'product', '1/4"', design.branch.lengthM));
  runs.push(run(last, 'tap', 'product', productSize, design.line.lengthM));
  return runs;
}

/** An ultraviolet line passes the tap's whole flow from the feed on. */
function ultravioletRuns({ prefilters, line }: UltravioletLine): TubeRun[] {
  const size = sizeOfBore(line.innerDiameterMm);
  return [
    run('feed-valve', 'prefilter-1', 'feed', size, 0.9),
    run(`prefilter-${prefilters.length}`, 'lamp', 'unit', size, 0.3),
    run('lamp', 'tap', 'product', size, line.lengthM),
  ];
}
