import type { FieldName, SiteAnswer, SiteQuestionKey } from '@katharos/job';

/** What stands at a field that takes a quantity. */
export interface FieldWords {
  label: string;
  /** What to do with the instrument, in one line. */
  how: string;
  /** What is wrong or what to do when the value lies outside the range. */
  outside: string;
}

/** What a laboratory measured in the product. */
const ionWords = (name: string, basis = ''): FieldWords => ({
  label: `${name} in the drinking water`,
  how: `The laboratory’s figure${basis}, in a sample from the drinking tap after the flush.`,
  outside: 'Check the figure and its unit: mg/L or µg/L.',
});

export const fieldWords: Record<FieldName, FieldWords> = {
  feedTds: {
    label: 'Feed TDS',
    how: 'Meter in a rinsed cup of cold tap water, steady reading.',
    outside: 'Check that the meter shows ppm and not µS/cm, and that it was in the feed.',
  },
  pressure: {
    label: 'Supply pressure',
    how: 'Gauge on the cold line with another tap running.',
    outside: 'Check the gauge and its unit; a dwelling’s line lies between these.',
  },
  temperature: {
    label: 'Water temperature',
    how: 'Thermometer in running cold water.',
    outside: 'The unit is fed with cold water only; check that hot is not mixed in.',
  },
  demand: {
    label: 'Daily demand',
    how: 'Drinking, cooking, hot drinks, pets; about 3 L a person.',
    outside: 'Enter litres a day for the household, not the month.',
  },
  coldest: {
    label: 'Coldest water of the year',
    how: 'From last winter’s reading or the utility.',
    outside: 'It cannot be warmer than today’s water, nor freezing.',
  },
  warmest: {
    label: 'Warmest water of the year',
    how: 'From last summer’s reading or the utility.',
    outside: 'It cannot be colder than today’s water.',
  },
  lowestPressure: {
    label: 'Lowest pressure',
    how: 'Evening peak, or a well’s cut-in.',
    outside: 'It cannot lie above the pressure measured today.',
  },
  highestPressure: {
    label: 'Highest pressure',
    how: 'At night, or a well’s cut-out.',
    outside: 'It cannot lie below the pressure measured today.',
  },
  hardness: {
    label: 'Hardness',
    how: 'Drop kit or strip.',
    outside: 'Check the unit: grains, degrees and mg/L differ by a factor of ten and more.',
  },
  alkalinity: {
    label: 'Alkalinity',
    how: 'Drop kit, as calcium carbonate.',
    outside: 'Check the unit; it is counted as calcium carbonate.',
  },
  pH: {
    label: 'pH',
    how: 'Strip or meter, read at once.',
    outside: 'A supply outside this range needs treatment of its own before any membrane.',
  },
  largestDraw: {
    label: 'Largest single draw',
    how: 'The biggest pot or jug filled in one go.',
    outside: 'Enter what is drawn in one go, not in a day.',
  },
  lineLength: {
    label: 'Tube from unit to tap',
    how: 'Along the way the tube will take.',
    outside: 'Measure along the route; check the unit.',
  },
  rise: {
    label: 'Tap above the tank',
    how: 'Height of the spout over the tank’s connection.',
    outside: 'Measure the height difference only; a tap below counts negative.',
  },
  disinfectant: {
    label: 'Chlorine or chloramine',
    how: 'Strip or drop kit, total residual.',
    outside: 'Drinking water carries at most a few mg/L; check the kit and its unit.',
  },
  iron: {
    label: 'Iron',
    how: 'Strip or laboratory.',
    outside: 'Check the unit; mg/L and µg/L differ by a thousand.',
  },
  manganese: {
    label: 'Manganese',
    how: 'Laboratory.',
    outside: 'Check the unit; mg/L and µg/L differ by a thousand.',
  },
  sulfide: {
    label: 'Hydrogen sulfide',
    how: 'Smell first, then a strip.',
    outside: 'Check the unit; mg/L and µg/L differ by a thousand.',
  },
  turbidity: {
    label: 'Turbidity',
    how: 'Meter, or laboratory.',
    outside: 'Check the meter; a clear glass lies below 1 NTU.',
  },
  transmittance: {
    label: 'Ultraviolet transmittance',
    how: 'Laboratory, at 254 nm.',
    outside: 'A share of the light that comes through a centimetre, 5 to 100 %.',
  },
  staticPressure: {
    label: 'Static pressure',
    how: 'Gauge with nothing running.',
    outside: 'Check the gauge and its unit.',
  },
  cabinetWidth: {
    label: 'Cabinet width inside',
    how: 'Between the walls.',
    outside: 'Measure inside; check the unit.',
  },
  cabinetHeight: {
    label: 'Cabinet height inside',
    how: 'Floor to the sink’s underside.',
    outside: 'Measure inside; check the unit.',
  },
  cabinetDepth: {
    label: 'Cabinet depth inside',
    how: 'Door to back wall.',
    outside: 'Measure inside; check the unit.',
  },
  drainPipe: {
    label: 'Drain pipe, outside',
    how: 'Across, where the saddle would sit.',
    outside: 'Pipes under a sink are 25 to 60 mm across.',
  },
  straightPipe: {
    label: 'Straight part of the waste',
    how: 'Between sink and trap, where the saddle would sit.',
    outside: 'Measure the straight part only; check the unit.',
  },
  spoutToBowl: {
    label: 'Tap’s hole to the bowl',
    how: 'From the hole’s middle to where the stream shall fall.',
    outside: 'Measure from the hole to the bowl; check the unit.',
  },
  outletDistance: {
    label: 'Outlet to the unit',
    how: 'Along the way of the cord.',
    outside: 'Measure along the way of the cord; check the unit.',
  },
  doorWidth: {
    label: 'Door opening, width',
    how: 'Between the frames, door open.',
    outside: 'Measure the clear opening; check the unit.',
  },
  doorHeight: {
    label: 'Door opening, height',
    how: 'From the floor of the cabinet to the frame.',
    outside: 'Measure the clear opening; check the unit.',
  },
  fridgeLine: {
    label: 'Tube to the refrigerator',
    how: 'Along its route. Leave empty where there is none.',
    outside: 'Measure along the route; check the unit.',
  },
  fridgeRise: {
    label: 'Refrigerator above the tank',
    how: 'Its inlet over the tank’s connection.',
    outside: 'Measure the height difference only; below counts negative.',
  },
  iceLine: {
    label: 'Tube to the ice maker',
    how: 'Along its route. Leave empty where there is none.',
    outside: 'Measure along the route; check the unit.',
  },
  iceRise: {
    label: 'Ice maker above the tank',
    how: 'Its inlet over the tank’s connection.',
    outside: 'Measure the height difference only; below counts negative.',
  },
  secondTapLine: {
    label: 'Tube to a second tap',
    how: 'Along its route. Leave empty where there is none.',
    outside: 'Measure along the route; check the unit.',
  },
  secondTapRise: {
    label: 'Second tap above the tank',
    how: 'Its inlet over the tank’s connection.',
    outside: 'Measure the height difference only; below counts negative.',
  },
  machineLine: {
    label: 'Tube to a machine',
    how: 'Along its route. Leave empty where there is none.',
    outside: 'Measure along the route; check the unit.',
  },
  machineRise: {
    label: 'Machine above the tank',
    how: 'Its inlet over the tank’s connection.',
    outside: 'Measure the height difference only; below counts negative.',
  },
  branchPressure: {
    label: 'Pressure that refrigerator or machine ask for',
    how: 'On the plate or in the manual, at the inlet.',
    outside: 'Plates say between 0.2 and 6 bar; check the unit.',
  },
  existingFlow: {
    label: 'Flow at its tap',
    how: 'Tap fully open, tank full: jug and stopwatch.',
    outside: 'Check the jug, the time and the unit.',
  },
  existingTds: {
    label: 'TDS of its product',
    how: 'At its tap after some minutes, ahead of minerals where there are any.',
    outside: 'Check that the sample is product and that the meter shows ppm.',
  },
  productTds: {
    label: 'Product TDS',
    how: 'At the membrane outlet or before any mineral cartridge; not the first glass.',
    outside: 'Check that the sample is product and that the meter shows ppm.',
  },
  productFlow: {
    label: 'Product flow',
    how: 'Tank valve closed, tap open: jug and stopwatch.',
    outside: 'Check the jug, the time and the unit.',
  },
  drainFlow: {
    label: 'Drain flow',
    how: 'Drain tube into the jug, same time as the product.',
    outside: 'Check the jug, the time and the unit.',
  },
  wellCutIn: {
    label: 'Lowest pressure',
    how: 'Cut-in of the well’s pressure switch.',
    outside: 'It cannot lie above the pressure measured today.',
  },
  wellCutOut: {
    label: 'Highest pressure',
    how: 'Cut-out of the well’s pressure switch.',
    outside: 'It cannot lie below the pressure measured today.',
  },
  verifiedFeedTds: {
    label: 'Feed TDS',
    how: 'Cold tap that feeds the unit, same meter.',
    outside: 'Check that the meter shows ppm and not µS/cm, and that it was in the feed.',
  },
  runningPressure: {
    label: 'Supply pressure',
    how: 'Gauge at the feed valve while the unit runs; with a regulator, behind that.',
    outside: 'Check the gauge and its unit; a dwelling’s line lies between these.',
  },
  restingPressure: {
    label: 'Pressure at rest',
    how: 'The same gauge behind the regulator, nothing running in the house.',
    outside: 'Check the gauge and its unit; a dwelling’s line lies between these.',
  },
  membranePressure: {
    label: 'Pressure at the membrane',
    how: 'Gauge in the tube to the vessel, tap open, tank valve closed.',
    outside: 'Check the gauge and its unit.',
  },
  tankFullPressure: {
    label: 'Tank pressure, full',
    how: 'Gauge in the line at the tank once filling has ended.',
    outside: 'Check the gauge and its unit; a tank under a sink holds a few bar.',
  },
  tankEmptyPressure: {
    label: 'Tank air charge',
    how: 'Tank empty and taken off; gauge on its air valve.',
    outside: 'Check the gauge and its unit; a tank under a sink holds a few bar.',
  },
  deliveredVolume: {
    label: 'Water from the full tank',
    how: 'Feed closed, from full until the tap only trickles: litres in the jug.',
    outside: 'Check the litres and the unit.',
  },
  tapFlowFull: {
    label: 'Tap flow, full tank',
    how: 'Feed closed, tank full: the first litre by jug and stopwatch.',
    outside: 'Check the jug, the time and the unit: litres a minute.',
  },
  tapFlowAfterTwo: {
    label: 'Tap flow after two litres',
    how: 'Two litres out of the full tank, then one more by jug and stopwatch.',
    outside: 'Check the jug, the time and the unit: litres a minute.',
  },
  chlorineAfterCarbon: {
    label: 'Free chlorine after the carbon',
    how: 'Free chlorine strip or drops in water from behind the last carbon ahead of the membrane.',
    outside: 'Check the strip and its scale.',
  },
  totalChlorine: {
    label: 'Total chlorine after the carbon',
    how: 'Total chlorine strip or drops, in water from behind the last carbon ahead of the membrane. Free chlorine strips do not show chloramine.',
    outside: 'Check the strip and its scale.',
  },
  'product:nitrate': ionWords('Nitrate', ', as nitrate'),
  'product:arsenic': ionWords('Arsenic'),
  'product:lead': ionWords('Lead'),
  'product:fluoride': ionWords('Fluoride'),
  'product:pfas': ionWords('PFAS', ', sum'),
  'product:boron': ionWords('Boron'),
  productHardness: {
    label: 'Product hardness',
    how: 'Drop test in the same cup as the product’s TDS.',
    outside: 'Check the unit: mg/L as CaCO₃, grains or degrees.',
  },
  productPh: {
    label: 'Product pH',
    how: 'In the same cup as the product’s TDS, at once.',
    outside: 'A pH lies between these; check the meter.',
  },
  fillTime: {
    label: 'Time of a whole fill',
    how: 'From the empty tank until the drain stands still.',
    outside: 'Check the time and the unit.',
  },
  productTdsRepeat: {
    label: 'Product TDS, once more',
    how: 'Same place, after ten minutes of running or two litres drawn.',
    outside: 'Check that the sample is product and that the meter shows ppm.',
  },
  drainFlowTubeOff: {
    label: 'Drain flow, tube off',
    how: 'Drain tube taken off right behind the restrictor, into the jug.',
    outside: 'Check the jug, the time and the unit.',
  },
  productFlowTubeOff: {
    label: 'Product flow, tube off',
    how: 'Product tube taken off at the membrane, into the jug.',
    outside: 'Check the jug, the time and the unit.',
  },
  meterCheck: {
    label: 'Meter in the reference solution',
    how: 'The same meter in 342 mg/L (NaCl).',
    outside: 'Check the bottle’s strength and its scale.',
  },
  tankPressureDrop: {
    label: 'Fall of the tank’s pressure',
    how: 'Tank full, feed closed, tap closed: how far the gauge falls in ten minutes.',
    outside: 'Check the gauge and its unit.',
  },
  pumpDischarge: {
    label: 'Pressure behind the pump',
    how: 'At its outlet, running, tap open.',
    outside: 'Check the gauge and its unit.',
  },
  pumpCutout: {
    label: 'Pressure at which the pump stops',
    how: 'Tap closed, until its switch stops it.',
    outside: 'Check the gauge and its unit.',
  },
  drainStill: {
    label: 'Minutes until the drain stands still',
    how: 'From closing the tap, tank full.',
    outside: 'Check the time and the unit.',
  },
  drainDrips: {
    label: 'Drops a minute at the drain after 15 min',
    how: 'Tank full, tap closed for a quarter of an hour: count them at the drain’s tube.',
    outside: 'Count for one minute.',
  },
  productCounter: {
    label: 'Litre counter of the product',
    how: 'What the counter in the product’s line shows, where there is one.',
    outside: 'Check the counter’s unit: litres, not cubic metres.',
  },
  restartPressure: {
    label: 'Pressure at which it starts again',
    how: 'Tap open, until the drain runs.',
    outside: 'Check the gauge and its unit.',
  },
  litFlow: {
    label: 'Product flow',
    how: 'Tap fully open, lamp lit: jug and stopwatch.',
    outside: 'Check the jug, the time and the unit.',
  },
  route: {
    label: 'Route',
    how: '',
    outside: 'Measure along the way the tube will take; check the unit.',
  },
  drawnLitres: {
    label: 'How much',
    how: '',
    outside: 'Enter one opening of the tap, not a day.',
  },
};

/** What stands at a question that is looked up under the sink. */
export interface SiteQuestionWords<K extends SiteQuestionKey = SiteQuestionKey> {
  label: string;
  /** What hangs on it. */
  why: string;
  answers: Readonly<Record<SiteAnswer<K>, string>>;
}

const yesNo = { yes: 'Yes', no: 'No' } as const;

export const siteQuestionWords: { [K in SiteQuestionKey]: SiteQuestionWords<K> } = {
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
  airGap: { label: 'Air gap asked by code', why: 'decides the tap and its hole', answers: yesNo },
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
  frost: { label: 'Can freeze there', why: 'a unit must stand free of frost', answers: yesNo },
  existing: {
    label: 'Reverse osmosis there already',
    why: 'a lamp can be added to its product line',
    answers: { none: 'None', 'tank-system': 'With a tank', 'tankless-system': 'Tankless' },
  },
};
