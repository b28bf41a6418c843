import type { ReactNode } from 'react';
import styles from './RowsTable.module.css';
import { WideTable } from './WideTable.tsx';

/** What stands over a column, nothing over one of buttons; a figure stands to the right. */
type Column = string | { head: string; right: true };

interface Props {
  /** What is in it, for whoever does not see it. */
  label: string;
  /** Below this it scrolls sideways, pixels; on a phone it does not. */
  minWidth: number;
  /** Ten at the most: so many names the style sheet knows. */
  columns: readonly Column[];
  /** Rows close to each other. */
  tight?: boolean;
  /** The rows, each with as many cells as there are columns; the first cell says whose row it is. */
  children: ReactNode;
}

const headOf = (column: Column): string => (typeof column === 'string' ? column : column.head);

/**
 * A table in which each row is somebody's or something's. On a phone the rows stand one under the other, each figure beside its
 * name: what is entered or read standing is never beside the screen.
 */
export function RowsTable({ label, minWidth, columns, tight = false, children }: Props) {
  const names = Object.fromEntries(
    columns.map((column, i) => [`--column-${i + 1}`, JSON.stringify(headOf(column))]),
  );
  return (
    <WideTable
      minWidth={minWidth}
      label={label}
      className={styles.rows}
      tight={tight}
      style={names}
    >
      <thead>
        <tr>
          {columns.map((column) =>
            column === '' ? (
              <td key="" />
            ) : (
              <th key={headOf(column)} className={typeof column === 'string' ? '' : 'right'}>
                {headOf(column)}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </WideTable>
  );
}
