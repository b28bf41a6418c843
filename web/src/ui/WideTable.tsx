import type { CSSProperties, ReactNode } from 'react';
import styles from './WideTable.module.css';

interface Props {
  /** What is in it, for whoever does not see it. */
  label: string;
  /** Below this it scrolls sideways, pixels. */
  minWidth: number;
  /** Rows close to each other. */
  tight?: boolean;
  className?: string | undefined;
  style?: CSSProperties & Record<`--${string}`, number | string>;
  testId?: string;
  /** Its head and body. */
  children: ReactNode;
}

/** A table that scrolls by itself on a narrow screen, reachable by keyboard as well. */
export const WideTable = ({
  label,
  minWidth,
  tight = false,
  className = '',
  style,
  testId,
  children,
}: Props) => (
  <div
    className={`${styles.wide} ${className}`}
    style={{ ...style, '--table-min-width': `${minWidth}px` } as CSSProperties}
    tabIndex={0}
    role="group"
    aria-label={`${label}, scrolls sideways`}
  >
    <table aria-label={label} className={tight ? 'table tight' : 'table'} data-testid={testId}>
      {children}
    </table>
  </div>
);
