import type { KeptInstrument } from '@katharos/contract';
import { useMemo } from 'react';
import { useInstrumentsQuery } from '../data/jobApi.ts';
import { instrumentsLane, type KeptDeed } from '../data/line/deeds.ts';
import { useWaitingDeeds } from '../data/line/useWaitingDeeds.ts';

/** The firm's instruments as the server has them, with what waits here to be sent over them. */
export function useInstruments() {
  const { data, error, refetch } = useInstrumentsQuery();
  const waiting = useWaitingDeeds(instrumentsLane);
  const instruments = useMemo(
    () => data && waiting.reduce(withDeed, data.instruments),
    [data, waiting],
  );
  return { instruments, waits: waiting.length > 0, error, refetch };
}

function withDeed(instruments: KeptInstrument[], deed: KeptDeed): KeptInstrument[] {
  if (deed.kind === 'instrument') {
    const { instrument } = deed;
    const old = instruments.find(({ id }) => id === instrument.id);
    const next = { ...instrument, calibrations: old?.calibrations ?? [] };
    return old
      ? instruments.map((one) => (one === old ? next : one))
      : [...instruments, next].sort((a, b) => a.name.localeCompare(b.name));
  }
  if (deed.kind !== 'calibration') return instruments;
  const line = { ...deed.calibration, id: deed.id, by: 'Kept here, to be sent' };
  return instruments.map((one) =>
    one.id === deed.instrumentId ? { ...one, calibrations: [line, ...one.calibrations] } : one,
  );
}
