import type { SimulatedDays } from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import { clockOf } from './clock.ts';
import { drawKindNames } from './drawKinds.ts';
import { WideTable } from '../../ui/WideTable.tsx';
import { Table } from '@mantine/core';
import { useState } from 'react';

/** The hardest day draw by draw: what was asked, what came, who waited. */
export function DrawTable({ day, number }: { day: SimulatedDays; number: number }) {
  const reader = useReader();
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        The hardest day as a table: day {number}, {day.draws.length} draws
      </summary>
      {/* A busy house draws hundreds of times; the rows are only made when somebody looks. */}
      {open && (
        <WideTable minWidth={420} label="Draws of the hardest day, scrolls sideways">
          <Table verticalSpacing={4}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>At</Table.Th>
                <Table.Th>What</Table.Th>
                <Table.Th ta="right">Asked</Table.Th>
                <Table.Th ta="right">Came</Table.Th>
                <Table.Th ta="right">Waited</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {day.draws.map((draw, i) => (
                <Table.Tr key={i}>
                  <Table.Td>{clockOf(draw.minute)}</Table.Td>
                  <Table.Td>{drawKindNames[draw.kind]}</Table.Td>
                  <Table.Td ta="right">{reader.say('volume', draw.litres, 2)}</Table.Td>
                  <Table.Td ta="right">{reader.say('volume', draw.servedL, 2)}</Table.Td>
                  <Table.Td ta="right">
                    {draw.waitMin < 0.05 ? '' : `${reader.number(draw.waitMin, 1)} min`}
                  </Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        </WideTable>
      )}
    </details>
  );
}
