import { Modal } from '@mantine/core';
import type { ReactNode } from 'react';
import { useFocusBack } from './useFocusBack.ts';

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
  useFocusBack();
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
