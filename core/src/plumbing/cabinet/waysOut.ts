import { type Part, partsOf } from '../../catalogue/parts.ts';
import { judge, type JudgedDesign } from '../../choose/judge.ts';
import type { SizingWaters, SystemDesign } from '../../system/design.ts';
import type { Requirements } from '../../choose/requirements.ts';
import { bodiesOf } from './bodies.ts';
import { type Cabinet, type Obstacle, placeBodies } from './placing.ts';

/** A way out where a system does not fit. */
export type WayOut =
  | { kind: 'next-cupboard' }
  | { kind: 'smaller-tank'; design: SystemDesign; judged: JudgedDesign }
  | { kind: 'tankless' }
  | { kind: 'remote' };

/**
 * What could be done about a system that does not fit, each tried: the tank in the next cupboard, a smaller tank with what it does to
 * the days of this household, no tank at all, or the unit elsewhere.
 */
export function waysOut(
  design: SystemDesign,
  leakStop: boolean,
  cabinet: Cabinet,
  obstacles: readonly Obstacle[],
  catalogue: readonly Part[],
  waters: SizingWaters,
  requirements: Requirements,
): WayOut[] {
  const fits = (other: SystemDesign, without: readonly string[] = []) =>
    placeBodies(
      bodiesOf(other, leakStop).filter(({ id }) => !without.includes(id)),
      cabinet,
      obstacles,
    ).left.length === 0;
  const ways: WayOut[] = [];
  const { tank } = design;
  if (tank) {
    if (fits(design, ['tank'])) ways.push({ kind: 'next-cupboard' });
    const smaller = partsOf(catalogue, 'tank')
      .filter(({ volumeL }) => volumeL < tank.volumeL)
      .sort((a, b) => b.volumeL - a.volumeL)
      .map((other) => ({ ...design, tank: other }))
      .find((other) => fits(other));
    if (smaller) {
      ways.push({
        kind: 'smaller-tank',
        design: smaller,
        judged: judge(smaller, waters, requirements),
      });
    }
    if (fits({ ...design, tank: null })) ways.push({ kind: 'tankless' });
  }
  ways.push({ kind: 'remote' });
  return ways;
}
