import type { DrainWay } from '../places/drainWay.ts';
import type { TubeSize } from '../places/tubeSize.ts';
import type { PlumbingSite } from './siteFacts.ts';

/** Places of a saddle; all but the first are deviations that need a reason. */
export const saddlePlaces = ['before-trap', 'after-bend', 'after-trap'] as const;
export type SaddlePlace = (typeof saddlePlaces)[number];

export type DrainRemark =
  | 'away-from-disposal'
  | 'away-from-dishwasher'
  | 'sewer-gas'
  | 'angled-up'
  | 'near-the-top'
  | 'one-wall-only'
  | 'do-not-crush'
  | 'metal-bit'
  | 'pipe-not-measured'
  | 'run-not-seen'
  | 'saddle-too-small'
  | 'too-near-discharge'
  | 'air-break'
  | 'gap-needs-two-hoses';

export interface DrainHole {
  way: DrainWay;
  place: SaddlePlace;
  deviation: boolean;
  /** The tube that ends in it. */
  tube: TubeSize;
  /** Bore of the hole, mm; 0 where none is drilled. */
  holeMm: number;
  /** How far the tube goes in past the wall, mm, and the most that keeps a third of the bore clear. */
  insertMm: number;
  /** Hole's centre, measured from the top of the straight vertical part or from the near bend, mm. */
  centreMm: number;
  /** Around a horizontal pipe, degrees from its side (0) to its top (90). */
  angleDeg: number | null;
  /** Outside diameter that was measured or is usual, mm. */
  pipeMm: number;
  remarks: DrainRemark[];
}

/** Usual waste under a sink, mm: 1 1/2 inch and 40 mm lie within a saddle's reach of it. Default. */
const usualPipeMm = 40;
/** Hole that passes a tube of 6.35 mm, and one of 9.53, mm. */
const passingMm: Record<TubeSize, number> = { '1/4"': 7, '3/8"': 10 };
/** A tube end reaches this far in at most; a narrow pipe takes less. Defaults. */
const mostInsertMm = 15;
const leastInsertMm = 12;
const wallMm = 3;
/** Length of a saddle along the pipe; it must sit on a straight part. Default. */
const saddleMm = 55;

/** A disposal or dishwasher that comes in nearer than this pushes its water into the drain line, mm. Default. */
export const leastFromDischargeMm = 100;

/**
 * How far along the straight part the hole's centre lies, mm. On a tailpiece half a saddle above its lower end; on a level run in the
 * middle, or, where something is pumped in at its near end, as far from that as a saddle still sits.
 */
const centreOf = (straightMm: number, horizontal: boolean, pushed: boolean): number =>
  Math.round(horizontal && !pushed ? straightMm / 2 : straightMm - saddleMm / 2);

/** Where the line ends if nobody chose: where nothing may be drilled it still has to end, over a stand-pipe or a floor drain. */
export const usualDrainWay = ({ airGap, drilling }: PlumbingSite): DrainWay =>
  drilling === 'no' ? 'standpipe' : airGap ? 'air-gap-tap' : 'saddle';

/**
 * Where the drain hole goes and how. On the sink side of the trap, so that its water seals the sewer off; low on a vertical tailpiece,
 * just above the trap, where running water is heard least; on a horizontal run near its top, so that waste does not stand on it.
 * The tube ends before the middle of the pipe and never against the far wall.
 * Source: practice of the trade; codes on air gaps come first.
 */
export function drainHole(
  site: PlumbingSite,
  {
    place = 'before-trap',
    way: wanted = usualDrainWay(site),
    tube = wanted === 'air-gap-tap' ? '3/8"' : '1/4"',
    lengthMm = null,
  }: {
    place?: SaddlePlace;
    way?: DrainWay;
    tube?: TubeSize;
    lengthMm?: number | null;
  } = {},
): DrainHole {
  // Where nothing may be drilled it ends over a pipe, whatever was wanted.
  const way = site.drilling === 'no' ? 'standpipe' : wanted;
  const pipeMm = site.drainPipeM === null ? usualPipeMm : site.drainPipeM * 1000;
  const horizontal = site.drainRun === 'horizontal';
  const boreMm = pipeMm - 2 * wallMm;
  const insertMm = Math.max(Math.min(mostInsertMm, Math.floor(boreMm * 0.45)), 4);
  const straight = lengthMm ?? (horizontal ? 150 : 120);
  const pushed = site.disposal === true || site.dishwasher === true;
  const centreMm = centreOf(straight, horizontal, pushed);
  const remarks: [DrainRemark, boolean][] = [
    ['pipe-not-measured', site.drainPipeM === null],
    ['run-not-seen', site.drainRun === null],
    ['saddle-too-small', straight < saddleMm],
    [
      'too-near-discharge',
      way !== 'standpipe' && pushed && place === 'before-trap' && centreMm < leastFromDischargeMm,
    ],
    ['one-wall-only', true],
    ['do-not-crush', site.drainMaterial !== 'steel' && site.drainMaterial !== 'brass'],
    ['metal-bit', site.drainMaterial === 'steel' || site.drainMaterial === 'brass'],
    ['near-the-top', horizontal],
    ['angled-up', horizontal],
    ['away-from-disposal', site.disposal !== false],
    ['away-from-dishwasher', site.dishwasher !== false],
    ['sewer-gas', place === 'after-trap' || place === 'after-bend'],
    ['gap-needs-two-hoses', way === 'air-gap-tap'],
    ['air-break', way === 'standpipe'],
  ];
  return {
    way,
    place,
    deviation: place !== 'before-trap',
    tube,
    holeMm: way === 'standpipe' ? 0 : passingMm[tube],
    insertMm: boreMm * 0.45 >= leastInsertMm ? Math.max(insertMm, leastInsertMm) : insertMm,
    centreMm,
    angleDeg: horizontal ? 60 : null,
    pipeMm,
    remarks: remarks.filter(([, is]) => is).map(([remark]) => remark),
  };
}
