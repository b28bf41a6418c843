import { Modal } from '@mantine/core';
import { type ReactNode, useEffect, useState } from 'react';

interface Props {
  title: string;
  onClose: () => void;
  size?: 'md' | 'lg' | 'xl';
  /** What closing it leads to, for whoever does not see it. */
  closeLabel?: string;
  /** It goes only with an answer. */
  mustAnswer?: boolean;
  /** It may be asked for by another dialog, and lies on top of it. */
  above?: boolean;
  children: ReactNode;
}

/** What a dialog is drawn with: loaded with the first that is opened. */
export function DialogBox({
  title,
  onClose,
  size = 'md',
  closeLabel = 'Close',
  mustAnswer = false,
  above = false,
  children,
}: Props) {
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
