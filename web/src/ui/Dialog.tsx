import type { ReactNode } from 'react';
import { late } from './late.tsx';

export interface DialogProps {
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

/** A dialog that is open as long as it is drawn. Whatever opened it has the focus again afterwards. */
export const Dialog = late(async () => (await import('./DialogBox.tsx')).DialogBox);
