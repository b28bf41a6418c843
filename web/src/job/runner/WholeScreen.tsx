import { ActionIcon, Modal } from '@mantine/core';
import IconList from '@tabler/icons-react/dist/esm/icons/IconList.mjs';
import IconX from '@tabler/icons-react/dist/esm/icons/IconX.mjs';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { LineMark } from '../../ui/LineMark.tsx';
import { useShortcuts } from '../../ui/useShortcuts.ts';
import { useDocument } from '../open/useJob.ts';
import styles from './Runner.module.css';

interface Props {
  /** What runs, for whoever does not see it. */
  label: string;
  /** The step that is shown: picking another closes the list. */
  shown: string;
  /** What stands in the head beside the household's name. */
  head?: ReactNode;
  /** All steps, one swipe or key away. */
  list: ReactNode;
  onClose: () => void;
  children: ReactNode;
}

/** How far a finger goes sideways until it is a swipe, pixels. */
const swipePx = 70;

/** One step on the whole screen, for a phone propped against the cabinet door. */
export function WholeScreen({ label, shown, head, list, onClose, children }: Props) {
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
      <Modal.Content aria-label={`${label}, ${customer.name}`}>
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
            {head}
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
