import { hasUnit, type Household, type SurveyKey, type SystemDesign, toCore } from '@katharos/core';
import { z } from 'zod';
import {
  lampPartSchema,
  membranePartSchema,
  mineralPartSchema,
  postFilterPartSchema,
  prefilterPartSchema,
  pumpPartSchema,
  restrictorPartSchema,
  shutoffPartSchema,
  tankPartSchema,
  tapPartSchema,
} from '../catalogue/part.ts';
import {
  isWithin,
  type QuantityField,
  surveyFields,
  type VerifyKey,
  verifyFields,
} from './fields.ts';

/** The job document, version 1: all of one installation, in the units in which it was entered. */

const text = (most: number) => z.string().trim().max(most);
const instant = z.iso.datetime();
const person = text(120);

/** A reading as it was entered: never what was displayed after conversion. */
const readingShape = z.strictObject({
  value: z.number(),
  unit: z.string().max(20),
  takenAt: instant.nullable(),
  by: person.nullable(),
});
export type Reading = z.infer<typeof readingShape>;

const readingOf = (field: QuantityField) =>
  readingShape
    .refine((reading) => hasUnit(field.dimension, reading.unit), {
      path: ['unit'],
      message: `${field.label} cannot be given in this unit.`,
    })
    .refine((reading) => !hasUnit(field.dimension, reading.unit) || isWithin(field, reading), {
      path: ['value'],
      message: `${field.label} lies outside what is possible. ${field.outside}`,
    })
    .optional();

const readingsOf = <K extends string>(fields: Record<K, QuantityField>) =>
  z.strictObject(
    Object.fromEntries(
      Object.entries(fields).map(([key, field]) => [key, readingOf(field as QuantityField)]),
    ) as Record<K, ReturnType<typeof readingOf>>,
  );

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
});

const surveySchema = z.strictObject({
  readings: readingsOf<SurveyKey>(surveyFields),
  source: z.enum(['mains', 'well', 'unknown']),
  disinfectant: z.enum(['none', 'chlorine', 'chloramine', 'unknown']),
  safe: z.enum(['yes', 'no', 'unknown']),
  outlet: z.enum(['unswitched', 'switched', 'none', 'unknown']),
  /** Absent until it is asked. */
  tankRoom: z.enum(['yes', 'no', 'unknown']).optional(),
  /** Absent until it is described. */
  household: householdSchema.optional(),
});

export const systemDesignSchema: z.ZodType<SystemDesign, SystemDesign> = z.strictObject({
  prefilters: z.array(prefilterPartSchema).max(8),
  pump: pumpPartSchema.nullable(),
  shutoff: shutoffPartSchema.nullable(),
  membrane: membranePartSchema,
  elements: z.int().min(1).max(12),
  arrangement: z.enum(['series', 'parallel']),
  restrictor: restrictorPartSchema,
  tank: tankPartSchema.nullable(),
  mineral: z
    .strictObject({ part: mineralPartSchema, place: z.enum(['before-tank', 'after-tank']) })
    .nullable(),
  lamp: lampPartSchema.nullable(),
  postFilter: postFilterPartSchema.nullable(),
  tap: tapPartSchema,
  line: z.strictObject({
    innerDiameterMm: z.number().min(1).max(30),
    lengthM: z.number().min(0).max(100),
    riseM: z.number().min(-20).max(30),
  }),
});

/** Tube under a sink or to a remote unit. */
export const routeRangeM = { min: 0.02, max: 60 };
const isRoute = (metres: number) => metres >= routeRangeM.min && metres <= routeRangeM.max;

const tick = z.strictObject({ at: instant, by: person });
const quantity = z.strictObject({ value: z.number(), unit: z.string().max(20) });

export const jobDocumentSchema = z.strictObject({
  customer: z.strictObject({
    name: text(120).min(1, 'A job needs the name of a customer or a place.'),
    address: text(300),
    phone: text(60),
    note: text(2000),
  }),
  survey: surveySchema,
  /** The system as chosen, with its parts as they were then: the catalogue may change, the job does not. */
  system: z
    .strictObject({ design: systemDesignSchema, chosenAt: instant, chosenBy: person })
    .nullable(),
  plumb: z.strictObject({
    routes: z.record(
      z.string().max(60),
      quantity
        .refine((route) => hasUnit('length', route.unit), 'A route is a length.')
        .refine(
          (route) => !hasUnit('length', route.unit) || isRoute(toCore('length', route)),
          `A route lies between ${routeRangeM.min} and ${routeRangeM.max} m; check the unit.`,
        ),
    ),
    ticks: z.record(z.string().max(80), tick),
  }),
  flush: z.strictObject({
    steps: z.record(
      z.string().max(60),
      z.strictObject({ startedAt: instant.nullable(), done: tick.nullable() }),
    ),
  }),
  verify: z.strictObject({
    readings: readingsOf<VerifyKey>(verifyFields),
    shutoffTest: z.enum(['passed', 'failed', 'not-done']),
    leakCheck: z.enum(['dry', 'leak', 'not-done']),
    note: text(2000),
  }),
  keep: z.strictObject({ issued: tick.nullable(), remark: text(1000) }),
});

export type JobDocument = z.infer<typeof jobDocumentSchema>;
export type Survey = JobDocument['survey'];

/** A job as it begins: a name, and nothing known yet. */
export const newJobDocument = (name: string, address = ''): JobDocument => ({
  customer: { name, address, phone: '', note: '' },
  survey: {
    readings: {},
    source: 'unknown',
    disinfectant: 'unknown',
    safe: 'unknown',
    outlet: 'unknown',
  },
  system: null,
  plumb: { routes: {}, ticks: {} },
  flush: { steps: {} },
  verify: { readings: {}, shutoffTest: 'not-done', leakCheck: 'not-done', note: '' },
  keep: { issued: null, remark: '' },
});
