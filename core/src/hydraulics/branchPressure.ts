import { findRoot } from '../base/numeric/findRoot.ts';
import { risePressure } from '../water/waterDensity.ts';
import { filterResistance, type FilterDrop } from './prefilterDrop.ts';
import { type TapLine, tapLineLoss } from './tapLine.ts';
import { tubeLoss } from './tubeLoss.ts';

/** What can hang on the product line besides the tap. */
export const branchKinds = ['refrigerator', 'ice-maker', 'second-tap', 'machine'] as const;
export type BranchKind = (typeof branchKinds)[number];

/** A branch of the product line to something that opens a valve of its own. */
export interface Branch {
  kind: BranchKind;
  innerDiameterMm: number;
  lengthM: number;
  /** Height of its inlet above the tank's connection, m. */
  riseM: number;
  /** Pressure that it wants at its inlet while it draws, bar, and the flow it draws then, L/min. */
  neededBar: number;
  flowLPerMin: number;
}

/**
 * Pressure at the far end of a branch while it draws, bar gauge; below 0 where the source cannot feed it.
 * @param sourceBar at the tank, or at the product port of a tankless unit
 * @param othersLPerH what tap and other branches draw through the same post filter
 * Source: as the tap line, Darcy-Weisbach with Churchill's friction factor.
 */
export function branchPressure(
  branch: Branch,
  postFilter: FilterDrop | undefined,
  sourceBar: number,
  temperatureC: number,
  othersLPerH = 0,
): number {
  const flowLPerH = branch.flowLPerMin * 60;
  return (
    sourceBar -
    filterResistance(postFilter, temperatureC) * (flowLPerH + othersLPerH) -
    tubeLoss(branch, flowLPerH, temperatureC) -
    risePressure(branch.riseM, temperatureC)
  );
}

/** What one branch sees. */
export interface BranchDraw {
  branch: Branch;
  /** While nothing else draws, and while all other branches draw and the tap is open, bar gauge. */
  aloneBar: number;
  worstBar: number;
}

/**
 * Pressures at all branches from one source, each drawing alone, and in the worst draw: all of them at once with the tap open.
 * The tap passes what the pressure at the tees leaves it; what the post filter takes grows with everything that is drawn.
 * @param line the tap's own line, with the post filter that all share
 * Errors: none; a source that cannot feed everything shows as pressures below 0.
 */
export function worstDraw(
  branches: readonly Branch[],
  line: TapLine,
  sourceBar: number,
  temperatureC: number,
): BranchDraw[] {
  const drawnLPerH = branches.reduce((sum, { flowLPerMin }) => sum + 60 * flowLPerMin, 0);
  const share = filterResistance(line.postFilter, temperatureC);
  const left = (tapLPerH: number) =>
    sourceBar - share * drawnLPerH - tapLineLoss(line, tapLPerH, temperatureC).totalBar;
  // Without its tubes and filter the tap would pass this from the whole source.
  const mostLPerH = 1000.1 * line.tapKv * Math.sqrt(Math.max(sourceBar, 0));
  const open = left(0) > 0 ? findRoot(left, 0, mostLPerH) : null;
  const tapLPerH = open?.status === 'converged' ? open.x : 0;
  return branches.map((branch) => {
    const others = drawnLPerH - 60 * branch.flowLPerMin + tapLPerH;
    return {
      branch,
      aloneBar: branchPressure(branch, line.postFilter, sourceBar, temperatureC),
      worstBar: branchPressure(branch, line.postFilter, sourceBar, temperatureC, others),
    };
  });
}
