import type { PlumbingSite } from './siteFacts.ts';

/** Ways to take the feed off the cold supply. */
export const feedConnections = ['valve-adapter', 'hose-adapter', 'three-way', 'saddle'] as const;
export type FeedConnection = (typeof feedConnections)[number];

/** What speaks against a way, or has to be asked first. */
export type FeedRemark =
  | 'barred-by-many-codes'
  | 'permanent-hole'
  | 'drill-plastic-first'
  | 'licensed-trade'
  | 'mixer-hot-side'
  | 'supply-not-seen';

export interface FeedChoice {
  way: FeedConnection;
  /** Thread that the adapter meets. */
  thread: '1/2"' | '3/8"' | null;
  remarks: FeedRemark[];
  /** The ways that fit this supply, the preferred first. */
  possible: FeedConnection[];
}

/** The ways that fit each kind of supply, the preferred first: a tee before anything that pierces. */
const fitting: Record<NonNullable<PlumbingSite['supply']>, FeedConnection[]> = {
  'valve-half': ['valve-adapter', 'three-way'],
  'valve-three-eighths': ['valve-adapter', 'three-way'],
  hose: ['hose-adapter', 'three-way'],
  copper: ['three-way', 'saddle'],
  plastic: ['three-way', 'saddle'],
};

/**
 * How the feed is taken. A bare pipe leaves only what pierces or cuts it: then a three-way valve by a licensed trade comes first,
 * since a self-piercing saddle is barred by many codes.
 * Source: practice of the trade; rules of the place come first.
 */
export function chooseFeed(
  {
    supply,
    drilling = null,
  }: Pick<PlumbingSite, 'supply'> & Partial<Pick<PlumbingSite, 'drilling'>>,
  wanted?: FeedConnection,
): FeedChoice {
  const fits = supply === null ? feedConnections : fitting[supply];
  // A saddle pierces: no way where nothing may be drilled.
  const possible = fits.filter((way) => way !== 'saddle' || drilling !== 'no');
  const way = wanted && possible.includes(wanted) ? wanted : possible[0]!;
  const remarks: FeedRemark[] = [];
  if (supply === null) remarks.push('supply-not-seen');
  if (way === 'saddle') {
    remarks.push('barred-by-many-codes', 'permanent-hole');
    if (supply === 'plastic') remarks.push('drill-plastic-first');
  }
  if (way === 'three-way') remarks.push('licensed-trade');
  if (way === 'hose-adapter') remarks.push('mixer-hot-side');
  const thread =
    supply === 'valve-three-eighths' ? '3/8"' : supply === 'valve-half' ? '1/2"' : null;
  return { way, thread: way === 'saddle' ? null : thread, remarks, possible };
}
