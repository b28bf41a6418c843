import { fittingRoles, limits, type Part, portSizes, tubeColours } from '@katharos/core';
import { z } from 'zod';
import {
  filterDropSchema,
  membraneRatingSchema,
  pumpSchema,
  restrictorSchema,
  shutoffSchema,
  within,
} from './physical.ts';

const base = {
  id: z.string().min(1).max(60),
  name: z.string().trim().min(1).max(120),
  price: z.number().min(0).max(100000),
  sizeM: z
    .strictObject({
      width: z.number().min(0.01).max(2),
      height: z.number().min(0.01).max(2),
      depth: z.number().min(0.01).max(2),
    })
    .optional(),
  service: z
    .strictObject({
      belowM: z.number().min(0).max(1).optional(),
      gapM: z.number().min(0).max(0.5).optional(),
      mayLie: z.boolean().optional(),
    })
    .optional(),
};

export const prefilterPartSchema = z.strictObject({
  ...base,
  kind: z.literal('prefilter'),
  media: z.enum(['sediment', 'carbon-block', 'catalytic-carbon']),
  filter: filterDropSchema,
  disinfectantG: z.strictObject({
    chlorine: z.number().min(0).max(10000),
    chloramine: z.number().min(0).max(10000),
  }),
});
export const membranePartSchema = z.strictObject({
  ...base,
  kind: z.literal('membrane'),
  rating: membraneRatingSchema,
  mostRecovery: z.number().min(0.05).max(0.9).optional(),
  mostBar: within(limits.ratedPressureBar).optional(),
});
export const restrictorPartSchema = z.strictObject({
  ...base,
  kind: z.literal('restrictor'),
  restrictor: restrictorSchema,
});
export const pumpPartSchema = z.strictObject({
  ...base,
  kind: z.literal('pump'),
  pump: pumpSchema,
  cutoutBar: within(limits.cutoutBar),
  minInletBar: within(limits.supplyPressureBar),
  powerW: z.number().min(1).max(2000),
});
export const permeatePumpPartSchema = z.strictObject({
  ...base,
  kind: z.literal('permeate-pump'),
  backPressureShare: z.number().min(0).max(1),
  minFeedBar: z.number().min(0).max(10).optional(),
});
export const treatmentPartSchema = z.strictObject({
  ...base,
  kind: z.literal('treatment'),
  method: z.enum(['softening', 'inhibitor']),
  lastsL: z.number().min(10).max(1_000_000),
  refillPrice: z.number().min(0).max(10_000),
});
export const shutoffPartSchema = z.strictObject({
  ...base,
  kind: z.literal('shutoff'),
  shutoff: shutoffSchema,
});
export const solenoidPartSchema = z.strictObject({
  ...base,
  kind: z.literal('solenoid'),
  powerW: z.number().min(1).max(100),
});
export const tankPartSchema = z.strictObject({
  ...base,
  kind: z.literal('tank'),
  volumeL: within(limits.tankVolumeL),
  prechargeBar: within(limits.prechargeBar),
  internal: z.boolean().optional(),
});
export const postFilterPartSchema = z.strictObject({
  ...base,
  kind: z.literal('post-filter'),
  filter: filterDropSchema,
});
export const mineralPartSchema = z.strictObject({
  ...base,
  kind: z.literal('mineral'),
  media: z.strictObject({
    bedVolumeL: within(limits.bedVolumeL),
    timeConstantMin: within(limits.timeConstantMin),
  }),
});
export const lampPartSchema = z.strictObject({
  ...base,
  kind: z.literal('lamp'),
  ratedFlowLPerH: within(limits.flowLPerH),
  ratedDoseMjCm2: z.number().min(1).max(400),
  powerW: z.number().min(1).max(500),
});
export const tapPartSchema = z.strictObject({
  ...base,
  kind: z.literal('tap'),
  kv: within(limits.tapKv),
  holeMm: z.number().min(3).max(60),
  reachM: z.number().min(0.02).max(1).optional(),
  airGap: z.boolean().optional(),
  powered: z.boolean().optional(),
  combined: z.boolean().optional(),
  dispenser: z
    .strictObject({
      hotL: z.number().min(0).max(20),
      coldL: z.number().min(0).max(20),
      heaterW: z.number().min(0).max(3000),
    })
    .optional(),
});
const portSize = z.enum(portSizes);
export const unitPartSchema = z.strictObject({
  ...base,
  kind: z.literal('unit'),
  cartridges: z.int().min(0).max(8),
  closing: z.enum(['housing', 'quarter-turn']),
  vessels: z.int().min(1).max(12),
  holds: z.array(z.string().min(1).max(60)).max(12),
  piped: z.boolean(),
  holdsPostFilter: z.boolean().optional(),
  tankless: z.boolean().optional(),
  innerTank: z.boolean().optional(),
  ports: z.strictObject({ feed: portSize, product: portSize, drain: portSize }),
  mounting: z.enum(['hangs', 'stands']),
  weightKg: z.number().min(0.1).max(200),
  housingBar: within(limits.ratedPressureBar),
  vesselBar: within(limits.ratedPressureBar),
});
const colour = z.enum(tubeColours).optional();
export const kitPartSchema = z.strictObject({
  ...base,
  kind: z.literal('kit'),
  holds: z
    .array(z.strictObject({ id: z.string().min(1).max(60), quantity: z.int().min(1).max(20) }))
    .max(40),
  fittings: z
    .array(z.strictObject({ role: z.enum(fittingRoles), quantity: z.int().min(1).max(100) }))
    .max(40),
  tubes: z.array(z.strictObject({ size: portSize, lengthM: z.number().min(0.1).max(100) })).max(4),
  colours: z.strictObject({
    feed: colour,
    unit: colour,
    tank: colour,
    product: colour,
    drain: colour,
  }),
  leastTankCycles: z.int().min(0).max(10),
  warranty: z.string().trim().max(400),
});
export const fittingPartSchema = z.strictObject({
  ...base,
  kind: z.literal('fitting'),
  role: z.enum(fittingRoles),
});

/** A part of the firm's catalogue. The core declares the same shapes; the annotation keeps the two from drifting apart. */
export const partSchema: z.ZodType<Part, Part> = z.discriminatedUnion('kind', [
  prefilterPartSchema,
  membranePartSchema,
  restrictorPartSchema,
  pumpPartSchema,
  permeatePumpPartSchema,
  treatmentPartSchema,
  shutoffPartSchema,
  solenoidPartSchema,
  tankPartSchema,
  postFilterPartSchema,
  mineralPartSchema,
  lampPartSchema,
  tapPartSchema,
  unitPartSchema,
  kitPartSchema,
  fittingPartSchema,
]);
