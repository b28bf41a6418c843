import { PageTitle } from '../ui/PageTitle.tsx';
import type { JobSummary } from '@katharos/contract';
import { stages } from '@katharos/job';
import { troubleOf, useJobsQuery } from '../data/api.ts';
import { stageNames } from '@katharos/words';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { OpenJobFile } from './OpenJobFile.tsx';
import { Anchor, Button, Group, Skeleton, Stack, Text, TextInput, Title } from '@mantine/core';
import { useDebouncedValue, useDisclosure } from '@mantine/hooks';
import { useShortcuts } from '../ui/useShortcuts.ts';
import IconPlus from '@tabler/icons-react/dist/esm/icons/IconPlus.mjs';
import IconSearch from '@tabler/icons-react/dist/esm/icons/IconSearch.mjs';
import dayjs from 'dayjs';
import relativeTime from 'dayjs/plugin/relativeTime';
import { lazy, Suspense, useRef, useState } from 'react';
import { Link } from 'react-router';
import styles from './JobsPage.module.css';

const NewJobForm = lazy(async () => ({
  default: (await import('./NewJobForm.tsx')).NewJobForm,
}));

dayjs.extend(relativeTime);

const page = 50;

/** The firm's jobs: search, open, new. */
export function JobsPage() {
  const [search, setSearch] = useState('');
  const [wanted] = useDebouncedValue(search, 200);
  const [limit, setLimit] = useState(page);
  const { data, error, isLoading, refetch } = useJobsQuery({ search: wanted, limit });
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
        aria-label="Search by name, address or number"
        placeholder="Name, address or number"
        size="md"
        leftSection={<IconSearch size={18} />}
        value={search}
        onChange={(event) => setSearch(event.currentTarget.value)}
        type="search"
      />
      {isLoading && <Skeleton height={240} radius="lg" />}
      {error && <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />}
      {data &&
        (data.jobs.length > 0 ? (
          <JobList jobs={data.jobs} />
        ) : (
          <NoJobs search={wanted} onNew={open} />
        ))}
      {data && data.total > data.jobs.length && (
        <Button variant="default" onClick={() => setLimit(limit + page)}>
          Show more ({data.jobs.length} of {data.total})
        </Button>
      )}
      {creating && (
        <Suspense fallback={null}>
          <NewJobForm opened onClose={close} suggestion={search} />
        </Suspense>
      )}
    </Stack>
  );
}

function JobList({ jobs }: { jobs: readonly JobSummary[] }) {
  return (
    <ul className={styles.list} aria-label="Jobs">
      {jobs.map((job) => (
        <li key={job.id}>
          <Link to={`/jobs/${job.id}/${job.stage}`} className={styles.row}>
            <span className={styles.number}>{job.number}</span>
            <span className={styles.who}>
              <strong>{job.name}</strong>
              <span className="quiet">{job.address}</span>
            </span>
            <StageTrack job={job} />
            <span className={`quiet ${styles.when}`}>{dayjs(job.updatedAt).fromNow()}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

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
          {search ? `No job has “${search}” in its name, address or number.` : 'No jobs yet.'}
        </Text>
        <Text c="dimmed">A job begins with a name and the first readings at the tap.</Text>
        <Anchor component="button" onClick={onNew}>
          Begin {search ? 'one with this name' : 'the first one'}
        </Anchor>
      </Stack>
    </div>
  );
}
