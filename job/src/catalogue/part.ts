import { fittingRoles, limits, type Part } from '@katharos/core';
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
});
export const shutoffPartSchema = z.strictObject({
  ...base,
  kind: z.literal('shutoff'),
  shutoff: shutoffSchema,
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
  dispenser: z
    .strictObject({
      hotL: z.number().min(0).max(20),
      coldL: z.number().min(0).max(20),
      heaterW: z.number().min(0).max(3000),
    })
    .optional(),
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
  shutoffPartSchema,
  tankPartSchema,
  postFilterPartSchema,
  mineralPartSchema,
  lampPartSchema,
  tapPartSchema,
  fittingPartSchema,
]);
