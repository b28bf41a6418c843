import { concentrationPolarisation } from '../../membrane/concentrationPolarisation.ts';
import { temperatureCorrectionFactor } from '../../membrane/temperatureCorrectionFactor.ts';
import { osmoticPressure } from '../../water/osmoticPressure.ts';
import type { TrendInstruments } from './history.ts';
import type { Pressures } from './membranePressure.ts';
import type { Visit } from './visit.ts';

/** A figure of one visit: natural logarithm of a permeance, and its standard deviation. */
export interface Point {
  /** Place among the visits. */
  visit: number;
  months: number;
  value: number;
  sd: number;
}

/** Whether a product flow was read from which a permeance follows. */
export const isFlowRead = ({ permeateLPerH }: Pick<Visit, 'permeateLPerH'>): boolean =>
  permeateLPerH !== null && permeateLPerH > 0;

/** Real scatter of a membrane between visits, in the logarithm. */
const scatter = { water: 0.02, salt: 0.04 } as const;
/** Slope of the temperature factor's logarithm, 1/K, about room temperature. */
const perKelvin = 0.037;
/** Under this share of the pressure there is no telling what drives the water. */
const leastDrive = 0.08;
const mostPassage = 0.97;

/** How an element splits its feed, by its readings; exact for small changes along it. Source: solution-diffusion with polarisation, integrated. */
function splitOf(productLPerH: number, drainLPerH: number, passage: number) {
  const recovery = Math.min(
    Math.max(productLPerH / (productLPerH + Math.max(drainLPerH, 1e-6)), 1e-4),
    0.95,
  );
  const S = Math.min(Math.max(passage, 1e-5), mostPassage);
  const local = Math.log(1 - recovery * S) / Math.log(1 - recovery);
  return { local: Math.min(local, 0.98), polarisation: concentrationPolarisation(recovery) };
}

/**
 * Logarithm of the water permeance at a visit, with what its instruments make it uncertain by; null where no product flow was read.
 * @param usualPassage where the product's strength was not read
 */
export function waterPoint(
  visit: Visit,
  i: number,
  { bar, concentrateLPerH }: Pressures,
  backBar: number,
  usualPassage: number,
  { flowShare }: TrendInstruments,
): Point | null {
  const { permeateLPerH: flow, temperatureC, logFeed } = visit;
  if (!isFlowRead(visit) || flow === null) return null;
  const feedMgL = Math.exp(logFeed.value);
  const passage = visit.permeateMgL === null ? usualPassage : visit.permeateMgL / feedMgL;
  const { value: pressure, variance } = bar[i]!;
  const drive = driveOf(pressure, backBar, flow, concentrateLPerH[i]!, passage, feedMgL, visit);
  const osmotic = pressure - backBar - drive;
  return {
    visit: i,
    months: visit.months,
    value:
      Math.log(flow) - Math.log(temperatureCorrectionFactor(temperatureC.value)) - Math.log(drive),
    sd: Math.sqrt(
      flowShare ** 2 +
        scatter.water ** 2 +
        variance / drive ** 2 +
        perKelvin ** 2 * temperatureC.variance +
        (osmotic / drive) ** 2 * logFeed.variance,
    ),
  };
}

/** Net driving pressure, bar, held above nothing. */
export function driveOf(
  pressure: number,
  backBar: number,
  productLPerH: number,
  drainLPerH: number,
  passage: number,
  feedMgL: number,
  { temperatureC }: Pick<Visit, 'temperatureC'>,
): number {
  const { local, polarisation } = splitOf(productLPerH, drainLPerH, passage);
  const S = Math.min(Math.max(passage, 1e-5), mostPassage);
  const across = (polarisation * (1 - local) * S * feedMgL) / local;
  return Math.max(
    pressure - backBar - osmoticPressure(Math.min(across, 2e5), temperatureC.value),
    leastDrive * Math.max(pressure, 0.1),
  );
}

/**
 * Logarithm of the salt permeance at a visit; null where the product's strength was not read.
 * @param product flow, L/h, as read or as the membrane's water permeance gives it, and its standard deviation in the logarithm
 */
export function saltPoint(
  visit: Visit,
  i: number,
  { concentrateLPerH }: Pressures,
  product: { lPerH: number; sd: number },
  { meterShare, meterDigitMgL }: TrendInstruments,
): Point | null {
  if (visit.permeateMgL === null) return null;
  const { temperatureC, logFeed } = visit;
  const permeateMgL = Math.max(visit.permeateMgL, 0.5);
  const passage = permeateMgL / Math.exp(logFeed.value);
  const { local, polarisation } = splitOf(product.lPerH, concentrateLPerH[i]!, passage);
  const digit = Math.hypot(meterDigitMgL, 0.29) / Math.max(permeateMgL, 1);
  return {
    visit: i,
    months: visit.months,
    value:
      Math.log(product.lPerH) -
      Math.log(temperatureCorrectionFactor(temperatureC.value)) +
      Math.log(local) -
      Math.log(1 - local) -
      Math.log(polarisation),
    sd: Math.sqrt(
      product.sd ** 2 +
        scatter.salt ** 2 +
        meterShare ** 2 +
        digit ** 2 +
        logFeed.variance +
        perKelvin ** 2 * temperatureC.variance,
    ),
  };
}
