import { flushWords } from '@katharos/words';
import type { FlushStep } from '@katharos/core';
import { ActionIcon, Button, Modal } from '@mantine/core';
import IconList from '@tabler/icons-react/dist/esm/icons/IconList.mjs';
import IconX from '@tabler/icons-react/dist/esm/icons/IconX.mjs';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { LineMark } from '../../ui/LineMark.tsx';
import { clock } from '../../timers/clock.ts';
import { useReader } from '../../ui/useReader.ts';
import { useShortcuts } from '../../ui/useShortcuts.ts';
import { useDocument } from '../open/useJob.ts';
import { flushRecordOf } from '@katharos/job';
import type { Flush } from './useFlush.ts';
import { useNow } from '../../timers/useNow.ts';
import styles from './Flush.module.css';

interface Props {
  flush: Flush;
  shown: FlushStep;
  /** All steps, one swipe or key away. */
  list: ReactNode;
  onPick: (step: FlushStep) => void;
  onClose: () => void;
  children: ReactNode;
}

/** How far a finger goes sideways until it is a swipe, pixels. */
const swipePx = 70;

/** One step on the whole screen, for a phone propped against the cabinet door. */
export function Runner({ flush, shown, list, onPick, onClose, children }: Props) {
  const { customer } = useDocument();
  const [isListed, setListed] = useState(false);
  // Once a step was picked in it, the list has done its work.
  useEffect(() => setListed(false), [shown]);
  const touch = useRef<{ x: number; y: number } | null>(null);
  // Escape closes what lies on top of it first.
  const leave = () => {
    if (document.querySelectorAll('[role="dialog"]').length === 1) onClose();
  };
  useShortcuts([['l', () => setListed((before) => !before)]]);
  return (
    <Modal.Root opened fullScreen padding={0} onClose={leave} transitionProps={{ duration: 0 }}>
      <Modal.Content aria-label={`Flushing, ${customer.name}`}>
        <div
          className={styles.runner}
          onTouchStart={({ touches }) => {
            const finger = touches[0];
            touch.current = finger ? { x: finger.clientX, y: finger.clientY } : null;
          }}
          onTouchEnd={({ changedTouches }) => {
            const finger = changedTouches[0];
            const from = touch.current;
            if (!from || !finger) return;
            const [dx, dy] = [finger.clientX - from.x, finger.clientY - from.y];
            if (Math.abs(dx) > swipePx && Math.abs(dx) > 2 * Math.abs(dy)) setListed(true);
          }}
        >
          <div className={styles.runnerHead}>
            <strong>{customer.name}</strong>
            <LineMark />
            <Running flush={flush} shown={shown} onPick={onPick} />
            <ActionIcon
              variant="default"
              size={52}
              aria-label="All steps"
              onClick={() => setListed(true)}
            >
              <IconList size={26} />
            </ActionIcon>
            <ActionIcon
              variant="default"
              size={52}
              aria-label="Leave the whole screen"
              onClick={onClose}
            >
              <IconX size={26} />
            </ActionIcon>
          </div>
          {children}
        </div>
        <Modal
          opened={isListed}
          onClose={() => setListed(false)}
          size="lg"
          title="All steps"
          closeButtonProps={{ 'aria-label': 'Back to the step', size: 'lg' }}
        >
          {list}
        </Modal>
      </Modal.Content>
    </Modal.Root>
  );
}

/** What runs beside the step that is shown. */
function Running({ flush, shown, onPick }: Pick<Props, 'flush' | 'shown' | 'onPick'>) {
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
