import { type ReadingCode, readingCodes } from './reading.ts';

/** Where on the way of the water a reading is taken, from the street to the glass. */
export const readingPlaces = [
  'supply',
  'inlet',
  'carbon',
  'membrane',
  'drain',
  'product',
  'tank',
  'tap',
] as const;
export type ReadingPlaceCode = (typeof readingPlaces)[number];

const places: Record<ReadingCode, ReadingPlaceCode> = {
  feedTdsMgL: 'supply',
  temperatureC: 'supply',
  supplyPressureBar: 'supply',
  meterCheckMgL: 'supply',
  dynamicPressureBar: 'inlet',
  pumpRunning: 'inlet',
  chlorineAfterCarbonMgL: 'carbon',
  membranePressureBar: 'membrane',
  drainFlowLPerH: 'drain',
  drainFlowTubeOffLPerH: 'drain',
  drainStopsAfterTankClosed: 'drain',
  drainStopsWhenFull: 'drain',
  productTdsMgL: 'product',
  productTdsRepeatMgL: 'product',
  productHardnessMgL: 'product',
  productPh: 'product',
  productFlowLPerH: 'product',
  productFlowTubeOffLPerH: 'product',
  tankPressureEmptyPrechargeBar: 'tank',
  tankPressureFullBar: 'tank',
  fillTimeMin: 'tank',
  deliveredVolumeL: 'tank',
  tankPressureDropBar: 'tank',
  waterAtAirValve: 'tank',
  tapFlowStartLPerMin: 'tap',
  tapFlowAfter2LLPerMin: 'tap',
};

export const placeOf = (code: ReadingCode): ReadingPlaceCode => places[code];

/** Readings in the order in which the water passes them. */
export const alongTheWater: readonly ReadingCode[] = [...readingCodes].sort(
  (a, b) => readingPlaces.indexOf(placeOf(a)) - readingPlaces.indexOf(placeOf(b)),
);
