import type { DetailKey, SiteQuestionKey } from '@katharos/job';
import type { SurveyKey } from '@katharos/core';

/** Questions whose answers stand in the survey itself. */
export type ChoiceKey =
  | 'source'
  | 'disinfectant'
  | 'safe'
  | 'outlet'
  | 'tankRoom'
  | 'meterScale'
  | 'minerals';

/** What is asked in one place, in the order in which a person stands there. */
export interface SurveyGroup {
  id: string;
  title: string;
  /** Short name for the row of jumps. */
  short: string;
  choices: ChoiceKey[];
  readings: SurveyKey[];
  details: DetailKey[];
  questions: SiteQuestionKey[];
}

export const surveyGroups: SurveyGroup[] = [
  {
    id: 'at-the-tap',
    title: 'At the tap',
    short: 'Tap',
    choices: ['source', 'meterScale'],
    readings: ['feedTds', 'temperature', 'pressure'],
    details: ['staticPressure'],
    questions: [],
  },
  {
    id: 'demand',
    title: 'Demand',
    short: 'Demand',
    choices: ['minerals'],
    readings: ['demand', 'largestDraw'],
    details: [],
    questions: [],
  },
  {
    id: 'year-and-night',
    title: 'The year and the night',
    short: 'Year',
    choices: [],
    readings: ['coldest', 'warmest', 'lowestPressure', 'highestPressure'],
    details: [],
    questions: [],
  },
  {
    id: 'chemistry',
    title: 'Chemistry',
    short: 'Chemistry',
    choices: ['disinfectant', 'safe'],
    readings: ['hardness', 'alkalinity', 'pH'],
    details: ['disinfectant', 'iron', 'manganese', 'sulfide', 'turbidity', 'transmittance'],
    questions: [],
  },
  {
    id: 'under-the-sink',
    title: 'Under the sink',
    short: 'Sink',
    choices: ['outlet', 'tankRoom'],
    readings: [],
    details: [
      'cabinetWidth',
      'cabinetHeight',
      'cabinetDepth',
      'doorWidth',
      'doorHeight',
      'drainPipe',
      'straightPipe',
      'spoutToBowl',
      'outletDistance',
    ],
    questions: [
      'supplyKind',
      'drainMaterial',
      'drainRun',
      'disposal',
      'dishwasher',
      'airGap',
      'counter',
      'tapHole',
      'drilling',
      'frost',
    ],
  },
  {
    id: 'way-to-the-tap',
    title: 'The way to the tap',
    short: 'Way',
    choices: [],
    readings: ['lineLength', 'rise'],
    details: [
      'fridgeLine',
      'fridgeRise',
      'iceLine',
      'iceRise',
      'secondTapLine',
      'secondTapRise',
      'machineLine',
      'machineRise',
      'branchPressure',
    ],
    questions: [],
  },
  {
    id: 'already-there',
    title: 'A system already there',
    short: 'There',
    choices: [],
    readings: [],
    details: ['existingFlow', 'existingTds'],
    questions: ['existing'],
  },
];
