import {
  branchKinds,
  criterionKeys,
  decisionTopics,
  drainWays,
  endKinds,
  existingSystems,
  feedConnections,
  flushHands,
  flushVisits,
  hasUnit,
  passages,
  purposes,
  saddlePlaces,
  seenSigns,
  type SurveyKey,
  type SystemDesign,
  toCore,
  tubeColours,
  tubeFunctions,
  tubeSizes,
  type UltravioletLine,
} from '@katharos/core';
import {
  kitPartSchema,
  lampPartSchema,
  membranePartSchema,
  permeatePumpPartSchema,
  mineralPartSchema,
  postFilterPartSchema,
  prefilterPartSchema,
  pumpPartSchema,
  restrictorPartSchema,
  shutoffPartSchema,
  solenoidPartSchema,
  tankPartSchema,
  tapPartSchema,
  unitPartSchema,
} from '../catalogue/part.ts';
import { laboratorySchema } from '../laboratory/report.ts';
import { customerSchema } from '../fields/customer.ts';
import { householdSchema } from '../fields/household.ts';
import { fault } from '../fields/schemaFault.ts';
import { text, wantedText } from '../fields/text.ts';
import { routeRangeM } from '../fields/routeRange.ts';
import { siteSchema } from '../fields/siteSchema.ts';
import { detailFields, type DetailKey, surveyFields } from '../fields/fields.ts';
import { instant, itemId, person, readingsOf, tick } from './reading.ts';
import { serviceRecordSchema } from './serviceRecord.ts';
import { verifyRecordSchema } from './verifyRecord.ts';
import { whole } from './whole.ts';
import { z } from 'zod';

/** The job document: all of one installation, in the units in which it was entered. */

const surveySchema = z.strictObject({
  readings: readingsOf<SurveyKey>(surveyFields),
  details: readingsOf<DetailKey>(detailFields),
  source: z.enum(['mains', 'well', 'lake', 'rain', 'unknown']),
  disinfectant: z.enum(['none', 'chlorine', 'chloramine', 'unknown']),
  safe: z.enum(['yes', 'no', 'unknown']),
  outlet: z.enum(['unswitched', 'switched', 'none', 'unknown']),
  /** Absent until it is asked. */
  tankRoom: z.enum(['yes', 'no', 'unknown']).optional(),
  /** Why minerals are asked for, or that nobody wants any; absent until it is asked. */
  minerals: z.enum(['taste', 'pH', 'no', 'unknown']).optional(),
  /** What the system is bought for; absent until it is asked. */
  purposes: whole(z.array(z.enum(purposes)).max(purposes.length)).optional(),
  site: siteSchema,
  /** Absent until it is described. */
  household: householdSchema.optional(),
  /** Scale of the meter that conductivities were read with; absent until it is asked. */
  meterScale: z.enum(['nacl', 'kcl', '442']).optional(),
  /** Absent until a laboratory's report is read in. */
  laboratory: whole(laboratorySchema).optional(),
});

const productLineSchema = z.strictObject({
  innerDiameterMm: z.number().min(1).max(30),
  lengthM: z.number().min(0).max(100),
  riseM: z.number().min(-20).max(30),
});

export const systemDesignSchema: z.ZodType<SystemDesign, SystemDesign> = z.strictObject({
  unit: unitPartSchema.nullable(),
  kit: kitPartSchema.nullable(),
  prefilters: z.array(prefilterPartSchema).max(8),
  pump: pumpPartSchema.nullable(),
  shutoff: shutoffPartSchema.nullable(),
  solenoid: solenoidPartSchema.nullable(),
  membrane: membranePartSchema,
  elements: z.int().min(1).max(12),
  arrangement: z.enum(['series', 'parallel']),
  restrictor: restrictorPartSchema,
  permeatePump: permeatePumpPartSchema.nullable(),
  tank: tankPartSchema.nullable(),
  mineral: z
    .strictObject({ part: mineralPartSchema, place: z.enum(['before-tank', 'after-tank']) })
    .nullable(),
  lamp: lampPartSchema.nullable(),
  postFilter: postFilterPartSchema.nullable(),
  tap: tapPartSchema,
  line: productLineSchema,
  branches: z
    .array(
      z.strictObject({
        kind: z.enum(branchKinds),
        innerDiameterMm: z.number().min(1).max(30),
        lengthM: z.number().min(0).max(100),
        riseM: z.number().min(-20).max(30),
        neededBar: z.number().min(0).max(6),
        flowLPerMin: z.number().min(0.05).max(10),
      }),
    )
    .max(4),
});

/** A lamp without a membrane of its own: a drinking line, or added to a system that is there. */
export const ultravioletLineSchema: z.ZodType<UltravioletLine, UltravioletLine> = z.strictObject({
  kind: z.literal('ultraviolet-line'),
  addedTo: z.enum(existingSystems).optional(),
  prefilters: z.array(prefilterPartSchema).max(8),
  lamp: lampPartSchema,
  tap: tapPartSchema,
  line: productLineSchema,
});

const weighed = <T extends z.ZodType>(value: T) => z.partialRecord(z.enum(criterionKeys), value);

/** How the size was steered, and where a person went against it. */
const sizeSchema = z.strictObject({
  weights: weighed(z.number().min(0).max(4)),
  limits: weighed(z.number().min(0).max(1e6)),
  /** By topic of the decision: what was chosen instead, and why. */
  overruled: z.partialRecord(
    z.enum(decisionTopics),
    whole(
      z.strictObject({
        option: z.string().trim().min(1).max(40),
        reason: wantedText(500, fault('reason-missing')),
        at: instant,
        by: person,
      }),
    ),
  ),
  /** Designs laid beside the one in use. */
  compared: z.array(systemDesignSchema).max(2),
});

const isRoute = (metres: number) => metres >= routeRangeM.min && metres <= routeRangeM.max;

const quantity = z.strictObject({ value: z.number(), unit: z.string().max(20) });

const metres = z.number().min(-5).max(60);
const box = { x: metres, y: metres, z: metres, width: metres, height: metres, depth: metres };

const inside = z.number().min(0.1).max(4);

/** What is decided and noted while plumbing in; all of it absent until somebody does. */
const plumbChoices = {
  feed: z.enum(feedConnections).optional(),
  drain: whole(
    z.strictObject({
      way: z.enum(drainWays).optional(),
      place: z.enum(saddlePlaces).optional(),
      /** Why the hole is not on the sink side of the trap. */
      reason: text(500).optional(),
    }),
  ).optional(),
  /** Colours of this kit's tubes, by what they carry. */
  colours: z.partialRecord(z.enum(tubeFunctions), z.enum(tubeColours)).optional(),
  /** Tube in the van. */
  coils: z
    .array(
      z.strictObject({
        id: itemId,
        size: z.enum(tubeSizes),
        lengthM: z.number().min(0.1).max(500),
      }),
    )
    .max(40)
    .optional(),
  /** Tube sizes that a person chose, by run. */
  sizes: z.record(z.string().max(60), z.enum(tubeSizes)).optional(),
  /** The cupboard beside, inside, m, where the tank stands in it. */
  nextCupboard: whole(z.strictObject({ width: inside, height: inside, depth: inside })).optional(),
  /** A unit in the cellar or behind the wall: what its lines pass, how long each is and how far they rise to the tap, m. */
  remote: whole(
    z.strictObject({
      through: z.enum(passages),
      lengthM: z.number().min(0.2).max(60),
      riseM: z.number().min(-10).max(30),
    }),
  ).optional(),
  obstacles: z
    .array(z.strictObject({ id: itemId, ...box }))
    .max(20)
    .optional(),
  /** Places that a person gave to bodies, by id. */
  placements: z
    .record(
      z.string().max(40),
      whole(
        z.strictObject({
          x: metres,
          y: metres,
          z: metres,
          lies: z.boolean(),
          turned: z.boolean().optional(),
        }),
      ),
    )
    .optional(),
  /** Steps done, with the mark of what they were made from: another mark asks for them again. */
  done: z.record(z.string().max(80), whole(tick.extend({ mark: z.string().max(1000) }))).optional(),
  notes: z.record(z.string().max(80), text(1000)).optional(),
  /** Steps in the order that a person wants. */
  order: z.array(z.string().max(80)).max(120).optional(),
};

const flushStepId = z.string().max(60);

/** A flush as it went; what is optional is absent until it is so. */
const flushRecordSchema = z.strictObject({
  steps: z.record(
    flushStepId,
    z.strictObject({
      startedAt: instant.nullable(),
      done: tick.nullable(),
      /** What it was to take when it was begun, min: the plan follows the readings, what was done does not. */
      minutes: z.number().min(0).max(1e5).optional(),
      /** What was seen that ends it. */
      seen: whole(z.array(z.enum(endKinds)).max(endKinds.length)).optional(),
      /** Why it ended before its time, or long after. */
      reason: text(300).optional(),
      /** It had ended by itself before anybody looked: how long it took is not known. */
      endedUnseen: z.literal(true).optional(),
    }),
  ),
  /** Readings taken on the way. */
  readings: z
    .record(
      itemId,
      whole(
        z.strictObject({
          step: flushStepId,
          of: z.enum(['tds', 'strip', 'litres']),
          value: z.number().min(0).max(1e5),
          unit: z.string().max(20),
          at: instant,
          by: person,
        }),
      ),
    )
    .optional(),
  /** What was not right, what it was taken to be, and that it was mended. */
  troubles: z
    .record(
      itemId,
      whole(
        z.strictObject({
          step: flushStepId,
          sign: z.enum(seenSigns),
          cause: z.string().max(60).nullable(),
          at: instant,
          by: person,
          mended: z.strictObject({ at: instant, by: person }).nullable(),
        }),
      ),
    )
    .optional(),
  notes: z.record(flushStepId, text(1000)).optional(),
  /** The device that leads while several look on. */
  lead: whole(z.strictObject({ device: itemId, by: person, at: instant })).optional(),
  /** Whether housings and tubes are sanitised first; absent until somebody decides. */
  sanitise: z.boolean().optional(),
  /** Who is there when the tank has filled; absent until somebody decides against what is proposed. */
  visits: z.enum(flushVisits).optional(),
  /** The plan that the flush goes by, as far as a list of what waits needs it. */
  plan: whole(
    z
      .array(
        z.strictObject({
          id: flushStepId,
          code: z.string().max(60),
          minutes: z.number().min(0).max(1e5).nullable(),
          attended: z.boolean(),
          by: z.enum(flushHands),
        }),
      )
      .max(80),
  ).optional(),
});

export const jobDocumentSchema = z.strictObject({
  customer: customerSchema,
  survey: surveySchema,
  /** The system as chosen, with its parts as they were then: the catalogue may change, the job does not. */
  system: whole(
    z.strictObject({
      design: z.union([ultravioletLineSchema, systemDesignSchema]),
      chosenAt: instant,
      chosenBy: person,
      /** Agreed with the customer: from then on only a deliberate change touches it. */
      agreed: tick.nullable(),
    }),
  ).nullable(),
  size: sizeSchema,
  plumb: z.strictObject({
    routes: z.record(
      z.string().max(60),
      whole(
        quantity
          .refine((route) => hasUnit('length', route.unit), fault('route-no-length'))
          .refine(
            (route) => !hasUnit('length', route.unit) || isRoute(toCore('length', route)),
            `A route lies between ${routeRangeM.min} and ${routeRangeM.max} m; check the unit.`,
          ),
      ),
    ),
    ticks: z.record(z.string().max(80), tick),
    ...plumbChoices,
  }),
  flush: flushRecordSchema,
  verify: verifyRecordSchema,
  keep: z.strictObject({ issued: tick.nullable(), remark: text(1000) }),
  /** Absent until somebody comes again. */
  service: serviceRecordSchema.optional(),
});

export type JobDocument = z.infer<typeof jobDocumentSchema>;
export type Survey = JobDocument['survey'];
