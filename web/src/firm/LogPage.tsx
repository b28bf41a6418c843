import { type AuditEntry, subjectKinds, type SubjectKind } from '@katharos/contract';
import { auditSentence, changedLines } from '@katharos/words';
import {
  Anchor,
  Button,
  Group,
  NativeSelect,
  Skeleton,
  Stack,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { useMay } from '../data/useMay.ts';
import { useNextPage } from '../data/useNextPage.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { notify } from '../ui/notices.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { useBringBackMutation, useLazyCheckLogQuery, useLogInfiniteQuery } from './logApi.ts';
import styles from './Log.module.css';

const kindWords: Record<SubjectKind, string> = {
  firm: 'The firm',
  person: 'People',
  job: 'Jobs',
  part: 'Catalogue and stock',
  place: 'Vans and stores',
  instrument: 'Instruments',
};

/** Who did what, the newest first: of the whole firm for whoever sees to it, of one job for everybody. */
export function LogPage() {
  const [query] = useSearchParams();
  const job = query.get('job') ?? undefined;
  const mayAll = useMay('settings');
  if (!job && !mayAll) {
    return (
      <Tone kind="warn" head="The firm’s log is read by the owner and the office">
        What was done on a job stands in the job itself, under Keep.
      </Tone>
    );
  }
  return <Log key={job ?? 'firm'} job={job} />;
}

function Log({ job }: { job: string | undefined }) {
  const [search, setSearch] = useState('');
  const [wanted] = useDebouncedValue(search, 200);
  const [kind, setKind] = useState<SubjectKind | ''>('');
  const list = useLogInfiniteQuery({
    search: wanted,
    ...(kind ? { kind } : {}),
    ...(job ? { job } : {}),
  });
  const { data, error, isLoading, hasNextPage, refetch } = list;
  const { isComing, showMore } = useNextPage(list);
  const entries = data?.pages.flatMap((page) => page.entries);
  const title = job ? 'What was done on this job' : 'What was done';
  return (
    <Stack gap="md">
      <PageTitle>{title}</PageTitle>
      {job && (
        <Anchor component={Link} to={`/jobs/${job}/keep`}>
          Back to the job
        </Anchor>
      )}
      <Title order={1} size="h2">
        {title}
      </Title>
      <Text c="dimmed" maw={760}>
        Every change, by the person who was signed in. Nothing here is ever changed; each entry is
        sealed to the one before it.
      </Text>
      {!job && (
        <Group align="end" gap="sm">
          <TextInput
            label="Find"
            description="By who did it, or to whom or what."
            type="search"
            size="md"
            value={search}
            onChange={({ currentTarget: { value } }) => setSearch(value)}
          />
          <NativeSelect
            label="About"
            size="md"
            value={kind}
            data={[
              { value: '', label: 'Everything' },
              ...subjectKinds.map((value) => ({ value, label: kindWords[value] })),
            ]}
            onChange={({ currentTarget: { value } }) => setKind(value as SubjectKind | '')}
          />
          <Check />
          <Button component="a" href="/api/audit/log.jsonl" download variant="default" size="md">
            Save the log
          </Button>
        </Group>
      )}
      {isLoading && <Skeleton height={300} radius="lg" aria-label="Loading the log" />}
      {error && !data && <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />}
      {entries && (
        <section className="panel" aria-label={title}>
          {entries.length === 0 ? (
            <Text>
              {job
                ? 'Nothing was done on this job since the log began.'
                : 'Nothing of this kind was done.'}
            </Text>
          ) : (
            <ol className={styles.list}>
              {entries.map((entry, i) => (
                <Entry
                  key={entry.seq}
                  entry={entry}
                  job={job}
                  isNewest={i === 0}
                  onDone={refetch}
                />
              ))}
            </ol>
          )}
          {hasNextPage && (
            <Button variant="default" mt="sm" loading={isComing} onClick={showMore}>
              Show earlier ones
            </Button>
          )}
        </section>
      )}
    </Stack>
  );
}

function Entry({
  entry,
  job,
  isNewest,
  onDone,
}: {
  entry: AuditEntry;
  job: string | undefined;
  isNewest: boolean;
  onDone: () => unknown;
}) {
  const reader = useReader();
  const lines = changedLines(entry, reader);
  const version = entry.content?.data.version;
  const { kind, id } = entry.subject;
  return (
    <li className={styles.entry}>
      <time dateTime={entry.at} className="quiet">
        {reader.when(entry.at, 'short-moment')}
      </time>
      <div>
        {kind === 'job' && !job && entry.content ? (
          <Anchor component={Link} to={`/log?job=${id}`}>
            {auditSentence(entry, reader)}
          </Anchor>
        ) : (
          auditSentence(entry, reader)
        )}
        {lines.slice(0, 8).map((line) => (
          <div key={line} className="quiet">
            {line}
          </div>
        ))}
        {lines.length > 8 && <div className="quiet">and {lines.length - 8} more</div>}
      </div>
      {job && entry.code === 'job-changed' && !isNewest && typeof version === 'number' && (
        <BringBack job={job} version={version} onDone={onDone} />
      )}
    </li>
  );
}

/** Makes a job as it was after a change; that is a change of its own, and can be taken back by the one before it. */
function BringBack({
  job,
  version,
  onDone,
}: {
  job: string;
  version: number;
  onDone: () => unknown;
}) {
  const [asking, setAsking] = useState(false);
  const [bringBack, { isLoading }] = useBringBackMutation();
  if (!asking) {
    return (
      <Button variant="subtle" mih={44} onClick={() => setAsking(true)}>
        As it was then …
      </Button>
    );
  }
  return (
    <Group gap="xs">
      <Text size="sm">What was done since is undone.</Text>
      <Button
        mih={44}
        loading={isLoading}
        onClick={() =>
          void bringBack({ job, version }).then(({ error }) => {
            if (error) notify({ message: troubleOf(error).message, color: 'red' });
            setAsking(false);
            return onDone();
          })
        }
      >
        Bring it back
      </Button>
      <Button variant="default" mih={44} onClick={() => setAsking(false)}>
        Leave it
      </Button>
    </Group>
  );
}

function Check() {
  const reader = useReader();
  const [check, { data, isFetching }] = useLazyCheckLogQuery();
  return (
    <Group gap="sm">
      <Button variant="default" size="md" loading={isFetching} onClick={() => void check()}>
        Check the log
      </Button>
      {data && (
        <Text role="status" size="sm">
          {data.faults.length === 0
            ? `All ${reader.number(data.count, 0)} entries hold.`
            : `${data.faults.length} entries do not hold, the first is number ${data.faults[0]!.seq}.`}
          {data.emptied > 0 && ` ${data.emptied} were emptied for somebody’s sake.`}
        </Text>
      )}
    </Group>
  );
}
