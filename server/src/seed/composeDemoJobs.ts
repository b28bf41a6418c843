import {
  briefOf,
  flushOf,
  type DetailKey,
  type JobDocument,
  newJobDocument,
  plumbingOf,
  type Reading,
  servicedSiteOf,
  starterCatalogue,
  surveyFields,
  type Survey,
} from '@katharos/job';
import {
  expectedReadings,
  usualHousehold,
  recommend,
  type SurveyKey,
  type SystemDesign,
  toCore,
} from '@katharos/core';
import { composeYears, monthMs, type YearsOf } from './composeYears.ts';
import { demoOwner } from './demoFirm.ts';

/** How far a sample job has come. */
type Progress = 'new' | 'surveyed' | 'chosen' | 'flushing' | 'verified' | 'failed' | 'issued';

interface Sample {
  name: string;
  address: string;
  note: string;
  daysAgo: number;
  progress: Progress;
  survey: Omit<Survey, 'readings' | 'details' | 'site'> & Partial<Pick<Survey, 'site'>>;
  details?: Partial<Record<DetailKey, [value: number, unit: string]>>;
  readings: Partial<Record<SurveyKey, [value: number, unit: string]>>;
  plumb?: Partial<JobDocument['plumb']>;
  /** Steps of the order of work that are done already. */
  worked?: number;
  email?: string;
  /** How it went since the hand-over. */
  years?: YearsOf;
}

const mains = {
  source: 'mains',
  disinfectant: 'chlorine',
  safe: 'yes',
  outlet: 'unswitched',
} as const;

/** Waters, each of which leads to a decision of its own, and what was handed over years ago. */
const samples: Sample[] = [
  {
    name: 'Tamsin Orrell',
    address: '3 Weir Cottages, Upper Tarnholt',
    daysAgo: 0,
    progress: 'surveyed',
    note: 'Soft hill water, very little pressure at the end of the line.',
    survey: { ...mains, household: { ...usualHousehold, people: 3, potL: 4, pets: 1 } },
    readings: {
      feedTds: [92, 'ppm'],
      pressure: [38, 'psi'],
      temperature: [9, 'C'],
      coldest: [4, 'C'],
      hardness: [2.2, 'dH'],
      alkalinity: [30, 'mg/L CaCO3'],
      pH: [7.1, 'pH'],
    },
  },
  {
    name: 'Ilario Quenby',
    address: 'Saltpan House, Low Marram',
    daysAgo: 1,
    progress: 'surveyed',
    note: 'Hard and brackish in a hot loft; kettle furs in a week.',
    survey: mains,
    readings: {
      feedTds: [1480, 'ppm'],
      pressure: [4.4, 'bar'],
      temperature: [26, 'C'],
      coldest: [17, 'C'],
      demand: [16, 'L/day'],
      hardness: [24, 'dH'],
      alkalinity: [260, 'mg/L CaCO3'],
      pH: [7.6, 'pH'],
      largestDraw: [4, 'L'],
    },
  },
  {
    name: 'Hob Farrendale',
    address: 'Kelder Farm, Tarnholt Moor',
    daysAgo: 2,
    progress: 'new',
    note: 'Own well on a pressure switch, orange stain in the basin. Laboratory test for germs not back yet.',
    survey: { source: 'well', disinfectant: 'none', safe: 'no', outlet: 'unswitched' },
    readings: {
      feedTds: [410, 'ppm'],
      lowestPressure: [1.9, 'bar'],
      highestPressure: [3.4, 'bar'],
      temperature: [10, 'C'],
    },
    details: { iron: [0.7, 'mg/L'], manganese: [0.03, 'mg/L'] },
  },
  {
    name: 'Odalys Brightwen',
    address: 'Flat 4, 18 Pumphouse Row, Aldersey',
    daysAgo: 3,
    progress: 'chosen',
    note: 'Chloramine in the mains; pressure climbs at night.',
    worked: 9,
    survey: {
      ...mains,
      disinfectant: 'chloramine',
      site: {
        supplyKind: 'valve-half',
        drainMaterial: 'plastic',
        drainRun: 'vertical',
        disposal: 'yes',
        dishwasher: 'no',
        airGap: 'no',
        counter: 'granite',
        tapHole: 'no',
        drilling: 'ask',
        frost: 'no',
      },
    },
    details: {
      cabinetWidth: [74, 'cm'],
      cabinetHeight: [66, 'cm'],
      cabinetDepth: [52, 'cm'],
      doorWidth: [66, 'cm'],
      doorHeight: [58, 'cm'],
      drainPipe: [40, 'mm'],
      straightPipe: [14, 'cm'],
      spoutToBowl: [12, 'cm'],
      outletDistance: [0.9, 'm'],
    },
    readings: {
      feedTds: [355, 'ppm'],
      pressure: [5.1, 'bar'],
      highestPressure: [7.2, 'bar'],
      temperature: [58, 'F'],
      coldest: [43, 'F'],
      demand: [9, 'L/day'],
      hardness: [150, 'mg/L CaCO3'],
      alkalinity: [120, 'mg/L CaCO3'],
      pH: [7.8, 'pH'],
    },
  },
  {
    name: 'Per Hathersage-Lunn',
    address: 'The Old Drying Loft, Aldersey',
    daysAgo: 4,
    progress: 'flushing',
    note: 'Unit stands in the cellar, tap and ice maker two floors up.',
    survey: mains,
    readings: {
      feedTds: [280, 'ppm'],
      pressure: [4.6, 'bar'],
      temperature: [13, 'C'],
      demand: [18, 'L/day'],
      lineLength: [7.5, 'm'],
      rise: [3.4, 'm'],
      hardness: [8, 'dH'],
      largestDraw: [3, 'L'],
    },
    details: {
      fridgeLine: [6, 'm'],
      fridgeRise: [3.1, 'm'],
      iceLine: [7, 'm'],
      iceRise: [3.2, 'm'],
    },
    plumb: { remote: { through: 'floor', lengthM: 7.5, riseM: 3.4 } },
  },
  {
    name: 'Café Millrace',
    address: '1 Fuller Steps, Aldersey',
    daysAgo: 6,
    progress: 'verified',
    note: 'No room for a tank under the counter: tankless retrofit.',
    survey: { ...mains, tankRoom: 'no' },
    readings: {
      feedTds: [320, 'ppm'],
      pressure: [4.2, 'bar'],
      temperature: [14, 'C'],
      demand: [60, 'L/day'],
      hardness: [9, 'dH'],
      largestDraw: [3, 'L'],
    },
  },
  {
    name: 'Senna Vauclair',
    address: '27 Heron Lane, Low Marram',
    daysAgo: 8,
    progress: 'failed',
    note: 'Reads far too high since the visit: an O-ring was cut when the element went in.',
    survey: mains,
    readings: {
      feedTds: [640, 'ppm'],
      pressure: [4.3, 'bar'],
      temperature: [15, 'C'],
      demand: [12, 'L/day'],
      hardness: [14, 'dH'],
    },
  },
  {
    name: 'Dunstan Eskdale-Moor',
    address: 'Glebe House, Upper Tarnholt',
    daysAgo: 30,
    progress: 'issued',
    note: 'Three years in service; a little more salt every spring.',
    survey: mains,
    email: 'dunstan@eskdale.example',
    // It drifts, and is due in its fourth year.
    years: {
      since: 34.5,
      visits: [5, 17, 29, 34.5],
      changeOuts: [12, 24],
      passagePerYear: 0.19,
      flowPerYear: 0,
      seed: 17,
    },
    readings: {
      feedTds: [430, 'ppm'],
      pressure: [62, 'psi'],
      temperature: [12, 'C'],
      demand: [14, 'L/day'],
      hardness: [11, 'dH'],
    },
  },
  {
    name: 'Bettany Rushgill',
    address: '2 Weir Cottages, Upper Tarnholt',
    daysAgo: 90,
    progress: 'issued',
    note: 'Two people and a dog; nothing to remark.',
    email: 'rushgill@weir.example',
    years: {
      since: 19,
      visits: [6, 16.5],
      changeOuts: [12],
      passagePerYear: 0.01,
      flowPerYear: 0,
      seed: 5,
    },
    survey: mains,
    readings: {
      feedTds: [260, 'ppm'],
      pressure: [4.1, 'bar'],
      temperature: [11, 'C'],
      demand: [8, 'L/day'],
      hardness: [7, 'dH'],
    },
  },
  {
    name: 'Corwen Applegarth',
    address: '11 Saltpan Row, Low Marram',
    daysAgo: 120,
    progress: 'issued',
    note: 'Hard water; gives less every winter. Rings back in the evening.',
    years: {
      since: 28,
      visits: [4, 8, 16, 20, 26],
      changeOuts: [12],
      passagePerYear: 0.04,
      flowPerYear: -0.14,
      seed: 11,
    },
    survey: mains,
    readings: {
      feedTds: [520, 'ppm'],
      pressure: [3.9, 'bar'],
      temperature: [13, 'C'],
      demand: [18, 'L/day'],
      hardness: [17, 'dH'],
    },
  },
];

/**
 * The sample jobs as documents, oldest first, with the moment each was last touched. Systems and readings are computed by the core,
 * which searches a catalogue for each: seconds, so that what is started or tested takes them from `demoJobs.json`.
 */
export function composeDemoJobs(now: Date): { document: JobDocument; updatedAt: Date }[] {
  return samples
    .map((sample) => {
      const ago = sample.progress === 'flushing' ? fillingForMs : sample.daysAgo * 86400e3 + 3600e3;
      const updatedAt = new Date(now.getTime() - ago);
      return { document: documentOf(sample, updatedAt.toISOString()), updatedAt };
    })
    .reverse();
}

/** The tank of the sample that is flushed was opened so long ago, ms. */
const fillingForMs = 10 * 60_000;

function documentOf(sample: Sample, at: string): JobDocument {
  const by = demoOwner.name;
  const document = newJobDocument(sample.name, sample.address);
  document.customer.note = sample.note;
  if (sample.email) document.customer.email = sample.email;
  document.survey = { site: {}, ...sample.survey, readings: {}, details: {} };
  for (const [key, [value, unit]] of Object.entries(sample.readings)) {
    document.survey.readings[key as SurveyKey] = { value, unit, takenAt: at, by };
  }
  for (const [key, [value, unit]] of Object.entries(sample.details ?? {})) {
    document.survey.details[key as DetailKey] = { value, unit, takenAt: at, by };
  }
  if (sample.progress === 'new' || sample.progress === 'surveyed') return document;

  const brief = briefOf(document.survey, starterCatalogue);
  const found = brief.ok ? recommend(brief.value.task) : undefined;
  if (!found?.best.today) throw new Error(`the sample job of ${sample.name} has no system`);
  const { design } = found.best;
  document.system = { design, chosenAt: at, chosenBy: by, agreed: { at, by } };
  document.plumb = { ...document.plumb, ...sample.plumb };
  if (!brief.ok) throw new Error(brief.failure.code);
  const plumbing = plumbingOf(document, design, brief.value);
  if (sample.worked) {
    const { steps } = plumbing;
    document.plumb.done = Object.fromEntries(
      steps.slice(0, sample.worked).map(({ id, mark }) => [id, { at, by, mark }]),
    );
  }
  if (sample.progress === 'chosen') return document;

  document.plumb.ticks.finished = { at, by };
  const plan = flushOf(document, design, brief.value, plumbing);
  if (!plan.ok) throw new Error(plan.failure.code);
  const steps = plan.value;
  const filling = steps.findIndex(({ code }) => code === 'tank-fill');
  const flushed = sample.progress === 'flushing' ? steps.slice(0, filling) : steps;
  for (const step of flushed) document.flush.steps[step.id] = { startedAt: at, done: { at, by } };
  if (sample.progress === 'flushing') {
    const { id, minutes } = steps[filling]!;
    document.flush.steps[id] = { startedAt: at, done: null, minutes: minutes! };
    document.flush.plan = steps.map((step) => ({
      id: step.id,
      code: step.code,
      minutes: step.minutes,
      attended: step.attended,
      by: step.by,
    }));
    return document;
  }

  // The known cause: a cut O-ring lets a seventh of the feed's salt pass the membrane by.
  const bypass = sample.progress === 'failed' ? 1 / 7 : 0;
  const handedOver = sample.years
    ? new Date(Date.parse(at) - sample.years.since * monthMs).toISOString()
    : at;
  document.verify = verified(document, design, bypass, handedOver, by);
  if (sample.years) {
    document.keep.issued = { at: handedOver, by };
    document.service = composeYears(
      design,
      waterOf(document),
      { ...sample.years, handedOver, by },
      servicedSiteOf(document),
    );
  }
  return document;
}

/** The water of a sample's survey, in the core's units. */
function waterOf({ survey }: JobDocument) {
  const core = (key: SurveyKey) => toCore(surveyFields[key].dimension, survey.readings[key]!);
  return {
    tdsMgL: core('feedTds'),
    temperatureC: core('temperature'),
    pressureBar: core('pressure'),
  };
}

/** Readings as they would be taken: the expected ones, rounded as the instruments show them, with a share of feed let past. */
function verified(
  document: JobDocument,
  design: SystemDesign,
  bypass: number,
  at: string,
  by: string,
): JobDocument['verify'] {
  const water = waterOf(document);
  const expected = expectedReadings(design, water);
  if (!expected.ok) throw new Error('a sample system cannot run');
  const { permeateTdsMgL, permeateFlowLPerH, concentrateFlowLPerH } = expected.value;
  const reading = (value: number, unit: string): Reading => ({ value, unit, takenAt: at, by });
  const mlMin = (flow: number) => reading(Math.round(flow / 0.06 / 5) * 5, 'mL/min');
  return {
    readings: {
      feedTds: reading(Math.round(water.tdsMgL), 'ppm'),
      productTds: reading(Math.round(permeateTdsMgL * (1 - bypass) + water.tdsMgL * bypass), 'ppm'),
      temperature: reading(Number(water.temperatureC.toFixed(1)), 'C'),
      pressure: reading(Number(water.pressureBar.toFixed(1)), 'bar'),
      productFlow: mlMin(permeateFlowLPerH),
      drainFlow: mlMin(concentrateFlowLPerH),
    },
    noted: { totalChlorine: { ...reading(0.05, 'mg/L'), below: true } },
    shutoffTest: 'passed',
    leakCheck: 'not-done',
    leaks: { filled: 'dry', pressure: 'dry', ...(design.tank ? { tankFull: 'dry' } : {}) },
    note: '',
  };
}
