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
    backPressureShare: 0.15,
  },
];

const tanks: Part[] = [
  {
    id: 'gourd-8',
    kind: 'tank',
    name: 'Gourd 8 L bladder tank',
    price: 48,
    volumeL: 8,
    prechargeBar: 0.48,
  },
  {
    id: 'gourd-12',
    kind: 'tank',
    name: 'Gourd 12 L bladder tank',
    price: 56,
    volumeL: 12,
    prechargeBar: 0.48,
  },
  {
    id: 'gourd-20',
    kind: 'tank',
    name: 'Gourd 20 L bladder tank',
    price: 84,
    volumeL: 20,
    prechargeBar: 0.48,
  },
  {
    id: 'gourd-40',
    kind: 'tank',
    name: 'Gourd 40 L bladder tank',
    price: 139,
    volumeL: 40,
    prechargeBar: 0.48,
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
    ratedFlowLPerH: 230,
    ratedDoseMjCm2: 40,
    powerW: 12,
  },
  {
    id: 'ember-11',
    kind: 'lamp',
    name: 'Ember 11 W ultraviolet lamp',
    price: 189,
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
    id: 'tee-adapter',
    kind: 'fitting',
    name: 'Feed tee adapter with shut-off',
    price: 15,
    role: 'feed-adapter',
  },
  {
    id: 'saddle-quarter',
    kind: 'fitting',
    name: 'Drain saddle 1/4"',
    price: 8,
    role: 'drain-saddle',
  },
  { id: 'pad-stop', kind: 'fitting', name: 'Pad leak stop', price: 27, role: 'leak-stop' },
  {
    id: 'hold-41',
    kind: 'fitting',
    name: 'Hold pressure regulator, set 4.1 bar',
    price: 36,
    role: 'regulator',
  },
  { id: 'tank-ball', kind: 'fitting', name: 'Tank ball valve', price: 7, role: 'tank-valve' },
  {
    id: 'tube-14',
    kind: 'fitting',
    name: 'Tube 1/4" polyethylene',
    price: 0.9,
    role: 'tube-quarter',
  },
  {
    id: 'tube-38',
    kind: 'fitting',
    name: 'Tube 3/8" polyethylene',
    price: 1.4,
    role: 'tube-three-eighths',
  },
];

export const starterCatalogue: readonly Part[] = [
  ...prefilters,
  ...membranes,
  ...restrictors,
  ...pumps,
  ...permeatePumps,
  ...tanks,
  ...others,
];
