import { ActionIcon } from '@mantine/core';
import { useFocusTrap, useWindowEvent } from '@mantine/hooks';
import IconList from '@tabler/icons-react/dist/esm/icons/IconList.mjs';
import IconX from '@tabler/icons-react/dist/esm/icons/IconX.mjs';
import { type ReactNode, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { Dialog } from '../../ui/Dialog.tsx';
import { LineMark } from '../../ui/LineMark.tsx';
import { useFocusBack } from '../../ui/useFocusBack.ts';
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
  const trap = useFocusTrap();
  useFocusBack();
  useWindowEvent(
    'keydown',
    ({ key }) => {
      // Escape closes what lies on top of it first.
      if (key === 'Escape' && document.querySelectorAll('[role="dialog"]').length === 1) onClose();
    },
    { capture: true },
  );
  const closeList = () => setListed(false);
  useShortcuts([['l', () => setListed((before) => !before)]]);
  return createPortal(
    <div
      ref={trap}
      role="dialog"
      aria-modal
      aria-label={`${label}, ${customer.name}`}
      className={styles.whole}
    >
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
      {isListed && (
        <Dialog onClose={closeList} size="lg" title="All steps" closeLabel="Back to the step">
          {list(closeList)}
        </Dialog>
      )}
    </div>,
    document.body,
  );
}
