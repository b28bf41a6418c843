import { limits, purposeIons, purposes } from '@katharos/core';
import { z } from 'zod';

/** What a job's paper may say, from what was checked. */

const leakLook = z.enum(['dry', 'leak', 'not-done']);
const chance = z.number().min(0).max(1);
const concentration = z.number().min(0).max(limits.tdsMgL.max);

export const certifySchema = z.strictObject({
  kind: z.literal('certify'),
  train: z.strictObject({
    membrane: z.boolean(),
    tank: z.boolean(),
    pump: z.boolean(),
    carbon: z.boolean(),
    lamp: z.enum(['always-on', 'on-demand']).nullable(),
  }),
  supply: z.strictObject({
    source: z.enum(['mains', 'well', 'lake', 'rain', 'unknown']),
    safe: z.boolean().nullable(),
    disinfectant: z.enum(['none', 'chlorine', 'chloramine', 'unknown']),
  }),
  purposes: z.array(z.enum(purposes)).max(purposes.length),
  checks: z.strictObject({
    leaks: z.strictObject({ filled: leakLook, pressure: leakLook, tankFull: leakLook }),
    stops: z.enum(['stops', 'runs-on', 'not-done']),
    germs: z.strictObject({
      result: z.enum(['none-found', 'found', 'awaited', 'not-done']),
      sampled: z.enum(['after', 'before']).nullable(),
    }),
    chlorine: z.strictObject({
      totalMgL: concentration.nullable(),
      freeMgL: concentration.nullable(),
    }),
    lamp: z.strictObject({
      dose: z.enum(['held', 'too-low', 'not-known']),
      alarm: z.enum(['quiet', 'sounds', 'not-looked']),
    }),
    ions: z.partialRecord(
      z.enum(purposeIons),
      z.strictObject({ mgL: concentration, limitMgL: concentration }).nullable(),
    ),
  }),
  readings: z.strictObject({
    feedTds: z.boolean(),
    productTds: z.boolean(),
    productFlow: z.boolean(),
    drainFlow: z.boolean(),
  }),
  judged: z
    .strictObject({
      sound: chance,
      limits: z.strictObject({ rejection: chance, productTds: chance }),
    })
    .nullable(),
});
