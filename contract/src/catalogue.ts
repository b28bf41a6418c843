import { partSchema, wantedText } from '@katharos/job';
import { z } from 'zod';

/** The catalogue as it is kept: its parts in use, those that were retired, and what suppliers ask for them. */

export const catalogueSchema = z.object({ parts: z.array(partSchema) });

export const cataloguePartSchema = z.object({
  part: partSchema,
  version: z.int(),
  retiredAt: z.iso.datetime().nullable(),
});
export type CataloguePart = z.infer<typeof cataloguePartSchema>;

export const wholeCatalogueSchema = z.object({ entries: z.array(cataloguePartSchema) });

/** Parts as they are to be, each with the version that it was changed from; null for a new one. All or none. */
export const changePartsSchema = z.strictObject({
  changes: z
    .array(z.strictObject({ part: z.unknown(), version: z.int().min(1).nullable() }))
    .min(1)
    .max(2000),
});

export const retirePartSchema = z.strictObject({ retired: z.boolean() });

export const newPriceSchema = z.strictObject({
  supplier: wantedText(80, 'supplier-missing'),
  since: z.iso.date(),
  price: z.number().min(0).max(100000),
});
export type NewPrice = z.infer<typeof newPriceSchema>;

export const pricesSchema = z.object({
  prices: z.array(
    z.object({ id: z.uuid(), supplier: z.string(), since: z.iso.date(), price: z.number() }),
  ),
});
