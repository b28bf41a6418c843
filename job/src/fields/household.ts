import type { Draw, Household } from '@katharos/core';
import { z } from 'zod';

/** One opening of the tap, of a day that a person drew up. */
const drawSchema: z.ZodType<Draw, Draw> = z.strictObject({
  minute: z.number().min(0).max(1440),
  litres: z.number().min(0.05).max(60),
  kind: z.enum(['glass', 'hot-drink', 'pot', 'pet', 'plants']),
});

/** Who lives there, for the days that are simulated. */
export const householdSchema: z.ZodType<Household, Household> = z.strictObject({
  people: z.int().min(1).max(40),
  drinkingL: z.number().min(0).max(10),
  hotDrinks: z.number().min(0).max(20),
  meals: z.int().min(0).max(6),
  potL: z.number().min(0.2).max(60),
  pets: z.int().min(0).max(20),
  plantsL: z.number().min(0).max(100),
  guestChance: z.number().min(0).max(1),
  /** A day of draws that a person moved by hand; absent while the habits make the days. */
  day: z.array(drawSchema).max(300).optional(),
});
