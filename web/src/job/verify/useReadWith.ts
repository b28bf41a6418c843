import type { KeptInstrument } from '@katharos/contract';
import { type InstrumentKind, instrumentOf } from '@katharos/core';
import {
  calibrationState,
  type JobDocument,
  readingOfKey,
  type UsedInstrument,
  type VerifyKey,
} from '@katharos/job';
import { today } from '../../data/today.ts';
import { useInstruments } from '../../instruments/useInstruments.ts';

type Verify = JobDocument['verify'];

/** An instrument as it stands today, for the record of a job. */
export function usedToday(instrument: KeptInstrument): UsedInstrument {
  const { accuracy, last, overdue } = calibrationState(instrument, today());
  const { id, name, serial } = instrument;
  return { id, name, serial, accuracy, calibratedOn: last?.on ?? null, overdue };
}

/** The firm's instruments that are in use, and which of them a reading is taken with. */
export function useReadWith() {
  const { instruments } = useInstruments();
  const inUse = (instruments ?? []).filter(({ away }) => !away);
  const ofKind = (kind: InstrumentKind) => inUse.filter((one) => one.kind === kind);
  /** Names what a reading was taken with, where the firm has only one such and nobody said otherwise. */
  const named = (verify: Verify, key: VerifyKey): Verify => {
    const kind = instrumentOf(readingOfKey[key]);
    if (!kind || verify.instruments?.[kind]) return verify;
    const [only, ...others] = ofKind(kind);
    if (!only || others.length > 0) return verify;
    return { ...verify, instruments: { ...verify.instruments, [kind]: usedToday(only) } };
  };
  return { ofKind, named, isKnown: instruments !== undefined };
}
