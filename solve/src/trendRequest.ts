import { dayOf, limits, serviceEvents } from '@katharos/core';
import { feedSchema, filterDropSchema, pumpSchema, restrictorSchema, within } from '@katharos/job';
import { z } from 'zod';
import { membraneBankSchema } from './parts.ts';

/** A system's years of readings: whether its membrane drifts, and when it is due. */

const day = z
  .string()
  .refine((date) => dayOf(date) !== null, 'This is no calendar day, such as 2026-03-01.');

const flow = z.number().min(0).max(limits.flowLPerH.max);
const readingFields = {
  feedTdsMgL: within(limits.tdsMgL).optional(),
  permeateTdsMgL: z.number().min(0).max(limits.tdsMgL.max).optional(),
  temperatureC: within(limits.temperatureC).optional(),
  supplyPressureBar: within(limits.supplyPressureBar).optional(),
  membranePressureBar: z.number().min(0).max(30).optional(),
  permeateFlowLPerH: flow.optional(),
  concentrateFlowLPerH: flow.optional(),
};
const readingSchema = z
  .strictObject({ date: day, ...readingFields })
  .refine(
    (reading) =>
      Object.entries(reading).some(([key, value]) => key !== 'date' && value !== undefined),
    'A visit has at least one reading besides its date.',
  );

const uncertainty = z.number().gt(0).max(100).optional();
const threshold = z.number().min(0).max(1);

export const trendSchema = z
  .strictObject({
    kind: z.literal('trend'),
    feed: feedSchema,
    membrane: membraneBankSchema,
    restrictor: restrictorSchema,
    prefilters: filterDropSchema.optional(),
    pump: pumpSchema.optional(),
    permeateBackPressureBar: within(limits.backPressureBar).optional(),
    readings: z.array(readingSchema).min(1).max(2000),
    events: z.array(z.strictObject({ date: day, kind: z.enum(serviceEvents) })).optional(),
    limits: z
      .strictObject({
        saltPassageFactor: z.number().gt(1).max(100),
        flowFactor: z.number().min(0.05).max(0.999),
      })
      .partial()
      .optional(),
    asOf: day.optional(),
    horizonMonths: z.number().min(1).max(600).optional(),
    driftThreshold: z
      .union([threshold, z.strictObject({ saltPassage: threshold, flow: threshold })])
      .optional(),
    instruments: z
      .strictObject({
        meterShare: uncertainty,
        meterDigitMgL: uncertainty,
        thermometerC: uncertainty,
        gaugeBar: uncertainty,
        flowShare: uncertainty,
      })
      .optional(),
  })
  .superRefine(({ readings, asOf }, context) => {
    if (asOf === undefined || readings.some(({ date }) => date <= asOf)) return;
    context.addIssue({
      code: 'custom',
      path: ['asOf'],
      message: 'On this day nothing had been read yet.',
    });
  });
