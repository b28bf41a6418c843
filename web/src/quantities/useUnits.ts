import { sayIn } from '@katharos/contract';
import type { UnitSystem } from '@katharos/core';
import { useMemo } from 'react';
import { useSessionQuery } from '../app/api.ts';
import { useAppSelector } from '../app/store.ts';

/** The reader's unit system and a writer in it. */
export function useUnits() {
  const own = useAppSelector((state) => state.units.own);
  const { data } = useSessionQuery();
  const system: UnitSystem = own ?? data?.firm.settings.units ?? 'metric';
  return useMemo(() => ({ system, say: sayIn(system) }), [system]);
}
