import { type Analyte, analytes } from '@katharos/core';
import { fault } from '../fields/schemaFault.ts';
import { isPlainText } from '../fields/plainText.ts';
import { text } from '../fields/text.ts';
import { z } from 'zod';

/**
 * A laboratory's report as it came, with what a person chose where the columns or rows could not be told. What follows from it
 * (amounts, refusals, balances) is read from it anew, so that nothing of the report is ever lost.
 */
export const laboratorySchema = z.strictObject({
  name: text(120),
  text: z
    .string()
    .max(60000, 'A report longer than 60,000 characters is not one water’s.')
    .refine(isPlainText, fault('unprintable')),
  /** Columns chosen by hand, counted from 0; absent while they are recognised. */
  columns: z
    .strictObject({
      name: z.int().min(0).max(200),
      value: z.int().min(0).max(200),
      unit: z.int().min(0).max(200).nullable(),
    })
    .optional(),
  /** By line of the report: what was chosen instead of what was recognised; null leaves the line out. */
  choices: z.record(
    z.string().max(6),
    z.strictObject({
      analyte: z
        .enum(analytes as [Analyte, ...Analyte[]])
        .nullable()
        .optional(),
      unit: z.string().max(30).optional(),
    }),
  ),
  readAt: z.iso.datetime(),
  by: z.string().trim().max(120),
});
export type LaboratoryReport = z.infer<typeof laboratorySchema>;
