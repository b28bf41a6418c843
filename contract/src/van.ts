import type { Taking, Van } from '@katharos/core';
import { fault } from '@katharos/job';
import { z } from 'zod';

/** Pieces, or metres of tube, of one part of the catalogue. */
export const vanLineSchema = z.strictObject({
  partId: z.string().min(1).max(60),
  quantity: z.number().min(0).max(100000),
});

/** How much of a part a place holds: the van of whoever counts, where none is named. */
export const stockSchema = vanLineSchema.pick({ quantity: true }).extend({
  placeId: z.uuid().optional(),
});

/** Parts that a job asks for; what of them is in the van is taken. */
export const takeSchema = z.strictObject({
  lines: z.array(vanLineSchema).min(1, fault('nothing-to-take')).max(200),
});

/** What was taken out of the van for a job: never more than was in it. */
export const takingSchema: z.ZodType<Taking, Taking> = z.object({
  jobId: z.uuid(),
  lines: z.array(vanLineSchema),
  takenAt: z.iso.datetime(),
  takenBy: z.string(),
});

/** The van: what it holds by part, and what left it. */
export const vanSchema: z.ZodType<Van, Van> = z.object({
  stock: z.array(vanLineSchema),
  takings: z.array(takingSchema),
});
