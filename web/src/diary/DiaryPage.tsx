import { NativeSelect, Skeleton, Stack, Text, Title, Group } from '@mantine/core';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { Segments } from '../ui/Segments.tsx';
import { troubleOf } from '../data/api.ts';
import { today as todayHere } from '../data/today.ts';
import { useReckoned } from '../data/useReckoned.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { useDiaryQuery } from './diaryApi.ts';
import { ByDay, ByPerson, ByPlace } from './DiaryGroups.tsx';
import { FeedPanel } from './FeedPanel.tsx';
import { FleetPanel } from './FleetPanel.tsx';
import { ForecastPanel } from './ForecastPanel.tsx';
import { LettersPanel } from './LettersPanel.tsx';
import { RecallPanel } from './RecallPanel.tsx';

const spans = [31, 120, 365] as const;

const views = {
  day: 'By day',
  place: 'By place',
  person: 'By person',
  systems: 'All',
} as const;
type View = keyof typeof views;

/** What is due on the firm's systems, each as the one visit that does what belongs together; and all of them by what they need. */
export function DiaryPage() {
  const [params, setParams] = useSearchParams();
  const view = (Object.keys(views) as View[]).find((one) => one === params.get('view')) ?? 'day';
  return (
    <Stack gap="lg">
      <PageTitle>Diary</PageTitle>
      <Title order={1}>Due for service</Title>
      <Segments
        className="no-print"
        wide
        label="View of the diary"
        value={view}
        options={Object.entries(views).map(([value, label]) => ({ value, label }))}
        onChange={(next) =>
          setParams(next === 'day' ? {} : { view: next }, { preventScrollReset: true })
        }
      />
      {view === 'systems' ? <FleetPanel /> : <Dues view={view} />}
      <ForecastPanel />
      <RecallPanel />
      <FeedPanel />
    </Stack>
  );
}

function Dues({ view }: { view: Exclude<View, 'systems'> }) {
  const [days, setDays] = useState<number>(120);
  const reader = useReader();
  const today = todayHere();
  const { data, error, isLoading, refetch } = useReckoned(useDiaryQuery, { today, days });
  return (
    <>
      <Group justify="flex-end">
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
      {data && data.beyond > 0 && (
        <Tone kind="warn" head={`The first ${data.rows.length} are shown`} role="status">
          {reader.number(data.beyond, 0)} more are due in this time. They come up as these are done;
          all systems stand under All.
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
      {data && view === 'day' && <ByDay rows={data.rows} today={today} />}
      {data && view === 'place' && <ByPlace rows={data.rows} />}
      {data && view === 'person' && <ByPerson rows={data.rows} />}
      {data && <LettersPanel rows={data.rows} today={today} onWritten={() => void refetch()} />}
    </>
  );
}

const spanWords: Record<(typeof spans)[number], string> = {
  31: 'A month',
  120: 'Four months',
  365: 'A year',
};
