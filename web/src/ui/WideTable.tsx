import { Table } from '@mantine/core';
import type { ReactNode } from 'react';

/** A table that scrolls by itself on a narrow screen, reachable by keyboard as well. */
export function WideTable({
  minWidth,
  label,
  className,
  style,
  children,
}: {
  minWidth: number;
  label: string;
  className?: string | undefined;
  /** What its style sheet is to know of it. */
  style?: Record<`--${string}`, number>;
  children: ReactNode;
}) {
  return (
    <Table.ScrollContainer
      minWidth={minWidth}
      className={className}
      style={style ?? {}}
      type="native"
      tabIndex={0}
      role="group"
      aria-label={label}
    >
      {children}
    </Table.ScrollContainer>
  );
}
