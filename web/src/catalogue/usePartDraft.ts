import { useState } from 'react';
import { z } from 'zod';
import { forgetLocal, readLocal, writeLocal } from '../data/localStore.ts';
import type { Values } from './PartForm.tsx';

const schema = z.object({
  part: z.record(z.string(), z.unknown()),
  /** What it was changed from; null for a part that is not there yet. */
  version: z.int().nullable(),
});
type Draft = z.infer<typeof schema>;

/**
 * A part that is being changed, kept in this browser so that a reload does not lose it. While nothing is changed there is no draft, and
 * what is shown follows the catalogue.
 */
export function usePartDraft(key: string, present: { part: Values; version: number | null }) {
  const name = `typed:${key}`;
  const [draft, setDraft] = useState<Draft | null>(() => {
    const kept = schema.safeParse(readLocal(name));
    return kept.success ? kept.data : null;
  });
  return {
    ...(draft ?? present),
    isDraft: draft !== null,
    change: (part: Values) => {
      const next = { part, version: draft ? draft.version : present.version };
      setDraft(next);
      writeLocal(name, next);
    },
    drop: () => {
      setDraft(null);
      forgetLocal(name);
    },
  };
}
