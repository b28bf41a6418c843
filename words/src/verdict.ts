import {
  type Comparison,
  type FaultCode,
  judged,
  type Judgement,
  type LimitFound,
  type Verdict,
} from '@katharos/core';
import type { VerifyRecord } from '@katharos/job';
import { sayProbability, shortCause } from './diagnosis.ts';
import type { Reader } from './reader.ts';

/** Who accepted it although it is not good by what was found, and why. */
export const acceptedSentence = (
  { by, at, reason }: NonNullable<VerifyRecord['accepted']>,
  reader: Reader,
): string =>
  `Accepted all the same by ${by}, ${reader.when(at, 'date')}: ${reason.replace(/\.?$/, '.')}`;

/** What of a system each fault is about, for whoever reads that nothing was read of it. */
const faultMatters: Record<Exclude<FaultCode, 'healthy'>, string> = {
  'supply-valve-partly-open': 'the feed valve',
  'prefilter-blocked': 'the pre-filters',
  'carbon-spent': 'the carbon',
  'membrane-absent': 'the membrane',
  'membrane-bypass': 'the membrane’s seals',
  'brine-seal-failed': 'the membrane’s seals',
  'membrane-oxidised': 'the membrane’s age',
  'membrane-scaled': 'the membrane’s age',
  'membrane-old': 'the membrane’s age',
  'restrictor-missing': 'the restrictor',
  'restrictor-blocked': 'the restrictor',
  'check-valve-leaking': 'the check valve',
  'shutoff-stuck-open': 'the shut-off',
  'shutoff-stuck-closed': 'the shut-off',
  'supply-pressure-low': 'the supply pressure',
  'precharge-lost': 'the tank’s air',
  'precharge-high': 'the tank’s air',
  'bladder-torn': 'the tank’s bladder',
  'post-filter-blocked': 'the last filter',
  'lines-swapped': 'the tubes of product and drain',
  'sampled-after-minerals': 'where the cup was filled',
  'sampled-after-standing': 'when the cup was filled',
  'pump-off': 'the pump',
  'pump-weak': 'the pump',
  'feed-water-changed': 'the source',
  'meter-miscalibrated': 'the meter',
  'meters-differ': 'the meter',
  'sampled-first-tank': 'when the cup was filled',
  'tank-valve-closed': 'the tank’s valve',
  'drain-line-blocked': 'the drain line',
  'product-tube-kinked': 'the product tube',
};

/** What readings told nothing of, in a list; empty where they told of all. */
function untestedOf(untold: readonly FaultCode[], reader: Reader): string[] {
  const matters = untold.flatMap((fault) => (fault === 'healthy' ? [] : faultMatters[fault]));
  const open = [...new Set(matters)];
  return open.length > 0 ? [`These readings do not test ${reader.list(open)}.`] : [];
}

/** From this probability on something is likely, and needs no other beside it. */
const likely = 0.8;
/** Over this a fault is named beside the verdict. */
const worthNaming = 0.1;

/**
 * What the readings come to, for the installer: words first, one probability. It never stands against the grade: what is accepted is
 * called healthy, what is not is called a fault.
 */
export function judgementSentences(
  { sound, leading, untold }: Judgement,
  reader: Reader,
): string[] {
  const rival =
    leading && leading.probability > worthNaming
      ? [
          `Next most likely: ${reader.within(shortCause(leading.faults, reader))} (${sayProbability(leading.probability, reader)}).`,
        ]
      : [];
  const healthy = sayProbability(sound, reader);
  const fault = leading
    ? `${shortCause(leading.faults, reader)} (${sayProbability(leading.probability, reader)})`
    : '';
  const first =
    sound >= likely
      ? [`Healthy: ${healthy} likely from these readings.`]
      : sound >= judged.sound
        ? [`Probably healthy (${healthy}).`, ...rival]
        : sound > judged.unsound
          ? [`Not certain. Healthy: ${healthy}.`, ...(fault ? [`Possible fault: ${fault}.`] : [])]
          : fault
            ? [`Likely fault: ${fault}.`]
            : [];
  return [...first, ...untestedOf(untold, reader)];
}

/** The same for whoever lives there: what was found, and no probabilities. */
export function householdJudgement(
  { sound, leading, untold }: Judgement,
  reader: Reader,
): string[] {
  return [
    ...(sound >= judged.sound
      ? ['The readings together show a system in order.']
      : sound <= judged.unsound && leading
        ? [`Likely cause: ${reader.within(shortCause(leading.faults, reader))}.`]
        : []),
    ...untestedOf(untold, reader),
  ];
}

/** A limit is met or missed by more than the reading can err: then it is said without a doubt. */
const surely = 0.95;

/** A firm's limit beside what was measured. */
export function limitSentence({ of, limit, kept }: LimitFound, reader: Reader): string {
  const name =
    of === 'rejection'
      ? `the ${reader.percent(limit, 0)} rejection limit`
      : `the ${reader.say('tds', limit)} product TDS limit`;
  if (kept >= surely) return `Meets ${name}.`;
  if (kept <= 1 - surely) return `Does not meet ${name}.`;
  return kept >= 0.5
    ? `Meets ${name}, within the accuracy of the meter.`
    : `Just misses ${name}, within the accuracy of the meter.`;
}

/** The verdict in sentences: the grade, then how it stands to what this system should do today. */
export function verdictSentences(
  verdict: Verdict,
  reader: Reader,
  forWhom: 'installer' | 'household' = 'installer',
  judgement: Pick<Judgement, 'sound'> | null = null,
): string[] {
  // All that was read together comes before one band alone: where it is sound, nothing is remarked on.
  const isSound = judgement !== null && judgement.sound >= judged.sound;
  const { rejection, productTds } = verdict;
  const sentences = [
    `Rejection is ${reader.percent(rejection.measured, 1)}. Expected in this water: ${bandOf(rejection, { most: 1, say: (share) => reader.number(share * 100, 1) })} %, ${productBandSentence(productTds, reader)}`,
  ];
  if (verdict.asExpected) {
    sentences.push(
      rejection.sigmas > 2
        ? 'That is better than expected. Check that the cup held product of this membrane and that the feed reading is right.'
        : 'That is within the expected range.',
    );
  } else if (!isSound) {
    sentences.push('That is below the expected range.');
  }
  for (const [name, comparison] of [
    ['product', verdict.productFlow],
    ['drain', verdict.drainFlow],
  ] as const) {
    if (comparison && !isSound && Math.abs(comparison.sigmas) > worthARemark)
      sentences.push(flowSentence(name, comparison, forWhom, reader));
  }
  return sentences;
}

/** A flow is remarked on from this many standard uncertainties: of sound systems one in four hundred. */
const worthARemark = 3;

/** A meter of dissolved solids tells no less than this, mg/L. */
const meterTellsMgL = 1.5;

/** What the meter should show of the product; what it cannot tell is not given digits. */
const productBandSentence = (product: Comparison, reader: Reader): string => {
  const { symbol } = reader.apart('tds', 0);
  if (product.expected + product.band < meterTellsMgL)
    return 'and product TDS below what this meter can tell.';
  const band = bandOf(product, { say: (mgL) => reader.number(mgL, 0) });
  return product.expected <= product.band
    ? `and product TDS up to ${reader.number(product.expected + product.band, 0)} ${symbol}.`
    : `and product TDS of ${band} ${symbol}.`;
};

/** "91.0 to 95.2": from the least to the most that is expected, never less than nothing. */
const bandOf = (
  { expected, band }: Comparison,
  { most = Infinity, say }: { most?: number; say: (value: number) => string },
): string => {
  const [low, high] = [Math.max(expected - band, 0), Math.min(expected + band, most)].map(say);
  return low === high ? low! : `${low} to ${high}`;
};

/** A flow outside of its band; what to look at is for whoever can. */
function flowSentence(
  name: 'product' | 'drain',
  flow: Comparison,
  forWhom: 'installer' | 'household',
  reader: Reader,
): string {
  const side = flow.sigmas > 0 ? 'above' : 'below';
  const look: Record<typeof name, Record<typeof side, string>> = {
    product: {
      above: 'Is the membrane seated, or water passing it by?',
      below: 'Is the feed valve fully open, the tank valve closed and no tube kinked?',
    },
    drain: {
      above: 'Is the restrictor in the line?',
      below: 'Is the restrictor blocked or the drain tube pinched?',
    },
  };
  const said = `The ${name} flow of ${reader.say('flow', flow.measured)} is ${side} the expected ${reader.say('flow', flow.expected)} ± ${reader.say('flow', flow.band)}.`;
  return forWhom === 'installer' ? `${said} ${look[name][side]}` : said;
}

/** What a meter cannot see; stands on every certificate. */
export const meterCaveat =
  'A TDS meter checks the membrane, not the safety of the water: it cannot see bacteria, lead, arsenic, the share of nitrate, or PFAS. Where one of these is the concern, have a laboratory test made.';

export const codesCaveat =
  'Local plumbing and electrical codes and licensed trades come first. Ask before you drill, connect or wire what they reserve.';
