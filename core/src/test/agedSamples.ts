import { dateOf, dayOf, daysInMonth } from '../base/calendar.ts';
import type { Random } from '../household/household.ts';
import { normalQuantile } from '../base/numeric/lowDiscrepancy.ts';
import type { History, ServiceEvent, VisitReadings } from '../keeping/trend/history.ts';
import { operatingPoint } from '../system/point/operatingPoint.ts';

/** A made-up system in a house whose water follows the year. */
export const agedSystem = {
  feed: { tdsMgL: 380, temperatureC: 13, pressureBar: 4.1 },
  membrane: {
    ratedFlowLPerDay: 284,
    ratedPressureBar: 4.14,
    ratedTdsMgL: 250,
    ratedRecovery: 0.15,
    ratedRejection: 0.96,
  },
  restrictor: { flowMlMin: 420, atPressureBar: 4.14 },
  prefilters: { dropBar: 0.2, atFlowLPerH: 60 },
  permeateBackPressureBar: 0.1,
} as const satisfies Partial<History>;

export interface Ageing {
  months: number;
  /** Months between visits. */
  every: number;
  /** Factors against new, by months. */
  saltPassage?: (months: number) => number;
  flow?: (months: number) => number;
  /** Drop of the pre-filters over new, by months since they were changed. */
  loading?: (months: number) => number;
  events?: readonly ServiceEvent[];
  /** Noise of instruments and of the membrane; none where it is absent. */
  random?: Random;
  start?: string;
}

const always = () => 1;

/** What visits read of it over the years: by the product's own model, with or without noise. */
export function agedHistory({
  months,
  every,
  saltPassage = always,
  flow = always,
  loading = always,
  events = [],
  random,
  start = '2021-02-10',
}: Ageing): History {
  const first = dayOf(start)!;
  const noise = (sd: number) => (random ? sd * normalQuantile(random()) : 0);
  const changes = events
    .filter(({ kind }) => kind === 'prefilter-change')
    .map(({ date }) => dayOf(date)!);
  const readings: VisitReadings[] = [];
  for (let month = 0; month <= months + 1e-9; month += every) {
    const day = Math.round(first + month * daysInMonth);
    const wave = Math.cos((2 * Math.PI * (day - 215)) / 365.25);
    const feed = {
      tdsMgL: agedSystem.feed.tdsMgL * (1 + 0.05 * wave),
      temperatureC: agedSystem.feed.temperatureC + 6 * wave,
      pressureBar: agedSystem.feed.pressureBar,
    };
    const changed = changes.filter((change) => change < day).at(-1) ?? first;
    const water = flow(month) * Math.exp(noise(0.02));
    const point = operatingPoint({
      ...agedSystem,
      feed,
      membrane: {
        ...agedSystem.membrane,
        flowFactor: water,
        saltPassageFactor: (saltPassage(month) * Math.exp(noise(0.04))) / water,
      },
      prefilters: {
        ...agedSystem.prefilters,
        dropBar: agedSystem.prefilters.dropBar * loading((day - changed) / daysInMonth),
      },
    });
    if (!point.ok) throw new Error(point.failure.code);
    const { permeateTdsMgL, permeateFlowLPerH, concentrateFlowLPerH } = point.value;
    readings.push({
      date: dateOf(day),
      feedTdsMgL: Math.round(feed.tdsMgL * (1 + noise(0.02))),
      permeateTdsMgL: Math.round(permeateTdsMgL * (1 + noise(0.02)) + noise(1)),
      temperatureC: feed.temperatureC + noise(1),
      supplyPressureBar: feed.pressureBar + noise(0.2),
      permeateFlowLPerH: permeateFlowLPerH * (1 + noise(0.025)),
      concentrateFlowLPerH: concentrateFlowLPerH * (1 + noise(0.025)),
    });
  }
  return { ...agedSystem, readings, events };
}
