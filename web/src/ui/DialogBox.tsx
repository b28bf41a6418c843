import { Modal } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { DialogProps } from './Dialog.tsx';

/** What a dialog is drawn with: loaded with the first that is opened. */
export function DialogBox({
  title,
  onClose,
  size = 'md',
  closeLabel = 'Close',
  mustAnswer = false,
  above = false,
  children,
}: DialogProps) {
  // What opened it, as no box in the dialog has the focus yet: it has it again when the dialog goes, however it goes.
  const [opener] = useState(() => document.activeElement);
  useEffect(
    () => () => {
      setTimeout(() => {
        const isElsewhere = document.activeElement && document.activeElement !== document.body;
        if (!isElsewhere && opener instanceof HTMLElement) opener.focus({ preventScroll: true });
      });
    },
    [opener],
  );
  return (
    <Modal
      opened
      onClose={onClose}
      title={title}
      size={size}
      withCloseButton={!mustAnswer}
      closeOnEscape={!mustAnswer}
      closeOnClickOutside={!mustAnswer}
      closeButtonProps={{ 'aria-label': closeLabel, size: 'lg' }}
      {...(above && { zIndex: 400 })}
    >
      {children}
    </Modal>
  );
}
