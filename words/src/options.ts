import {
  type DecisionCode,
  type DecisionOption,
  type DecisionTopic,
  regulatorSettings,
} from '@katharos/core';
import type { Reader } from './reader.ts';

/** Options that stand for no part, by topic and key. */
const plain: Partial<Record<DecisionTopic, Record<string, string>>> = {
  'leak-stop': { fit: 'Fit a leak stop', none: 'Leave it out' },
  scaling: {
    accept: 'Leave the water as it is',
    soften: 'Soften the feed',
    inhibit: 'Fit a scale inhibitor',
  },
  carbon: { block: 'Carbon block twice', catalytic: 'Catalytic carbon, then block' },
  booster: { none: 'No pump' },
  minerals: { none: 'No minerals' },
  'post-filter': { none: 'No post filter' },
  disinfection: { none: 'No lamp' },
};

/** One way to decide, in words. */
export function optionWords(
  topic: DecisionTopic,
  { key, part }: Pick<DecisionOption, 'key' | 'part'>,
  reader: Reader,
): string {
  if (topic === 'regulator') {
    return key === 'strict' || key === 'wide'
      ? `Regulator at ${reader.say('pressure', regulatorSettings[key])}`
      : 'No regulator';
  }
  const place = key.startsWith('before-tank:')
    ? ' ahead of the tank'
    : key.startsWith('after-tank:')
      ? ' on the way to the tap'
      : '';
  return plain[topic]?.[key] ?? `${part?.name ?? key}${place}`;
}

/** The school that a decision follows, where practitioners differ. */
export const schoolWords: Readonly<Partial<Record<DecisionCode, string>>> = {
  'regulator-two-schools':
    'Two schools: one regulates only where housings are at risk, the other holds plastic housings lower.',
  'regulator-needed': 'Both schools regulate here; they differ in the setting.',
  'booster-low-supply': 'Follows custom: a weak supply is boosted even where it would just do.',
  'booster-customary': 'Goes by the numbers; custom would boost.',
  'carbon-by-calendar': 'Two schools: by calendar or by litres; the earlier of the two is taken.',
  'carbon-by-litres': 'Two schools: by calendar or by litres; the earlier of the two is taken.',
  'carbon-catalytic': 'Two schools: by calendar or by litres; the earlier of the two is taken.',
  'scaling-soften-or-accept':
    'Two schools: soften ahead of the unit, or accept that the element is changed early.',
  'minerals-before-tank': 'Placed where the flow is slow; others put it last for taste.',
  'minerals-after-tank': 'Placed last for taste; ahead of the tank it would take up more.',
};
