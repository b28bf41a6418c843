import {
  type Dimension,
  type Quantity,
  type Range,
  type SurveyKey,
  surveyRanges,
  toCore,
} from '@katharos/core';

/** A field that takes a quantity: what it measures, what it may be, and the sentence for when it is not that. */
export interface QuantityField {
  dimension: Dimension;
  label: string;
  /** What to do with the instrument, in one line. */
  how: string;
  range: Range;
  /** What is wrong or what to do when the value lies outside the range. */
  outside: string;
}

const survey = (
  key: SurveyKey,
  dimension: Dimension,
  label: string,
  how: string,
  outside: string,
) => [key, { dimension, label, how, range: surveyRanges[key], outside }] as const;

export const surveyFields: Record<SurveyKey, QuantityField> = Object.fromEntries([
  survey(
    'feedTds',
    'tds',
    'Feed TDS',
    'Meter in a rinsed cup of cold tap water, steady reading.',
    'Check that the meter shows ppm and not µS/cm, and that it was in the feed.',
  ),
  survey(
    'pressure',
    'pressure',
    'Supply pressure',
    'Gauge on the cold line with another tap running.',
    'Check the gauge and its unit; a dwelling’s line lies between these.',
  ),
  survey(
    'temperature',
    'temperature',
    'Water temperature',
    'Thermometer in running cold water.',
    'The unit is fed with cold water only; check that hot is not mixed in.',
  ),
  survey(
    'demand',
    'dailyVolume',
    'Daily demand',
    'Drinking, cooking, hot drinks, pets; about 3 L a person.',
    'Enter litres a day for the household, not the month.',
  ),
  survey(
    'coldest',
    'temperature',
    'Coldest water of the year',
    'From last winter’s reading or the utility.',
    'It cannot be warmer than today’s water, nor freezing.',
  ),
  survey(
    'lowestPressure',
    'pressure',
    'Lowest pressure',
    'Evening peak, or a well’s cut-in.',
    'It cannot lie above the pressure measured today.',
  ),
  survey(
    'highestPressure',
    'pressure',
    'Highest pressure',
    'At night, or a well’s cut-out.',
    'It cannot lie below the pressure measured today.',
  ),
  survey(
    'hardness',
    'hardness',
    'Hardness',
    'Drop kit or strip.',
    'Check the unit: grains, degrees and mg/L differ by a factor of ten and more.',
  ),
  survey(
    'alkalinity',
    'hardness',
    'Alkalinity',
    'Drop kit, as calcium carbonate.',
    'Check the unit; it is counted as calcium carbonate.',
  ),
  survey(
    'pH',
    'pH',
    'pH',
    'Strip or meter, read at once.',
    'A supply outside this range needs treatment of its own before any membrane.',
  ),
  survey(
    'largestDraw',
    'volume',
    'Largest single draw',
    'The biggest pot or jug filled in one go.',
    'Enter what is drawn in one go, not in a day.',
  ),
  survey(
    'lineLength',
    'length',
    'Tube from unit to tap',
    'Along the way the tube will take.',
    'Measure along the route; check the unit.',
  ),
  survey(
    'rise',
    'length',
    'Tap above the tank',
    'Height of the spout over the tank’s connection.',
    'Measure the height difference only; a tap below counts negative.',
  ),
]) as Record<SurveyKey, QuantityField>;

const lineTo = (label: string): QuantityField => ({
  dimension: 'length',
  label,
  how: 'Along its route. Leave empty where there is none.',
  range: { min: 0.2, max: 40 },
  outside: 'Measure along the route; check the unit.',
});
const riseOf = (label: string): QuantityField => ({
  dimension: 'length',
  label,
  how: 'Its inlet over the tank’s connection.',
  range: { min: -10, max: 15 },
  outside: 'Measure the height difference only; below counts negative.',
});

/** Readings that no equation of the production needs, but a decision does. */
export const detailFields = {
  disinfectant: {
    dimension: 'concentration',
    label: 'Chlorine or chloramine',
    how: 'Strip or drop kit, total residual.',
    range: { min: 0, max: 10 },
    outside: 'Drinking water carries at most a few mg/L; check the kit and its unit.',
  },
  iron: {
    dimension: 'concentration',
    label: 'Iron',
    how: 'Strip or laboratory.',
    range: { min: 0, max: 50 },
    outside: 'Check the unit; mg/L and µg/L differ by a thousand.',
  },
  manganese: {
    dimension: 'concentration',
    label: 'Manganese',
    how: 'Laboratory.',
    range: { min: 0, max: 20 },
    outside: 'Check the unit; mg/L and µg/L differ by a thousand.',
  },
  sulfide: {
    dimension: 'concentration',
    label: 'Hydrogen sulfide',
    how: 'Smell first, then a strip.',
    range: { min: 0, max: 50 },
    outside: 'Check the unit; mg/L and µg/L differ by a thousand.',
  },
  turbidity: {
    dimension: 'turbidity',
    label: 'Turbidity',
    how: 'Meter, or laboratory.',
    range: { min: 0, max: 500 },
    outside: 'Check the meter; a clear glass lies below 1 NTU.',
  },
  transmittance: {
    dimension: 'share',
    label: 'Ultraviolet transmittance',
    how: 'Laboratory, at 254 nm.',
    range: { min: 0.05, max: 1 },
    outside: 'A share of the light that comes through a centimetre, 5 to 100 %.',
  },
  staticPressure: {
    dimension: 'pressure',
    label: 'Static pressure',
    how: 'Gauge with nothing running.',
    range: surveyRanges.highestPressure,
    outside: 'Check the gauge and its unit.',
  },
  cabinetWidth: {
    dimension: 'length',
    label: 'Cabinet width inside',
    how: 'Between the walls.',
    range: { min: 0.1, max: 4 },
    outside: 'Measure inside; check the unit.',
  },
  cabinetHeight: {
    dimension: 'length',
    label: 'Cabinet height inside',
    how: 'Floor to the sink’s underside.',
    range: { min: 0.1, max: 3 },
    outside: 'Measure inside; check the unit.',
  },
  cabinetDepth: {
    dimension: 'length',
    label: 'Cabinet depth inside',
    how: 'Door to back wall.',
    range: { min: 0.1, max: 2 },
    outside: 'Measure inside; check the unit.',
  },
  drainPipe: {
    dimension: 'length',
    label: 'Drain pipe, outside',
    how: 'Across, where the saddle would sit.',
    range: { min: 0.02, max: 0.12 },
    outside: 'Pipes under a sink are 25 to 60 mm across.',
  },
  straightPipe: {
    dimension: 'length',
    label: 'Straight part of the waste',
    how: 'Between sink and trap, where the saddle would sit.',
    range: { min: 0.01, max: 1.5 },
    outside: 'Measure the straight part only; check the unit.',
  },
  spoutToBowl: {
    dimension: 'length',
    label: 'Tap’s hole to the bowl',
    how: 'From the hole’s middle to where the stream shall fall.',
    range: { min: 0.02, max: 0.6 },
    outside: 'Measure from the hole to the bowl; check the unit.',
  },
  outletDistance: {
    dimension: 'length',
    label: 'Outlet to the unit',
    how: 'Along the way of the cord.',
    range: { min: 0, max: 10 },
    outside: 'Measure along the way of the cord; check the unit.',
  },
  doorWidth: {
    dimension: 'length',
    label: 'Door opening, width',
    how: 'Between the frames, door open.',
    range: { min: 0.1, max: 3 },
    outside: 'Measure the clear opening; check the unit.',
  },
  doorHeight: {
    dimension: 'length',
    label: 'Door opening, height',
    how: 'From the floor of the cabinet to the frame.',
    range: { min: 0.1, max: 3 },
    outside: 'Measure the clear opening; check the unit.',
  },
  fridgeLine: lineTo('Tube to the refrigerator'),
  fridgeRise: riseOf('Refrigerator above the tank'),
  iceLine: lineTo('Tube to the ice maker'),
  iceRise: riseOf('Ice maker above the tank'),
  secondTapLine: lineTo('Tube to a second tap'),
  secondTapRise: riseOf('Second tap above the tank'),
  machineLine: lineTo('Tube to a machine'),
  machineRise: riseOf('Machine above the tank'),
  branchPressure: {
    dimension: 'pressure',
    label: 'Pressure that refrigerator or machine ask for',
    how: 'On the plate or in the manual, at the inlet.',
    range: { min: 0.2, max: 6 },
    outside: 'Plates say between 0.2 and 6 bar; check the unit.',
  },
  existingFlow: {
    dimension: 'flow',
    label: 'Flow at its tap',
    how: 'Tap fully open, tank full: jug and stopwatch.',
    range: { min: 1, max: 600 },
    outside: 'Check the jug, the time and the unit.',
  },
  existingTds: {
    dimension: 'tds',
    label: 'TDS of its product',
    how: 'At its tap after some minutes, ahead of minerals where there are any.',
    range: { min: 0, max: 5000 },
    outside: 'Check that the sample is product and that the meter shows ppm.',
  },
} as const satisfies Record<string, QuantityField>;

export type DetailKey = keyof typeof detailFields;

export type VerifyKey =
  'feedTds' | 'productTds' | 'temperature' | 'pressure' | 'productFlow' | 'drainFlow';

export const verifyFields: Record<VerifyKey, QuantityField> = {
  feedTds: { ...surveyFields.feedTds, how: 'Cold tap that feeds the unit, same meter.' },
  productTds: {
    dimension: 'tds',
    label: 'Product TDS',
    how: 'At the membrane outlet or before any mineral cartridge; not the first glass.',
    range: { min: 0, max: 5000 },
    outside: 'Check that the sample is product and that the meter shows ppm.',
  },
  temperature: surveyFields.temperature,
  pressure: { ...surveyFields.pressure, how: 'Gauge at the feed valve while the unit runs.' },
  productFlow: {
    dimension: 'flow',
    label: 'Product flow',
    how: 'Tank valve closed, tap open: jug and stopwatch.',
    range: { min: 0, max: 600 },
    outside: 'Check the jug, the time and the unit.',
  },
  drainFlow: {
    dimension: 'flow',
    label: 'Drain flow',
    how: 'Drain tube into the jug, same time as the product.',
    range: { min: 0, max: 1000 },
    outside: 'Check the jug, the time and the unit.',
  },
};

/** Whether an entered quantity lies in its field's range; ends are counted in, with room for a unit's rounding. */
export function isWithin(field: QuantityField, quantity: Quantity): boolean {
  const value = toCore(field.dimension, quantity);
  const room = 1e-9 * Math.max(1, Math.abs(field.range.max));
  return value >= field.range.min - room && value <= field.range.max + room;
}
