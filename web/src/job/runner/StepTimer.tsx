import { Text } from '@mantine/core';
import { useReader } from '../../ui/useReader.ts';
import { clock } from '../../timers/clock.ts';
import styles from './Runner.module.css';

interface Props {
  totalS: number;
  leftS: number;
  /** Null while it does not run. */
  startedAt: number | null;
  attended: boolean;
}

/** Time left, as large as it goes, and when it ends on the clock. */
export function StepTimer({ totalS, leftS, startedAt, attended }: Props) {
  const reader = useReader();
  const isOver = startedAt !== null && leftS <= 0;
  const share = totalS > 0 ? Math.min(100, Math.max(0, 100 - (leftS / totalS) * 100)) : 0;
  const endsAt = (startedAt ?? 0) + totalS * 1000;
  return (
    <div className={styles.timer}>
      <div className={styles.clock} role="timer" aria-label="Time left">
        {clock(Math.max(0, leftS))}
      </div>
      <div className={styles.bar} aria-hidden>
        <div style={{ width: `${share}%` }} />
      </div>
      <Text c="dimmed">
        {startedAt === null
          ? `Takes ${reader.minutes(totalS / 60)}`
          : isOver
            ? `Time is up, ${reader.minutes(-leftS / 60)} ago. Is the proof there?`
            : `Ready at ${reader.when(endsAt, 'time')}`}
      </Text>
      {startedAt !== null && !isOver && !attended && (
        <Text fw={600} className={styles.leave}>
          Leave now and come back at {reader.when(endsAt, 'time')}.
        </Text>
      )}
    </div>
  );
}
