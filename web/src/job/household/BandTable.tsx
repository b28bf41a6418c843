import type { LevelBand } from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import { clockOf } from './clock.ts';
import { Table } from '@mantine/core';

/** The band of the tank's level as a table, every second hour. */
export function BandTable({ band }: { band: readonly LevelBand[] }) {
  const reader = useReader();
  return (
    <details>
      <summary style={{ minHeight: 32, cursor: 'pointer' }}>The band as a table</summary>
      <Table withRowBorders={false} style={{ maxWidth: 420 }}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>At</Table.Th>
            <Table.Th ta="right">One day in twenty below</Table.Th>
            <Table.Th ta="right">Half the days</Table.Th>
            <Table.Th ta="right">One in twenty above</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {band
            .filter(({ minute }) => minute % 120 === 0 && minute < 1440)
            .map(({ minute, low, middle, high }) => (
              <Table.Tr key={minute}>
                <Table.Td>{clockOf(minute)}</Table.Td>
                <Table.Td ta="right">{reader.say('volume', low)}</Table.Td>
                <Table.Td ta="right">{reader.say('volume', middle)}</Table.Td>
                <Table.Td ta="right">{reader.say('volume', high)}</Table.Td>
              </Table.Tr>
            ))}
        </Table.Tbody>
      </Table>
    </details>
  );
}
