import { limits } from '@katharos/core';
import {
  feedSchema,
  filterDropSchema,
  membraneRatingSchema,
  pumpSchema,
  restrictorSchema,
  shutoffSchema,
  tankSchema,
  within,
} from '@katharos/job';
import { z } from 'zod';

/** Schemas of the requests that `npm run solve` answers, one a line. A documented interface: fields are added, never renamed. */

const membraneBankSchema = membraneRatingSchema.extend({
  count: z.int().min(limits.elementCount.min).max(limits.elementCount.max).optional(),
  arrangement: z.enum(['series', 'parallel']).optional(),
  flowFactor: within(limits.ageFactor).optional(),
  saltPassageFactor: within(limits.ageFactor).optional(),
});

const tapLineFields = {
  tubes: z
    .array(
      z.strictObject({
        innerDiameterMm: within(limits.innerDiameterMm),
        lengthM: within(limits.lengthM),
      }),
    )
    .max(50),
  tapKv: within(limits.tapKv),
  riseM: within(limits.riseM).optional(),
  postFilter: filterDropSchema.optional(),
};

const systemFields = {
  feed: feedSchema,
  membrane: membraneBankSchema,
  restrictor: restrictorSchema,
  prefilters: filterDropSchema.optional(),
  pump: pumpSchema.optional(),
};

const carbonateFeedFields = {
  tdsMgL: within(limits.tdsMgL),
  alkalinityMgL: within(limits.alkalinityMgL),
  pH: within(limits.pH),
  temperatureC: within(limits.temperatureC),
};

const readingsSchema = z.strictObject({
  feedTdsMgL: within(limits.tdsMgL),
  permeateTdsMgL: z.number().min(0).max(limits.tdsMgL.max),
  temperatureC: within(limits.temperatureC),
  feedPressureBar: z.number().min(0).max(30),
  pressureDropBar: within(limits.dropBar).optional(),
  recovery: within(limits.fraction),
  permeateFlowLPerH: within(limits.flowLPerH),
  permeatePressureBar: within(limits.backPressureBar).optional(),
});

export const solveRequestSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('operating-point'),
    ...systemFields,
    permeateBackPressureBar: within(limits.backPressureBar).optional(),
  }),
  z.strictObject({
    kind: z.literal('tank-fill'),
    ...systemFields,
    tank: tankSchema,
    shutoff: shutoffSchema,
  }),
  z.strictObject({
    kind: z.literal('direct-flow'),
    ...systemFields,
    tapLine: z.strictObject(tapLineFields),
  }),
  z.strictObject({
    kind: z.literal('tap-flow'),
    sourcePressureBar: within(limits.supplyPressureBar),
    temperatureC: within(limits.temperatureC),
    ...tapLineFields,
  }),
  z.strictObject({
    kind: z.literal('permeate-ph'),
    feed: z.strictObject(carbonateFeedFields),
    saltPassage: z.number().min(1e-6).max(1),
  }),
  z.strictObject({
    kind: z.literal('concentrate-lsi'),
    feed: z.strictObject({ ...carbonateFeedFields, calciumMgL: within(limits.calciumMgL) }),
    recovery: z.number().min(0).max(0.99),
    saltPassage: z.number().min(0).max(1),
  }),
  z.strictObject({
    kind: z.literal('calcite-contact'),
    water: z.strictObject({
      tdsMgL: z.number().min(0.1).max(limits.tdsMgL.max),
      alkalinityMgL: z.number().min(0).max(limits.alkalinityMgL.max),
      calciumMgL: z.number().min(0).max(limits.calciumMgL.max),
      co2MgL: within(limits.co2MgL),
      temperatureC: within(limits.temperatureC),
    }),
    media: z.strictObject({
      bedVolumeL: within(limits.bedVolumeL),
      timeConstantMin: within(limits.timeConstantMin).optional(),
    }),
    flowLPerH: within(limits.flowLPerH),
  }),
  z.strictObject({
    kind: z.literal('normalise'),
    measured: readingsSchema,
    reference: readingsSchema,
  }),
]);

export type SolveRequest = z.infer<typeof solveRequestSchema>;
export const solveKinds = solveRequestSchema.options.map((option) => option.shape.kind.value);
