import { flushWords } from '@katharos/words';
import type { FlushStep } from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import { useNow } from './useNow.ts';
import { Button, Text } from '@mantine/core';
import { useEffect, useRef } from 'react';
import styles from './Flush.module.css';

interface Props {
  step: FlushStep;
  position: number;
  of: number;
  startedAt: string | null;
  /** Whether its title takes the focus when it appears: then it is read out, and the keyboard stands at it. */
  takesFocus: boolean;
  onStart: () => void;
  onDone: () => void;
}

/** The step that is to be done now, readable from the cabinet floor. Its timer is the moment it was started, so a reload changes nothing. */
export function StepCard({ step, position, of, startedAt, takesFocus, onStart, onDone }: Props) {
  const title = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (takesFocus) title.current?.focus();
  }, [takesFocus]);
  const reader = useReader();
  const words = flushWords(step, reader);
  const running = startedAt !== null && step.minutes !== null;
  const now = useNow(running);
  const totalS = Math.round((step.minutes ?? 0) * 60);
  const leftS = running ? totalS - (now - Date.parse(startedAt)) / 1000 : totalS;
  const over = running && leftS <= 0;
  useEffect(() => {
    if (over && 'vibrate' in navigator) navigator.vibrate([300, 150, 300]);
  }, [over]);
  return (
    <section className={`panel ${styles.card}`} aria-label="This step">
      <div className={styles.what}>
        <Text c="dimmed">
          Step {position} of {of}
          {step.attended ? '' : ' · nobody has to stand by'}
        </Text>
        <h3 className={styles.title} ref={title} tabIndex={-1}>
          {words.title}
        </h3>
        <Text className={styles.instruction}>{words.instruction}</Text>
        {words.caution && (
          <Text className={`tone warn ${styles.caution}`}>
            <span>{words.caution}</span>
          </Text>
        )}
        <Text>
          <strong>Done when:</strong> {words.proof}
        </Text>
      </div>
      {step.minutes !== null && (
        <div className={styles.timer}>
          <div className={styles.clock} role="timer" aria-label="Time left">
            {clock(Math.max(0, leftS))}
          </div>
          <div className={styles.bar} aria-hidden>
            <div
              style={{
                width: `${totalS > 0 ? Math.min(100, Math.max(0, 100 - (leftS / totalS) * 100)) : 0}%`,
              }}
            />
          </div>
          <Text c="dimmed">
            {over
              ? `Time is up, ${reader.minutes(-leftS / 60)} ago. Is the proof there?`
              : running
                ? `Ready at ${reader.when(Date.parse(startedAt) + totalS * 1000, 'time')}`
                : `Takes ${reader.minutes(step.minutes)}`}
          </Text>
        </div>
      )}
      <div className={styles.act}>
        {step.minutes !== null && !running ? (
          <Button size="xl" mih={64} fullWidth onClick={onStart}>
            Start the timer
          </Button>
        ) : (
          <Button
            size="xl"
            mih={64}
            fullWidth
            onClick={onDone}
            variant={running && !over ? 'default' : 'filled'}
          >
            {running && !over ? 'Done already' : 'Done'}
          </Button>
        )}
      </div>
    </section>
  );
}

/** Hours only where there are any: 1:04:09, 12:30. */
function clock(seconds: number): string {
  const whole = Math.ceil(seconds);
  const two = (n: number) => String(n).padStart(2, '0');
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}
