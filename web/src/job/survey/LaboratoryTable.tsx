import { analyteLabel, type ReportRow } from '@katharos/job';
import { useReader } from '../../ui/useReader.ts';
import { troubleSentence } from '@katharos/words';
import { type Analyte, analytes, analyteUnit } from '@katharos/core';
import { RowsTable } from '../../ui/RowsTable.tsx';
import { NativeSelect, Text, TextInput } from '@mantine/core';

interface Props {
  rows: readonly ReportRow[];
  onChoose: (line: number, choice: { analyte?: Analyte | null; unit?: string }) => void;
}

const choices = [
  { value: '', label: 'not used' },
  ...analytes
    .map((analyte) => ({ value: analyte, label: analyteLabel(analyte) }))
    .sort((a, b) => a.label.localeCompare(b.label)),
];

/** Every line of the report: what it says, what it is taken for, and why not where it is not. */
export function LaboratoryTable({ rows, onChoose }: Props) {
  const reader = useReader();
  return (
    <RowsTable
      minWidth={640}
      label="Lines of the report"
      columns={[
        'Report says',
        { head: 'Figure', right: true },
        'Unit',
        'Taken for',
        { head: 'Counts as', right: true },
      ]}
      tight
    >
      {rows.map((row) => (
        <tr key={row.line} data-testid={`line-${row.line}`}>
          <td>
            {row.name || '(no name)'}
            {row.trouble && (
              <Text size="xs" c="dimmed">
                {troubleSentence(row, reader)}
              </Text>
            )}
          </td>
          <td className="right">{row.given}</td>
          <td>
            <TextInput
              size="xs"
              w={110}
              aria-label={`Unit of ${row.name}`}
              key={row.unit}
              defaultValue={row.unit}
              onBlur={(event) => {
                const unit = event.currentTarget.value.trim();
                if (unit !== row.unit) onChoose(row.line, { unit });
              }}
              onKeyDown={(event) => {
                if (event.key === 'Enter') event.currentTarget.blur();
              }}
            />
          </td>
          <td>
            <NativeSelect
              size="xs"
              aria-label={`${row.name} is taken for`}
              data={choices}
              value={row.analyte ?? ''}
              onChange={(event) =>
                onChoose(row.line, {
                  analyte: (event.currentTarget.value || null) as Analyte | null,
                })
              }
            />
          </td>
          <td className="right whole">
            {row.amount === null || !row.analyte
              ? '–'
              : `${row.below ? 'up to ' : ''}${reader.number(row.amount, places(row.amount))} ${analyteUnit(row.analyte)}`}
          </td>
        </tr>
      ))}
    </RowsTable>
  );
}

/** Three figures for what is small, whole numbers for what is large. */
const places = (amount: number): number =>
  amount >= 100 || amount === 0 ? 0 : amount >= 10 ? 1 : amount >= 1 ? 2 : 3;
