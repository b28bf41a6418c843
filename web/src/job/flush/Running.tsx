import type { FlushStep } from '@katharos/core';
import { flushRecordOf } from '@katharos/job';
import { flushWords } from '@katharos/words';
import { Button } from '@mantine/core';
import { clock } from '../../timers/clock.ts';
import { useNow } from '../../timers/useNow.ts';
import { useReader } from '../../ui/useReader.ts';
import type { Flush } from './useFlush.ts';

interface Props {
  flush: Flush;
  shown: FlushStep;
  onPick: (step: FlushStep) => void;
}

/** What runs beside the step that is shown. */
export function Running({ flush, shown, onPick }: Props) {
  const reader = useReader();
  const running = flush.steps.flatMap((step) => {
    const record = flushRecordOf(flush.records[step.id]);
    const minutes = flush.records[step.id]?.minutes ?? step.minutes;
    return step !== shown &&
      typeof record?.startedAt === 'number' &&
      record.doneAt === null &&
      minutes !== null
      ? [{ step, endsAt: record.startedAt + minutes * 60_000 }]
      : [];
  });
  const now = useNow(running.length > 0);
  return running.map(({ step, endsAt }) => (
    <Button key={step.id} variant="light" mih={52} onClick={() => onPick(step)}>
      {flushWords(step, reader).title}: {clock(Math.max(0, (endsAt - now) / 1000))}
    </Button>
  ));
}
