import {
  type Dimension,
  fittingRoles,
  limits,
  type Part,
  type PartKind,
  portSizes,
  type Range,
  tubeColours,
} from '@katharos/core';

/** What is entered of a part, by kind: one table for the form, the comparison and the file. Paths are the part's own. */
export type PartField = {
  path: string;
  /** What may be left empty. */
  optional?: true;
  /** Belongs to the part only where another field has a value. */
  only?: { path: string; value: string };
} &
  /** A count of a unit that no other figure has brings it along. */
  (
    | { type: 'measure'; dimension: Dimension; range: Range; whole?: true; unit?: string }
    | { type: 'choice'; options: readonly string[] }
    | { type: 'flag' }
    | { type: 'text' }
    /** Points of a curve, flow and boost. */
    | { type: 'points' }
    /** Other parts by id, or roles or sizes of tube, perhaps with how many or how much. */
    | { type: 'list'; of: 'part' | 'role' | 'size'; count: 'none' | 'pieces' | 'metres' }
  );

interface More {
  optional?: true;
  whole?: true;
  unit?: string;
  only?: { path: string; value: string };
}
const measure = <P extends string>(path: P, dimension: Dimension, range: Range, more: More = {}) =>
  ({ path, type: 'measure', dimension, range, ...more }) as const;
const count = <P extends string>(path: P, min: number, max: number, more: More = {}) =>
  measure(path, 'count', { min, max }, more);
const choice = <P extends string>(path: P, options: readonly string[], more: More = {}) =>
  ({ path, type: 'choice', options, ...more }) as const;
const flag = <P extends string>(path: P) => ({ path, type: 'flag', optional: true }) as const;
const must = <P extends string>(path: P) => ({ path, type: 'flag' }) as const;

const metres = (min: number, max: number) => ({ min, max });
const drop = [
  measure('filter.dropBar', 'pressure', limits.dropBar),
  measure('filter.atFlowLPerH', 'flow', limits.flowLPerH),
] as const;
const colours = (['feed', 'unit', 'tank', 'product', 'drain'] as const).map((line) =>
  choice(`colours.${line}`, tubeColours, { optional: true }),
);

/** How large a part is, and the room that it asks for: of every kind. */
export const roomFields = [
  measure('sizeM.width', 'length', metres(0.01, 2), { optional: true }),
  measure('sizeM.height', 'length', metres(0.01, 2), { optional: true }),
  measure('sizeM.depth', 'length', metres(0.01, 2), { optional: true }),
  measure('service.belowM', 'length', metres(0, 1), { optional: true }),
  measure('service.gapM', 'length', metres(0, 0.5), { optional: true }),
  flag('service.mayLie'),
] as const;

const ofKind = {
  prefilter: [
    choice('media', ['sediment', 'carbon-block', 'catalytic-carbon']),
    ...drop,
    count('disinfectantG.chlorine', 0, 10000, { unit: 'g' }),
    count('disinfectantG.chloramine', 0, 10000, { unit: 'g' }),
  ],
  membrane: [
    measure('rating.ratedFlowLPerDay', 'dailyVolume', limits.ratedFlowLPerDay),
    measure('rating.ratedPressureBar', 'pressure', limits.ratedPressureBar),
    measure('rating.ratedTdsMgL', 'tds', limits.tdsMgL),
    measure('rating.ratedRecovery', 'share', limits.fraction),
    measure('rating.ratedRejection', 'share', limits.fraction),
    measure('mostRecovery', 'share', { min: 0.05, max: 0.9 }, { optional: true }),
    measure('mostBar', 'pressure', limits.ratedPressureBar, { optional: true }),
  ],
  restrictor: [
    measure('restrictor.flowMlMin', 'count', limits.restrictorFlowMlMin, { unit: 'mL/min' }),
    measure('restrictor.atPressureBar', 'pressure', limits.ratedPressureBar),
  ],
  pump: [
    { path: 'pump.curve', type: 'points' },
    measure('pump.bypassBar', 'pressure', limits.bypassBar),
    measure('cutoutBar', 'pressure', limits.cutoutBar),
    measure('minInletBar', 'pressure', limits.supplyPressureBar),
    count('powerW', 1, 2000, { unit: 'W' }),
  ],
  'permeate-pump': [
    measure('backPressureShare', 'share', { min: 0, max: 1 }),
    measure('minFeedBar', 'pressure', { min: 0, max: 10 }, { optional: true }),
  ],
  treatment: [
    choice('method', ['softening', 'inhibitor']),
    measure('lastsL', 'volume', { min: 10, max: 1_000_000 }),
    count('refillPrice', 0, 10_000),
  ],
  shutoff: [
    choice('shutoff.kind', ['hydraulic', 'pressure-switch']),
    measure('shutoff.ratio', 'share', limits.shutoffRatio, {
      optional: true,
      only: { path: 'shutoff.kind', value: 'hydraulic' },
    }),
    measure('shutoff.cutoutBar', 'pressure', limits.cutoutBar, {
      only: { path: 'shutoff.kind', value: 'pressure-switch' },
    }),
  ],
  solenoid: [count('powerW', 1, 100, { unit: 'W' })],
  tank: [
    measure('volumeL', 'volume', limits.tankVolumeL),
    measure('prechargeBar', 'pressure', limits.prechargeBar),
    flag('internal'),
  ],
  'post-filter': drop,
  mineral: [
    measure('media.bedVolumeL', 'volume', limits.bedVolumeL),
    measure('media.timeConstantMin', 'duration', limits.timeConstantMin),
  ],
  lamp: [
    measure('ratedFlowLPerH', 'flow', limits.flowLPerH),
    count('ratedDoseMjCm2', 1, 400, { unit: 'mJ/cm²' }),
    count('powerW', 1, 500, { unit: 'W' }),
  ],
  tap: [
    count('kv', limits.tapKv.min, limits.tapKv.max, { unit: 'm³/h' }),
    count('holeMm', 3, 60, { unit: 'mm' }),
    measure('reachM', 'length', metres(0.02, 1), { optional: true }),
    flag('airGap'),
    flag('powered'),
    flag('combined'),
    measure('dispenser.hotL', 'volume', { min: 0, max: 20 }, { optional: true }),
    measure('dispenser.coldL', 'volume', { min: 0, max: 20 }, { optional: true }),
    count('dispenser.heaterW', 0, 3000, { optional: true, unit: 'W' }),
  ],
  unit: [
    count('cartridges', 0, 8, { whole: true }),
    choice('closing', ['housing', 'quarter-turn']),
    count('vessels', 1, 12, { whole: true }),
    { path: 'holds', type: 'list', of: 'part', count: 'none' },
    must('piped'),
    flag('holdsPostFilter'),
    flag('tankless'),
    flag('innerTank'),
    choice('ports.feed', portSizes),
    choice('ports.product', portSizes),
    choice('ports.drain', portSizes),
    choice('mounting', ['hangs', 'stands']),
    count('weightKg', 0.1, 200, { unit: 'kg' }),
    measure('housingBar', 'pressure', limits.ratedPressureBar),
    measure('vesselBar', 'pressure', limits.ratedPressureBar),
  ],
  kit: [
    { path: 'holds', type: 'list', of: 'part', count: 'pieces' },
    { path: 'fittings', type: 'list', of: 'role', count: 'pieces' },
    { path: 'tubes', type: 'list', of: 'size', count: 'metres' },
    ...colours,
    count('leastTankCycles', 0, 10, { whole: true }),
    { path: 'warranty', type: 'text', optional: true },
  ],
  fitting: [choice('role', fittingRoles)],
} as const satisfies Record<PartKind, readonly PartField[]>;

/** Every path that a part of some kind has, besides what all have. */
export type PartPath =
  | (typeof ofKind)[PartKind][number]['path']
  | (typeof roomFields)[number]['path'];

/** What is entered of a kind, the room last; name and price have every part. */
export const partFields = (kind: PartKind): readonly (PartField & { path: PartPath })[] => [
  ...ofKind[kind],
  ...roomFields,
];

type Values = Record<string, unknown>;
const isValues = (value: unknown): value is Values =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What stands at a path of a part, or of one that is still being entered. */
export const partValue = (part: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((held, key) => (isValues(held) ? held[key] : undefined), part);

/** Groups that a part has whole or not at all. */
const absentWhenEmpty = new Set(['sizeM', 'service', 'dispenser']);

/** A copy with a value set at a path, or taken out where it is undefined. */
export function withPartValue(part: Values, path: string, value: unknown): Values {
  const [key = '', rest] = path.split(/\.(.*)/s);
  const held = part[key];
  const next = rest === undefined ? value : withPartValue(isValues(held) ? held : {}, rest, value);
  const { [key]: _old, ...others } = part;
  const isGone =
    next === undefined ||
    (absentWhenEmpty.has(key) && isValues(next) && Object.keys(next).length === 0);
  // In its old place, so that what is shown keeps its order.
  return isGone ? others : { ...part, [key]: next };
}

/** Whether a field belongs to a part as it stands. */
export const isAsked = (field: PartField, part: unknown): boolean =>
  field.only === undefined || partValue(part, field.only.path) === field.only.value;

/** A part as it begins in a form: what can be chosen has its first choice, what must be said is missing. */
export function emptyPart(kind: PartKind): Values {
  let part: Values = { id: '', kind, name: '', price: 0 };
  for (const field of partFields(kind)) {
    if (field.optional) continue;
    if (field.type === 'choice') part = withPartValue(part, field.path, field.options[0]);
    if (field.type === 'flag') part = withPartValue(part, field.path, false);
    if (field.type === 'list') part = withPartValue(part, field.path, []);
  }
  if (kind === 'kit') part = { ...part, colours: {}, warranty: '' };
  if (kind === 'pump') part = withPartValue(part, 'pump.curve', []);
  return part;
}

/** An id for a new part: of its name, in letters that stand in an address, and none that is taken. */
export function idOf(name: string, taken: ReadonlySet<string>): string {
  const base =
    name
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 50) || 'part';
  if (!taken.has(base)) return base;
  let number = 2;
  while (taken.has(`${base}-${number}`)) number += 1;
  return `${base}-${number}`;
}

/** Parts that a unit or a kit says it holds. */
export const heldIds = (part: Part): string[] =>
  part.kind === 'unit' ? part.holds : part.kind === 'kit' ? part.holds.map(({ id }) => id) : [];
