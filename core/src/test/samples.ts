import { type Part, partsOf } from '../catalogue/parts.ts';
import type { RoSystem } from '../system/point/roSystem.ts';
import type { FeedWater, SystemDesign } from '../system/design.ts';

/** Made-up parts and waters that the tests of the core share. */

export const sampleSystem: RoSystem = {
  feed: { tdsMgL: 420, temperatureC: 16, pressureBar: 4 },
  membrane: {
    ratedFlowLPerDay: 280,
    ratedPressureBar: 4.1,
    ratedTdsMgL: 250,
    ratedRecovery: 0.15,
    ratedRejection: 0.96,
  },
  restrictor: { flowMlMin: 320, atPressureBar: 4.1 },
  prefilters: { dropBar: 0.2, atFlowLPerH: 60 },
};

export const samplePump = {
  curve: [
    { flowLPerH: 0, boostBar: 5.5 },
    { flowLPerH: 40, boostBar: 4.4 },
    { flowLPerH: 90, boostBar: 1.5 },
  ],
  bypassBar: 6.5,
};

const rated = (ratedFlowLPerDay: number, ratedRejection: number) => ({
  ratedFlowLPerDay,
  ratedPressureBar: 4.1,
  ratedTdsMgL: 250,
  ratedRecovery: 0.15,
  ratedRejection,
});
const drop = (dropBar: number) => ({ dropBar, atFlowLPerH: 60 });

export const sampleParts: readonly Part[] = [
  {
    kind: 'prefilter',
    id: 'sed',
    name: 'Sediment',
    price: 6,
    media: 'sediment',
    disinfectantG: { chlorine: 0, chloramine: 0 },
    filter: drop(0.05),
  },
  {
    kind: 'prefilter',
    id: 'cb',
    name: 'Block',
    price: 9,
    media: 'carbon-block',
    disinfectantG: { chlorine: 40, chloramine: 6 },
    filter: drop(0.1),
  },
  {
    kind: 'prefilter',
    id: 'cat',
    name: 'Catalytic',
    price: 16,
    media: 'catalytic-carbon',
    disinfectantG: { chlorine: 40, chloramine: 30 },
    filter: drop(0.08),
  },
  { kind: 'membrane', id: 'm-small', name: 'Small element', price: 40, rating: rated(190, 0.97) },
  {
    kind: 'membrane',
    id: 'm-mid',
    name: 'Middle element',
    price: 50,
    rating: rated(280, 0.96),
    mostRecovery: 0.45,
  },
  {
    kind: 'membrane',
    id: 'm-direct',
    name: 'Direct element',
    price: 120,
    rating: rated(1500, 0.94),
  },
  {
    kind: 'restrictor',
    id: 'r-320',
    name: 'Restrictor 320',
    price: 5,
    restrictor: { flowMlMin: 320, atPressureBar: 4.1 },
  },
  {
    kind: 'restrictor',
    id: 'r-900',
    name: 'Restrictor 900',
    price: 7,
    restrictor: { flowMlMin: 900, atPressureBar: 5.5 },
  },
  {
    kind: 'pump',
    id: 'p-1',
    name: 'Booster',
    price: 90,
    pump: samplePump,
    cutoutBar: 2.8,
    minInletBar: 0.7,
    powerW: 30,
  },
  { kind: 'shutoff', id: 's-1', name: 'Valve', price: 8, shutoff: { kind: 'hydraulic' } },
  { kind: 'solenoid', id: 'sol', name: 'Solenoid', price: 18, powerW: 8 },
  { kind: 'tank', id: 't-12', name: 'Tank 12', price: 45, volumeL: 12, prechargeBar: 0.5 },
  { kind: 'tank', id: 't-30', name: 'Tank 30', price: 95, volumeL: 30, prechargeBar: 0.5 },
  { kind: 'post-filter', id: 'pf', name: 'Post carbon', price: 12, filter: drop(0.1) },
  {
    kind: 'mineral',
    id: 'min',
    name: 'Calcite bed',
    price: 20,
    media: { bedVolumeL: 0.4, timeConstantMin: 4 },
  },
  {
    kind: 'lamp',
    id: 'uv',
    name: 'Lamp',
    price: 130,
    ratedFlowLPerH: 420,
    ratedDoseMjCm2: 40,
    powerW: 11,
  },
  { kind: 'tap', id: 'tap', name: 'Tap', price: 30, kv: 0.3, holeMm: 12 },
  { kind: 'fitting', id: 'f-feed', name: 'Feed adapter', price: 7, role: 'feed-adapter' },
  { kind: 'fitting', id: 'f-drain', name: 'Saddle', price: 5, role: 'drain-saddle' },
  { kind: 'fitting', id: 'f-leak', name: 'Leak stop', price: 25, role: 'leak-stop' },
  { kind: 'fitting', id: 'f-reg', name: 'Regulator', price: 28, role: 'regulator' },
  { kind: 'fitting', id: 'f-tank', name: 'Tank valve', price: 6, role: 'tank-valve' },
  { kind: 'fitting', id: 'f-14', name: 'Tube 1/4', price: 1, role: 'tube-quarter' },
  { kind: 'fitting', id: 'f-38', name: 'Tube 3/8', price: 2, role: 'tube-three-eighths' },
];

/** A part of the samples by its kind, the first of it. */
export const samplePart = <K extends Part['kind']>(kind: K) => partsOf(sampleParts, kind)[0]!;

export const sampleWater: FeedWater = {
  tdsMgL: 420,
  temperatureC: 16,
  pressureBar: 4,
  hardnessMgL: 180,
  alkalinityMgL: 150,
  pH: 7.4,
};

/** An unpumped unit with a tank, and a pumped tankless one. */
export const tankDesign: SystemDesign = {
  kit: null,
  unit: null,
  prefilters: partsOf(sampleParts, 'prefilter').slice(0, 2),
  pump: null,
  solenoid: null,
  shutoff: samplePart('shutoff'),
  permeatePump: null,
  membrane: partsOf(sampleParts, 'membrane')[1]!,
  elements: 1,
  arrangement: 'series',
  restrictor: samplePart('restrictor'),
  tank: samplePart('tank'),
  mineral: null,
  lamp: null,
  postFilter: samplePart('post-filter'),
  tap: samplePart('tap'),
  line: { innerDiameterMm: 4.3, lengthM: 1.5, riseM: 0.8 },
  branches: [],
};

export const directDesign: SystemDesign = {
  ...tankDesign,
  pump: samplePart('pump'),
  shutoff: null,
  membrane: partsOf(sampleParts, 'membrane')[2]!,
  restrictor: partsOf(sampleParts, 'restrictor')[1]!,
  tank: null,
};
