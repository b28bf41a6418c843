import type { ReactNode } from 'react';
import styles from './Paper.module.css';

interface Props {
  name: string;
  firm: string;
  /** What it is and its number, at the right of its head. */
  title: string;
  className?: string | undefined;
  children: ReactNode;
}

/** A paper as it is handed over: on screen a sheet, printed without its frame. */
export const Paper = ({ name, firm, title, className, children }: Props) => (
  // It takes the focus, so that a wide table in it is scrolled by keys.
  <article className={`${styles.paper} ${className ?? ''}`} aria-label={name} tabIndex={0}>
    <header className={styles.head}>
      <strong>{firm}</strong>
      <span>{title}</span>
    </header>
    {children}
  </article>
);

/** What a paper cannot say, at its end. */
export const Caveats = ({ lines }: { lines: readonly string[] }) =>
  lines.map((line) => (
    <p className={styles.caveat} key={line}>
      {line}
    </p>
  ));
