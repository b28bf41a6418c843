import { instrumentKinds } from '@katharos/core';
import { z } from 'zod';
import { fault } from './schemaFault.ts';
import { text, wantedText } from './text.ts';

/** A firm's instruments, and how each was held against something known. */

const day = z.iso.date();

const accuracySchema = z.strictObject({
  percent: z.number().min(0).max(50),
  absolute: z.number().min(0).max(100),
  fullScaleBar: z.number().min(0).max(100),
});

export const instrumentSchema = z
  .strictObject({
    id: z.uuid(),
    kind: z.enum(instrumentKinds),
    name: wantedText(80, fault('instrument-name-missing')),
    serial: text(60),
    /** mg/L that a pen shows for each microsiemens per centimetre; null for whatever is no pen. */
    tdsPerConductivity: z.number().min(0.3).max(1).nullable(),
    accuracy: accuracySchema,
    /** In use since. */
    since: day,
    everyMonths: z.int().min(1).max(120).nullable(),
    /** Broken, lost or given away: kept for the papers that name it. */
    away: z.boolean(),
  })
  .refine(
    ({ kind, accuracy }) =>
      !(kind === 'gauge' || kind === 'tank-gauge') || accuracy.fullScaleBar > 0,
    { path: ['accuracy', 'fullScaleBar'], message: fault('full-scale-missing') },
  );
export type Instrument = z.infer<typeof instrumentSchema>;

/** One look at an instrument with something known; never changed, only followed by the next. */
export const calibrationSchema = z.strictObject({
  on: day,
  /** A reference solution and its lot, another gauge, ice water. */
  against: wantedText(120, fault('reference-missing')),
  /** In the core's unit of what the instrument reads. */
  shown: z.number().min(-50).max(100000),
  truth: z.number().min(-50).max(100000),
  adjusted: z.boolean(),
});
export type Calibration = z.infer<typeof calibrationSchema>;

/** What a job was read with, as it stood that day. */
export const usedInstrumentSchema = z.strictObject({
  id: z.uuid(),
  name: text(80),
  serial: text(60),
  accuracy: accuracySchema,
  calibratedOn: day.nullable(),
  overdue: z.boolean(),
});
export type UsedInstrument = z.infer<typeof usedInstrumentSchema>;
