import { flushHandNames, flushWords } from '@katharos/words';
import type { FlushStep } from '@katharos/core';
import { Button } from '@mantine/core';
import { useReader } from '../../ui/useReader.ts';
import type { Flush } from './useFlush.ts';
import styles from '../runner/Runner.module.css';

interface Props {
  flush: Flush;
  current: FlushStep | undefined;
  onReopen: (step: FlushStep) => void;
  onPick: (step: FlushStep) => void;
}

/** Every step with its time and whose it is; one that is open can be looked at out of its turn, one that is done can be done again. */
export function StepList({ flush: { schedule, records }, current, onReopen, onPick }: Props) {
  const reader = useReader();
  return (
    <ol className={`panel ${styles.list}`} aria-label="All steps">
      {schedule.steps.map(({ step, startsAt }) => {
        const record = records[step.id];
        const done = record?.done;
        const { title } = flushWords(step, reader);
        return (
          <li
            key={step.id}
            data-now={step === current}
            aria-current={step === current ? 'step' : undefined}
          >
            <span className={styles.drop} data-done={!!done} aria-hidden />
            <span>
              <strong>{title}</strong>
              <span className="quiet">
                {step.minutes !== null && ` · ${reader.minutes(step.minutes)}`}
                {!done && ` · ${reader.when(startsAt, 'time')}`}
                {!done && record?.startedAt && ' · runs'}
                {!done && step.by !== 'installer' && ` · ${flushHandNames[step.by]}`}
                {done && ` · done ${reader.when(done.at, 'time')} by ${done.by}`}
                {done && record.reason && ` · ${record.reason}`}
              </span>
            </span>
            {done ? (
              <Button
                variant="subtle"
                size="sm"
                mih={44}
                onClick={() => onReopen(step)}
                aria-label={`Do again: ${title}`}
              >
                Again
              </Button>
            ) : (
              step !== current && (
                <Button
                  variant="subtle"
                  size="sm"
                  mih={44}
                  onClick={() => onPick(step)}
                  aria-label={`Look at: ${title}`}
                >
                  Look
                </Button>
              )
            )}
          </li>
        );
      })}
    </ol>
  );
}
