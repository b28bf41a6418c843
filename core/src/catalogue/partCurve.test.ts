import { expect, test } from '@jest/globals';
import { osmoticPressure } from '../water/osmoticPressure.ts';
import { partCurve } from './partCurve.ts';
import type { Part } from './parts.ts';

const membrane = (change: object = {}): Part => ({
  id: 'm',
  name: 'M',
  kind: 'membrane',
  price: 1,
  rating: {
    ratedFlowLPerDay: 284,
    ratedPressureBar: 4.14,
    ratedTdsMgL: 250,
    ratedRecovery: 0.15,
    ratedRejection: 0.97,
    ...change,
  },
});
const drawn = (part: Part) => {
  const curve = partCurve(part);
  if (!curve?.ok) throw new Error('no curve');
  return curve.value;
};
/** Between the drawn points, as a picture shows it. */
const at = (points: readonly { x: number; y: number }[], x: number): number => {
  const i = Math.max(
    points.findIndex((point) => point.x >= x),
    1,
  );
  const [a, b] = [points[i - 1]!, points[i]!];
  return a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
};

test('a membrane’s curve goes through its rating, rises with pressure and falls with cold', () => {
  const { lines, rated } = drawn(membrane());
  const [warm, cold] = lines.map(({ points }) => points);
  expect(at(warm!, rated[0]!.x) / rated[0]!.y).toBeCloseTo(1, 2);
  warm!.slice(1).forEach(({ y }, i) => expect(y).toBeGreaterThanOrEqual(warm![i]!.y));
  // By the usual rule of thumb, about three per cent for each degree.
  expect(at(cold!, 4.14) / at(warm!, 4.14)).toBeGreaterThan(0.5);
  expect(at(cold!, 4.14) / at(warm!, 4.14)).toBeLessThan(0.65);
  // Nothing is made below what the test water itself asks for.
  const osmotic = osmoticPressure(250, 25);
  warm!.filter(({ x }) => x < osmotic).forEach(({ y }) => expect(y).toBe(0));
});

test('a rating that nothing could meet says so instead of a curve', () => {
  const curve = partCurve(membrane({ ratedTdsMgL: 20000, ratedPressureBar: 4 }));
  expect(curve).toMatchObject({ ok: false, failure: { code: 'rating-impossible' } });
});

const base = { id: 'p', name: 'P', price: 1 };

test.each<[string, Part, (x: number) => number]>([
  [
    'a restrictor’s flow goes with the root of the pressure',
    { ...base, kind: 'restrictor', restrictor: { flowMlMin: 400, atPressureBar: 4 } },
    (bar) => 24 * Math.sqrt(bar / 4),
  ],
  [
    'a tap’s with the root as well, its Kv at one bar',
    { ...base, kind: 'tap', kv: 0.12, holeMm: 12 },
    (bar) => 2 * Math.sqrt(bar),
  ],
  [
    'a lamp’s dose in inverse proportion to the flow',
    { ...base, kind: 'lamp', ratedFlowLPerH: 200, ratedDoseMjCm2: 40, powerW: 10 },
    (flow) => (40 * 200) / flow,
  ],
  [
    'a filter’s drop in proportion',
    {
      ...base,
      kind: 'post-filter',
      filter: { dropBar: 0.2, atFlowLPerH: 120 },
    },
    (flow) => (0.2 * flow) / 120,
  ],
  [
    'a tank’s pressure by Boyle',
    { ...base, kind: 'tank', volumeL: 12, prechargeBar: 0.5 },
    (litres) => (1.51325 * 12) / (12 - litres) - 1.01325,
  ],
])('%s', (_law, part, expected) => {
  const { lines } = drawn(part);
  for (const { x, y } of lines[0]!.points) expect(y).toBeCloseTo(expected(x), 6);
});

test('a pump’s curve is its points, flat behind the last', () => {
  const curve = [
    { flowLPerH: 0, boostBar: 7 },
    { flowLPerH: 50, boostBar: 2 },
  ];
  const pump: Part = {
    ...base,
    kind: 'pump',
    pump: { curve, bypassBar: 7 },
    cutoutBar: 3,
    minInletBar: 1,
    powerW: 20,
  };
  const { points } = drawn(pump).lines[0]!;
  expect(points[0]).toEqual({ x: 0, y: 7 });
  expect(points.at(-1)!.y).toBe(2);
  expect(at(points, 25)).toBeCloseTo(4.5, 1);
});

test('what has no figures of flow has no picture', () => {
  expect(partCurve({ ...base, kind: 'fitting', role: 'tee' })).toBeNull();
});
