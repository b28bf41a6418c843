import type { DiaryRow } from '@katharos/contract';
import { dateOf, dayOf } from '@katharos/core';
import { dueReasonWords, servicedNames } from '@katharos/words';
import { Anchor, NativeSelect, Skeleton, Stack, Text, Title, Group } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { today as todayHere } from '../data/today.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { useDiaryQuery } from './diaryApi.ts';
import { FeedPanel } from './FeedPanel.tsx';
import { RecallPanel } from './RecallPanel.tsx';

const spans = [31, 120, 365] as const;
/** While systems are still being reckoned, it is asked again so often, ms. */
const againMs = 1500;

/** What is due on the firm's systems: overdue, this week, this month and later, each as the one visit that does what belongs together. */
export function DiaryPage() {
  const [days, setDays] = useState<number>(120);
  const today = todayHere();
  const [again, setAgain] = useState(false);
  const { data, error, isLoading, refetch } = useDiaryQuery(
    { today, days },
    { pollingInterval: again ? againMs : 0, refetchOnMountOrArgChange: true },
  );
  const isWaiting = (data?.waiting ?? 0) > 0;
  if (isWaiting !== again) setAgain(isWaiting);
  return (
    <Stack gap="lg">
      <PageTitle>Diary</PageTitle>
      <Group justify="space-between" align="flex-end">
        <Title order={1}>Due for service</Title>
        <NativeSelect
          label="Looking ahead"
          className="no-print"
          size="md"
          value={String(days)}
          data={spans.map((span) => ({ value: String(span), label: spanWords[span] }))}
          onChange={({ currentTarget: { value } }) => setDays(Number(value))}
        />
      </Group>
      {isLoading && <Skeleton height={240} radius="lg" aria-label="Reckoning what is due" />}
      {error && !data && <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />}
      {data && data.waiting > 0 && (
        <Tone kind="warn" head="Still reckoning" role="status">
          {data.waiting} more systems are being reckoned; they come by themselves.
        </Tone>
      )}
      {data && data.waiting === 0 && data.rows.length === 0 && (
        <div className="panel">
          <Text fw={650}>Nothing is due in this time.</Text>
          <Text c="dimmed">
            A system stands here from its hand-over on, when something of it is due.
          </Text>
        </div>
      )}
      {data && <Groups rows={data.rows} today={today} />}
      <RecallPanel />
      <FeedPanel />
    </Stack>
  );
}

const spanWords: Record<(typeof spans)[number], string> = {
  31: 'A month',
  120: 'Four months',
  365: 'A year',
};

function Groups({ rows, today }: { rows: readonly DiaryRow[]; today: string }) {
  const now = dayOf(today)!;
  const until = (days: number) => dateOf(now + days);
  const groups = [
    { title: 'Overdue', from: '', to: today },
    { title: 'This week', from: today, to: until(7) },
    { title: 'This month', from: until(7), to: until(31) },
    { title: 'Later', from: until(31), to: '9999' },
  ];
  return groups.map(({ title, from, to }) => {
    const own = rows.filter(({ on }) => on >= from && on < to);
    return (
      own.length > 0 && (
        <section key={title} className="panel" aria-label={title}>
          <Title order={2} size="h4" mb="sm">
            {title}
          </Title>
          <ul style={{ listStyle: 'none', padding: 0, margin: 0 }}>
            {own.map((row) => (
              <Row key={row.jobId} row={row} />
            ))}
          </ul>
        </section>
      )
    );
  });
}

function Row({ row: { jobId, name, address, phone, on, dues } }: { row: DiaryRow }) {
  const reader = useReader();
  const names = [...new Set(dues.map(({ kind }) => servicedNames[kind]))];
  const [first] = dues;
  return (
    <li style={{ padding: '10px 0' }}>
      <Group justify="space-between" align="start" wrap="nowrap">
        <div>
          <Anchor
            component={Link}
            to={`/jobs/${jobId}/keep?view=service`}
            fw={650}
            style={{ lineHeight: '44px' }}
          >
            {name}
          </Anchor>
          <Text size="sm">{[address, phone].filter(Boolean).join(' · ')}</Text>
          <Text size="sm">
            {reader.list(names.map((one, i) => (i === 0 ? one : reader.within(one))))}
            {first && first.because !== 'yearly' && ` (${dueReasonWords[first.because]})`}
          </Text>
        </div>
        <Text fw={650} style={{ whiteSpace: 'nowrap', lineHeight: '44px' }}>
          {reader.day(on)}
        </Text>
      </Group>
    </li>
  );
}
