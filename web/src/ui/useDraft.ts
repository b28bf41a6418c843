import { useState } from 'react';
import type { z } from 'zod';
import { forgetLocal, readLocal, writeLocal } from '../data/localStore.ts';

/** What stands in a form and is not handed in yet, kept in this browser so that a reload does not lose it. */
export function useDraft<S extends z.ZodType>(key: string, schema: S, initial: z.infer<S>) {
  const name = `typed:${key}`;
  const [draft, setDraft] = useState<z.infer<S>>(() => {
    const kept = schema.safeParse(readLocal(name));
    return kept.success ? kept.data : initial;
  });
  return {
    draft,
    change: (part: Partial<z.infer<S>>) => {
      const next = { ...(draft as object), ...part } as z.infer<S>;
      setDraft(next);
      writeLocal(name, next);
    },
    forget: () => forgetLocal(name),
  };
}
