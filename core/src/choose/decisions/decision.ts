import type { Disinfectant } from '../../water/carbonLife.ts';

/** What is decided explicitly, in the order of the water. */
export const decisionTopics = [
  'regulator',
  'leak-stop',
  'pretreatment',
  'carbon',
  'booster',
  'restrictor',
  'scaling',
  'shut-off',
  'minerals',
  'post-filter',
  'disinfection',
  'refrigerator',
] as const;
export type DecisionTopic = (typeof decisionTopics)[number];

/** One choice made for the person, with the numbers it rests on. The sentence is made by the contract's word list. */
export interface Decision {
  topic: DecisionTopic;
  choice: 'yes' | 'no' | 'consider';
  code: string;
  data: Readonly<Record<string, number | string>>;
}

/** What is known of the supply and the site that a decision needs; what was not read is null. */
export interface SiteFacts {
  highestSupplyBar: number;
  unsafe: boolean;
  power: boolean;
  /** Null where the supply carries none; `assumed` where its strength was not read. */
  disinfectant: (Disinfectant & { assumed: boolean }) | null;
  ironMgL: number | null;
  manganeseMgL: number | null;
  sulfideMgL: number | null;
  turbidityNtu: number | null;
  /** Of the feed, per cm at 254 nm. */
  transmittance: number | null;
}
