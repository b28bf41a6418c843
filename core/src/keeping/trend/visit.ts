import { dayOf, daysInMonth } from '../../base/calendar.ts';
import type { History, TrendInstruments, VisitReadings } from './history.ts';
import { combined, type Estimate, type Season, seasonOf, type SeasonPrior } from './season.ts';

/** A visit with everything that its reduction needs; what was not read is filled from the house's own season. */
export interface Visit {
  day: number;
  /** Months since the baseline. */
  months: number;
  temperatureC: Estimate;
  /** Natural logarithm of the feed's TDS in mg/L. */
  logFeed: Estimate;
  supplyBar: Estimate;
  gaugeBar: number | null;
  permeateMgL: number | null;
  permeateLPerH: number | null;
  concentrateLPerH: number | null;
  /** Months for which the pre-filters have loaded. */
  loadedMonths: number;
}

export interface Visits {
  baselineDay: number;
  asOfDay: number;
  visits: Visit[];
}

/** What a house's water does, before it is read: a wide guess about the usual water. */
const temperaturePrior = { levelSd: 3, waveSd: 5, dailySd: 1.5 };
const feedPrior = { levelSd: 0.2, waveSd: 0.1, dailySd: 0.1 };
const pressurePrior = { levelSd: 0.4, waveSd: 0.2, dailySd: 0.2 };

/** The same whatever the order of the lines. */
const inOrder = (a: VisitReadings, b: VisitReadings): number =>
  a.date === b.date
    ? JSON.stringify(Object.entries(a).sort()) < JSON.stringify(Object.entries(b).sort())
      ? -1
      : 1
    : a.date < b.date
      ? -1
      : 1;

/** The visits since this membrane's start, up to the day on which is asked. */
export function visitsOf(
  { feed, readings, events = [], asOf }: History,
  instruments: TrendInstruments,
): Visits {
  const lastDate = readings.reduce((last, { date }) => (date > last ? date : last), '');
  const until = asOf ?? lastDate;
  const known = readings.filter(({ date }) => date <= until).sort(inOrder);
  const starts = events.filter(({ kind, date }) => kind === 'membrane-change' && date <= until);
  const firstDate = known[0]?.date ?? until;
  const baseline = starts.reduce((last, { date }) => (date > last ? date : last), '') || firstDate;
  const baselineDay = dayOf(baseline)!;
  const changes = events
    .filter(({ kind }) => kind === 'prefilter-change')
    .map(({ date }) => dayOf(date)!)
    .sort((a, b) => a - b);

  const meterSd = (mgL: number) =>
    Math.hypot(instruments.meterShare, instruments.meterDigitMgL / Math.max(mgL, 1));
  const temperature = seasonal(known, 'temperatureC', (value) => ({
    value,
    variance: instruments.thermometerC ** 2,
  }));
  const strength = seasonal(known, 'feedTdsMgL', (value) => ({
    value: Math.log(value),
    variance: meterSd(value) ** 2,
  }));
  const pressure = seasonal(known, 'supplyPressureBar', (value) => ({
    value,
    variance: instruments.gaugeBar ** 2,
  }));
  const temperatureSeason = temperature.season({ level: feed.temperatureC, ...temperaturePrior });
  const strengthSeason = strength.season({ level: Math.log(feed.tdsMgL), ...feedPrior });
  const pressureSeason = pressure.season({ level: feed.pressureBar, ...pressurePrior });

  const visits = known
    .filter(({ date }) => date >= baseline)
    .map((reading): Visit => {
      const day = dayOf(reading.date)!;
      // On the day of a change the readings are taken before it, as found.
      const changed = changes.filter((change) => change < day).at(-1);
      const loadedSince = changed ?? Math.min(dayOf(firstDate)!, day);
      return {
        day,
        months: (day - baselineDay) / daysInMonth,
        temperatureC: temperature.at(reading, day, temperatureSeason),
        logFeed: strength.at(reading, day, strengthSeason),
        supplyBar: pressure.at(reading, day, pressureSeason),
        gaugeBar: reading.membranePressureBar ?? null,
        permeateMgL: reading.permeateTdsMgL ?? null,
        permeateLPerH: reading.permeateFlowLPerH ?? null,
        concentrateLPerH: reading.concentrateFlowLPerH ?? null,
        loadedMonths: (day - loadedSince) / daysInMonth,
      };
    });
  return { baselineDay, asOfDay: dayOf(until)!, visits };
}

/** One reading over the years: its season, and at a visit what was read, or what the season says. */
function seasonal(
  known: readonly VisitReadings[],
  key: 'temperatureC' | 'feedTdsMgL' | 'supplyPressureBar',
  estimate: (value: number) => Estimate,
) {
  const read = known.flatMap((reading) => {
    const value = reading[key];
    return value === undefined ? [] : [{ day: dayOf(reading.date)!, ...estimate(value) }];
  });
  return {
    season: (prior: SeasonPrior): Season => seasonOf(read, prior),
    at: (reading: VisitReadings, day: number, season: Season): Estimate => {
      const value = reading[key];
      return value === undefined ? season.at(day) : combined(estimate(value), season.at(day));
    },
  };
}
