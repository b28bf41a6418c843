import { Segments } from '../ui/Segments.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { type JobSummary, removedJobDays, type Shelf, shelves } from '@katharos/contract';
import { stages } from '@katharos/job';
import { troubleOf, useJobsInfiniteQuery } from '../data/api.ts';
import { useNextPage } from '../data/useNextPage.ts';
import { stageNames } from '@katharos/words';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { ShelveJob } from './ShelveJob.tsx';
import { OpenJobFile } from './OpenJobFile.tsx';
import { Anchor, Button, Group, Skeleton, Stack, Text, TextInput, Title } from '@mantine/core';
import { useDebouncedValue, useDisclosure } from '@mantine/hooks';
import { serverNow } from '../data/serverClock.ts';
import { useNow } from '../timers/useNow.ts';
import { useReader } from '../ui/useReader.ts';
import { useShortcuts } from '../ui/useShortcuts.ts';
import IconPlus from '@tabler/icons-react/dist/esm/icons/IconPlus.mjs';
import IconSearch from '@tabler/icons-react/dist/esm/icons/IconSearch.mjs';
import { lazy, memo, Suspense, useRef, useState } from 'react';
import { Link } from 'react-router';
import styles from './JobsPage.module.css';

const NewJobForm = lazy(async () => ({
  default: (await import('./NewJobForm.tsx')).NewJobForm,
}));

const FoundHit = lazy(async () => ({ default: (await import('./FoundHit.tsx')).FoundHit }));

const shelfNames: Record<Shelf, string> = {
  open: 'In work',
  archived: 'Put away',
  removed: 'Deleted',
};

/** The firm's jobs: search, open, new. */
export function JobsPage() {
  const [search, setSearch] = useState('');
  const [wanted] = useDebouncedValue(search, 200);
  const [shelf, setShelf] = useState<Shelf>('open');
  const list = useJobsInfiniteQuery({ search: wanted, shelf });
  const { data, error, isLoading, hasNextPage, refetch } = list;
  const { isComing, showMore } = useNextPage(list);
  const jobs = data?.pages.flatMap((page) => page.jobs);
  const total = data?.pages[0]?.total ?? 0;
  const [creating, { open, close }] = useDisclosure(false);
  const searchField = useRef<HTMLInputElement>(null);
  useShortcuts([
    ['n', open],
    ['/', () => searchField.current?.focus()],
  ]);
  return (
    <Stack gap="lg">
      <PageTitle>Jobs</PageTitle>
      <Group justify="space-between" align="center">
        <Title order={1}>Jobs</Title>
        <Group gap="xs">
          <OpenJobFile />
          <Button size="md" leftSection={<IconPlus size={18} />} onClick={open}>
            New job
          </Button>
        </Group>
      </Group>
      <TextInput
        ref={searchField}
        aria-label="Search by name, street, part, batch, reading or number"
        placeholder="Name, street, part, batch, reading or number"
        size="md"
        leftSection={<IconSearch size={18} />}
        value={search}
        onChange={(event) => setSearch(event.currentTarget.value)}
        type="search"
      />
      <Segments
        label="Which jobs"
        className={styles.shelves}
        value={shelf}
        onChange={setShelf}
        options={shelves.map((value) => ({ value, label: shelfNames[value] }))}
      />
      {isLoading && <Skeleton height={240} radius="lg" />}
      {error && <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />}
      {jobs &&
        (jobs.length > 0 ? (
          <JobList jobs={jobs} shelf={shelf} />
        ) : shelf === 'open' || wanted ? (
          <NoJobs search={wanted} onNew={open} />
        ) : (
          <Text className="panel">
            {shelf === 'archived' ? 'No job was put away.' : 'No job was deleted.'}
          </Text>
        ))}
      {shelf === 'removed' && jobs && jobs.length > 0 && (
        <Text c="dimmed" size="sm">
          Deleted jobs can be brought back for {removedJobDays} days; then they are gone, with their
          photographs.
        </Text>
      )}
      {jobs && hasNextPage && (
        <Button variant="default" size="md" loading={isComing} onClick={showMore}>
          Show more ({jobs.length} of {total > 1000 ? 'more than 1000' : total})
        </Button>
      )}
      {creating && (
        <Suspense fallback={null}>
          <NewJobForm onClose={close} suggestion={search} />
        </Suspense>
      )}
    </Stack>
  );
}

/** Nothing is told closer than to the minute; the same for a while, so that the list is not drawn twice as it comes. */
const aboutNow = () => Math.floor(serverNow() / 10_000) * 10_000;

/** How many digits the longest number has, for the column of numbers. */
const withDigits = (greatest: number): Record<`--${string}`, number> => ({
  '--digits': String(greatest).length,
});

const JobList = memo(function JobList({
  jobs,
  shelf,
}: {
  jobs: readonly JobSummary[];
  shelf: Shelf;
}) {
  const reader = useReader();
  const now = useNow(true, 60_000, aboutNow);
  return (
    <ul
      className={styles.list}
      style={withDigits(Math.max(...jobs.map(({ number }) => number)))}
      aria-label="Jobs"
    >
      {jobs.map((job) => (
        <li key={job.id} className={styles.item}>
          <Link to={`/jobs/${job.id}/${job.stage}`} className={styles.row}>
            <span className={styles.number}>{job.number}</span>
            <span className={styles.who}>
              <strong>{job.name}</strong>
              <span className="quiet">{job.address}</span>
              {job.hit && (
                <Suspense fallback={null}>
                  <FoundHit hit={job.hit} />
                </Suspense>
              )}
            </span>
            <StageTrack job={job} />
            <span className={`quiet ${styles.when}`}>{reader.ago(job.updatedAt, now)}</span>
          </Link>
          <ShelveJob job={job} shelf={shelf} />
        </li>
      ))}
    </ul>
  );
});

/** How far along the six stages a job is: a row of cups, filled up to the one it waits in. */
function StageTrack({ job }: { job: JobSummary }) {
  const at = stages.indexOf(job.stage);
  return (
    <span className={styles.track}>
      <span aria-hidden className={styles.cups}>
        {stages.map((stage, i) => (
          <span
            key={stage}
            data-state={job.finished || i < at ? 'done' : i === at ? 'now' : 'ahead'}
          />
        ))}
      </span>
      <span>{job.finished ? 'Handed over' : stageNames[job.stage]}</span>
    </span>
  );
}

function NoJobs({ search, onNew }: { search: string; onNew: () => void }) {
  return (
    <div className="panel">
      <Stack align="flex-start">
        <Text fw={650}>
          {search
            ? `No job holds “${search}”, whether in its name or address, its parts or its readings.`
            : 'No jobs yet.'}
        </Text>
        <Text c="dimmed">A job begins with a name and the first readings at the tap.</Text>
        <Anchor component="button" onClick={onNew}>
          Begin {search ? 'one with this name' : 'the first one'}
        </Anchor>
      </Stack>
    </div>
  );
}
