/** Standard uncertainty of the usual instruments. Defaults of the firm, from their customary data sheets. */
export interface Instruments {
  /** TDS meter: share of the reading, and its last digit in mg/L. */
  meterShare: number;
  meterDigitMgL: number;
  thermometerC: number;
  /** Gauge: share of full scale. */
  gaugeShare: number;
  gaugeFullScaleBar: number;
  jugShare: number;
  watchS: number;
  /** Element to element, at the factory: share of rated flow and of rated salt passage. */
  elementFlowShare: number;
  elementPassageShare: number;
}

export const usualInstruments: Instruments = {
  meterShare: 0.02,
  meterDigitMgL: 1,
  thermometerC: 1,
  gaugeShare: 0.02,
  gaugeFullScaleBar: 10,
  jugShare: 0.02,
  watchS: 1,
  elementFlowShare: 0.15,
  elementPassageShare: 0.3,
};

/**
 * Product that nine in ten elements of a rating lie within, mg/L: salt passage spreads in the logarithm from element to element.
 * @param productMgL of an element just as rated
 */
export function productBand(
  productMgL: number,
  { elementPassageShare }: Instruments = usualInstruments,
): { lowMgL: number; highMgL: number } {
  const factor = Math.exp(nineInTen * elementPassageShare);
  return { lowMgL: productMgL / factor, highMgL: productMgL * factor };
}

/** Standard deviations that hold nine in ten. */
const nineInTen = 1.645;

/** Uncertainty of a TDS reading, mg/L: the share and the digit are independent. */
export const meterUncertainty = (tdsMgL: number, { meterShare, meterDigitMgL }: Instruments) =>
  Math.hypot(meterShare * tdsMgL, meterDigitMgL);

/** Relative uncertainty of a flow by jug and stopwatch. */
export const flowUncertainty = (timeS: number, { jugShare, watchS }: Instruments) =>
  Math.hypot(jugShare, watchS / timeS);
