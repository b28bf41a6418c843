import type { DecisionSpread, ReadingWorth, SurveyKey, WorthTopic } from '@katharos/core';
import { fieldWords } from './fields.ts';
import type { Reader } from './reader.ts';

const subjects: Record<WorthTopic, [yes: string, no: string]> = {
  booster: ['a booster pump is needed', 'no booster pump is needed'],
  regulator: ['a pressure regulator is needed', 'no pressure regulator is needed'],
  minerals: ['the product comes out acid', 'the product does not come out acid'],
  scaling: ['scale is to be reckoned with', 'scale is no matter'],
};

/** A reading that settles less than this is not worth a walk back to the tap. */
const telling = 0.15;
/** From here on nothing is called open: the samples themselves are not finer. */
export const surelySettled = 0.97;

export const isOpen = (decision: DecisionSpread): boolean => decision.certainty < surelySettled;

const nameOf = (key: SurveyKey, reader: Reader): string => reader.within(fieldWords[key].label);

/** A decision that is still open, how far, and the reading that would settle most of it. */
export function openDecisionSentence(
  { topic, choice, certainty, settledBy }: DecisionSpread,
  reader: Reader,
): string {
  const subject = subjects[topic][choice === 'yes' ? 0 : 1];
  const first = settledBy[0];
  const [much, most] = [reader.percent(certainty), first && first.share >= 0.5];
  if (!first || first.share < telling) {
    return `By these readings ${subject} in ${much} of what is possible; no single reading that is missing would settle the rest.`;
  }
  return `By these readings ${subject} in ${much} of what is possible. The ${nameOf(first.key, reader)} would settle ${most ? 'most' : `about ${reader.percent(Math.round(first.share * 10) / 10)}`} of that.`;
}

/** The band of the worst case, and the reading that would narrow it most. */
export function productionBandSentence(
  { low, middle, high, narrowedBy }: ReadingWorth['production'],
  reader: Reader,
): string {
  const band = `The worst case makes ${reader.say('dailyVolume', low, 0)} to ${reader.say('dailyVolume', high, 0)}, most likely about ${reader.say('dailyVolume', middle, 0)}.`;
  const first = narrowedBy[0];
  return first
    ? `${band} The ${nameOf(first.key, reader)} accounts for ${reader.percent(Math.round(first.share * 20) / 20)} of that spread.`
    : `${band} What is left is the instruments’ own uncertainty.`;
}

/** A job's title for the decision, for where several stand under each other. */
export const worthTopicNames: Record<WorthTopic, string> = {
  booster: 'Booster pump',
  regulator: 'Pressure regulator',
  minerals: 'Remineralisation',
  scaling: 'Scale',
};
