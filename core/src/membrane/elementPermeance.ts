import { firstOutOfRange } from '../base/guard.ts';
import { limits } from '../base/limits.ts';
import { fail, type Outcome, succeed } from '../base/outcome.ts';
import { osmoticPressure, osmoticScale } from '../water/osmoticPressure.ts';
import { concentrationPolarisation } from './concentrationPolarisation.ts';
import type { ElementAtTemperature } from './localFlux.ts';
import { marchElement, marchSteps, newMarch } from './marchElement.ts';

/** What the data sheet of an element promises, at 25 C and without product pressure. */
export interface MembraneRating {
  ratedFlowLPerDay: number;
  ratedPressureBar: number;
  ratedTdsMgL: number;
  /** Fraction, 0 to 1. */
  ratedRecovery: number;
  /** Fraction, 0 to 1. */
  ratedRejection: number;
}

/** An element's permeance times its area at 25 C. */
export interface ElementPermeance {
  /** `a`, L/h/bar. */
  water: number;
  /** `b`, L/h. */
  salt: number;
}

const maxPasses = 60;
const tolerance = 1e-10;
/** Longest step in a permeance's logarithm. */
const mostStep = 0.7;

/**
 * Finds the permeances with which the element, marched at its rated test, returns its rated flow and rejection.
 * Errors: 'out-of-range' with the field; 'rating-impossible' if the rated pressure does not exceed the osmotic pressure
 * of the rated test's concentrate, so that no permeance could give the rated flow.
 */
export function elementPermeance(rating: MembraneRating): Outcome<ElementPermeance> {
  const refused = firstOutOfRange([
    ['membrane.ratedFlowLPerDay', rating.ratedFlowLPerDay, limits.ratedFlowLPerDay],
    ['membrane.ratedPressureBar', rating.ratedPressureBar, limits.ratedPressureBar],
    ['membrane.ratedTdsMgL', rating.ratedTdsMgL, limits.tdsMgL],
    ['membrane.ratedRecovery', rating.ratedRecovery, limits.fraction],
    ['membrane.ratedRejection', rating.ratedRejection, limits.fraction],
  ]);
  if (refused) return refused;

  const flow = rating.ratedFlowLPerDay / 24;
  const feed = flow / rating.ratedRecovery;
  const permeateMgL = rating.ratedTdsMgL * (1 - rating.ratedRejection);
  const beta = concentrationPolarisation(rating.ratedRecovery);
  const strongest = (beta * rating.ratedTdsMgL) / (1 - rating.ratedRecovery);
  if (osmoticPressure(Math.min(strongest, 9e5), 25) >= rating.ratedPressureBar) {
    return fail('rating-impossible', 'membrane.ratedPressureBar', {
      ratedBar: rating.ratedPressureBar,
      osmoticBar: osmoticPressure(strongest, 25),
    });
  }

  const meanOsmotic = osmoticPressure(
    rating.ratedTdsMgL * (1 + rating.ratedRecovery / 2) * beta,
    25,
  );
  const drive = rating.ratedPressureBar - meanOsmotic;
  const element: ElementAtTemperature = {
    water: flow / (drive > 0.05 * rating.ratedPressureBar ? drive : 0.05 * rating.ratedPressureBar),
    salt: (flow * (1 - rating.ratedRejection)) / (rating.ratedRejection * beta),
    osmoticScaleBar: osmoticScale(25),
  };
  const march = newMarch();
  const steps = marchSteps(rating.ratedRecovery);
  // Broyden's method on the logarithms of both, from the unit matrix: flow answers almost only to the water permeance and
  // product salt to the salt permeance, so the start is nearly right and six marches reach the tolerance.
  const slope = { ww: 1, ws: 0, sw: 0, ss: 1 };
  let [stepW, stepS] = [0, 0];
  let [predictedW, predictedS] = [0, 0];
  for (let pass = 0; pass < maxPasses; pass += 1) {
    marchElement(element, feed, rating.ratedTdsMgL, rating.ratedPressureBar, beta, steps, march);
    const missW = Math.log(march.permeateLPerH / flow);
    const missS = Math.log(march.permeateSaltMgPerH / (permeateMgL * flow));
    if (Math.abs(missW) < tolerance && Math.abs(missS) < tolerance) {
      return succeed({ water: element.water, salt: element.salt });
    }
    if (pass > 0) {
      // What the matrix got wrong; after a whole step it had predicted no miss at all.
      const norm = stepW * stepW + stepS * stepS;
      const [wrongW, wrongS] = [missW - predictedW, missS - predictedS];
      slope.ww += (wrongW * stepW) / norm;
      slope.ws += (wrongW * stepS) / norm;
      slope.sw += (wrongS * stepW) / norm;
      slope.ss += (wrongS * stepS) / norm;
    }
    const determinant = slope.ww * slope.ss - slope.ws * slope.sw;
    stepW = (slope.ws * missS - slope.ss * missW) / determinant;
    stepS = (slope.sw * missW - slope.ww * missS) / determinant;
    // Close to the osmotic limit the flow bends so sharply that a whole step would leave what can be marched.
    const longest = Math.max(Math.abs(stepW), Math.abs(stepS));
    if (longest > mostStep) {
      stepW *= mostStep / longest;
      stepS *= mostStep / longest;
    }
    predictedW = missW + slope.ww * stepW + slope.ws * stepS;
    predictedS = missS + slope.sw * stepW + slope.ss * stepS;
    element.water *= Math.exp(stepW);
    element.salt *= Math.exp(stepS);
  }
  return fail('iteration-limit', 'membrane', { passes: maxPasses });
}
