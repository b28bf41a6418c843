import { ActionIcon, Modal } from '@mantine/core';
import IconList from '@tabler/icons-react/dist/esm/icons/IconList.mjs';
import IconX from '@tabler/icons-react/dist/esm/icons/IconX.mjs';
import { type ReactNode, useRef, useState } from 'react';
import { LineMark } from '../../ui/LineMark.tsx';
import { useShortcuts } from '../../ui/useShortcuts.ts';
import { useDocument } from '../open/useJob.ts';
import styles from './Runner.module.css';

interface Props {
  /** What runs, for whoever does not see it. */
  label: string;
  /** What stands in the head beside the household's name. */
  head?: ReactNode;
  /** All steps, one swipe or key away. It is closed by picking one in it, never by what happens to the steps meanwhile. */
  list: (close: () => void) => ReactNode;
  onClose: () => void;
  children: ReactNode;
}

/** How far a finger goes sideways until it is a swipe, pixels. */
const swipePx = 70;

/** One step on the whole screen, for a phone propped against the cabinet door. */
export function WholeScreen({ label, head, list, onClose, children }: Props) {
  const { customer } = useDocument();
  const [isListed, setListed] = useState(false);
  const touch = useRef<{ x: number; y: number } | null>(null);
  // Escape closes what lies on top of it first.
  const leave = () => {
    if (document.querySelectorAll('[role="dialog"]').length === 1) onClose();
  };
  const closeList = () => setListed(false);
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
          onClose={closeList}
          size="lg"
          title="All steps"
          closeButtonProps={{ 'aria-label': 'Back to the step', size: 'lg' }}
        >
          {list(closeList)}
        </Modal>
      </Modal.Content>
    </Modal.Root>
  );
}
