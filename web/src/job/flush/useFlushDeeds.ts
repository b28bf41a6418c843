import {
  type EndKind,
  type FlushStep,
  type FlushVisits,
  type PlannedStep,
  type SeenSign,
} from '@katharos/core';
import type { JobDocument } from '@katharos/job';
import { useMemo } from 'react';
import { v4 as newId } from 'uuid';
import { useEdit } from '../open/useJob.ts';
import { deviceId } from './device.ts';
import type { StepRecord } from './useFlush.ts';

type Flush = JobDocument['flush'];
type Reading = NonNullable<Flush['readings']>[string];

const nothingYet: StepRecord = { startedAt: null, done: null };

/** How a step came to its end. */
export interface Ending {
  reason?: string;
  endedUnseen?: true;
  seen?: EndKind[];
}

/** What is done to the flush of the open job; each is one deed, kept at once. The one who does something leads. */
export function useFlushDeeds(plan: readonly PlannedStep[]) {
  const { edit, stamp } = useEdit();
  return useMemo(() => {
    const change = (how: (flush: Flush) => Partial<Flush>, of: string | null = null) =>
      edit(({ flush }) => ({ flush: { ...flush, ...how(flush) } }), of);
    const record = (id: string, how: (before: StepRecord) => StepRecord) =>
      change((flush) => ({
        steps: { ...flush.steps, [id]: how(flush.steps[id] ?? nothingYet) },
        plan: [...plan],
        lead: leading(flush),
      }));
    const leading = ({ lead }: Flush): NonNullable<Flush['lead']> =>
      lead?.device === deviceId() ? lead : { device: deviceId(), ...stamp() };
    return {
      start: ({ id, minutes }: FlushStep) =>
        record(id, (before) => ({
          ...before,
          startedAt: stamp().at,
          done: null,
          ...(minutes === null ? {} : { minutes }),
        })),
      finish: ({ id }: FlushStep, ending: Ending = {}) =>
        record(id, (before) => {
          const done = stamp();
          return { ...before, ...ending, startedAt: before.startedAt ?? done.at, done };
        }),
      reopen: ({ id }: FlushStep) => record(id, () => nothingYet),
      look: ({ id }: FlushStep, kind: EndKind, isSeen: boolean) =>
        record(id, ({ seen = [], ...before }) => {
          const next = isSeen
            ? [...seen.filter((one) => one !== kind), kind]
            : seen.filter((one) => one !== kind);
          return next.length > 0 ? { ...before, seen: next } : before;
        }),
      read: ({ id }: FlushStep, reading: Pick<Reading, 'of' | 'value' | 'unit'>) =>
        change(({ readings }) => ({
          readings: { ...readings, [newId()]: { ...reading, step: id, ...stamp() } },
        })),
      dropReading: (reading: string) =>
        change(({ readings = {} }) => {
          const { [reading]: _gone, ...others } = readings;
          return { readings: others };
        }),
      trouble: ({ id }: FlushStep, sign: SeenSign, cause: string | null, isMended: boolean) =>
        change(({ troubles }) => {
          const at = stamp();
          const entry = { step: id, sign, cause, ...at, mended: isMended ? at : null };
          return { troubles: { ...troubles, [newId()]: entry } };
        }),
      note: (id: string, text: string, of: string) =>
        change(({ notes = {} }) => {
          const { [id]: _before, ...others } = notes;
          return { notes: text === '' ? others : { ...others, [id]: text } };
        }, of),
      lead: () => change(() => ({ lead: { device: deviceId(), ...stamp() } })),
      sanitise: (isWanted: boolean) => change(() => ({ sanitise: isWanted })),
      visits: (visits: FlushVisits) => change(() => ({ visits })),
    };
  }, [edit, stamp, plan]);
}

export type FlushDeeds = ReturnType<typeof useFlushDeeds>;
