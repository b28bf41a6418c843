import { Table } from '@mantine/core';
import type { ReactNode } from 'react';

/** A table that scrolls by itself on a narrow screen, reachable by keyboard as well. */
export function WideTable({
  minWidth,
  label,
  className,
  children,
}: {
  minWidth: number;
  label: string;
  className?: string | undefined;
  children: ReactNode;
}) {
  return (
    <Table.ScrollContainer
      minWidth={minWidth}
      className={className}
      type="native"
      tabIndex={0}
      role="group"
      aria-label={label}
    >
      {children}
    </Table.ScrollContainer>
  );
}
