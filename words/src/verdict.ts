import type {
  Acceptance,
  Comparison,
  FaultCode,
  Judgement,
  LimitFound,
  OpenFault,
  Remark,
  Unchecked,
  Verdict,
} from '@katharos/core';
import type { VerifyRecord } from '@katharos/job';
import { causeOfFaults, sayProbability } from './diagnosis.ts';
import type { Reader } from './reader.ts';

export const gradeWords: Record<Acceptance['grade'], string> = {
  good: 'Good',
  marginal: 'Marginal',
  'not-accepted': 'Not accepted',
};

const faultWords: Record<OpenFault, string> = {
  leak: 'A leak was found. Mend it and check again before anything else.',
  'runs-on': 'The drain does not stop when the tank is full: it would run day and night.',
  germs:
    'The laboratory found germs. Nobody drinks; find where they come from, sanitise, and have it tested again.',
  'not-sound': 'Something is wrong with it, by all that was read.',
  dose: 'The dose is too low at the flow that was measured. Hold the flow back, or fit a larger lamp, before anybody drinks.',
  'lamp-water':
    'The water that reaches the lamp would shade it or coat its sleeve. Treat it first, before anybody drinks.',
  'membrane-ahead':
    'The membrane ahead of the lamp holds back too little: mend it before the lamp is relied on.',
};

const remarkWords: Record<Remark, string> = {
  'not-sure': 'it is not sure that nothing is wrong',
  'not-weighed': 'what may be behind these readings could not be weighed',
  'limit:rejection': 'the rejection lies under what the firm asks for',
  'limit:product-tds': 'the product lies over what the firm allows',
};

const uncheckedWords: Record<Unchecked, string> = {
  leak: 'leaks',
  'shut-off': 'whether the drain stops',
  germs: 'germs by a laboratory',
  'product-flow': 'the product flow',
  'drain-flow': 'the drain flow',
  'lamp-water': 'all of the water that reaches the lamp',
};

/** Why a system is not accepted, what is to be looked into, and what was not checked. */
export function acceptanceSentences(
  { faults, remarks, unchecked }: Acceptance,
  reader: Reader,
): string[] {
  return [
    ...faults.map((fault) => faultWords[fault]),
    ...(remarks.length > 0
      ? [`To be looked into: ${reader.list(remarks.map((remark) => remarkWords[remark]))}.`]
      : []),
    ...(unchecked.length > 0
      ? [`Not checked: ${reader.list(unchecked.map((key) => uncheckedWords[key]))}.`]
      : []),
  ];
}

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

/** How likely it is that nothing is wrong, what else it may be, and what was not told of. */
export function judgementSentences(
  { sound, leading, untold }: Judgement,
  reader: Reader,
): string[] {
  const matters = untold.flatMap((fault) => (fault === 'healthy' ? [] : faultMatters[fault]));
  const open = [...new Set(matters)];
  return [
    `That nothing is wrong is ${sayProbability(sound, reader)} likely, of all that these readings can tell.`,
    ...(leading && leading.probability > worthNaming
      ? [
          `The likeliest fault instead, with ${sayProbability(leading.probability, reader)}: ${reader.within(causeOfFaults(leading.faults, reader))}`,
        ]
      : []),
    ...(open.length > 0 ? [`They tell nothing of ${reader.list(open)}.`] : []),
  ];
}

/** Over this a fault is named beside the verdict. */
const worthNaming = 0.1;

/** A firm's limit beside what was measured. */
export const limitSentence = ({ of, limit, kept }: LimitFound, reader: Reader): string =>
  of === 'rejection'
    ? `The firm asks for ${reader.percent(limit, 0)} of rejection: that it is reached is ${sayProbability(kept, reader)} likely.`
    : `The firm allows ${reader.say('tds', limit)} of product: that it is kept is ${sayProbability(kept, reader)} likely.`;

/** The verdict in sentences: the grade, then how it stands to what this system should do today. */
export function verdictSentences(verdict: Verdict, reader: Reader): string[] {
  const { rejection, productTds } = verdict;
  const sentences = [
    `Rejection is ${reader.percent(rejection.measured, 1)}; this system in this water should show ${reader.percent(rejection.expected, 1)} ± ${reader.number(rejection.band * 100, 1)}, that is ${reader.say('tds', productTds.expected)} ± ${reader.say('tds', productTds.band)} of product.`,
  ];
  if (verdict.asExpected) {
    sentences.push(
      rejection.sigmas > 2
        ? 'That is better than expected: make sure that the sample was product of this membrane and that the feed reading is right.'
        : 'That is within what the instruments and the spread between elements allow.',
    );
  } else {
    sentences.push(
      `That is ${reader.number(-rejection.sigmas, 1)} standard uncertainties below. What is behind it is weighed by all that was read, a cup taken at the wrong place or time among it.`,
    );
  }
  for (const [name, comparison] of [
    ['product', verdict.productFlow],
    ['drain', verdict.drainFlow],
  ] as const) {
    if (comparison && Math.abs(comparison.sigmas) > 2)
      sentences.push(flowSentence(name, comparison, reader));
  }
  return sentences;
}

function flowSentence(name: 'product' | 'drain', flow: Comparison, reader: Reader): string {
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
  return `The ${name} flow of ${reader.say('flow', flow.measured)} lies ${side} the expected ${reader.say('flow', flow.expected)} ± ${reader.say('flow', flow.band)}. ${look[name][side]}`;
}

/** What a meter cannot see; stands on every certificate. */
export const meterCaveat =
  'A TDS meter checks the membrane, not the safety of the water: it cannot see bacteria, lead, arsenic, the share of nitrate, or PFAS. Where one of these is the concern, have a laboratory test made.';

export const codesCaveat =
  'Local plumbing and electrical codes and licensed trades come first. Ask before you drill, connect or wire what they reserve.';
