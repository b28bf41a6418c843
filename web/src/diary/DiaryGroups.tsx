import type { DiaryRow } from '@katharos/contract';
import { dateOf, dayOf } from '@katharos/core';
import { districtOf, drivingOrder } from '@katharos/papers';
import { dueReasonWords, servicedNames } from '@katharos/words';
import { Anchor, Button, Group, Text, Title } from '@mantine/core';
import { Link } from 'react-router';
import { linkUnderAThumb } from '../ui/underAThumb.ts';
import { useSession } from '../data/session.ts';
import { useReader } from '../ui/useReader.ts';

interface RowGroup {
  title: string;
  rows: readonly DiaryRow[];
}

/** Overdue, this week, this month and later. */
export function ByDay({ rows, today }: { rows: readonly DiaryRow[]; today: string }) {
  const until = (days: number) => dateOf(dayOf(today)! + days);
  const spans = [
    { title: 'Overdue', from: '', to: today },
    { title: 'This week', from: today, to: until(7) },
    { title: 'This month', from: until(7), to: until(31) },
    { title: 'Later', from: until(31), to: '9999' },
  ];
  return (
    <Groups
      groups={spans.map(({ title, from, to }) => ({
        title,
        rows: rows.filter(({ on }) => on >= from && on < to),
      }))}
    />
  );
}

/** By district, in an order in which they can be driven; on paper, a round. */
export function ByPlace({ rows }: { rows: readonly DiaryRow[] }) {
  const reader = useReader();
  const { settings } = useSession()!.firm;
  const driven = drivingOrder(rows, settings.keeping?.districts ?? [], reader.locale);
  const groups = driven.reduce<{ title: string; rows: DiaryRow[] }[]>((all, row) => {
    const title = districtOf(row.address) || 'Without a place';
    const last = all.at(-1);
    if (last?.title.toLocaleLowerCase() === title.toLocaleLowerCase()) last.rows.push(row);
    else all.push({ title, rows: [row] });
    return all;
  }, []);
  return (
    <>
      {rows.length > 0 && (
        <Group justify="space-between" className="no-print">
          <Text size="sm" c="dimmed">
            Districts stand in the order that the firm drives them, others by name.{' '}
            <Link to="/firm">Set the order</Link>
          </Text>
          <Button variant="default" size="md" onClick={() => window.print()}>
            Print the round
          </Button>
        </Group>
      )}
      <Groups groups={groups} isNumbered />
    </>
  );
}

/** By who came last: they know the house. */
export function ByPerson({ rows }: { rows: readonly DiaryRow[] }) {
  const names = [...new Set(rows.map(({ who }) => who))].sort((a, b) => a.localeCompare(b));
  return (
    <Groups
      groups={names.map((name) => ({
        title: name || 'Nobody came yet',
        rows: rows.filter(({ who }) => who === name),
      }))}
    />
  );
}

function Groups({ groups, isNumbered = false }: { groups: RowGroup[]; isNumbered?: boolean }) {
  let number = 0;
  return groups.map(
    ({ title, rows }) =>
      rows.length > 0 && (
        <section key={title} className="panel" aria-label={title}>
          <Title order={2} size="h4" mb="sm">
            {title}
          </Title>
          <ul style={{ listStyle: 'none', padding: 0, margin: 0 }}>
            {rows.map((row) => (
              <Row key={row.jobId} row={row} number={isNumbered ? (number += 1) : null} />
            ))}
          </ul>
        </section>
      ),
  );
}

function Row({
  row: { jobId, name, address, phone, on, dues, wroteAt },
  number,
}: {
  row: DiaryRow;
  number: number | null;
}) {
  const reader = useReader();
  const names = [...new Set(dues.map(({ kind }) => servicedNames[kind]))];
  const [first] = dues;
  return (
    <li style={{ padding: '10px 0' }}>
      <Group justify="space-between" align="start" wrap="nowrap">
        <div>
          {number !== null && <strong>{number}. </strong>}
          <Anchor
            component={Link}
            to={`/jobs/${jobId}/keep?view=service`}
            fw={650}
            style={linkUnderAThumb}
          >
            {name}
          </Anchor>
          <Text size="sm">{[address, phone].filter(Boolean).join(' · ')}</Text>
          <Text size="sm">
            {reader.list(names.map((one, i) => (i === 0 ? one : reader.within(one))))}
            {first && first.because !== 'yearly' && ` (${dueReasonWords[first.because]})`}
          </Text>
          {wroteAt && (
            <Text size="sm" c="dimmed">
              Written to on {reader.when(wroteAt, 'date')}
            </Text>
          )}
        </div>
        <Text fw={650} style={{ whiteSpace: 'nowrap', lineHeight: '44px' }}>
          {reader.day(on)}
        </Text>
      </Group>
    </li>
  );
}
