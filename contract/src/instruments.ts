import { calibrationSchema, instrumentSchema } from '@katharos/job';
import { z } from 'zod';

/** A firm's instruments with their calibration logs. */

const loggedSchema = calibrationSchema.extend({ id: z.uuid(), by: z.string() });
export type LoggedCalibration = z.infer<typeof loggedSchema>;

const keptSchema = instrumentSchema.safeExtend({ calibrations: z.array(loggedSchema) });
export type KeptInstrument = z.infer<typeof keptSchema>;

export const instrumentListSchema = z.object({ instruments: z.array(keptSchema) });
