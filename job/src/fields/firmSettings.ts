import { faultCodes, purposeIons } from '@katharos/core';
import { z } from 'zod';
import { householdSchema } from './household.ts';
import { fault } from './schemaFault.ts';
import { text } from './text.ts';

export const unitSystemSchema = z.enum(['metric', 'us']);

/** What a firm holds its systems to, where it differs from the usual; see the core's requirements for what each means. */
export const standardsSchema = z
  .strictObject({
    mostWaitingDays: z.number().min(0).max(1),
    productionMargin: z.number().min(1).max(5),
    productTdsMgL: z.number().min(5).max(500),
    productShareOfFeed: z.number().min(0.01).max(0.5),
    leastProductPh: z.number().min(5).max(9),
    waterPricePerM3: z.number().min(0).max(100),
    powerPricePerKwh: z.number().min(0).max(10),
    mostDrainPerProductL: z.number().min(0.2).max(30),
    mostRecovery: z.number().min(0.05).max(0.9),
  })
  .partial();

/** A firm's own ways. What is absent stands at its usual value. */
export const firmSettingsSchema = z.strictObject({
  units: unitSystemSchema,
  currency: z.string().regex(/^[A-Z]{3}$/, fault('currency-form')),
  paper: z.enum(['A4', 'LETTER']),
  standards: standardsSchema.optional(),
  /** Most that drinking water may hold of an ion by local law, mg/L, where it differs from the usual limit. */
  ionLimits: z.partialRecord(z.enum(purposeIons), z.number().gt(0).max(1000)).optional(),
  /** The household that a survey begins with. */
  household: householdSchema.optional(),
  /** How the firm flushes, where kit and washout leave it a choice. */
  flushing: z
    .strictObject({
      prefilters: z.enum(['together', 'one-by-one']),
      tanks: z.int().min(1).max(3),
      nightsRest: z.boolean(),
    })
    .partial()
    .optional(),
  /** How often the firm finds what, as shares of its visits; what is absent stands at what is usual. */
  odds: z.partialRecord(z.enum(faultCodes), z.number().gt(0).max(1)).optional(),
  /** How the firm keeps systems: by the calendar, by condition or whichever comes first, and what coming once more costs. */
  keeping: z
    .strictObject({
      school: z.enum(['calendar', 'condition', 'first']),
      tripPrice: z.number().min(0).max(10000),
      /** Of the firm's work and of what it puts in, months; 0 for none. */
      warrantyMonths: z.int().min(0).max(120),
      /** Of a membrane's factors against its own start: when it is changed. */
      saltPassageFactor: z.number().min(1.1).max(5),
      flowFactor: z.number().min(0.3).max(0.95),
      /** Districts in the order in which they are driven. */
      districts: z.array(text(80)).max(60),
    })
    .partial()
    .optional(),
  /** Whom a household calls, as it stands on what is left with them. */
  phone: text(40).optional(),
  /** Price of a usual installation's work, and tax on all of it as a share, for proposals. */
  installationPrice: z.number().min(0).max(100000).optional(),
  taxShare: z.number().min(0).max(1).optional(),
});
export type FirmSettings = z.infer<typeof firmSettingsSchema>;
