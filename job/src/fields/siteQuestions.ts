import { z } from 'zod';

/** What is looked at under the sink, as questions with a closed set of answers. 'unknown' is not stored: it is the absence of an answer. */
export interface SiteQuestion {
  label: string;
  /** What hangs on it. */
  why: string;
  answers: Readonly<Record<string, string>>;
}

const yesNo = { yes: 'Yes', no: 'No' } as const;

export const siteQuestions = {
  supplyKind: {
    label: 'Cold supply',
    why: 'decides the feed connection',
    answers: {
      'valve-half': 'Stop valve 1/2"',
      'valve-three-eighths': 'Stop valve 3/8"',
      hose: 'Tap hose',
      copper: 'Copper pipe',
      plastic: 'Plastic pipe',
    },
  },
  drainMaterial: {
    label: 'Drain pipe',
    why: 'decides how it is drilled',
    answers: { plastic: 'Plastic', brass: 'Brass', steel: 'Steel' },
  },
  drainRun: {
    label: 'Drain run',
    why: 'decides where the hole goes',
    answers: { vertical: 'Vertical', horizontal: 'Horizontal' },
  },
  disposal: {
    label: 'Waste disposal',
    why: 'its discharge must not push into the drain line',
    answers: yesNo,
  },
  dishwasher: {
    label: 'Dishwasher on the drain',
    why: 'its discharge must not push into the drain line',
    answers: yesNo,
  },
  airGap: {
    label: 'Air gap asked by code',
    why: 'decides the tap and its hole',
    answers: yesNo,
  },
  counter: {
    label: 'Counter',
    why: 'decides bit, speed, cooling, and whether a mason is called',
    answers: {
      steel: 'Steel',
      laminate: 'Laminate',
      wood: 'Wood',
      composite: 'Composite sink',
      quartz: 'Quartz',
      granite: 'Granite',
      porcelain: 'Porcelain',
    },
  },
  tapHole: { label: 'Hole there already', why: 'saves drilling', answers: yesNo },
  drilling: {
    label: 'Drilling allowed',
    why: 'a tenant may have to ask',
    answers: { yes: 'Yes', ask: 'Must be asked', no: 'No' },
  },
  frost: {
    label: 'Can freeze there',
    why: 'a unit must stand free of frost',
    answers: yesNo,
  },
  existing: {
    label: 'Reverse osmosis there already',
    why: 'a lamp can be added to its product line',
    answers: { none: 'None', 'tank-system': 'With a tank', 'tankless-system': 'Tankless' },
  },
} as const satisfies Record<string, SiteQuestion>;

export type SiteQuestionKey = keyof typeof siteQuestions;
export const siteQuestionKeys = Object.keys(siteQuestions) as SiteQuestionKey[];

type Answers = {
  [K in SiteQuestionKey]?: keyof (typeof siteQuestions)[K]['answers'] | undefined;
};

/** The answers given so far. */
export const siteSchema: z.ZodType<Answers, Answers> = z.strictObject(
  Object.fromEntries(
    siteQuestionKeys.map((key) => [
      key,
      z.enum(Object.keys(siteQuestions[key].answers) as [string, ...string[]]).optional(),
    ]),
  ),
);
