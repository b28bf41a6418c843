import type { Failure, FailureCode } from '@katharos/core';

/** Shows a number of a failure's data briefly. */
const brief = (value: number | string | undefined): string =>
  typeof value === 'number' ? String(Number(value.toPrecision(4))) : (value ?? '?');

/** One sentence for each failure that the core can name. What is wrong first, then what to do. */
const sentences: Record<FailureCode, (data: Failure['data'], path: string) => string> = {
  'not-a-number': (d, path) => `${path} must be a number; "${brief(d.got)}" came.`,
  'out-of-range': (d, path) =>
    `${path} must be from ${brief(d.min)} to ${brief(d.max)}; ${brief(d.got)} came.`,
  'no-driving-pressure': (d) =>
    `The product side stands at ${brief(d.backBar)} bar and the membrane at ${brief(d.membraneBar)} bar, so nothing drives water through. Raise the supply pressure, add a booster pump or lower the tank pressure.`,
  'pressure-below-osmotic': (d) =>
    d.osmoticBar === undefined
      ? 'The net driving pressure is not above zero: the pressure does not exceed what this water needs to be desalted at all. Check the pressure, recovery and TDS readings.'
      : `The pressure across the membrane (${brief(Number(d.membraneBar) - Number(d.backBar))} bar) does not exceed this water's osmotic pressure (${brief(d.osmoticBar)} bar), so no product is made. A booster pump is needed.`,
  'rating-impossible': (d) =>
    `The rated pressure (${brief(d.ratedBar)} bar) does not exceed the osmotic pressure of the rated test (${brief(d.osmoticBar)} bar). Check the membrane's data sheet.`,
  'concentrate-too-strong': (d) =>
    `The concentrate would reach ${brief(d.concentrateMgL)} mg/L, beyond what the equations hold for. Fit a larger restrictor.`,
  'shutoff-below-precharge': (d) =>
    `Production stops at ${brief(d.closingBar)} bar, below the tank's air pressure of ${brief(d.prechargeBar)} bar, so no water enters the tank. Lower the precharge or raise the supply pressure.`,
  'tank-not-emptied': (d) =>
    `The full tank gives no more than a trickle (${brief(d.trickleLPerMin)} L/min) through this outlet, so it cannot be emptied. Lower or widen the way to the tap, or close the feed while it is drained.`,
  'source-below-rise': (d) =>
    `The source (${brief(d.sourceBar)} bar) cannot lift water to the tap, which takes ${brief(d.riseBar)} bar.`,
  'existing-not-read': () =>
    'The system that the lamp was added to is not read yet: measure flow and TDS of the product at its tap and enter them in the survey, under "A system already there".',
  'no-product-to-the-tap': (d) =>
    `The membrane pressure (${brief(d.membraneBar)} bar) does not suffice to push product up to the tap, which takes ${brief(d.riseBar)} bar for the rise alone.`,
  'water-not-in-equilibrium-range': () =>
    'This water is already saturated with calcite, so a mineral bed would add nothing to it.',
  'no-bracket': (_d, path) =>
    `No ${path} between its physical limits satisfies the equations for these inputs.`,
  'iteration-limit': (_d, path) =>
    `The search for ${path} did not settle; the inputs are outside what the solver can answer honestly.`,
};

/** A failure as a sentence. */
export const failureSentence = (failure: Failure): string =>
  sentences[failure.code](failure.data, failure.path);

/** What a failure comes to, above its sentence. */
export const failureHead = ({ code }: Failure): string =>
  code === 'existing-not-read'
    ? 'The system that is there was not read'
    : 'This system cannot run in this water';
