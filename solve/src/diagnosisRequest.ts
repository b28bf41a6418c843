import {
  faultCodes,
  isLook,
  limits,
  readingCodes,
  readingExists,
  type ReadingCode,
  samplePoints,
} from '@katharos/core';
import {
  filterDropSchema,
  pumpSchema,
  restrictorSchema,
  shutoffSchema,
  within,
} from '@katharos/job';
import { z } from 'zod';
import { membraneBankSchema, tapLineFields } from './parts.ts';

/** The two kinds that share a tested system: what a fault would show, and which fault shows what was read. */

const testedSystemSchema = z.strictObject({
  feed: z.strictObject({
    tdsMgL: within(limits.tdsMgL),
    temperatureC: within(limits.temperatureC),
    pressureBar: within(limits.supplyPressureBar),
    chlorineMgL: z.number().min(0).max(100).optional(),
    alkalinityMgL: within(limits.alkalinityMgL),
    calciumMgL: within(limits.calciumMgL),
    pH: within(limits.pH),
  }),
  membrane: membraneBankSchema,
  restrictor: restrictorSchema,
  prefilters: filterDropSchema.optional(),
  pump: pumpSchema.optional(),
  tank: z
    .strictObject({
      volumeL: within(limits.tankVolumeL),
      prechargeBar: within(limits.prechargeBar),
    })
    .optional(),
  tankElevationM: within(limits.riseM).optional(),
  shutoff: shutoffSchema,
  tapLine: z.strictObject(tapLineFields),
  remineralisation: z
    .strictObject({
      bedVolumeL: within(limits.bedVolumeL),
      timeConstantMin: within(limits.timeConstantMin).optional(),
    })
    .optional(),
  gaugePort: z.boolean(),
});

const shared = {
  system: testedSystemSchema,
  samplePoint: z.enum(samplePoints).optional(),
  meterReferenceMgL: z.number().gt(0).max(limits.tdsMgL.max).optional(),
};

export const simulateFaultSchema = z.strictObject({
  kind: z.literal('simulate-fault'),
  ...shared,
  fault: z.enum(faultCodes),
  severity: z.number().min(0).max(1e6).nullish(),
});

const figure = z.number().min(0).max(1e6);
const readingSchema = (code: ReadingCode) =>
  isLook(code)
    ? z.boolean().optional()
    : z
        .union([
          figure,
          z.null(),
          z.strictObject({ value: figure, standardUncertainty: z.number().gt(0).max(1e6) }),
        ])
        .optional();
type ReadingSchemas = Record<ReadingCode, ReturnType<typeof readingSchema>>;
const readingsSchema = z.strictObject(
  Object.fromEntries(readingCodes.map((code) => [code, readingSchema(code)])) as ReadingSchemas,
);

const uncertainty = z.number().gt(0).max(1000);
const instrumentsSchema = z.strictObject({
  tdsMeterPercent: uncertainty.optional(),
  tdsMeterDigitMgL: uncertainty.optional(),
  thermometerC: uncertainty.optional(),
  gaugePercentOfFullScale: uncertainty.optional(),
  gaugeFullScaleBar: uncertainty.optional(),
  tankGaugeFullScaleBar: uncertainty.optional(),
  jugPercent: uncertainty.optional(),
  watchS: uncertainty.optional(),
});

export const diagnoseSchema = z
  .strictObject({
    kind: z.literal('diagnose'),
    ...shared,
    instruments: instrumentsSchema.optional(),
    readings: readingsSchema,
  })
  .superRefine(({ system, readings }, context) => {
    for (const code of readingCodes) {
      if (readings[code] === undefined || readingExists(code, system)) continue;
      context.addIssue({
        code: 'custom',
        path: ['readings', code],
        message: 'This system has nothing where that could be read.',
      });
    }
  });
