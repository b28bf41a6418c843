import {
  dateOf,
  dayOf,
  daysInMonth,
  type History,
  normalDeviate,
  operatingPoint,
  type Random,
  type ServiceEvent,
  usualTrendLimits,
  type VisitReadings,
} from '@katharos/core';

/** How one factor truly went. */
export interface TrueSeries {
  law: 'none' | 'linear' | 'accelerating' | 'step' | 'rising';
  /** Factor on the last day. */
  now: number;
  slopePerYear: number;
  /** ISO day on which the limit is met within twelve years; null where it is not. */
  due: string | null;
  onset: string | null;
  /** Day from which the change could be noticed. */
  noticeable: string | null;
}

/** A simulated system's years, with the truth of them. */
export interface TrendCase {
  id: string;
  request: History;
  truth: {
    kind: Kind;
    baseline: string;
    historyMonths: number;
    saltPassage: TrueSeries;
    flow: TrueSeries;
  };
}

const kinds = [
  ['steady', 0.35],
  ['prefilter', 0.1],
  ['prefilter-and-age', 0.07],
  ['salt-linear', 0.13],
  ['salt-accelerating', 0.07],
  ['salt-step', 0.08],
  ['flow-linear', 0.08],
  ['flow-accelerating', 0.05],
  ['both-linear', 0.04],
  ['oxidised', 0.03],
] as const;
type Kind = (typeof kinds)[number][0];

const pick = <T>(random: Random, of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
const between = (random: Random, from: number, to: number) => from + (to - from) * random();
const spread = (random: Random, median: number, factor: number) =>
  median * Math.exp(Math.log(factor) * normalDeviate(random));

const ratings = [
  [189, 4.14, 250, 0.15, 0.96],
  [227, 3.45, 500, 0.15, 0.94],
  [284, 4.14, 250, 0.15, 0.96],
  [378, 4.14, 250, 0.15, 0.95],
] as const;

interface System {
  feed: History['feed'];
  membrane: History['membrane'];
  restrictor: History['restrictor'];
  prefilters: NonNullable<History['prefilters']>;
  pump: History['pump'];
  permeateBackPressureBar: number;
}

function randomSystem(random: Random): System {
  const [flow, bar, mgL, recovery, rejection] = pick(random, ratings);
  const pumped = random() < 0.3;
  return {
    feed: {
      tdsMgL: Math.round(Math.min(spread(random, 320, 1.8), 1100)),
      temperatureC: Math.round(between(random, 9, 20)),
      pressureBar: Number(between(random, pumped ? 2 : 3.2, pumped ? 3 : 5).toFixed(1)),
    },
    membrane: {
      ratedFlowLPerDay: flow,
      ratedPressureBar: bar,
      ratedTdsMgL: mgL,
      ratedRecovery: recovery,
      ratedRejection: rejection,
    },
    restrictor: { flowMlMin: pick(random, [350, 420, 550]), atPressureBar: 4.14 },
    prefilters: { dropBar: Number(between(random, 0.1, 0.3).toFixed(2)), atFlowLPerH: 60 },
    pump: pumped
      ? {
          curve: [
            { flowLPerH: 0, boostBar: 7.5 },
            { flowLPerH: 40, boostBar: 5 },
            { flowLPerH: 90, boostBar: 1.5 },
          ],
          bypassBar: 8,
        }
      : undefined,
    permeateBackPressureBar: Number(between(random, 0.05, 0.2).toFixed(2)),
  };
}

/** A change's course in the logarithm, towards its limit. */
interface Course {
  law: TrueSeries['law'];
  at: (months: number) => number;
  onsetMonths: number | null;
}

const none: Course = { law: 'none', at: () => 0, onsetMonths: null };
const linear = (perYear: number): Course => ({
  law: 'linear',
  at: (t) => (perYear * t) / 12,
  onsetMonths: null,
});
const accelerating = (limit: number, months: number, power: number): Course => ({
  law: 'accelerating',
  at: (t) => limit * (Math.max(t, 0) / months) ** power,
  onsetMonths: null,
});

function coursesOf(
  random: Random,
  kind: Kind,
  historyMonths: number,
  limits: { salt: number; flow: number },
): { salt: Course; flow: Course } {
  const quicken = (limit: number) =>
    accelerating(limit, spread(random, 32, 1.6), between(random, 1.6, 3));
  const idle = random() < 0.3 ? linear(between(random, 0.001, 0.02)) : none;
  const quiet: Course = { ...idle, law: 'none' };
  switch (kind) {
    case 'steady':
    case 'prefilter':
      return { salt: quiet, flow: none };
    case 'salt-linear':
    case 'prefilter-and-age':
      return { salt: linear(spread(random, 0.22, 1.9)), flow: none };
    case 'salt-accelerating':
      return { salt: quicken(limits.salt), flow: none };
    case 'salt-step': {
      const onset = between(random, 0.1, 0.95) * historyMonths;
      const size = between(random, 0.15, 0.95);
      const ageing = between(random, 0, 0.08);
      return {
        salt: {
          law: 'step',
          at: (t) => (ageing * t) / 12 + (t >= onset ? size : 0),
          onsetMonths: onset,
        },
        flow: none,
      };
    }
    case 'flow-linear':
      return { salt: quiet, flow: linear(spread(random, 0.13, 1.9)) };
    case 'flow-accelerating':
      return { salt: quiet, flow: quicken(limits.flow) };
    case 'both-linear':
      return {
        salt: linear(spread(random, 0.22, 1.7)),
        flow: linear(spread(random, 0.15, 1.7)),
      };
    case 'oxidised': {
      const salt = quicken(limits.salt);
      return {
        salt,
        flow: { law: 'rising', at: (t) => -0.3 * salt.at(t), onsetMonths: null },
      };
    }
  }
}

/** A history by chance. @param id of the case */
export function randomHistory(random: Random, id: string): TrendCase {
  let at = random();
  const kind = kinds.find(([, share]) => (at -= share) < 0)?.[0] ?? 'steady';
  const system = randomSystem(random);
  const historyMonths = pick(random, [12, 18, 24, 36]);
  const ownLimits = random() < 0.15 ? { saltPassageFactor: 1.5, flowFactor: 0.75 } : undefined;
  const limits = ownLimits ?? usualTrendLimits;
  const logs = { salt: Math.log(limits.saltPassageFactor), flow: -Math.log(limits.flowFactor) };
  const { salt, flow } = coursesOf(random, kind, historyMonths, logs);
  const start = dayOf('2019-01-01')! + Math.round(between(random, 0, 1200));
  const days = visitDays(random, start, historyMonths);
  const isDirty = kind.startsWith('prefilter') || random() < 0.1;
  const loading = isDirty ? between(random, 3, 8) : between(random, 0, 1.5);
  const events = prefilterChanges(random, days);
  const house = houseOf(random, system);
  const element = {
    flow: spread(random, 1, 1.15),
    salt: spread(random, 1, 1.3),
    restrictor: spread(random, 1, 1.05),
  };
  const habits = {
    gauge: random() < 0.25 ? 0.9 : 0,
    read: between(random, 0.75, 1),
    drain: between(random, 0.3, 0.95),
  };
  const readings = days.map((day): VisitReadings => {
    const months = (day - start) / daysInMonth;
    const changed = events
      .map(({ date }) => dayOf(date)!)
      .filter((change) => change < day)
      .at(-1);
    const loadedMonths = (day - (changed ?? start)) / daysInMonth;
    const grown = Math.min(1 + loading * (loadedMonths / 6) ** 1.5, mostGrown);
    const a =
      element.flow * Math.exp(Math.max(-flow.at(months), -2) + 0.02 * normalDeviate(random));
    const b =
      element.salt * Math.exp(Math.min(salt.at(months), 2.5) + 0.04 * normalDeviate(random));
    const water = house(day);
    const point = operatingPoint({
      ...system,
      feed: water,
      membrane: { ...system.membrane, flowFactor: a, saltPassageFactor: b / a },
      restrictor: {
        ...system.restrictor,
        flowMlMin: system.restrictor.flowMlMin * element.restrictor,
      },
      prefilters: { ...system.prefilters, dropBar: system.prefilters.dropBar * grown },
    });
    if (!point.ok) throw new Error(`a simulated system that cannot run: ${point.failure.code}`);
    return read(random, dateOf(day), water, point.value, habits);
  });
  return {
    id,
    request: { ...system, readings, events, ...(ownLimits ? { limits: ownLimits } : {}) },
    truth: {
      kind,
      baseline: dateOf(start),
      historyMonths,
      saltPassage: truthOf(salt, 1, logs.salt, 0.15, start, days.at(-1)!),
      flow: truthOf(flow, -1, logs.flow, 0.1, start, days.at(-1)!),
    },
  };
}

function visitDays(random: Random, start: number, historyMonths: number): number[] {
  const every = pick(random, [1.5, 2, 3, 3, 4, 6]);
  const count = Math.max(Math.round(historyMonths / every), 3);
  const last = start + Math.round(historyMonths * daysInMonth);
  const between_ = Array.from({ length: count - 1 }, (_, i) =>
    Math.round(start + ((i + 1 + 0.3 * normalDeviate(random)) / count) * (last - start)),
  );
  return [...new Set([start, ...between_.filter((day) => day > start && day < last), last])].sort(
    (a, b) => a - b,
  );
}

function prefilterChanges(random: Random, days: readonly number[]): ServiceEvent[] {
  const every = pick(random, [6, 9, 12, 18]) * daysInMonth;
  const events: ServiceEvent[] = [];
  let last = days[0]!;
  for (const day of days.slice(1)) {
    if (day - last < every) continue;
    events.push({ date: dateOf(day), kind: 'prefilter-change' });
    last = day;
  }
  return events;
}

/** What comes out of a house's cold tap on a day. */
function houseOf(random: Random, { feed }: System): (day: number) => History['feed'] {
  const level = {
    tdsMgL: feed.tdsMgL * spread(random, 1, 1.1),
    temperatureC: feed.temperatureC + 2 * normalDeviate(random),
    pressureBar: feed.pressureBar * spread(random, 1, 1.06),
  };
  const swing = between(random, 2, 6.5);
  const phase = between(random, 195, 235);
  const saltSwing = between(random, -0.15, 0.15);
  return (day) => {
    const wave = Math.cos((2 * Math.PI * (day - phase)) / 365.25);
    return {
      tdsMgL: level.tdsMgL * Math.exp(saltSwing * wave + 0.07 * normalDeviate(random)),
      temperatureC: Math.min(
        Math.max(level.temperatureC + swing * wave + 0.8 * normalDeviate(random), 2),
        32,
      ),
      pressureBar: Math.max(level.pressureBar + 0.15 * normalDeviate(random), 1.2),
    };
  };
}

interface Habits {
  gauge: number;
  read: number;
  drain: number;
}

/** What somebody reads of it, with the usual instruments, and now and then grossly wrong. */
function read(
  random: Random,
  date: string,
  water: History['feed'],
  point: {
    permeateTdsMgL: number;
    permeateFlowLPerH: number;
    concentrateFlowLPerH: number;
    membranePressureBar: number;
  },
  { gauge, read: often, drain }: Habits,
): VisitReadings {
  const meter = (mgL: number) =>
    Math.max(Math.round(mgL * (1 + 0.02 * normalDeviate(random)) + normalDeviate(random)), 0);
  const flow = (lPerH: number) => {
    const timed = random() < 0.015 ? pick(random, [0.65, 1.5]) : 1;
    return Number((lPerH * timed * (1 + 0.025 * normalDeviate(random))).toFixed(2));
  };
  const bar = (truth: number) =>
    Number(Math.max(truth + 0.2 * normalDeviate(random), 0).toFixed(1));
  const first = random() < 0.03 ? between(random, 1.4, 2.8) : 1;
  const all: VisitReadings = {
    date,
    permeateTdsMgL: meter(point.permeateTdsMgL * first),
    ...(random() < often ? { feedTdsMgL: Math.max(meter(water.tdsMgL), 1) } : {}),
    ...(random() < often
      ? {
          temperatureC: Number(
            Math.max(water.temperatureC + normalDeviate(random), 0.5).toFixed(1),
          ),
        }
      : {}),
    ...(random() < often ? { supplyPressureBar: bar(water.pressureBar) } : {}),
    ...(random() < often ? { permeateFlowLPerH: flow(point.permeateFlowLPerH) } : {}),
    ...(random() < drain ? { concentrateFlowLPerH: flow(point.concentrateFlowLPerH) } : {}),
    ...(random() < gauge ? { membranePressureBar: bar(point.membranePressureBar) } : {}),
  };
  return all;
}

/** Nobody leaves a cartridge in beyond this: hardly anything would come. */
const mostGrown = 9;

const never = 144;

function truthOf(
  { law, at, onsetMonths }: Course,
  sign: 1 | -1,
  limit: number,
  noticed: number,
  start: number,
  last: number,
): TrueSeries {
  const now = (last - start) / daysInMonth;
  const on = (months: number) => dateOf(start + months * daysInMonth);
  const first = (size: number): number | null => {
    if (at(never) < size) return null;
    let [low, high] = [0, never];
    for (let i = 0; i < 40; i += 1) {
      const middle = (low + high) / 2;
      if (at(middle) >= size) high = middle;
      else low = middle;
    }
    return high;
  };
  const due = law === 'none' || law === 'rising' ? null : first(limit);
  const seen = law === 'none' || law === 'rising' ? null : first(noticed);
  const step = 0.05;
  return {
    law,
    now: Math.exp(sign * at(now)),
    slopePerYear: (sign * 12 * (at(now + step) - at(now))) / step,
    due: due === null ? null : on(due),
    onset: onsetMonths === null ? null : on(onsetMonths),
    noticeable: seen === null || seen > now ? null : on(seen),
  };
}
