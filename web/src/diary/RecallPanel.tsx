import type { RecallRow } from '@katharos/contract';
import { Button, SimpleGrid, Stack, Text, TextInput, Title } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { useSession } from '../data/session.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { useReader } from '../ui/useReader.ts';
import { RowsTable } from '../ui/RowsTable.tsx';
import styles from './Recall.module.css';
import { useRecallQuery } from './diaryApi.ts';

/** Who has a part or a batch of it, and a letter to each: for the day on which a maker calls something back. */
export function RecallPanel() {
  const [part, setPart] = useState('');
  const [batch, setBatch] = useState('');
  const [asked, setAsked] = useState<{ part: string; batch: string } | null>(null);
  const [fault, setFault] = useState('');
  const ask = () => {
    if (part.trim() === '' && batch.trim() === '') {
      setFault('Say a part or a batch.');
      return;
    }
    setAsked({ part, batch });
  };
  return (
    <section className="panel" aria-label="Recall">
      <Stack gap="sm">
        <Title order={2} size="h4" className="no-print">
          Who has a part
        </Title>
        <form
          className="no-print"
          onSubmit={(event) => {
            event.preventDefault();
            ask();
          }}
        >
          <SimpleGrid cols={{ base: 1, xs: 3 }} style={{ alignItems: 'end' }}>
            <TextInput
              label="Part"
              size="md"
              maxLength={120}
              value={part}
              error={fault}
              onChange={({ currentTarget: { value } }) => {
                setPart(value);
                setFault('');
              }}
            />
            <TextInput
              label="Batch"
              size="md"
              maxLength={80}
              value={batch}
              onChange={({ currentTarget: { value } }) => {
                setBatch(value);
                setFault('');
              }}
            />
            <Button type="submit" variant="default" size="md">
              Find every household
            </Button>
          </SimpleGrid>
        </form>
        {asked && <Recalled asked={asked} />}
      </Stack>
    </section>
  );
}

function Recalled({ asked }: { asked: { part: string; batch: string } }) {
  const { data, error, refetch } = useRecallQuery(asked);
  const reader = useReader();
  const counted = (count: number, words: { one: string; other: string }) =>
    `${reader.number(count, 0)} ${reader.plural(count, words)}`;
  if (error && !data) {
    return <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />;
  }
  if (!data) return null;
  const { rows } = data;
  const households = [...new Set(rows.map(({ jobId }) => jobId))];
  if (rows.length === 0) return <Text role="status">No system has it that is known of.</Text>;
  return (
    <>
      <div className="no-print">
        <Text role="status">
          {counted(households.length, { one: 'household', other: 'households' })},{' '}
          {counted(rows.length, { one: 'part', other: 'parts' })}. What was changed since is left
          out; an empty batch was not noted.
        </Text>
        <RowsTable
          minWidth={560}
          label="Households that have it"
          columns={['Household', 'Part', { head: 'How many', right: true }, 'Batch', 'Put in']}
        >
          {alike(rows).map(({ row, count }) => (
            <tr key={keyOf(row)}>
              <td>
                <Link to={`/jobs/${row.jobId}/keep?view=service`}>{row.name}</Link>
                <Text size="sm" c="dimmed">
                  {[row.address, row.phone].filter(Boolean).join(' · ')}
                </Text>
              </td>
              <td>{row.part}</td>
              <td className="right">{count}</td>
              <td>{row.batch}</td>
              <td>{reader.day(row.on)}</td>
            </tr>
          ))}
        </RowsTable>
        <Button variant="default" size="md" mt="sm" onClick={() => window.print()}>
          Print a letter to each
        </Button>
      </div>
      <div className={styles.letters}>
        {households.map((id) => (
          <Letter key={id} rows={rows.filter(({ jobId }) => jobId === id)} />
        ))}
      </div>
    </>
  );
}

const keyOf = ({ jobId, part, batch, on }: RecallRow): string =>
  JSON.stringify([jobId, part, batch, on]);

/** Parts that nobody can tell apart, once each: a household with two cartridges of one batch is one line. */
function alike(rows: readonly RecallRow[]): { row: RecallRow; count: number }[] {
  const found = new Map<string, { row: RecallRow; count: number }>();
  for (const row of rows) {
    const known = found.get(keyOf(row));
    if (known) known.count += 1;
    else found.set(keyOf(row), { row, count: 1 });
  }
  return [...found.values()];
}

/** A letter that is only printed, a page a household. */
function Letter({ rows }: { rows: readonly RecallRow[] }) {
  const reader = useReader();
  const { name, address } = rows[0]!;
  const { firm } = useSession()!;
  return (
    <article className={styles.letter}>
      <p>{firm.name}</p>
      <p>
        {name}
        <br />
        {address}
      </p>
      <p>
        Parts of your drinking water system are called back. We will change them. Until then close
        the valve on the thin tube under the sink, and drink other water.
      </p>
      <ul>
        {alike(rows).map(({ row: { part, batch, on }, count }) => (
          <li key={`${part}:${batch}:${on}`}>
            {part}
            {count > 1 && `, ${reader.number(count, 0)} of them`}
            {batch && `, batch ${batch}`}, put in on {reader.day(on, 'long-date')}
          </li>
        ))}
      </ul>
      <p>Please call us for a day{firm.settings.phone ? `: ${firm.settings.phone}` : ''}.</p>
    </article>
  );
}
