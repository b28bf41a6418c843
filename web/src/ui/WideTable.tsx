import type { ReactNode } from 'react';
import styles from './WideTable.module.css';

interface Props {
  /** Below this it scrolls sideways, pixels. */
  minWidth: number;
  label: string;
  className?: string | undefined;
  /** What its style sheet is to know of it. */
  style?: Record<`--${string}`, number>;
  children: ReactNode;
}

const tableWidth = (px: number): Record<`--${string}`, string> => ({
  '--table-min-width': `${px}px`,
});

/** A table that scrolls by itself on a narrow screen, reachable by keyboard as well. */
export const WideTable = ({ minWidth, label, className = '', style, children }: Props) => (
  <div
    className={`${styles.wide} ${className}`}
    style={{ ...style, ...tableWidth(minWidth) }}
    tabIndex={0}
    role="group"
    aria-label={label}
  >
    {children}
  </div>
);
