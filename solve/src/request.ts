import { limits } from '@katharos/core';
import {
  feedSchema,
  filterDropSchema,
  pumpSchema,
  restrictorSchema,
  shutoffSchema,
  tankSchema,
  within,
} from '@katharos/job';
import { z } from 'zod';
import { certifySchema } from './certifyRequest.ts';
import { diagnoseSchema, simulateFaultSchema } from './diagnosisRequest.ts';
import { membraneBankSchema, tapLineFields, tubeSchema } from './parts.ts';
import { trendSchema } from './trendRequest.ts';

/** Schemas of the requests that `npm run solve` answers, one a line. A documented interface: fields are added, never renamed. */

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

/** A share with its ends left out: none of it and all of it are no plan. */
const share = z.number().gt(0).lt(1);
const volume = z.number().min(0.001).max(1000);
const flow = z.number().min(0.001).max(1000);
const minutes = z.number().min(0).max(10_000);
const cycles = z.int().min(0).max(50);
const strength = z.number().min(0).max(1e6);

const flushPlanSchema = z
  .strictObject({
    kind: z.literal('flush-plan'),
    ...systemFields,
    tapLine: z.strictObject(tapLineFields).optional(),
    tank: tankSchema.optional(),
    shutoff: shutoffSchema.optional(),
    openTank: z.strictObject({ volumeL: volume, emptyFlowLPerMin: flow }).optional(),
    permeateBackPressureBar: within(limits.backPressureBar).optional(),
    preservative: z
      .strictObject({
        firstPermeateMgL: strength.optional(),
        massMg: strength.optional(),
        holdUpL: volume.optional(),
        tailShare: z.number().min(0).lt(1).optional(),
        tailVolumeL: volume.optional(),
      })
      .refine(
        ({ firstPermeateMgL, massMg }) =>
          (firstPermeateMgL === undefined) !== (massMg === undefined),
        'Give either the strength of the first product or the mass of preservative.',
      ),
    targetShare: share.optional(),
    leastCycles: cycles.optional(),
    mostCycles: cycles.optional(),
    leastMinutes: minutes.optional(),
    rinseMin: minutes.optional(),
    heelShare: z.number().min(0).lt(1).optional(),
    trickleLPerMin: z.number().min(0.001).max(1000).optional(),
    drain: z
      .strictObject({
        feed: z.enum(['open', 'closed']).optional(),
        reopensBar: within(limits.cutoutBar).optional(),
      })
      .optional(),
    restMin: minutes.optional(),
    postStagesL: z.array(volume).max(20).optional(),
    prefilterFlush: z
      .strictObject({
        school: z.enum(['together', 'one-by-one']),
        cartridges: z.int().min(1).max(50),
        minutesEach: minutes,
        flowLPerMin: flow,
      })
      .optional(),
    sanitising: z
      .strictObject({
        stagesL: z.array(volume).min(1).max(20),
        tubes: z.array(tubeSchema).max(50).optional(),
        doseMgL: z.number().gt(0).max(10_000).optional(),
        bleachGPerL: z.number().gt(0).max(1000).optional(),
        contactMin: minutes.optional(),
        decayPerH: z.number().min(0).max(1000).optional(),
        feedChlorineMgL: z.number().min(0).max(100).optional(),
        residualMgL: z.number().gt(0).max(100).optional(),
        rinseFlowLPerMin: flow,
      })
      .optional(),
    dispenser: z
      .strictObject({
        tanks: z
          .array(z.strictObject({ volumeL: volume, heelShare: share, outFlowLPerMin: flow }))
          .min(1)
          .max(20),
        fillFlowLPerMin: flow,
        leastRinses: cycles.optional(),
        targetShare: share.optional(),
      })
      .optional(),
  })
  .superRefine(({ tank, shutoff, openTank, tapLine }, context) => {
    const missing = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (tank && openTank) missing('openTank', 'A system has one tank: leave one of the two out.');
    if (tank && !shutoff) missing('shutoff', 'A tank needs what stops its filling.');
    if (shutoff && !tank) missing('shutoff', 'Without a tank there is nothing to shut off.');
    if (!openTank && !tapLine) missing('tapLine', 'Give the way to the tap.');
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
  flushPlanSchema,
  simulateFaultSchema,
  diagnoseSchema,
  trendSchema,
  certifySchema,
  z.strictObject({
    kind: z.literal('normalise'),
    measured: readingsSchema,
    reference: readingsSchema,
  }),
]);

export type SolveRequest = z.infer<typeof solveRequestSchema>;
export const solveKinds = solveRequestSchema.options.map((option) => option.shape.kind.value);
