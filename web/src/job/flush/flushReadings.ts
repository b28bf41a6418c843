import type { JobDocument } from '@katharos/job';
import type { Measure } from '@katharos/words';

export type FlushReading = NonNullable<JobDocument['flush']['readings']>[string]['of'];

export const readingNames: Record<FlushReading, string> = {
  tds: 'Product TDS',
  strip: 'Chlorine by strip',
  litres: 'Litres run',
};

/** What may be read on the way, in the order it is asked for. */
export const flushMeasures: readonly { of: FlushReading; measure: Measure }[] = [
  { of: 'tds', measure: { dimension: 'tds', range: { min: 0, max: 20_000 } } },
  { of: 'strip', measure: { dimension: 'concentration', range: { min: 0, max: 200 } } },
  { of: 'litres', measure: { dimension: 'volume', range: { min: 0, max: 1000 } } },
];
