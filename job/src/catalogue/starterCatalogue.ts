import { barPerPsi, litresPerGallon, type Part } from '@katharos/core';

/**
 * The catalogue that a new firm starts with: generic parts under names of our own, with the ratings that parts of this size
 * usually carry. A firm edits it to what its own data sheets say.
 */

const ratedAt = (
  gpd: number,
  psi: number,
  tdsMgL: number,
  recovery: number,
  rejection: number,
) => ({
  ratedFlowLPerDay: Math.round(gpd * litresPerGallon),
  ratedPressureBar: Number((psi * barPerPsi).toFixed(2)),
  ratedTdsMgL: tdsMgL,
  ratedRecovery: recovery,
  ratedRejection: rejection,
});

const membranes: Part[] = [
  {
    id: 'reed-50',
    kind: 'membrane',
    name: 'Reed 50 element',
    price: 42,
    rating: ratedAt(50, 60, 250, 0.15, 0.97),
  },
  {
    id: 'reed-75',
    kind: 'membrane',
    name: 'Reed 75 element',
    price: 46,
    rating: ratedAt(75, 60, 250, 0.15, 0.97),
  },
  {
    id: 'reed-100',
    kind: 'membrane',
    name: 'Reed 100 element',
    price: 52,
    rating: ratedAt(100, 65, 500, 0.15, 0.96),
  },
  {
    id: 'reed-150',
    kind: 'membrane',
    name: 'Reed 150 element',
    price: 69,
    rating: ratedAt(150, 65, 500, 0.2, 0.95),
  },
  {
    id: 'sluice-400',
    kind: 'membrane',
    name: 'Sluice 400 tankless element',
    price: 128,
    rating: ratedAt(400, 100, 500, 0.2, 0.96),
  },
  {
    id: 'sluice-600',
    kind: 'membrane',
    name: 'Sluice 600 tankless element',
    price: 165,
    rating: ratedAt(600, 100, 500, 0.2, 0.96),
  },
];

const restrictors: Part[] = [200, 300, 420, 550, 800, 1400, 2000].map((flowMlMin) => ({
  id: `pinch-${flowMlMin}`,
  kind: 'restrictor',
  name: `Pinch ${flowMlMin} restrictor`,
  price: 7,
  restrictor: { flowMlMin, atPressureBar: flowMlMin >= 1400 ? 6.9 : 4.14 },
}));

const body = (width: number, height: number, depth: number) => ({ width, height, depth });

const prefilters: Part[] = [
  {
    id: 'silt-5',
    kind: 'prefilter',
    name: 'Silt 5 µm sediment cartridge',
    price: 9,
    media: 'sediment',
    disinfectantG: { chlorine: 0, chloramine: 0 },
    filter: { dropBar: 0.05, atFlowLPerH: 60 },
  },
  {
    id: 'char-block',
    kind: 'prefilter',
    name: 'Char block carbon cartridge',
    price: 14,
    media: 'carbon-block',
    disinfectantG: { chlorine: 40, chloramine: 6 },
    filter: { dropBar: 0.07, atFlowLPerH: 60 },
  },
  {
    id: 'char-catalytic',
    kind: 'prefilter',
    name: 'Char catalytic carbon cartridge',
    price: 29,
    media: 'catalytic-carbon',
    disinfectantG: { chlorine: 40, chloramine: 30 },
    filter: { dropBar: 0.06, atFlowLPerH: 60 },
  },
];

const pumps: Part[] = [
  {
    id: 'heron-2',
    kind: 'pump',
    name: 'Heron 2 booster pump',
    price: 118,
    sizeM: body(0.2, 0.1, 0.1),
    service: { gapM: 0.015 },
    pump: {
      curve: [
        { flowLPerH: 0, boostBar: 7 },
        { flowLPerH: 40, boostBar: 4.6 },
        { flowLPerH: 90, boostBar: 1.4 },
      ],
      bypassBar: 7,
    },
    cutoutBar: 2.76,
    minInletBar: 1.7,
    powerW: 28,
  },
  {
    id: 'heron-6',
    kind: 'pump',
    name: 'Heron 6 high-flow pump',
    price: 176,
    sizeM: body(0.24, 0.12, 0.12),
    service: { gapM: 0.02 },
    pump: {
      curve: [
        { flowLPerH: 0, boostBar: 9 },
        { flowLPerH: 120, boostBar: 6.4 },
        { flowLPerH: 320, boostBar: 2.4 },
      ],
      bypassBar: 9.5,
    },
    cutoutBar: 2.76,
    minInletBar: 1.7,
    powerW: 72,
  },
];

const permeatePumps: Part[] = [
  {
    id: 'otter-lift',
    kind: 'permeate-pump',
    name: 'Otter permeate pump',
    price: 74,
    sizeM: body(0.13, 0.09, 0.09),
    backPressureShare: 0.15,
  },
];

const tanks: Part[] = [
  {
    id: 'gourd-8',
    kind: 'tank',
    name: 'Gourd 8 L bladder tank',
    price: 48,
    sizeM: body(0.22, 0.36, 0.22),
    service: { mayLie: true },
    volumeL: 8,
    prechargeBar: 0.48,
  },
  {
    id: 'gourd-12',
    kind: 'tank',
    name: 'Gourd 12 L bladder tank',
    price: 56,
    sizeM: body(0.25, 0.4, 0.25),
    service: { mayLie: true },
    volumeL: 12,
    prechargeBar: 0.48,
  },
  {
    id: 'gourd-20',
    kind: 'tank',
    name: 'Gourd 20 L bladder tank',
    price: 84,
    sizeM: body(0.3, 0.46, 0.3),
    service: { mayLie: true },
    volumeL: 20,
    prechargeBar: 0.48,
  },
  {
    id: 'gourd-40',
    kind: 'tank',
    name: 'Gourd 40 L bladder tank',
    price: 139,
    sizeM: body(0.37, 0.56, 0.37),
    service: { mayLie: false },
    volumeL: 40,
    prechargeBar: 0.48,
  },
  {
    id: 'acorn-3',
    kind: 'tank',
    name: 'Acorn 3 L tank, built into a compact unit',
    price: 62,
    volumeL: 3,
    prechargeBar: 0.48,
    internal: true,
  },
];

const others: Part[] = [
  {
    id: 'toggle-valve',
    kind: 'shutoff',
    name: 'Toggle four-port shut-off with check valve',
    price: 16,
    shutoff: { kind: 'hydraulic', ratio: 0.67 },
  },
  {
    id: 'char-polish',
    kind: 'post-filter',
    name: 'Char polish inline cartridge',
    price: 13,
    filter: { dropBar: 0.12, atFlowLPerH: 120 },
  },
  {
    id: 'limestone-06',
    kind: 'mineral',
    name: 'Limestone 0.6 L mineral cartridge',
    price: 34,
    media: { bedVolumeL: 0.6, timeConstantMin: 4 },
  },
  {
    id: 'ember-6',
    kind: 'lamp',
    name: 'Ember 6 W ultraviolet lamp',
    price: 145,
    sizeM: body(0.07, 0.3, 0.07),
    service: { belowM: 0.05 },
    ratedFlowLPerH: 230,
    ratedDoseMjCm2: 40,
    powerW: 12,
  },
  {
    id: 'ember-11',
    kind: 'lamp',
    name: 'Ember 11 W ultraviolet lamp',
    price: 189,
    sizeM: body(0.08, 0.42, 0.08),
    service: { belowM: 0.06 },
    ratedFlowLPerH: 480,
    ratedDoseMjCm2: 40,
    powerW: 18,
  },
  {
    id: 'ibis-tap',
    kind: 'tap',
    name: 'Ibis long-reach tap',
    price: 38,
    kv: 0.25,
    holeMm: 12,
    reachM: 0.16,
  },
  {
    id: 'ibis-gap',
    kind: 'tap',
    name: 'Ibis air-gap tap',
    price: 52,
    kv: 0.25,
    holeMm: 28,
    reachM: 0.16,
    airGap: true,
  },
  {
    id: 'egret-display',
    kind: 'tap',
    name: 'Egret tap with display',
    price: 96,
    kv: 0.25,
    holeMm: 32,
    reachM: 0.18,
    powered: true,
  },
  {
    id: 'plover-stand',
    kind: 'tap',
    name: 'Plover hot and cold dispenser',
    price: 265,
    kv: 0.12,
    holeMm: 12,
    dispenser: { hotL: 1.4, coldL: 2.8, heaterW: 480 },
  },
];

/** Fittings by what they do, with the price of one, or of a metre of tube. */
const fittings: Part[] = (
  [
    ['tee-adapter', 'Tee for a 1/2" stop valve, with feed valve', 15, 'feed-adapter'],
    ['tee-adapter-38', 'Tee for a 3/8" stop valve, with feed valve', 15, 'feed-adapter-narrow'],
    ['tee-hose', 'Tee for a tap hose, with feed valve', 17, 'hose-adapter'],
    ['way-three', 'Three-way valve for the cold line', 24, 'three-way-valve'],
    ['pierce-saddle', 'Self-piercing saddle valve', 9, 'saddle-valve'],
    ['hold-41', 'Hold pressure regulator, set 4.1 bar', 36, 'regulator'],
    ['pad-stop', 'Pad leak stop', 27, 'leak-stop'],
    ['check-14', 'Check valve 1/4"', 4, 'check-valve'],
    ['tee-14', 'Tee 1/4", push-fit', 2.4, 'tee'],
    ['tee-38', 'Tee 3/8", push-fit', 3.2, 'tee-wide'],
    ['union-14', 'Union 1/4", push-fit', 1.9, 'union'],
    ['union-38', 'Union 3/8", push-fit', 2.6, 'union-wide'],
    ['step-3814', 'Reducer 3/8" to 1/4", push-fit', 2.1, 'reducer'],
    ['shut-14', 'Shut-off valve 1/4", push-fit', 6, 'branch-valve'],
    ['saddle-quarter', 'Drain saddle 1/4"', 8, 'drain-saddle'],
    ['saddle-wide', 'Drain saddle 3/8"', 9, 'drain-saddle-wide'],
    ['clip-standpipe', 'Clip for a stand-pipe, with air break', 7, 'standpipe-clip'],
    ['tank-ball', 'Tank ball valve', 7, 'tank-valve'],
    ['tap-bracket', 'Wall bracket for a tap', 19, 'tap-bracket'],
    ['nut-14', 'Nut, sleeve and insert 1/4"', 1.1, 'compression-set'],
    ['nut-38', 'Nut, sleeve and insert 3/8"', 1.5, 'compression-set-wide'],
    ['clip-14', 'Lock clip 1/4"', 0.2, 'lock-clip'],
    ['clip-38', 'Lock clip 3/8"', 0.25, 'lock-clip-wide'],
    ['bush-panel', 'Bush for a panel or wall', 1.2, 'panel-bush'],
    ['label-sheet', 'Sheet of tube labels', 2, 'tube-labels'],
    ['tube-14', 'Tube 1/4" polyethylene', 0.9, 'tube-quarter'],
    ['tube-38', 'Tube 3/8" polyethylene', 1.4, 'tube-three-eighths'],
  ] as const
).map(([id, name, price, role]) => ({ id, kind: 'fitting', name, price, role }));

export const starterCatalogue: readonly Part[] = [
  ...prefilters,
  ...membranes,
  ...restrictors,
  ...pumps,
  ...permeatePumps,
  ...tanks,
  ...others,
  ...fittings,
];
