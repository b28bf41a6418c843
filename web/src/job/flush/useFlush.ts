import {
  flushOf,
  flushRecordOf,
  type JobBrief,
  type JobDocument,
  type Survey,
} from '@katharos/job';
import {
  type FeedWater,
  type FlushSchedule,
  flushFactsOf,
  flushSchedule,
  type FlushState,
  flushStates,
  type FlushStep,
  type InstalledSystem,
  type Outcome,
  type PlannedStep,
  type Plumbing,
} from '@katharos/core';
import { useMemo } from 'react';
import { useSession } from '../../data/session.ts';
import { useSizing } from '../open/sizingContext.ts';
import { remembered } from '../open/remembered.ts';
import { useDocument } from '../open/useJob.ts';
import { usePlumbing } from '../open/usePlumbing.ts';
import { useNow } from '../../timers/useNow.ts';

export type StepRecord = JobDocument['flush']['steps'][string];

/** A flush as it stands: its steps, what was recorded of them, and when each is. */
export interface Flush {
  design: InstalledSystem;
  water: FeedWater;
  steps: FlushStep[];
  /** How valves and water stand while each step is done. */
  states: FlushState[];
  records: JobDocument['flush']['steps'];
  schedule: FlushSchedule;
  /** As the list of what waits keeps it. */
  plan: PlannedStep[];
  now: number;
}

/** How often times that lie ahead are reckoned anew, ms. */
const wholeMinutes = 20_000;

type Ways = Parameters<typeof flushOf>[4];

const plannedIn = remembered(
  (
    survey: Survey,
    { sanitise, visits }: Pick<JobDocument['flush'], 'sanitise' | 'visits'>,
    design: InstalledSystem,
    known: JobBrief,
    plumbing: Plumbing,
    ways: Ways,
  ) => {
    const choice = {
      steps: {},
      ...(sanitise === undefined ? {} : { sanitise }),
      ...(visits === undefined ? {} : { visits }),
    };
    const outcome = flushOf({ survey, flush: choice }, design, known, plumbing, ways);
    if (!outcome.ok) return outcome;
    const steps = outcome.value;
    const { hotSide } = flushFactsOf(design, plumbing);
    const states = flushStates(design, steps, { hotSide });
    const plan = steps.map(({ id, code, minutes, attended, by }) => ({
      id,
      code,
      minutes,
      attended,
      by,
    }));
    return { ok: true as const, value: { steps, states, plan, water: known.task.waters.today } };
  },
);

/** The flush of the open job; null while what it follows from is not known. */
export function useFlush(design: InstalledSystem): Outcome<Flush> | null {
  const { survey, flush } = useDocument();
  const { brief } = useSizing();
  const known = brief?.ok ? brief.value : null;
  const plumbing = usePlumbing(design, known);
  const ways = useSession()?.firm.settings.flushing;
  const { sanitise, visits, steps: records } = flush;
  const choices = useMemo(() => ({ sanitise, visits }), [sanitise, visits]);
  const now = useNow(true, wholeMinutes);
  if (!known || !plumbing) return null;
  const planned = plannedIn(survey, choices, design, known, plumbing, ways);
  if (!planned.ok) return planned;
  const schedule = flushSchedule(planned.value.steps, (id) => flushRecordOf(records[id]), now);
  return { ok: true, value: { ...planned.value, design, records, schedule, now } };
}
