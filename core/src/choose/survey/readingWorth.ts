import { type InSteps, withoutPause } from '../../base/inSteps.ts';
import { householdOfDemand } from '../../household/household.ts';
import { lowDiscrepancyPoint } from '../../base/numeric/lowDiscrepancy.ts';
import { decideRegulator } from '../decisions/driveDecisions.ts';
import { judge, type JudgedDesign } from '../judge.ts';
import { isBetter } from '../recommend.ts';
import { practiceLimits } from '../../base/practice.ts';
import { type Requirements, type Shortfall } from '../requirements.ts';
import { Solutions } from '../../system/solutions.ts';
import type { SystemDesign } from '../../system/design.ts';
import { possibleSurvey, surveyKeys } from './possibleSurveys.ts';
import { resolveSurvey, type SurveyKey, type SurveyReadings } from './resolveSurvey.ts';

/** What is open about a survey: the readings, and the designs that could be proposed for it, the current one first. */
export interface OpenQuestion {
  readings: SurveyReadings;
  designs: readonly SystemDesign[];
  requirements: Requirements;
}

export type WorthTopic = 'booster' | 'regulator' | 'minerals' | 'scaling';

/** A reading that is missing, and the share of what is open about something that taking it would settle, 0 to 1. */
export interface Settles {
  key: SurveyKey;
  share: number;
}

/** A decision over all surveys that the readings leave possible. */
export interface DecisionSpread {
  topic: WorthTopic;
  /** The most frequent outcome, and how frequent it is. */
  choice: 'yes' | 'no';
  certainty: number;
  /** Missing readings, the most telling first; empty where nothing is open. */
  settledBy: Settles[];
}

/** Worst-case production of the current design: 5 %, half and 95 % of the possible surveys lie below, L/day. */
export interface FigureSpread {
  low: number;
  middle: number;
  high: number;
  narrowedBy: Settles[];
}

export interface ReadingWorth {
  samples: number;
  missing: SurveyKey[];
  decisions: DecisionSpread[];
  production: FigureSpread;
}

/** Enough for a share to be good to some three percent. */
export const worthSamples = 256;
/** A missing reading is looked at in this many equal slices of its spread. */
const slices = 8;

interface Sample {
  point: number[];
  outcomes: Record<WorthTopic, boolean>;
  production: number;
}

const topics: readonly WorthTopic[] = ['booster', 'regulator', 'minerals', 'scaling'];

/**
 * Propagates the uncertainty of every reading, and of every default that stands in for one, to the decisions and to the worst-case
 * production, by quasi-random sampling; and says of each missing reading which share of the spread it accounts for.
 * For a decision that share is mutual information over entropy, for production the variance of slice means over the variance.
 */
export const readingWorth = (question: OpenQuestion, samples = worthSamples): ReadingWorth =>
  withoutPause(weighingReadings(question, samples));

/** The same in steps, for whoever may be asked something else meanwhile. */
export function* weighingReadings(
  { readings, designs, requirements }: OpenQuestion,
  samples = worthSamples,
): InSteps<ReadingWorth> {
  const missing = surveyKeys.filter((key) => readings[key] === undefined);
  const drawn: Sample[] = [];
  for (let i = 0; i < samples; i += 1) {
    yield i / samples;
    const point = lowDiscrepancyPoint(surveyKeys.length, i);
    drawn.push({ point, ...tryOut(possibleSurvey(readings, point), designs, requirements) });
  }
  const productions = drawn.map(({ production }) => production).sort((a, b) => a - b);
  const quantile = (share: number) => productions[Math.floor(share * (samples - 1))] ?? 0;
  const rank = (worth: (key: SurveyKey) => number): Settles[] =>
    missing
      .map((key) => ({ key, share: worth(key) }))
      .filter(({ share }) => share > 0.05)
      .sort((a, b) => b.share - a.share);
  return {
    samples,
    missing,
    decisions: topics.map((topic) => {
      const yes = drawn.filter(({ outcomes }) => outcomes[topic]).length / samples;
      return {
        topic,
        choice: yes >= 0.5 ? 'yes' : 'no',
        certainty: Math.max(yes, 1 - yes),
        settledBy: rank((key) => informationShare(drawn, key, topic)),
      };
    }),
    production: {
      low: quantile(0.05),
      middle: quantile(0.5),
      high: quantile(0.95),
      narrowedBy: rank((key) => varianceShare(drawn, key)),
    },
  };
}

/** Faults that another restrictor would mend, of which the few designs tried here hold only one each. */
const mendable: ReadonlySet<Shortfall> = new Set(['recovery-too-high', 'too-much-drain']);

/** Decides everything for one possible survey. */
function tryOut(
  values: Required<SurveyReadings>,
  designs: readonly SystemDesign[],
  base: Requirements,
): Omit<Sample, 'point'> {
  const resolved = resolveSurvey(values);
  if (!resolved.ok) throw new Error(`${resolved.failure.code} at ${resolved.failure.path}`);
  const { waters, line } = resolved.value;
  const requirements = {
    ...base,
    demandLPerDay: values.demand,
    largestDrawL: values.largestDraw,
    household: householdOfDemand(values.demand, values.largestDraw),
  };
  // Days are not lived here: measured, they take three times as long. A choice that hangs on waiting alone is not seen.
  const solutions = new Solutions();
  const judged = designs
    .map((design) => judge({ ...design, line }, waters, requirements, { trial: null, solutions }))
    .map((one) => ({ ...one, shortfalls: one.shortfalls.filter((fault) => !mendable.has(fault)) }));
  const lowSupply = waters.worst.pressureBar < practiceLimits.lowSupplyBar;
  const best = judged.reduce<JudgedDesign | undefined>(
    (found, next) => (!found || isBetter(next, found, lowSupply, true) ? next : found),
    undefined,
  );
  const current = judged[0];
  const today = current?.today;
  return {
    outcomes: {
      booster: !!best?.design.pump,
      regulator: decideRegulator(values.highestPressure).choice === 'yes',
      minerals: !!today && today.productPh < requirements.leastProductPh,
      scaling: current?.cost?.scaleRisk === 'raised' || current?.cost?.scaleRisk === 'high',
    },
    production: current?.worst?.productionLPerDay ?? 0,
  };
}

const sliceOf = (sample: Sample, key: SurveyKey): number =>
  Math.min(Math.floor(sample.point[surveyKeys.indexOf(key)]! * slices), slices - 1);

function inSlices(drawn: readonly Sample[], key: SurveyKey): Sample[][] {
  const groups: Sample[][] = Array.from({ length: slices }, () => []);
  for (const sample of drawn) groups[sliceOf(sample, key)]!.push(sample);
  return groups.filter((group) => group.length > 0);
}

/** Entropy of a yes-or-no in bits. */
const entropy = (yes: number): number =>
  yes <= 0 || yes >= 1 ? 0 : -yes * Math.log2(yes) - (1 - yes) * Math.log2(1 - yes);

function informationShare(drawn: readonly Sample[], key: SurveyKey, topic: WorthTopic): number {
  const shareOf = (samples: readonly Sample[]) =>
    samples.filter(({ outcomes }) => outcomes[topic]).length / samples.length;
  const whole = entropy(shareOf(drawn));
  if (whole === 0) return 0;
  const left = inSlices(drawn, key).reduce(
    (sum, group) => sum + (group.length / drawn.length) * entropy(shareOf(group)),
    0,
  );
  // Slices of few samples tell something by chance alone: (slices - 1) / (2 n ln 2) bits on average (Miller 1955).
  const chance = (slices - 1) / (2 * drawn.length * Math.LN2);
  return Math.max((whole - left - chance) / whole, 0);
}

function varianceShare(drawn: readonly Sample[], key: SurveyKey): number {
  const mean = (samples: readonly Sample[]) =>
    samples.reduce((sum, { production }) => sum + production, 0) / samples.length;
  const centre = mean(drawn);
  const whole = drawn.reduce((sum, { production }) => sum + (production - centre) ** 2, 0);
  if (whole === 0) return 0;
  const between = inSlices(drawn, key).reduce(
    (sum, group) => sum + group.length * (mean(group) - centre) ** 2,
    0,
  );
  // As above: slices - 1 degrees of freedom of the n - 1 are chance.
  const chance = (slices - 1) / (drawn.length - 1);
  return Math.max((between / whole - chance) / (1 - chance), 0);
}
