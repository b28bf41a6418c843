import type { Comparison, Verdict } from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import { RowsTable } from '../../ui/RowsTable.tsx';

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
    <RowsTable
      minWidth={480}
      label="Measured beside expected"
      columns={[
        'Figure',
        { head: 'Measured', right: true },
        { head: 'Expected', right: true },
        { head: 'Band', right: true },
        'Within the band',
      ]}
    >
      {rows.map(([label, comparison, write]) => (
        <tr key={label}>
          <td>{label}</td>
          {comparison ? (
            <>
              <td className="right strong">{write(comparison.measured)}</td>
              <td className="right">{write(comparison.expected)}</td>
              <td className="right">± {write(comparison.band)}</td>
              <td>
                {Math.abs(comparison.sigmas) <= 2
                  ? 'yes'
                  : comparison.sigmas > 0
                    ? 'above'
                    : 'below'}
              </td>
            </>
          ) : (
            <td colSpan={4} className="quiet">
              not taken
            </td>
          )}
        </tr>
      ))}
    </RowsTable>
  );
}
