import { assess } from './assess.ts';
import type { FeedWater, SystemDesign } from './design.ts';

/** What another restrictor would make of a design. */
export interface RecoveryPoint {
  flowMlMin: number;
  recovery: number;
  productTdsMgL: number;
  concentrateLsi: number;
  drainLPerProductL: number;
}

const points = 17;
/** From a third of the restrictor's flow to three times it. */
const span = 3;

/** Product strength, scaling and waste over recovery, by the restrictor that would set it; points that cannot run are left out. */
export function recoveryCurve(design: SystemDesign, water: FeedWater): RecoveryPoint[] {
  const { restrictor } = design;
  return Array.from({ length: points }, (_, i) => span ** (1 - (2 * i) / (points - 1))).flatMap(
    (factor) => {
      const flowMlMin = restrictor.restrictor.flowMlMin * factor;
      const other = { ...restrictor, restrictor: { ...restrictor.restrictor, flowMlMin } };
      const solved = assess({ ...design, restrictor: other }, water);
      if (!solved.ok) return [];
      const { running, productTdsMgL, concentrateLsi, drainLPerProductL } = solved.value;
      return [
        { flowMlMin, recovery: running.recovery, productTdsMgL, concentrateLsi, drainLPerProductL },
      ];
    },
  );
}
