import { type Outcome, succeed } from '../../base/outcome.ts';
import { elementPermeance } from '../../membrane/elementPermeance.ts';
import type { Examination } from './diagnose.ts';
import { drawsOf } from './draw.ts';
import { fitCause, groundOf } from './fit.ts';
import { causesOf, Problem } from './problem.ts';
import { type ReadingCode, readingCodes, readingExists } from './reading.ts';
import { asSurveyed } from './scenario.ts';
import { standardUncertainty, usualTestInstruments } from './uncertainty.ts';

/** What a sound system shows of a figure: nine in ten of them between these, instrument and all. */
export interface ExpectedBand {
  /** As many above as below. */
  middle: number;
  low: number;
  high: number;
}

/** What a sound system shows: of a figure its band, of what is only seen or not whether most of them show it. */
export type ExpectedReadings = Partial<Record<ReadingCode, ExpectedBand | boolean>>;

/** What a system is fed with today; the rest follows from it. */
const inputs: readonly ReadingCode[] = [
  'feedTdsMgL',
  'temperatureC',
  'supplyPressureBar',
  'dynamicPressureBar',
];
const draws = 96;
/** Standard deviations that hold nine in ten. */
const nineInTen = 1.645;

/**
 * Every figure that a sound system of this build would show in today's water: the water as it was read, the rest as surveyed, spread by
 * what elements, parts and instruments differ.
 * Errors: those of `elementPermeance`.
 */
export function expectedOf(examination: Examination): Outcome<ExpectedReadings> {
  const { system, samplePoint, meterReferenceMgL } = examination;
  const permeance = elementPermeance(system.membrane);
  if (!permeance.ok) return permeance;
  const instruments = { ...usualTestInstruments, ...examination.instruments };
  const given = examination.given.filter(({ code }) => inputs.includes(code));
  const base = asSurveyed(system, samplePoint, meterReferenceMgL);
  const problem = new Problem(base, permeance.value, given, instruments);
  const [healthy] = causesOf('healthy');
  const fit = fitCause(problem, healthy!, groundOf(problem, healthy!), -Infinity);
  const codes = readingCodes.filter((code) => readingExists(code, system));
  const order = [...problem.codes, ...codes];
  const drawn = drawsOf(problem, fit, draws, order).draws;
  const expected: ExpectedReadings = {};
  codes.forEach((code, i) => {
    const at = problem.codes.length + i;
    const values = drawn.flatMap(({ predicted, weight }) => {
      const value = predicted[at];
      return typeof value === 'number' ? [{ value, weight }] : [];
    });
    const looks = drawn.filter(({ predicted }) => typeof predicted[at] === 'boolean');
    if (looks.length >= draws / 2) {
      const weightOf = (some: typeof looks) => some.reduce((all, { weight }) => all + weight, 0);
      const shown = weightOf(looks.filter(({ predicted }) => predicted[at] === true));
      expected[code] = shown > weightOf(looks) / 2;
    }
    if (values.length < draws / 2) return;
    const sum = values.reduce((all, { weight }) => all + weight, 0);
    const mean = values.reduce((all, { value, weight }) => all + value * weight, 0) / sum;
    const spread = Math.sqrt(
      values.reduce((all, { value, weight }) => all + weight * (value - mean) ** 2, 0) / sum,
    );
    const reach = nineInTen * Math.hypot(spread, standardUncertainty(code, mean, instruments));
    expected[code] = { middle: mean, low: Math.max(mean - reach, 0), high: mean + reach };
  });
  return succeed(expected);
}
