import { partsOf, type KitPart, type UnitPart } from '../catalogue/parts.ts';
import { chooseFeed } from '../plumbing/connections/feedConnection.ts';
import { drainHole } from '../plumbing/connections/drainHole.ts';
import type { DrainWay } from '../plumbing/places/drainWay.ts';
import type { PlumbingSite } from '../plumbing/connections/siteFacts.ts';
import { tapHole } from '../plumbing/connections/tapHole.ts';
import { tubeSchedule } from '../plumbing/tubes/tubeSchedule.ts';
import type { WorkFacts } from '../plumbing/order/workFacts.ts';
import type { AddedLamp, InstalledSystem } from '../system/ultravioletLine.ts';
import type { Branch } from '../hydraulics/branchPressure.ts';
import { directDesign, samplePart, sampleParts, tankDesign } from './samples.ts';

/** A site where everything was looked at, and nothing is awkward. */
export const seen: PlumbingSite = {
  supply: 'valve-half',
  drainMaterial: 'plastic',
  drainRun: 'vertical',
  drainPipeM: 0.04,
  disposal: false,
  dishwasher: false,
  airGap: false,
  counter: 'steel',
  holeThere: false,
  drilling: 'yes',
  outlet: 'unswitched',
  frost: false,
};

export const flows = { feed: 30, unit: 20, tank: 8, product: 120, drain: 20 };

export const branchTo = (kind: Branch['kind']): Branch => ({
  kind,
  innerDiameterMm: 4.3,
  lengthM: 4,
  riseM: 0.3,
  neededBar: 1.4,
  flowLPerMin: 0.8,
});

export interface SiteChange {
  site?: PlumbingSite;
  way?: DrainWay;
  regulatorBar?: number | null;
  leakStop?: boolean;
  tankNextDoor?: boolean;
  remote?: WorkFacts['remote'];
}

/** A system on a site, with everything that follows from it. */
export function factsOf(system: InstalledSystem, change: SiteChange = {}): WorkFacts {
  const { site = seen, way, regulatorBar = 4.1, leakStop = true } = change;
  const drain = drainHole(site, way ? { way } : {});
  return {
    system,
    site,
    feed: chooseFeed(site),
    drain,
    tap: tapHole(site, system.tap.holeMm),
    tubes: tubeSchedule(system, {
      joints: { regulator: regulatorBar !== null, leakStop, drain: drain.way },
      routes: {},
      colours: {},
      flows,
      temperatureC: 15,
    }),
    regulatorBar,
    leakStop,
    tankNextDoor: change.tankNextDoor ?? false,
    remote: change.remote ?? null,
  };
}

const pump = samplePart('pump');
const lamp = samplePart('lamp');
const mineral = { part: samplePart('mineral'), place: 'before-tank' as const };
const three = partsOf(sampleParts, 'prefilter');
const permeatePump = {
  kind: 'permeate-pump' as const,
  id: 'pp',
  name: 'Permeate pump',
  price: 70,
  backPressureShare: 0.15,
};
const plainTap = tankDesign.tap;

/** A lamp in the product line of a system that was there before it. */
export const addedLamp: AddedLamp = {
  kind: 'ultraviolet-line',
  addedTo: 'tank-system',
  prefilters: [],
  lamp,
  tap: plainTap,
  line: tankDesign.line,
};

const unit: UnitPart = {
  kind: 'unit',
  id: 'u-2',
  name: 'Two-housing unit',
  price: 60,
  cartridges: 2,
  closing: 'housing',
  vessels: 1,
  holds: ['s-1'],
  piped: true,
  holdsPostFilter: true,
  ports: { feed: '1/4"', product: '1/4"', drain: '1/4"' },
  mounting: 'hangs',
  weightKg: 3,
  housingBar: 8.6,
  vesselBar: 8.6,
};
const pumpedUnit: UnitPart = { ...unit, id: 'u-2p', holds: ['p-1', 'sol'], vesselBar: 10 };
const closedUnit: UnitPart = {
  ...unit,
  id: 'u-direct',
  closing: 'quarter-turn',
  holds: ['m-direct', 'p-1', 'r-900'],
  holdsPostFilter: false,
  tankless: true,
  ports: { feed: '3/8"', product: '1/4"', drain: '1/4"' },
  mounting: 'stands',
};
const compactUnit: UnitPart = {
  ...closedUnit,
  id: 'u-compact',
  holds: ['m-mid', 's-1', 'r-320', 't-12'],
  tankless: false,
  innerTank: true,
};

const combined = { ...plainTap, id: 'tap-three', holeMm: 35, combined: true };
const kit: KitPart = {
  kind: 'kit',
  id: 'box',
  name: 'Box',
  price: 120,
  holds: [
    { id: 'u-2', quantity: 1 },
    { id: 'sed', quantity: 1 },
    { id: 't-12', quantity: 1 },
  ],
  fittings: [{ role: 'lock-clip', quantity: 4 }],
  tubes: [{ size: '1/4"', lengthM: 2 }],
  colours: { feed: 'white' },
  leastTankCycles: 3,
  warranty: 'Two years.',
};

/** Every kind of system that practitioners install, with what the site adds to it. */
export const archetypes: [name: string, system: InstalledSystem, change: SiteChange][] = [
  ['a tank unit without power', { ...tankDesign, prefilters: three }, {}],
  [
    'a tank unit with a booster pump',
    { ...tankDesign, pump, solenoid: samplePart('solenoid'), shutoff: null },
    {},
  ],
  ['a unit whose maker piped it, with a tank', { ...tankDesign, unit }, {}],
  [
    'such a unit with its pump, and minerals put into its line',
    {
      ...tankDesign,
      unit: pumpedUnit,
      pump,
      solenoid: samplePart('solenoid'),
      shutoff: null,
      mineral,
    },
    {},
  ],
  [
    'such a unit out of a kit, with a combined tap',
    { ...tankDesign, unit, kit, tap: combined },
    {},
  ],
  ['a tankless unit of the catalogue', { ...directDesign, unit: closedUnit }, {}],
  [
    'a compact unit of the catalogue',
    { ...tankDesign, unit: compactUnit, tank: { ...tankDesign.tank!, internal: true } },
    {},
  ],
  ['two pre-filters and a four-port valve', tankDesign, { leakStop: false, regulatorBar: null }],
  ['seven stages with minerals and a lamp', { ...tankDesign, mineral, lamp }, {}],
  ['a tankless unit', directDesign, {}],
  [
    'a tankless unit with a powered tap and a lamp',
    { ...directDesign, lamp, tap: { ...plainTap, powered: true, holeMm: 32 } },
    {},
  ],
  [
    'a bank of three in series behind a pump, feeding a machine',
    {
      ...tankDesign,
      pump,
      solenoid: samplePart('solenoid'),
      shutoff: null,
      elements: 3,
      branches: [branchTo('machine')],
    },
    {},
  ],
  [
    'a bank of two in parallel without a tank',
    {
      ...tankDesign,
      pump,
      solenoid: samplePart('solenoid'),
      shutoff: null,
      tank: null,
      elements: 2,
      arrangement: 'parallel',
    },
    {},
  ],
  [
    'a compact unit with a tank inside',
    { ...tankDesign, tank: { ...tankDesign.tank!, volumeL: 3, internal: true } },
    {},
  ],
  [
    'a dispenser with hot and cold tanks',
    {
      ...tankDesign,
      tap: { ...plainTap, dispenser: { hotL: 1.2, coldL: 2.5, heaterW: 450 } },
    },
    {},
  ],
  ['a unit with a permeate pump', { ...tankDesign, permeatePump }, {}],
  [
    'an ultraviolet line',
    {
      kind: 'ultraviolet-line',
      prefilters: tankDesign.prefilters,
      lamp,
      tap: plainTap,
      line: tankDesign.line,
    },
    {},
  ],
  ['a lamp added to a system with a tank', addedLamp, {}],
  [
    'a lamp added to a tankless system with a wide line',
    {
      ...addedLamp,
      addedTo: 'tankless-system',
      line: { ...tankDesign.line, innerDiameterMm: 6.35 },
    },
    { site: { ...seen, drilling: 'ask' } },
  ],
  ['a remote unit below the floor', tankDesign, { remote: 'floor' }],
  [
    'a remote unit that drains into a floor drain',
    tankDesign,
    { remote: 'wall', way: 'standpipe' },
  ],
  ['a tank in the next cupboard', tankDesign, { tankNextDoor: true }],
  [
    'an air-gap tap',
    { ...tankDesign, tap: { ...plainTap, airGap: true, holeMm: 30 } },
    { way: 'air-gap-tap' },
  ],
  [
    'a refrigerator, an ice maker and a second tap',
    {
      ...tankDesign,
      branches: [branchTo('refrigerator'), branchTo('ice-maker'), branchTo('second-tap')],
      line: { ...tankDesign.line, innerDiameterMm: 6.35 },
    },
    {},
  ],
];
