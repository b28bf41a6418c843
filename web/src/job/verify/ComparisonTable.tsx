import type { Comparison, Verdict } from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import { WideTable } from '../../ui/WideTable.tsx';
import { Table } from '@mantine/core';

/** Measured beside expected, figure by figure, with how far apart they are. */
export function ComparisonTable({ verdict }: { verdict: Verdict }) {
  const reader = useReader();
  const percent = (value: number) => `${reader.number(value * 100, 1)} %`;
  const rows: [label: string, comparison: Comparison | null, write: (value: number) => string][] = [
    ['Product TDS', verdict.productTds, (value) => reader.say('tds', value)],
    ['Rejection', verdict.rejection, percent],
    ['Product flow', verdict.productFlow, (value) => reader.say('flow', value)],
    ['Drain flow', verdict.drainFlow, (value) => reader.say('flow', value)],
    ['Recovery', verdict.recovery, percent],
    [
      'Product flow, as at its rating',
      verdict.normalised?.flow ?? null,
      (value) => reader.say('flow', value),
    ],
    ['Salt passage, as at its rating', verdict.normalised?.saltPassage ?? null, percent],
  ];
  return (
    <WideTable minWidth={480} label="Comparison, scrolls sideways">
      <Table aria-label="Measured beside expected">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Figure</Table.Th>
            <Table.Th ta="right">Measured</Table.Th>
            <Table.Th ta="right">Expected</Table.Th>
            <Table.Th ta="right">Band</Table.Th>
            <Table.Th>Within the band</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map(([label, comparison, write]) => (
            <Table.Tr key={label}>
              <Table.Td>{label}</Table.Td>
              {comparison ? (
                <>
                  <Table.Td ta="right" fw={650}>
                    {write(comparison.measured)}
                  </Table.Td>
                  <Table.Td ta="right">{write(comparison.expected)}</Table.Td>
                  <Table.Td ta="right">± {write(comparison.band)}</Table.Td>
                  <Table.Td>
                    {Math.abs(comparison.sigmas) <= 2
                      ? 'yes'
                      : comparison.sigmas > 0
                        ? 'above'
                        : 'below'}
                  </Table.Td>
                </>
              ) : (
                <Table.Td colSpan={4} c="dimmed">
                  not taken
                </Table.Td>
              )}
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </WideTable>
  );
}
