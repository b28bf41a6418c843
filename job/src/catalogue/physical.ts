import { limits, type Range } from '@katharos/core';
import { fault } from '../fields/schemaFault.ts';
import { z } from 'zod';

/** Schemas of what the core computes with, each held to the core's physical limits. */

export const within = (range: Range) => z.number().min(range.min).max(range.max);

export const feedSchema = z.strictObject({
  tdsMgL: within(limits.tdsMgL),
  temperatureC: within(limits.temperatureC),
  pressureBar: within(limits.supplyPressureBar),
});

export const membraneRatingSchema = z.strictObject({
  ratedFlowLPerDay: within(limits.ratedFlowLPerDay),
  ratedPressureBar: within(limits.ratedPressureBar),
  ratedTdsMgL: within(limits.tdsMgL),
  ratedRecovery: within(limits.fraction),
  ratedRejection: within(limits.fraction),
});

export const restrictorSchema = z.strictObject({
  flowMlMin: within(limits.restrictorFlowMlMin),
  atPressureBar: within(limits.ratedPressureBar),
});

export const filterDropSchema = z.strictObject({
  dropBar: within(limits.dropBar),
  atFlowLPerH: within(limits.flowLPerH),
});

export const pumpSchema = z.strictObject({
  curve: z
    .array(
      z.strictObject({
        flowLPerH: z.number().min(0).max(limits.flowLPerH.max),
        boostBar: within(limits.boostBar),
      }),
    )
    .min(1)
    .max(100)
    .refine((points) => points.every((p, i) => i === 0 || p.flowLPerH > points[i - 1]!.flowLPerH), {
      message: fault('curve-falls'),
    }),
  bypassBar: within(limits.bypassBar),
});

export const shutoffSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('hydraulic'), ratio: within(limits.shutoffRatio).optional() }),
  z.strictObject({ kind: z.literal('pressure-switch'), cutoutBar: within(limits.cutoutBar) }),
]);

export const tankSchema = z.strictObject({
  volumeL: within(limits.tankVolumeL),
  prechargeBar: within(limits.prechargeBar),
  riseM: within(limits.riseM).optional(),
});
