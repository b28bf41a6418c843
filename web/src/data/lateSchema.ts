import type { StandardSchemaV1 } from '@standard-schema/spec';

/**
 * A schema that comes with the first answer it is asked to check: no page waits for it before it asks, and none is drawn by what was
 * not checked. Where its code does not come, the answer counts as one that could not be read.
 */
export const lateSchema = <T>(
  load: () => Promise<StandardSchemaV1<T, T>>,
): StandardSchemaV1<T, T> => ({
  '~standard': {
    version: 1,
    vendor: 'katharos',
    validate: async (value) => (await load())['~standard'].validate(value),
  },
});
