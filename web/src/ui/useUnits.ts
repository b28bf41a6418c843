import { sayIn } from '@katharos/words';
import type { UnitSystem } from '@katharos/core';
import { useSession } from '../data/session.ts';
import { useAppSelector } from '../data/store.ts';
import { useMemo } from 'react';

/** The reader's unit system and a writer in it. */
export function useUnits() {
  const own = useAppSelector((state) => state.reader.units);
  const session = useSession();
  const system: UnitSystem = own ?? session?.firm.settings.units ?? 'metric';
  return useMemo(() => ({ system, say: sayIn(system) }), [system]);
}
