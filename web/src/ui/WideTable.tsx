import { Table } from '@mantine/core';
import type { ReactNode } from 'react';

/** A table that scrolls by itself on a narrow screen, reachable by keyboard as well. */
export function WideTable({
  minWidth,
  label,
  children,
}: {
  minWidth: number;
  label: string;
  children: ReactNode;
}) {
  return (
    <Table.ScrollContainer
      minWidth={minWidth}
      type="native"
      tabIndex={0}
      role="group"
      aria-label={label}
    >
      {children}
    </Table.ScrollContainer>
  );
}
