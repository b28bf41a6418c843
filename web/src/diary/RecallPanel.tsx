import type { RecallRow } from '@katharos/contract';
import { Button, SimpleGrid, Stack, Text, TextInput, Title } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { useSession } from '../data/session.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { useReader } from '../ui/useReader.ts';
import { WideTable } from '../ui/WideTable.tsx';
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
  if (error && !data) {
    return <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />;
  }
  if (!data) return null;
  const { rows } = data;
  if (rows.length === 0) return <Text role="status">No system has it that is known of.</Text>;
  return (
    <>
      <div className="no-print">
        <Text role="status">
          {reader.number(rows.length, 0)}{' '}
          {reader.plural(rows.length, { one: 'place', other: 'places' })}. What was changed since is
          left out; an empty batch was not noted.
        </Text>
        <WideTable minWidth={560} label="Households that have it">
          <thead>
            <tr>
              <th>Household</th>
              <th>Part</th>
              <th>Batch</th>
              <th>Put in</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={`${row.jobId}:${i}`}>
                <td>
                  <Link to={`/jobs/${row.jobId}/keep?view=service`}>{row.name}</Link>
                  <Text size="sm" c="dimmed">
                    {[row.address, row.phone].filter(Boolean).join(' · ')}
                  </Text>
                </td>
                <td>{row.part}</td>
                <td>{row.batch}</td>
                <td>{reader.day(row.on)}</td>
              </tr>
            ))}
          </tbody>
        </WideTable>
        <Button variant="default" size="md" mt="sm" onClick={() => window.print()}>
          Print a letter to each
        </Button>
      </div>
      <div className={styles.letters}>
        {[...new Set(rows.map(({ jobId }) => jobId))].map((id) => (
          <Letter key={id} rows={rows.filter(({ jobId }) => jobId === id)} />
        ))}
      </div>
    </>
  );
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
        {rows.map(({ part, batch, on }, i) => (
          <li key={i}>
            {part}
            {batch && `, batch ${batch}`}, put in on {reader.day(on, 'long-date')}
          </li>
        ))}
      </ul>
      <p>Please call us for a day{firm.settings.phone ? `: ${firm.settings.phone}` : ''}.</p>
    </article>
  );
}
