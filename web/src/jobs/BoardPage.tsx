import type { BoardRow } from '@katharos/contract';
import { flushStepNames } from '@katharos/words';
import { Button, Group, Skeleton, Stack, Text, Title } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { useBoardQuery } from '../data/boardApi.ts';
import { useNow } from '../timers/useNow.ts';
import { clock } from '../timers/clock.ts';
import { type Outlook, outlookOf, type Timer } from '../timers/outlook.ts';
import { askToNotify } from '../timers/ring.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { useReader } from '../ui/useReader.ts';
import styles from './BoardPage.module.css';

/** All jobs of the firm that wait for water: what runs and until when, and who goes where next. */
export function BoardPage() {
  const { data, error, isLoading, refetch } = useBoardQuery();
  const now = useNow(true, 1000);
  const jobs = (data?.jobs ?? []).map((row) => outlookOf(row, now));
  const running = jobs
    .flatMap(({ row, timers }) => timers.map((timer) => ({ row, timer })))
    .sort((a, b) => a.timer.endsAt - b.timer.endsAt);
  return (
    <Stack gap="lg">
      <PageTitle>Board</PageTitle>
      <Group justify="space-between">
        <Title order={1}>Waiting for water</Title>
        <Group gap="xs">
          <SoundSwitch />
          <Button size="md" component={Link} to="/jobs">
            All jobs
          </Button>
        </Group>
      </Group>
      {isLoading && <Skeleton height={240} radius="lg" />}
      {error && !data && <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />}
      {data && jobs.length === 0 && (
        <div className="panel">
          <Text fw={650}>Nothing waits for water.</Text>
          <Text c="dimmed">
            A job stands here from the moment it is plumbed in until it is verified.
          </Text>
        </div>
      )}
      {running.length > 0 && <RunningList running={running} now={now} />}
      <Rounds jobs={jobs} now={now} />
      <PlainList
        title="Plumbed in, to be flushed"
        rows={jobs.filter(({ row, isBegun }) => row.stage === 'flush' && !isBegun)}
        stage="flush"
      />
      <PlainList
        title="Flushed, to be verified"
        rows={jobs.filter(({ row }) => row.stage === 'verify')}
        stage="verify"
      />
    </Stack>
  );
}

/** A browser lets a page be heard only after somebody asked for it. */
function SoundSwitch() {
  const [isAsked, setAsked] = useState(false);
  return (
    <Button
      size="md"
      variant="default"
      onClick={() => {
        askToNotify();
        setAsked(true);
      }}
    >
      {isAsked ? 'Timers ring here' : 'Let timers ring here'}
    </Button>
  );
}

function RunningList({
  running,
  now,
}: {
  running: readonly { row: BoardRow; timer: Timer }[];
  now: number;
}) {
  const reader = useReader();
  return (
    <section aria-label="Runs now">
      <Title order={2} size="h3" mb="xs">
        Runs now
      </Title>
      <ul className={styles.running}>
        {running.map(({ row, timer }) => {
          const leftS = (timer.endsAt - now) / 1000;
          return (
            <li key={timer.key} data-over={leftS <= 0}>
              <Link to={`/jobs/${row.id}/flush`} className={styles.card}>
                <span className={styles.left}>{leftS > 0 ? clock(leftS) : 'Time is up'}</span>
                <strong>{row.name}</strong>
                <span>{flushStepNames[timer.code] ?? timer.step}</span>
                <span className="quiet">
                  {leftS > 0
                    ? `until ${reader.when(timer.endsAt, 'time')}`
                    : `since ${reader.when(timer.endsAt, 'time')}`}
                  {timer.attended ? ' · somebody stands by' : ''}
                </span>
                <span className="quiet">{row.who}</span>
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** A flush whose plan was not kept goes on whenever somebody comes. */
const startOf = ({ next }: Outlook): number => next?.startsAt ?? 0;

/** Who goes where next: by person, in the order of the clock; what a household does is theirs. */
function Rounds({ jobs, now }: { jobs: readonly Outlook[]; now: number }) {
  const reader = useReader();
  const household = 'The households';
  const today = new Date(now).toDateString();
  const rounds = new Map<string, Outlook[]>();
  for (const job of jobs) {
    if (!job.isBegun || job.row.stage !== 'flush') continue;
    const who = job.next?.step.by === 'household' ? household : job.row.who;
    rounds.set(who, [...(rounds.get(who) ?? []), job]);
  }
  if (rounds.size === 0) return null;
  const time = (at: number) =>
    reader.when(at, new Date(at).toDateString() === today ? 'time' : 'short-moment');
  return (
    <section aria-label="Who goes where next">
      <Title order={2} size="h3" mb="xs">
        Who goes where next
      </Title>
      <div className={styles.rounds}>
        {[...rounds].map(([who, stops]) => (
          <div key={who} className="panel">
            <Text fw={650} mb={6}>
              {who}
            </Text>
            <ol className={styles.stops}>
              {[...stops]
                .sort((a, b) => startOf(a) - startOf(b))
                .map(({ row, next }) => (
                  <li key={row.id}>
                    <span className={styles.at}>
                      {next && next.startsAt > now ? time(next.startsAt) : 'now'}
                    </span>
                    <span>
                      <Link to={`/jobs/${row.id}/flush`}>{row.name}</Link>:{' '}
                      {next ? flushStepNames[next.step.code] : 'Go on flushing'}
                      <span className="quiet">
                        {row.address && ` · ${row.address}`}
                        {who === household && row.phone && ` · ${row.phone}`}
                      </span>
                    </span>
                  </li>
                ))}
            </ol>
          </div>
        ))}
      </div>
    </section>
  );
}

function PlainList({
  title,
  rows,
  stage,
}: {
  title: string;
  rows: readonly Outlook[];
  stage: 'flush' | 'verify';
}) {
  if (rows.length === 0) return null;
  return (
    <section aria-label={title}>
      <Title order={2} size="h3" mb="xs">
        {title}
      </Title>
      <ul className={styles.plain}>
        {rows.map(({ row }) => (
          <li key={row.id}>
            <Link to={`/jobs/${row.id}/${stage}`}>{row.name}</Link>
            <span className="quiet">
              {row.address && ` · ${row.address}`} · {row.who}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
