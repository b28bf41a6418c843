import { limits } from '@katharos/core';
import { filterDropSchema, membraneRatingSchema, within } from '@katharos/job';
import { z } from 'zod';

/** Parts that several kinds of request share. */

export const membraneBankSchema = membraneRatingSchema.extend({
  count: z.int().min(limits.elementCount.min).max(limits.elementCount.max).optional(),
  arrangement: z.enum(['series', 'parallel']).optional(),
  flowFactor: within(limits.ageFactor).optional(),
  saltPassageFactor: within(limits.ageFactor).optional(),
});

export const tubeSchema = z.strictObject({
  innerDiameterMm: within(limits.innerDiameterMm),
  lengthM: within(limits.lengthM),
});

export const tapLineFields = {
  tubes: z.array(tubeSchema).max(50),
  tapKv: within(limits.tapKv),
  riseM: within(limits.riseM).optional(),
  postFilter: filterDropSchema.optional(),
};
