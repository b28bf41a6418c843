import type { ReactNode } from 'react';
import type { PaperRecord, Seal } from '@katharos/contract';
import styles from './Paper.module.css';

interface Props {
  name: string;
  firm: string;
  /** What it is and its number, at the right of its head. */
  title: string;
  /** The record that it is; null for a draft, which is marked across. A working paper is neither. */
  record?: PaperRecord | null;
  /** A certificate's place in the chain of the firm's. */
  seal?: Seal | null | undefined;
  className?: string | undefined;
  children: ReactNode;
}

/** A paper as it is handed over: on screen a sheet, printed without its frame. */
export const Paper = ({ name, firm, title, record, seal, className, children }: Props) => (
  // It takes the focus, so that a wide table in it is scrolled by keys.
  <article
    className={`${styles.paper} ${className ?? ''}`}
    aria-label={record === null ? `${name}, draft` : name}
    tabIndex={0}
  >
    <header className={styles.head}>
      <strong>{firm}</strong>
      <span>{record === null ? `${title} · draft` : title}</span>
    </header>
    {children}
    {record && (
      <footer className={styles.record}>
        Version {record.version} · {record.hash}
        {seal && (
          <>
            <br />
            Certificate {seal.link} of the firm · {seal.seal}
          </>
        )}
      </footer>
    )}
    {record === null && <div className={styles.draft} aria-hidden />}
  </article>
);

/** What a paper cannot say, at its end. */
export const Caveats = ({ lines }: { lines: readonly string[] }) =>
  lines.map((line) => (
    <p className={styles.caveat} key={line}>
      {line}
    </p>
  ));
