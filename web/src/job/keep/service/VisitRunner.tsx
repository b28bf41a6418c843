import type { ServiceStep } from '@katharos/core';
import { serviceWords } from '@katharos/words';
import { Button, Text } from '@mantine/core';
import { type ReactNode, useEffect, useRef } from 'react';
import { askToNotify, ring } from '../../../timers/ring.ts';
import { useNow } from '../../../timers/useNow.ts';
import { useReader } from '../../../ui/useReader.ts';
import { StepTimer } from '../../runner/StepTimer.tsx';
import { WholeScreen } from '../../runner/WholeScreen.tsx';
import styles from '../../runner/Runner.module.css';
import { BatchInput } from './BatchInput.tsx';
import { useVisit } from './useVisit.ts';

interface Props {
  id: string;
  steps: readonly ServiceStep[];
  list: ReactNode;
  onDone: (step: ServiceStep) => void;
  onBegin: (step: ServiceStep) => void;
  onClose: () => void;
}

/** How long a step takes its time; null for what is simply done. */
function minutesOf(step: ServiceStep | undefined): number | null {
  if (step?.code === 'run' || step?.code === 'bucket-flush') return step.data.minutes;
  return step?.code === 'sanitise-contact' ? step.data.contactMin : null;
}

/** A change-out a step at a time, for a phone beside the sink: the first that is not done, what to do, what proves it, its time. */
export function VisitRunner({ id, steps, list, onDone, onBegin, onClose }: Props) {
  const { visit } = useVisit(id);
  const reader = useReader();
  const current = steps.find((step) => !visit?.done?.[step.id]);
  const title = useRef<HTMLHeadingElement>(null);
  // Each step is read out as it appears.
  useEffect(() => title.current?.focus(), [current?.id]);
  const minutes = minutesOf(current);
  const begunAt = current && visit?.begun?.[current.id];
  const startedAt = begunAt ? Date.parse(begunAt) : null;
  const isRunning = minutes !== null && startedAt !== null;
  const now = useNow(isRunning);
  const leftS = minutes === null ? 0 : minutes * 60 - (isRunning ? (now - startedAt) / 1000 : 0);
  const isOver = isRunning && leftS <= 0;
  const words = current && serviceWords(current, reader);
  const name = words?.title ?? '';
  useEffect(() => {
    if (isOver) ring(`visit-${id}`, name, 'Its time is up. Is it clear?');
  }, [isOver, id, name]);
  if (!current || !words) {
    return (
      <WholeScreen label="Change-out" list={() => list} onClose={onClose}>
        <section className={styles.face} aria-label="This step">
          <div className={styles.what}>
            <h3 className={styles.title} ref={title} tabIndex={-1}>
              Every step is done
            </h3>
            <Text className={styles.instruction}>
              Look for drops once more before you leave, and again when you pass by.
            </Text>
          </div>
          <div className={styles.act}>
            <Button size="xl" mih={64} fullWidth onClick={onClose}>
              Back to the visit
            </Button>
          </div>
        </section>
      </WholeScreen>
    );
  }
  const begin = () => {
    askToNotify();
    onBegin(current);
  };
  return (
    <WholeScreen label="Change-out" list={() => list} onClose={onClose}>
      <section className={styles.face} aria-label="This step">
        <div className={styles.what}>
          <Text c="dimmed">
            Step {steps.indexOf(current) + 1} of {steps.length}
          </Text>
          <h3 className={styles.title} ref={title} tabIndex={-1}>
            {words.title}
          </h3>
          <Text className={styles.instruction}>{words.instruction}</Text>
          {words.caution && (
            <Text>
              <strong>Caution:</strong> {words.caution}
            </Text>
          )}
          {words.proof && (
            <Text>
              <strong>Done when:</strong> {words.proof}
            </Text>
          )}
          {before(steps, current)}
        </div>
        <div className={styles.act}>
          {minutes !== null && (
            <StepTimer totalS={minutes * 60} leftS={leftS} startedAt={startedAt} attended />
          )}
          {minutes !== null && !isRunning ? (
            <Button size="xl" mih={64} fullWidth onClick={begin}>
              Start the timer
            </Button>
          ) : (
            <Button
              size="xl"
              mih={64}
              fullWidth
              variant={isRunning && !isOver ? 'default' : 'filled'}
              onClick={() => onDone(current)}
            >
              {isRunning && !isOver ? 'Clear already' : 'Done'}
            </Button>
          )}
        </div>
      </section>
    </WholeScreen>
  );

  /** The batch of what the step before put in, while it is at hand. */
  function before(all: readonly ServiceStep[], step: ServiceStep): ReactNode {
    const last = all[all.indexOf(step) - 1];
    return last?.code === 'change' ? <BatchInput id={id} of={last.data.id} /> : null;
  }
}
