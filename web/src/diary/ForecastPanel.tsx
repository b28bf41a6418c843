import { Text, Title } from '@mantine/core';
import { today as todayHere } from '../data/today.ts';
import { useReckoned } from '../data/useReckoned.ts';
import { useReader } from '../ui/useReader.ts';
import { RowsTable } from '../ui/RowsTable.tsx';
import { useForecastQuery } from './diaryApi.ts';

/** A quarter of a year. */
const days = 91;

/** Parts of the next quarter, from what is due, against what vans and stores hold. */
export function ForecastPanel() {
  const reader = useReader();
  const today = todayHere();
  const { data } = useReckoned(useForecastQuery, { today, days });
  if (!data || data.lines.length === 0) return null;
  return (
    <section className="panel" aria-label="Parts of the next quarter">
      <Title order={2} size="h4" mb="sm">
        Parts of the next quarter
      </Title>
      <RowsTable
        label="Parts that fall due"
        minWidth={460}
        columns={[
          'Part',
          { head: 'Wanted', right: true },
          { head: 'Held', right: true },
          { head: 'To order', right: true },
          'First on',
        ]}
      >
        {data.lines.map(({ name, count, held, firstOn }) => {
          const short = Math.max(count - (held ?? 0), 0);
          return (
            <tr key={name}>
              <td>
                {name}
                {held === null && (
                  <Text size="sm" c="dimmed">
                    Not in the catalogue any more
                  </Text>
                )}
              </td>
              <td className="right">{reader.number(count, 0)}</td>
              <td className="right">{held === null ? '–' : reader.number(held, 0)}</td>
              <td className={short > 0 ? 'right strong' : 'right'}>{reader.number(short, 0)}</td>
              <td>{reader.day(firstOn)}</td>
            </tr>
          );
        })}
      </RowsTable>
    </section>
  );
}
