import type { JobDocument, Reading } from '@katharos/job';
import { newJobDocument } from '@katharos/job';
import { usualHousehold } from '@katharos/core';
import fc from 'fast-check';

/** Houses as they may come: waters, sites, households, seasons, sources, and readings that nobody took. */

const read = (value: number, unit: string, decimals = 1): Reading => ({
  value: Number(value.toFixed(decimals)),
  unit,
  takenAt: null,
  by: null,
});

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
/** Small values as likely as large ones by their ratio. */
const spread = (min: number, max: number) => between(Math.log(min), Math.log(max)).map(Math.exp);
/** A reading that some did not take. */
const perhaps = <T>(value: fc.Arbitrary<T>, taken = 3): fc.Arbitrary<T | null> =>
  fc.option(value, { freq: taken });
/** Something that one house in so many has. */
const rarely = <T>(value: fc.Arbitrary<T>, oneIn: number): fc.Arbitrary<T | null> =>
  fc.oneof({ arbitrary: value, weight: 1 }, { arbitrary: fc.constant(null), weight: oneIn - 1 });
const weighed = <const T extends string>(...shares: [T, number][]): fc.Arbitrary<T> =>
  fc.oneof(...shares.map(([value, weight]) => ({ arbitrary: fc.constant(value), weight })));

const water = fc.record({
  source: weighed(['mains', 60], ['well', 22], ['lake', 6], ['rain', 6], ['unknown', 6]),
  disinfectant: weighed(['chlorine', 45], ['chloramine', 15], ['none', 20], ['unknown', 20]),
  safe: weighed(['yes', 45], ['no', 15], ['unknown', 40]),
  feedTds: perhaps(spread(25, 2600), 6),
  hardShare: perhaps(between(0.05, 0.8)),
  alkalineShare: perhaps(between(0.2, 1.2), 1),
  pH: perhaps(between(6.2, 8.9)),
  iron: perhaps(spread(0.01, 4), 1),
  manganese: perhaps(spread(0.005, 0.6), 1),
  turbidity: perhaps(spread(0.1, 8), 1),
  transmittance: perhaps(between(55, 98), 1),
});

const supply = fc.record({
  pressure: perhaps(between(0.9, 7.5), 6),
  static: perhaps(between(0, 2.5), 1),
  lowest: perhaps(between(0.5, 1), 1),
  highest: perhaps(between(1, 1.7), 1),
  temperature: perhaps(between(4, 28), 6),
  colder: perhaps(between(0, 14), 1),
  warmer: perhaps(between(0, 14), 1),
});

const household = fc.record({
  people: fc.integer({ min: 1, max: 8 }),
  demand: perhaps(spread(3, 45), 1),
  potL: between(1, 8),
  pets: fc.integer({ min: 0, max: 3 }),
  described: fc.boolean(),
  minerals: weighed(['taste', 15], ['pH', 10], ['no', 25], ['unknown', 50]),
});

const site = fc.record({
  outlet: weighed(['unswitched', 50], ['switched', 10], ['none', 22], ['unknown', 18]),
  tankRoom: weighed(['yes', 55], ['no', 25], ['unknown', 20]),
  airGap: fc.boolean(),
  supplyKind: perhaps(
    weighed(
      ['valve-half', 4],
      ['valve-three-eighths', 3],
      ['hose', 3],
      ['copper', 2],
      ['plastic', 2],
    ),
  ),
  drainMaterial: perhaps(weighed(['plastic', 5], ['brass', 2], ['steel', 1])),
  counter: perhaps(
    weighed(['steel', 3], ['laminate', 3], ['wood', 1], ['granite', 2], ['composite', 1]),
  ),
  drilling: perhaps(weighed(['yes', 6], ['ask', 2], ['no', 1])),
  drainRun: perhaps(weighed(['vertical', 3], ['horizontal', 2])),
  disposal: rarely(fc.constant(true), 5),
  dishwasher: rarely(fc.constant(true), 4),
  tapHole: fc.boolean(),
  line: perhaps(spread(0.8, 14), 1),
  rise: perhaps(between(-1, 4), 1),
  fridge: perhaps(spread(2, 12), 1),
  machine: rarely(spread(1, 4), 12),
  remote: rarely(spread(2, 12), 15),
});

/** What it is bought for; some were never asked. */
const purposes = perhaps(
  fc.subarray(['taste', 'hardness', 'nitrate', 'arsenic', 'lead', 'pfas', 'germs'] as const, {
    minLength: 1,
    maxLength: 3,
  }),
  1,
);

const house = fc.record({ water, supply, household, site, purposes });
type House = typeof house extends fc.Arbitrary<infer T> ? T : never;

/** A house as a job whose survey holds what was read there. */
function surveyedHouse(
  { water: w, supply: s, household: h, site: at, purposes: wanted }: House,
  i: number,
): JobDocument {
  const document = newJobDocument(`House ${i + 1}`);
  const { survey } = document;
  const readings: Partial<Record<string, Reading>> = {};
  const put = (key: string, value: number | null, unit: string, decimals = 1) => {
    if (value !== null) readings[key] = read(value, unit, decimals);
  };
  const tds = w.feedTds ?? 350;
  put('feedTds', w.feedTds, 'mg/L', 0);
  put('hardness', w.hardShare && Math.max(w.hardShare * tds, 1), 'mg/L CaCO3', 0);
  put(
    'alkalinity',
    w.alkalineShare && Math.max(w.alkalineShare * (w.hardShare ?? 0.45) * tds, 1),
    'mg/L CaCO3',
    0,
  );
  put('pH', w.pH, 'pH');
  const pressure = s.pressure ?? 3;
  put('pressure', s.pressure, 'bar', 2);
  put(
    'lowestPressure',
    s.lowest && Math.min(Math.max(s.lowest * pressure, 0.5), pressure - 0.01),
    'bar',
    2,
  );
  put('highestPressure', s.highest && s.highest * pressure + 0.01, 'bar', 2);
  put('temperature', s.temperature, 'C');
  const temperature = s.temperature ?? 14;
  put('coldest', s.colder && Math.min(Math.max(temperature - s.colder, 1), temperature - 0.1), 'C');
  put('warmest', s.warmer && Math.min(temperature + s.warmer, 32) + 0.1, 'C');
  put('demand', h.demand, 'L/day', 0);
  put('lineLength', at.line, 'm');
  put('rise', at.rise, 'm');
  survey.readings = readings;
  const details: Partial<Record<string, Reading>> = {};
  const detail = (key: string, value: number | null, unit: string, decimals = 2) => {
    if (value !== null) details[key] = read(value, unit, decimals);
  };
  detail('iron', w.iron, 'mg/L');
  detail('manganese', w.manganese, 'mg/L', 3);
  detail('turbidity', w.turbidity, 'NTU');
  detail('transmittance', w.transmittance, '%', 0);
  detail('staticPressure', s.static && pressure + s.static, 'bar');
  detail('fridgeLine', at.fridge, 'm');
  detail('machineLine', at.machine, 'm');
  survey.details = details;
  survey.source = w.source;
  survey.disinfectant = w.disinfectant;
  survey.safe = w.safe;
  survey.outlet = at.outlet;
  survey.tankRoom = at.tankRoom;
  survey.minerals = h.minerals;
  if (wanted) survey.purposes = wanted;
  if (h.described)
    survey.household = { ...usualHousehold, people: h.people, potL: h.potL, pets: h.pets };
  survey.site = {
    airGap: at.airGap ? 'yes' : 'no',
    tapHole: at.tapHole ? 'yes' : 'no',
    ...(at.supplyKind && { supplyKind: at.supplyKind }),
    ...(at.drainMaterial && { drainMaterial: at.drainMaterial }),
    ...(at.counter && { counter: at.counter }),
    ...(at.drilling && { drilling: at.drilling }),
    ...(at.drainRun && { drainRun: at.drainRun }),
    ...(at.disposal && { disposal: 'yes' }),
    ...(at.dishwasher && { dishwasher: 'yes' }),
  };
  if (at.remote !== null)
    document.plumb.remote = { through: 'floor', lengthM: Number(at.remote.toFixed(1)), riseM: 2 };
  return document;
}

/** The same houses for the same seed. */
export const randomHouses = (count: number, seed = 20261126): JobDocument[] =>
  fc.sample(fc.noBias(house), { numRuns: count, seed }).map(surveyedHouse);
