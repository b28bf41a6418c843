import { type StockLine, type StockPlace, stockPlaceKinds } from '@katharos/core';
import { fault } from '@katharos/job';
import { z } from 'zod';
import { vanLineSchema } from './van.ts';

/** The firm's vans and stores, and what each holds. */

const placeName = z.string().trim().min(1, fault('place-unnamed')).max(60);
const minimum = z.number().min(0).max(100000);

export const stockPlaceSchema: z.ZodType<StockPlace, StockPlace> = z.object({
  id: z.uuid(),
  kind: z.enum(stockPlaceKinds),
  name: z.string(),
  userId: z.uuid().nullable(),
});
export const stockLineSchema: z.ZodType<StockLine, StockLine> = z.object({
  placeId: z.uuid(),
  partId: z.string(),
  quantity: z.number(),
  minimum: z.number(),
});
export const firmStockSchema = z.object({
  places: z.array(stockPlaceSchema),
  lines: z.array(stockLineSchema),
  /** The van that whoever asks loads from. */
  mine: z.uuid(),
  /** Who can have a van. */
  people: z.array(z.object({ id: z.uuid(), name: z.string() })),
});
export type FirmStock = z.infer<typeof firmStockSchema>;

export const newPlaceSchema = z.strictObject({ kind: z.enum(stockPlaceKinds), name: placeName });
export const changePlaceSchema = z.strictObject({ name: placeName, userId: z.uuid().nullable() });
export const minimumSchema = z.strictObject({ minimum });

/** Parts that go from one place to another. */
export const moveStockSchema = z
  .strictObject({
    from: z.uuid(),
    to: z.uuid(),
    lines: z
      .array(vanLineSchema.extend({ quantity: z.number().positive().max(100000) }))
      .min(1, fault('nothing-to-take'))
      .max(200)
      .refine(
        (lines) => new Set(lines.map(({ partId }) => partId)).size === lines.length,
        fault('part-twice'),
      ),
  })
  .refine(({ from, to }) => from !== to, { path: ['to'], message: fault('same-place') });
