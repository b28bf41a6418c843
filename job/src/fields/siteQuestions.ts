const yesNo = ['yes', 'no'] as const;

/** What is looked at under the sink, each with its closed set of answers. That nobody asked is not stored: it is the absence of an answer. */
export const siteQuestions = {
  supplyKind: ['valve-half', 'valve-three-eighths', 'hose', 'copper', 'plastic'],
  drainMaterial: ['plastic', 'brass', 'steel'],
  drainRun: ['vertical', 'horizontal'],
  disposal: yesNo,
  dishwasher: yesNo,
  airGap: yesNo,
  counter: ['steel', 'laminate', 'wood', 'composite', 'quartz', 'granite', 'porcelain'],
  tapHole: yesNo,
  drilling: ['yes', 'ask', 'no'],
  frost: yesNo,
  existing: ['none', 'tank-system', 'tankless-system'],
} as const satisfies Record<string, readonly string[]>;

export type SiteQuestionKey = keyof typeof siteQuestions;
export type SiteAnswer<K extends SiteQuestionKey> = (typeof siteQuestions)[K][number];
export const siteQuestionKeys = Object.keys(siteQuestions) as SiteQuestionKey[];
