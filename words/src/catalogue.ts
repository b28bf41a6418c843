import {
  type CurveKind,
  elementPermeance,
  type FittingRole,
  type Part,
  type PartKind,
  portSizes,
  tubeColours,
} from '@katharos/core';
import {
  type CellFault,
  heldIds,
  isAsked,
  type PartField,
  partFields,
  type PartPath,
  partSchema,
  partValue,
  readCatalogue,
  type ReadPart,
} from '@katharos/job';
import { failureSentence } from './failures.ts';
import { checkInput } from './issues.ts';
import type { Measure } from './entry.ts';
import type { Reader } from './reader.ts';

/** Kinds of parts: one, and many. */
export const partKindWords: Record<PartKind, { one: string; many: string }> = {
  unit: { one: 'Unit', many: 'Units' },
  kit: { one: 'Kit', many: 'Kits' },
  membrane: { one: 'Membrane element', many: 'Membrane elements' },
  prefilter: { one: 'Pre-filter cartridge', many: 'Pre-filter cartridges' },
  'post-filter': { one: 'Post filter', many: 'Post filters' },
  mineral: { one: 'Mineral bed', many: 'Mineral beds' },
  tank: { one: 'Tank', many: 'Tanks' },
  pump: { one: 'Booster pump', many: 'Booster pumps' },
  'permeate-pump': { one: 'Permeate pump', many: 'Permeate pumps' },
  treatment: { one: 'Scale treatment', many: 'Scale treatments' },
  restrictor: { one: 'Flow restrictor', many: 'Flow restrictors' },
  shutoff: { one: 'Shut-off', many: 'Shut-offs' },
  solenoid: { one: 'Solenoid valve', many: 'Solenoid valves' },
  lamp: { one: 'Ultraviolet lamp', many: 'Ultraviolet lamps' },
  tap: { one: 'Tap', many: 'Taps' },
  fitting: { one: 'Fitting or tube', many: 'Fittings and tube' },
};

/** What stands at a field of a part. */
export const partFieldWords: Record<PartPath, string> = {
  media: 'Medium',
  'filter.dropBar': 'Pressure drop, clean',
  'filter.atFlowLPerH': 'at a flow of',
  'disinfectantG.chlorine': 'Chlorine that it takes up',
  'disinfectantG.chloramine': 'Chloramine that it takes up',
  'rating.ratedFlowLPerDay': 'Rated product',
  'rating.ratedPressureBar': 'at a pressure of',
  'rating.ratedTdsMgL': 'in test water of',
  'rating.ratedRecovery': 'at a recovery of',
  'rating.ratedRejection': 'Rated rejection',
  mostRecovery: 'Highest recovery',
  mostBar: 'Highest feed pressure',
  'restrictor.flowMlMin': 'Flow',
  'restrictor.atPressureBar': 'at a pressure of',
  'pump.curve': 'Boost over flow',
  'pump.bypassBar': 'Bypass opens at',
  cutoutBar: 'Pressure switch stops it at',
  minInletBar: 'Lowest inlet pressure',
  powerW: 'Power',
  backPressureShare: 'Tank pressure that still reaches the membrane',
  minFeedBar: 'Lowest feed pressure',
  method: 'Method',
  lastsL: 'Feed between refills',
  refillPrice: 'Price of a refill',
  'shutoff.kind': 'How it closes',
  'shutoff.ratio': 'Closes at this share of the supply',
  'shutoff.cutoutBar': 'Closes at',
  volumeL: 'Shell volume',
  prechargeBar: 'Air pressure, empty',
  internal: 'Built into a compact unit',
  'media.bedVolumeL': 'Bed volume',
  'media.timeConstantMin': 'Time constant of uptake',
  ratedFlowLPerH: 'Rated flow',
  ratedDoseMjCm2: 'Dose at that flow',
  kv: 'Kv, its flow at 1 bar',
  holeMm: 'Hole',
  reachM: 'Reach of the spout',
  airGap: 'Holds the air gap of the drain line',
  powered: 'Takes a cable through its hole',
  combined: 'Hot, cold and product in one body',
  'dispenser.hotL': 'Dispenser: hot tank',
  'dispenser.coldL': 'Dispenser: cold tank',
  'dispenser.heaterW': 'Dispenser: heater',
  cartridges: 'Cartridges that it takes',
  closing: 'Cartridges come out by',
  vessels: 'Membranes that it takes',
  holds: 'Parts in it',
  piped: 'Its inner tubes come made',
  holdsPostFilter: 'Takes the post filter on its top',
  tankless: 'Makes water only at an open tap',
  innerTank: 'Has a tank of its own inside',
  'ports.feed': 'Feed port',
  'ports.product': 'Product port',
  'ports.drain': 'Drain port',
  mounting: 'Mounting',
  weightKg: 'Weight, empty',
  housingBar: 'Housings bear at rest',
  vesselBar: 'Vessels bear at rest',
  fittings: 'Fittings in it',
  tubes: 'Tube in it',
  'colours.feed': 'Colour of the feed tube',
  'colours.unit': 'Colour within the unit',
  'colours.tank': 'Colour of the tank tube',
  'colours.product': 'Colour of the product tube',
  'colours.drain': 'Colour of the drain tube',
  leastTankCycles: 'Tanks to throw away',
  warranty: 'Warranty, as its sheet says',
  role: 'What it joins',
  'sizeM.width': 'Width',
  'sizeM.height': 'Height',
  'sizeM.depth': 'Depth',
  'service.belowM': 'Room below it',
  'service.gapM': 'Room around it',
  'service.mayLie': 'May lie on its side',
};

export const fittingRoleWords: Record<FittingRole, string> = {
  'feed-adapter': 'Feed adapter',
  'feed-adapter-narrow': 'Feed adapter, narrow thread',
  'feed-adapter-unseen': 'Feed adapter, thread not seen',
  'hose-adapter': 'Hose adapter',
  'three-way-valve': 'Three-way valve',
  'saddle-valve': 'Saddle valve',
  regulator: 'Pressure regulator',
  'regulator-wide': 'Pressure regulator, 3/8"',
  'leak-stop': 'Leak stop',
  'leak-stop-wide': 'Leak stop, 3/8"',
  'check-valve': 'Check valve',
  tee: 'Tee',
  'tee-wide': 'Tee, 3/8"',
  reducer: 'Reducer',
  union: 'Union',
  'union-wide': 'Union, 3/8"',
  'branch-valve': 'Branch valve',
  'branch-valve-wide': 'Branch valve, 3/8"',
  'drain-saddle': 'Drain saddle',
  'drain-saddle-wide': 'Drain saddle, 3/8"',
  'standpipe-clip': 'Standpipe clip',
  'tank-valve': 'Tank valve',
  'tank-valve-wide': 'Tank valve, 3/8"',
  'tap-bracket': 'Tap bracket',
  'compression-set': 'Compression set',
  'compression-set-wide': 'Compression set, 3/8"',
  'lock-clip': 'Lock clip',
  'lock-clip-wide': 'Lock clip, 3/8"',
  'panel-bush': 'Panel bush',
  'tube-labels': 'Tube labels',
  bracket: 'Bracket',
  housing: 'Housing',
  vessel: 'Vessel',
  'screw-set': 'Screw set',
  'o-ring-kit': 'O-ring set',
  'tube-quarter': 'Tube, 1/4"',
  'tube-three-eighths': 'Tube, 3/8"',
};

const choiceWords: Readonly<Record<string, string>> = {
  ...fittingRoleWords,
  sediment: 'Sediment',
  'carbon-block': 'Carbon block',
  'catalytic-carbon': 'Catalytic carbon',
  hydraulic: 'Hydraulic, at a share of the supply',
  'pressure-switch': 'Pressure switch',
  housing: 'Screwed housings',
  'quarter-turn': 'A quarter turn',
  hangs: 'Hangs',
  stands: 'Stands',
  ...Object.fromEntries(tubeColours.map((one) => [one, one])),
  ...Object.fromEntries(portSizes.map((one) => [one, one])),
};
/** A choice of a field; a housing is a fitting where a role is asked for. */
export const choiceName = (path: string, value: string): string =>
  path === 'role' ? fittingRoleWords[value as FittingRole] : (choiceWords[value] ?? value);

/** What a figure's box takes. A count has the unit that the field says. */
export function measureOf(field: PartField & { type: 'measure' }): Measure {
  const { dimension, range, whole = false, unit = '' } = field;
  const measure: Measure = { dimension, range, whole };
  if (dimension === 'count') return { ...measure, symbol: unit };
  // Bodies are measured in millimetres or inches.
  return dimension === 'length' ? { ...measure, units: { metric: 'mm', us: 'in' } } : measure;
}

/** A value of a part as it is read. */
export function sayPartValue(
  field: PartField,
  value: unknown,
  reader: Reader,
  nameOf: (id: string) => string,
): string {
  if (value === undefined || value === '') return '–';
  switch (field.type) {
    case 'flag':
      return value ? 'yes' : 'no';
    case 'text':
      return value as string;
    case 'choice':
      return choiceName(field.path, value as string);
    case 'measure': {
      const { dimension } = field;
      if (dimension === 'count')
        return `${reader.plainNumber(value as number)} ${field.unit ?? ''}`.trim();
      const { units } = measureOf(field);
      return units
        ? reader.sayIn(dimension, units[reader.units], value as number)
        : dimension === 'share'
          ? reader.percent(value as number, 1)
          : reader.say(dimension, value as number);
    }
    case 'points':
      return (value as { flowLPerH: number; boostBar: number }[])
        .map(
          ({ flowLPerH, boostBar }) =>
            `${reader.say('pressure', boostBar)} at ${reader.say('flow', flowLPerH)}`,
        )
        .join(', ');
    case 'list':
      return (value as unknown[])
        .map((item) => {
          if (typeof item === 'string') return nameOf(item);
          const { id, role, size, quantity, lengthM } = item as Record<string, never>;
          const name = id ? nameOf(id) : role ? fittingRoleWords[role] : `tube ${String(size)}`;
          return lengthM === undefined
            ? `${String(quantity)} × ${name}`
            : `${reader.say('length', lengthM)} ${name}`;
        })
        .join(', ');
  }
}

/** What a part's curve is called, and its axes. */
export const curveWords: Record<CurveKind, { title: string; x: string; y: string }> = {
  production: {
    title: 'Product by pressure, in its test water',
    x: 'Feed pressure',
    y: 'Product',
  },
  boost: { title: 'Boost by flow', x: 'Flow', y: 'Boost' },
  'drain-flow': { title: 'Drain flow by pressure', x: 'Membrane pressure', y: 'Drain flow' },
  drop: { title: 'Pressure drop by flow, clean', x: 'Flow', y: 'Drop' },
  'tap-flow': { title: 'Flow of the open tap by pressure', x: 'Pressure at the tap', y: 'Flow' },
  dose: { title: 'Dose by flow, new lamp', x: 'Flow', y: 'Dose, mJ/cm²' },
  filling: { title: 'Pressure by water in it', x: 'Water in the tank', y: 'Pressure' },
};

/** What is wrong with a part, and at which of its fields. */
export interface PartFault {
  path: string;
  sentence: string;
}

/** What the core says against a part whose figures are each possible. */
function coreFaults(part: Part, known: ReadonlySet<string>): PartFault[] {
  const faults: PartFault[] = [];
  if (part.kind === 'membrane') {
    const permeance = elementPermeance(part.rating);
    if (!permeance.ok) {
      const path =
        permeance.failure.code === 'rating-impossible'
          ? 'rating.ratedPressureBar'
          : 'rating.ratedFlowLPerDay';
      faults.push({ path, sentence: failureSentence(permeance.failure) });
    }
  }
  const missing = [...new Set(heldIds(part))].filter((id) => id === part.id || !known.has(id));
  if (missing.length > 0) {
    faults.push({
      path: 'holds',
      sentence: `The catalogue holds no part ${missing.map((id) => `"${id}"`).join(', ')}.`,
    });
  }
  return faults;
}

/** What a part may hold: what is in use, and what it held before, for a part that was retired since is still in it. */
export const mayHold = (inUse: ReadonlySet<string>, before: Part | undefined) =>
  new Set([...inUse, ...(before ? heldIds(before) : [])]);

/**
 * A part held against what a part must be, against the core, and against the catalogue that it will stand in.
 * @param known ids of parts that it may hold
 */
export function checkPart(
  candidate: unknown,
  known: ReadonlySet<string>,
): { ok: true; part: Part } | { ok: false; faults: PartFault[] } {
  const checked = checkInput(partSchema, candidate);
  if (!checked.ok) return checked;
  const faults = coreFaults(checked.value, known);
  return faults.length > 0 ? { ok: false, faults } : { ok: true, part: checked.value };
}

const cellWords: {
  [C in CellFault['code']]: (fault: Extract<CellFault, { code: C }>) => string;
} = {
  'no-kind': () => 'Which kind of part this is, is not said or not known.',
  'no-part': () => 'The catalogue holds no part of this id. A new part needs its kind as well.',
  'listed-twice': () => 'This id stands in an earlier line already.',
  'no-number': () => 'This is not a number.',
  'no-flag': () => 'This must be yes or no.',
  'no-points': () => 'A curve is written as flow@boost, in L/h and bar, such as 0@6; 50@4.',
  'no-list': () => 'A list is written as id * how many, parted by semicolons.',
  'other-kind': ({ kind }) => `The kind of a part stays as it is: ${partKindWords[kind].one}.`,
  'no-choice': ({ options }) => `This must be one of ${options.join(', ')}.`,
};
const cellSentence = <C extends CellFault['code']>(fault: Extract<CellFault, { code: C }>) =>
  (cellWords[fault.code] as (given: typeof fault) => string)(fault);

/** One line of a file, as it would change the catalogue. */
export interface CatalogueChange {
  line: number;
  id: string;
  name: string;
  verdict:
    | { kind: 'refused'; faults: PartFault[] }
    | { kind: 'same' }
    | { kind: 'new'; part: Part }
    | { kind: 'changed'; part: Part; before: Part; paths: string[] };
}

/** What of a part differs from another of its kind, by path. */
export function differing(before: Part, after: Part): string[] {
  const paths = ['name', 'price', ...partFields(after.kind).map(({ path }) => path)];
  return paths.filter((path) => {
    const [old, next] = [partValue(before, path), partValue(after, path)];
    return JSON.stringify(old) !== JSON.stringify(next);
  });
}

/**
 * What a file would do to a catalogue, line by line; nothing is done.
 * @param retired ids of parts that nothing may hold anew
 */
export function catalogueChanges(
  text: string,
  parts: readonly Part[],
  retired: ReadonlySet<string> = new Set(),
): { ok: true; changes: CatalogueChange[]; unknown: string[] } | { ok: false; sentence: string } {
  const read = readCatalogue(text, parts);
  if (read.kind === 'no-table') {
    return {
      ok: false,
      sentence:
        'The first line must name the columns, with id or name among them. Save the catalogue as a file to see how they are called.',
    };
  }
  if (read.kind === 'too-long') {
    return { ok: false, sentence: `No more than ${read.most} lines are taken at once.` };
  }
  const inUse = parts.map(({ id }) => id).filter((id) => !retired.has(id));
  const known = new Set([...inUse, ...read.rows.map(({ id }) => id)]);
  const judged = () => read.rows.map((row) => judgedLine(row, known));
  // What is refused is not there for another to hold, and that may refuse the other.
  for (let refused = -1, changes = judged(); ; changes = judged()) {
    const out = changes.filter(({ verdict }) => verdict.kind === 'refused');
    if (out.length === refused) return { ok: true, changes, unknown: read.unknown };
    refused = out.length;
    const kept = new Set(inUse);
    for (const { id } of out) if (!kept.has(id)) known.delete(id);
  }
}

function judgedLine(
  { line, id, name, part, before, faults }: ReadPart,
  known: ReadonlySet<string>,
): CatalogueChange {
  const row = { line, id, name };
  const cells = faults.map(({ path, fault }) => ({ path, sentence: cellSentence(fault) }));
  if (cells.length > 0) return { ...row, verdict: { kind: 'refused', faults: cells } };
  const checked = checkPart(part, mayHold(known, before ?? undefined));
  if (!checked.ok) return { ...row, verdict: { kind: 'refused', faults: checked.faults } };
  if (!before) return { ...row, verdict: { kind: 'new', part: checked.part } };
  const paths = differing(before, checked.part);
  return {
    ...row,
    verdict:
      paths.length === 0
        ? { kind: 'same' }
        : { kind: 'changed', part: checked.part, before, paths },
  };
}

/** Fields of a part that are asked as it stands, each with its words. */
export const askedFields = (part: { kind: PartKind }) =>
  partFields(part.kind)
    .filter((field) => isAsked(field, part))
    .map((field) => ({ field, label: partFieldWords[field.path] }));
