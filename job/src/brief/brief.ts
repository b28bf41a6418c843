import {
  boreMm,
  type Branch,
  type BranchKind,
  branchKinds,
  divalentPassage,
  type FeedWater,
  householdOfDemand,
  isAddedLamp,
  meanDemand,
  type Microbiology,
  type Outcome,
  type Overruled,
  type Part,
  type Requirements,
  type ResolvedSurvey,
  resolveSurvey,
  type SiteFacts,
  type SizingWaters,
  type SizingTask,
  succeed,
  supplySettings,
  type SupplySettings,
  type SurveyKey,
  surveyRanges,
  type SurveyReadings,
  toCore,
  treatedWaters,
  type UltravioletLine,
  permeatePh,
  practiceLimits,
  standingPh,
  usualRequirements,
  type VerificationReadings,
} from '@katharos/core';
import type { FirmSettings } from '../fields/firmSettings.ts';
import {
  detailFields,
  type DetailKey,
  surveyFields,
  type VerifyKey,
  verifyFields,
} from '../fields/fields.ts';
import type { JobDocument, Survey } from '../document/job.ts';

/** A job's survey as the core wants it. */
export interface JobBrief {
  survey: ResolvedSurvey;
  requirements: Requirements;
  facts: SiteFacts;
  settings: SupplySettings;
  /** Its waters are those behind regulator and softener. */
  task: SizingTask;
}

/** Typical passage of a good element, for the one question asked before any element is chosen: will the product be acid? */
const typicalPassage = 0.04;

/** Readings of a survey in the core's units. */
export function surveyReadings(survey: Survey): SurveyReadings {
  const readings: SurveyReadings = {};
  for (const key of Object.keys(surveyFields) as SurveyKey[]) {
    const reading = survey.readings[key];
    if (reading) readings[key] = toCore(surveyFields[key].dimension, reading);
  }
  if (survey.household) {
    // What is typed as a figure comes before what the household would make.
    readings.demand ??= Math.max(meanDemand(survey.household), surveyRanges.demand.min);
    readings.largestDraw ??= survey.household.day
      ? Math.max(0.2, ...survey.household.day.map((draw) => draw.litres))
      : survey.household.potL;
  }
  return readings;
}

/** What a firm and a job set beside the survey. */
export interface BriefOptions {
  /** The firm's own limits and prices, where they differ from the usual. */
  standards?: FirmSettings['standards'] | undefined;
  overruled?: Overruled | undefined;
}

/** The options that a job was decided by instead of the proposal, without their reasons. */
export const optionsOf = (overruled: JobDocument['size']['overruled']): Overruled =>
  Object.fromEntries(Object.entries(overruled).map(([topic, { option }]) => [topic, option]));

/** Residuals taken where a kind is known but its strength was not read, mg/L: what mains usually carry. Defaults. */
export const usualResidualMgL = { chlorine: 0.5, chloramine: 2 } as const;

/**
 * Where each branch is measured, and what it usually asks for while it draws. Defaults; the plate says, and what was read off it
 * stands in for what opens a valve by pressure.
 */
const branchFields: Record<
  BranchKind,
  { line: DetailKey; rise: DetailKey; neededBar: number; flowLPerMin: number; plate: boolean }
> = {
  refrigerator: {
    line: 'fridgeLine',
    rise: 'fridgeRise',
    neededBar: 1.4,
    flowLPerMin: 1,
    plate: true,
  },
  'ice-maker': { line: 'iceLine', rise: 'iceRise', neededBar: 1.4, flowLPerMin: 0.6, plate: true },
  'second-tap': {
    line: 'secondTapLine',
    rise: 'secondTapRise',
    neededBar: 0.1,
    flowLPerMin: 1,
    plate: false,
  },
  machine: {
    line: 'machineLine',
    rise: 'machineRise',
    neededBar: 1,
    flowLPerMin: 1.5,
    plate: true,
  },
};

/** The waters that a survey was made in, behind regulator and softener. Errors: those of `resolveSurvey`. */
export function watersOf(
  survey: Survey,
  overruled: BriefOptions['overruled'] = {},
): Outcome<SizingWaters> {
  const resolved = resolveSurvey(surveyReadings(survey), {
    restingBar: detailOf(survey, 'staticPressure'),
    disinfectant: disinfectantOf(survey),
  });
  if (!resolved.ok) return resolved;
  const { values, waters } = resolved.value;
  return succeed(treatedWaters(waters, supplySettings(values.highestPressure, overruled)));
}

/** Turns a survey and a catalogue into a sizing task. Errors: those of `resolveSurvey`. */
export function briefOf(
  survey: Survey,
  catalogue: readonly Part[],
  { standards, overruled = {} }: BriefOptions = {},
): Outcome<JobBrief> {
  const disinfectant = disinfectantOf(survey);
  const resolved = resolveSurvey(surveyReadings(survey), {
    restingBar: detailOf(survey, 'staticPressure'),
    disinfectant,
  });
  if (!resolved.ok) return resolved;
  const { values, line } = resolved.value;
  const settings = supplySettings(values.highestPressure, overruled);
  const waters = treatedWaters(resolved.value.waters, settings);
  const household = survey.household ?? householdOfDemand(values.demand, values.largestDraw);
  const requirements: Requirements = {
    ...usualRequirements,
    ...standards,
    household,
    demandLPerDay: values.demand,
    largestDrawL: values.largestDraw,
    needsLamp: needsLamp(survey),
    inhibited: settings.inhibitor,
  };
  const highestAssumed = resolved.value.assumed.some(({ key }) => key === 'highestPressure');
  const facts: SiteFacts = {
    ...siteFacts(survey, disinfectant),
    highestSupplyBar: values.highestPressure,
    highestAssumed,
    purposes: survey.purposes ?? [],
    tdsRead: survey.readings.feedTds !== undefined,
  };
  return succeed({
    survey: resolved.value,
    requirements,
    facts,
    settings,
    task: {
      catalogue,
      waters,
      requirements,
      site: {
        line,
        airGap: survey.site.airGap === 'yes',
        chloramine: survey.disinfectant === 'chloramine',
        power: facts.power,
        tankRoom: survey.tankRoom !== 'no',
        unsafe: needsLamp(survey),
        lampIons: { ironMgL: facts.ironMgL, manganeseMgL: facts.manganeseMgL },
        mineral: mineralPlace(facts, waters.today, requirements.leastProductPh),
        branches: branchesOf(survey),
      },
    },
  });
}

/** A detail in the core's unit; null where it was not read. */
const detailOf = (survey: Survey, key: DetailKey): number | null => {
  const reading = survey.details[key];
  return reading ? toCore(detailFields[key].dimension, reading) : null;
};

/**
 * Minerals for a reason that was asked, where they reach it: for taste, or for the pH where the product's lies under the firm's; and
 * nowhere where water that stood in the bed would come out over pH 9. Behind a lamp the bed stands in the line, where it hardens nothing
 * that the lamp sees.
 */
function mineralPlace(
  { mineralWish, microbiology }: SiteFacts,
  water: FeedWater,
  leastPh: number,
): SizingTask['site']['mineral'] {
  if (!mineralWish) return 'none';
  const product = permeatePh(water, typicalPassage);
  if (!product.ok) return 'none';
  if (mineralWish === 'pH' && product.value.permeatePh >= leastPh) return 'none';
  const stood = standingPh({
    tdsMgL: water.tdsMgL * typicalPassage,
    alkalinityMgL: water.alkalinityMgL * typicalPassage,
    calciumMgL: water.hardnessMgL * divalentPassage(typicalPassage),
    co2MgL: product.value.co2MgL,
    temperatureC: water.temperatureC,
  });
  if (stood === null || stood > practiceLimits.mostAlkalinePh) return 'none';
  return microbiology === 'unsafe' ? 'after-tank' : 'before-tank';
}

/** A source that no supplier tests. */
export const isOwnSource = ({ source }: Survey): boolean =>
  source === 'well' || source === 'lake' || source === 'rain';

/** Whether nothing without a lamp is fit to drink from: a supply known to carry germs, or bought against them. */
const needsLamp = (survey: Survey): boolean =>
  survey.safe === 'no' || (survey.purposes ?? []).includes('germs');

/** Mains are tested by who supplies them; a source of one's own is safe only where somebody tested it. */
export function microbiologyOf(survey: Survey): Microbiology {
  if (survey.safe === 'no') return 'unsafe';
  return survey.safe === 'unknown' && isOwnSource(survey) ? 'untested' : 'safe';
}

function siteFacts(
  survey: Survey,
  disinfectant: SiteFacts['disinfectant'],
): Omit<SiteFacts, 'highestSupplyBar' | 'highestAssumed'> {
  const { minerals } = survey;
  return {
    microbiology: microbiologyOf(survey),
    ownSource: isOwnSource(survey),
    mineralWish: minerals === 'taste' || minerals === 'pH' ? minerals : null,
    // An outlet not asked about is taken to exist; the plumbing list says that it must be seen.
    power: survey.outlet !== 'none',
    disinfectant,
    ironMgL: detailOf(survey, 'iron'),
    manganeseMgL: detailOf(survey, 'manganese'),
    sulfideMgL: detailOf(survey, 'sulfide'),
    turbidityNtu: detailOf(survey, 'turbidity'),
    transmittance: detailOf(survey, 'transmittance'),
  };
}

/** A supply not asked about is taken to be chlorinated, as mains are: carbon too much costs less than a membrane. */
function disinfectantOf(survey: Survey): SiteFacts['disinfectant'] {
  const { disinfectant } = survey;
  if (disinfectant === 'none' || (disinfectant === 'unknown' && isOwnSource(survey))) return null;
  const kind = disinfectant === 'chloramine' ? 'chloramine' : 'chlorine';
  const read = detailOf(survey, 'disinfectant');
  return { kind, residualMgL: read ?? usualResidualMgL[kind], assumed: read === null };
}

function branchesOf(survey: Survey): Branch[] {
  const plateBar = detailOf(survey, 'branchPressure');
  return branchKinds.flatMap((kind): Branch[] => {
    const { line, rise, neededBar, flowLPerMin, plate } = branchFields[kind];
    const lengthM = detailOf(survey, line);
    if (lengthM === null) return [];
    return [
      {
        kind,
        innerDiameterMm: boreMm['1/4"'],
        lengthM,
        riseM: detailOf(survey, rise) ?? 0,
        neededBar: plate ? (plateBar ?? neededBar) : neededBar,
        flowLPerMin,
      },
    ];
  });
}

/** Pressure at which the job's regulator holds the supply, bar; null without one. */
function regulatorBarOf(
  survey: Survey,
  overruled: JobDocument['size']['overruled'],
): number | null {
  const resolved = resolveSurvey(surveyReadings(survey), {
    restingBar: detailOf(survey, 'staticPressure'),
  });
  return resolved.ok
    ? supplySettings(resolved.value.values.highestPressure, optionsOf(overruled)).regulatorBar
    : null;
}

/** Readings of a verification in the core's units; nothing while the four that rejection needs are not all there. */
export const verificationReadings = ({
  survey,
  size,
  verify,
}: Pick<JobDocument, 'survey' | 'size' | 'verify'>): VerificationReadings | undefined =>
  readingsToJudge({ survey, size }, verify.readings);

/** The same of any set of readings: of the verification, or of a visit once everything was changed. */
export function readingsToJudge(
  { survey, size }: Pick<JobDocument, 'survey' | 'size'>,
  readings: JobDocument['verify']['readings'],
): VerificationReadings | undefined {
  const read = (key: VerifyKey) => {
    const reading = readings[key];
    return reading && toCore(verifyFields[key].dimension, reading);
  };
  const [feedTdsMgL, productTdsMgL] = [read('feedTds'), read('productTds')];
  const [temperatureC, pressureBar] = [read('temperature'), read('pressure')];
  if (
    feedTdsMgL === undefined ||
    productTdsMgL === undefined ||
    temperatureC === undefined ||
    pressureBar === undefined
  ) {
    return undefined;
  }
  const productFlowLPerH = read('productFlow');
  const drainFlowLPerH = read('drainFlow');
  return {
    feedTdsMgL,
    productTdsMgL,
    temperatureC,
    // A gauge ahead of the regulator reads what the street gives; the membrane gets what the regulator holds.
    pressureBar: Math.min(pressureBar, regulatorBarOf(survey, size.overruled) ?? Infinity),
    ...(productFlowLPerH === undefined ? {} : { productFlowLPerH }),
    ...(drainFlowLPerH === undefined ? {} : { drainFlowLPerH }),
  };
}

/** Readings that a verdict on a lamp needs: its flow, and the strength before and behind a membrane that is ahead of it. */
export const lampReadings = (line: UltravioletLine): VerifyKey[] =>
  isAddedLamp(line) ? ['productFlow', 'feedTds', 'productTds'] : ['productFlow'];
