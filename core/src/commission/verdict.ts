import { firstOutOfRange } from '../base/guard.ts';
import { lowDiscrepancyPoint, normalQuantile } from '../base/numeric/lowDiscrepancy.ts';
import { limits } from '../base/limits.ts';
import { fail, type Outcome, succeed } from '../base/outcome.ts';
import { type SystemDesign, withRestrictor } from '../system/design.ts';
import { expectedReadings } from '../system/expectedReadings.ts';
import {
  standardUncertainty,
  type TestInstruments,
  usualTestInstruments,
} from './diagnosis/uncertainty.ts';
import type { OperatingPoint } from '../system/point/operatingPoint.ts';
import { elementSpread, restrictorSpread } from '../membrane/elementSpread.ts';
import { normalise } from './normalise.ts';

/** Readings of a verification. Flows are optional: rejection needs only the meter. */
export interface VerificationReadings {
  feedTdsMgL: number;
  productTdsMgL: number;
  temperatureC: number;
  pressureBar: number;
  productFlowLPerH?: number;
  drainFlowLPerH?: number;
}

/** A measured figure beside what it should be. */
export interface Comparison {
  measured: number;
  expected: number;
  /** Two standard uncertainties of instruments and element together. */
  band: number;
  /** Distance in standard uncertainties, signed: measured less expected. */
  sigmas: number;
}

export interface Verdict {
  /** Whether the rejection lies within what this system should do today. */
  asExpected: boolean;
  rejection: Comparison;
  productTds: Comparison;
  /** Standard uncertainty of what was measured alone. */
  readingError: { rejection: number; productTds: number };
  productFlow: Comparison | null;
  drainFlow: Comparison | null;
  recovery: Comparison | null;
  /** Brought to the conditions of the element's rating, where both flows were read. */
  normalised: { flow: Comparison; saltPassage: Comparison } | null;
}

/** Of a TDS reading, mg/L. */
const meterUncertainty = (tdsMgL: number, instruments: TestInstruments): number =>
  standardUncertainty('feedTdsMgL', tdsMgL, instruments);

/**
 * Compares readings with what the system should do in this very water.
 * The band is that of systems sampled from each instrument's, the element's and the restrictor's own spread, all at once: near the osmotic pressure, and
 * where a shift to one side does more than to the other, differences of one side at a time would not do.
 * Errors: 'out-of-range' with the reading; those of the operating point, if the system could not run at these readings.
 */
export function verdict(
  design: SystemDesign,
  readings: VerificationReadings,
  instruments: TestInstruments = usualTestInstruments,
): Outcome<Verdict> {
  const refused = firstOutOfRange([
    ['feedTdsMgL', readings.feedTdsMgL, limits.tdsMgL],
    ['productTdsMgL', readings.productTdsMgL, { min: 0, max: limits.tdsMgL.max }],
    ['temperatureC', readings.temperatureC, limits.temperatureC],
    ['pressureBar', readings.pressureBar, limits.supplyPressureBar],
  ]);
  if (refused) return refused;
  if (readings.productTdsMgL >= readings.feedTdsMgL) {
    return fail('out-of-range', 'productTdsMgL', {
      got: readings.productTdsMgL,
      min: 0,
      max: readings.feedTdsMgL,
    });
  }
  const model = spreadOfModel(design, readings, instruments);
  if (!model.ok) return model;
  const { expected, spread, point } = model.value;

  const measuredRejection = 1 - readings.productTdsMgL / readings.feedTdsMgL;
  const feedShare = meterUncertainty(readings.feedTdsMgL, instruments) / readings.feedTdsMgL;
  const productError = meterUncertainty(readings.productTdsMgL, instruments);
  const passageError = Math.hypot(
    productError / readings.feedTdsMgL,
    (1 - measuredRejection) * feedShare,
  );
  const rejection = compare(measuredRejection, expected.rejection, passageError, spread.rejection);
  const flow = (
    code: FlowCode,
    measured: number | undefined,
    value: number,
    error: number,
  ): Comparison | null =>
    measured === undefined
      ? null
      : compare(measured, value, standardUncertainty(code, measured, instruments), error);
  const productFlow = flow(
    'productFlowLPerH',
    readings.productFlowLPerH,
    expected.permeateFlowLPerH,
    spread.permeateFlowLPerH,
  );
  const drainFlow = flow(
    'drainFlowLPerH',
    readings.drainFlowLPerH,
    expected.concentrateFlowLPerH,
    spread.concentrateFlowLPerH,
  );
  return succeed({
    // Better than expected is no fault of the membrane; only too little rejection counts against it.
    asExpected: rejection.sigmas >= -2,
    rejection,
    readingError: { rejection: passageError, productTds: productError },
    productTds: compare(
      readings.productTdsMgL,
      expected.permeateTdsMgL,
      productError,
      spread.permeateTdsMgL,
    ),
    productFlow,
    drainFlow,
    recovery: recoveryOf(readings, expected.recovery, spread.recovery, instruments),
    normalised: normalisedOf(design, readings, point, rejection, productFlow),
  });
}

/**
 * Flow and salt passage at the conditions of the element's rating: what can be laid beside its sheet, and beside a visit in another season.
 * The pressure at the membrane is the model's. Source: ASTM D4516.
 */
function normalisedOf(
  { membrane: { rating }, elements }: SystemDesign,
  readings: VerificationReadings,
  point: OperatingPoint,
  rejection: Comparison,
  productFlow: Comparison | null,
): Verdict['normalised'] {
  const { productFlowLPerH: product, drainFlowLPerH: drain } = readings;
  if (!productFlow || product === undefined || drain === undefined || !(product > 0)) return null;
  const reference = {
    feedTdsMgL: rating.ratedTdsMgL,
    permeateTdsMgL: rating.ratedTdsMgL * (1 - rating.ratedRejection),
    temperatureC: 25,
    feedPressureBar: rating.ratedPressureBar,
    recovery: rating.ratedRecovery,
    permeateFlowLPerH: (rating.ratedFlowLPerDay / 24) * elements,
  };
  const conditions = {
    feedTdsMgL: readings.feedTdsMgL,
    temperatureC: readings.temperatureC,
    feedPressureBar: point.membranePressureBar,
    permeatePressureBar: point.permeateBackPressureBar,
  };
  const measured = normalise(
    {
      ...conditions,
      permeateTdsMgL: readings.productTdsMgL,
      recovery: product / (product + drain),
      permeateFlowLPerH: product,
    },
    reference,
  );
  const expected = normalise(
    {
      ...conditions,
      permeateTdsMgL: point.permeateTdsMgL,
      recovery: point.recovery,
      permeateFlowLPerH: point.permeateFlowLPerH,
    },
    reference,
  );
  if (!measured.ok || !expected.ok) return null;
  const beside = (
    key: 'normalisedPermeateFlowLPerH' | 'normalisedSaltPassage',
    bandShare: number,
  ): Comparison => {
    const [is, should] = [measured.value[key], expected.value[key]];
    const band = bandShare * should;
    return { measured: is, expected: should, band, sigmas: (is - should) / (band / 2) };
  };
  return {
    flow: beside('normalisedPermeateFlowLPerH', productFlow.band / productFlow.expected),
    saltPassage: beside('normalisedSaltPassage', rejection.band / (1 - rejection.expected)),
  };
}

type FlowCode = 'productFlowLPerH' | 'drainFlowLPerH';

function recoveryOf(
  readings: VerificationReadings,
  expected: number,
  spread: number,
  instruments: TestInstruments,
): Comparison | null {
  const { productFlowLPerH: product, drainFlowLPerH: drain } = readings;
  if (product === undefined || drain === undefined || !(product + drain > 0)) return null;
  const measured = product / (product + drain);
  const share = (code: FlowCode, flow: number) =>
    flow > 0 ? standardUncertainty(code, flow, instruments) / flow : 0;
  const error =
    measured *
    (1 - measured) *
    Math.hypot(share('productFlowLPerH', product), share('drainFlowLPerH', drain));
  return compare(measured, expected, error, spread);
}

function compare(measured: number, expected: number, reading: number, model: number): Comparison {
  const sigma = Math.hypot(reading, model);
  return { measured, expected, band: 2 * sigma, sigmas: (measured - expected) / sigma };
}

const compared = [
  'rejection',
  'permeateTdsMgL',
  'permeateFlowLPerH',
  'concentrateFlowLPerH',
  'recovery',
] as const;
type Compared = Record<(typeof compared)[number], number>;

const noSpread: Compared = {
  rejection: 0,
  permeateTdsMgL: 0,
  permeateFlowLPerH: 0,
  concentrateFlowLPerH: 0,
  recovery: 0,
};

/** Systems that are computed for a band: its width is then good to a tenth. */
const samples = 48;

/** The expected point and its standard uncertainty from the conditions' instruments and the element's spread. */
function spreadOfModel(
  design: SystemDesign,
  readings: VerificationReadings,
  instruments: TestInstruments,
): Outcome<{ expected: Compared; spread: Compared; point: OperatingPoint }> {
  const water = {
    tdsMgL: readings.feedTdsMgL,
    temperatureC: readings.temperatureC,
    pressureBar: readings.pressureBar,
  };
  const base = expectedReadings(design, water);
  if (!base.ok) return base;
  const gaugeBar = standardUncertainty('dynamicPressureBar', water.pressureBar, instruments);
  const meterMgL = meterUncertainty(water.tdsMgL, instruments);
  const squares = { ...noSpread };
  let counted = 0;
  for (let i = 0; i < samples; i += 1) {
    const [tds, degrees, bar, flow, passage, drain] = lowDiscrepancyPoint(6, i).map(
      normalQuantile,
    ) as [number, number, number, number, number, number];
    const shifted = expectedReadings(
      withRestrictor(design, Math.exp(drain * restrictorSpread)),
      {
        tdsMgL: water.tdsMgL + tds * meterMgL,
        temperatureC: water.temperatureC + degrees * instruments.thermometerC,
        pressureBar: water.pressureBar + bar * gaugeBar,
      },
      {
        flowFactor: Math.exp(flow * elementSpread.flowShare),
        saltPassageFactor: Math.exp(passage * elementSpread.passageShare),
      },
    );
    // What lies past the edge of the water's range cannot have been.
    if (!shifted.ok) continue;
    counted += 1;
    for (const figure of compared) {
      squares[figure] += (shifted.value[figure] - base.value[figure]) ** 2;
    }
  }
  const spread = Object.fromEntries(
    compared.map((figure) => [figure, Math.sqrt(squares[figure] / Math.max(counted, 1))]),
  ) as Compared;
  return succeed({ expected: base.value, spread, point: base.value });
}
