import type { DiaryRow } from '@katharos/contract';
import { dayOf } from '@katharos/core';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { useState } from 'react';
import { troubleOf } from '../data/api.ts';
import { notify } from '../ui/notices.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { useLettersQuery, useWriteLettersMutation } from './diaryApi.ts';

interface Props {
  rows: readonly DiaryRow[];
  /** ISO calendar day. */
  today: string;
  onWritten: () => void;
}

/** Letters that one order takes. */
const mostAtOnce = 200;
/** A household that was written to within this is left in peace, ms. */
const peaceMs = 30 * 86_400_000;

/** Letters to the households that are shown, by mail: to whom, and what went out. */
export function LettersPanel({ rows, today, onWritten }: Props) {
  const reader = useReader();
  const { data, refetch } = useLettersQuery();
  const [write, { isLoading }] = useWriteLettersMutation();
  const [without, setWithout] = useState<readonly string[]>([]);
  const now = dayOf(today)! * 86_400_000;
  const isInPeace = ({ wroteAt }: DiaryRow) =>
    wroteAt !== null && now - Date.parse(wroteAt) < peaceMs;
  // So many are taken at once; the others are next.
  const reached = rows.filter((row) => row.email !== '' && !isInPeace(row)).slice(0, mostAtOnce);
  const unreached = rows.filter(({ email }) => email === '');
  const send = async () => {
    const answer = await write({ jobIds: reached.map(({ jobId }) => jobId), today });
    if (answer.error) {
      notify({ message: troubleOf(answer.error).message, color: 'red' });
      return;
    }
    setWithout(answer.data.without.map(({ name }) => name));
    notify({
      message: `${reader.number(answer.data.written, 0)} ${reader.plural(answer.data.written, { one: 'letter is', other: 'letters are' })} on the way.`,
    });
    onWritten();
    await refetch();
  };
  if (rows.length === 0 && !data?.letters.length) return null;
  return (
    <section className="panel no-print" aria-label="Letters">
      <Stack gap="sm">
        <Title order={2} size="h4">
          Letters to households
        </Title>
        <Text size="sm" c="dimmed">
          Says what is due and why, whom to call, and where the household’s page is. Who was written
          to within thirty days is left in peace.
        </Text>
        <Group>
          <Button
            variant="default"
            size="md"
            disabled={reached.length === 0}
            loading={isLoading}
            onClick={() => void send()}
          >
            {reached.length === 0
              ? 'Nobody to write to'
              : `Write to ${reader.number(reached.length, 0)} ${reader.plural(reached.length, { one: 'household', other: 'households' })}`}
          </Button>
        </Group>
        {unreached.length > 0 && (
          <Text size="sm">
            Without an address of mail: {reader.list(unreached.map(({ name }) => name))}. It is
            entered with name and address, at the head of the job.
          </Text>
        )}
        {without.length > 0 && (
          <Tone kind="warn" head="Not written to" role="status">
            {reader.list([...without])}
          </Tone>
        )}
        {data && data.letters.length > 0 && (
          <ul aria-label="Letters that were written" style={{ paddingLeft: 20, margin: 0 }}>
            {data.letters
              .slice(0, 20)
              .map(({ id, name, recipient, subject, text, writtenAt, writtenBy, sentAt }) => (
                <li key={id}>
                  <details>
                    <summary style={{ minHeight: 44, alignContent: 'center' }}>
                      {reader.when(writtenAt, 'date')}, {name}: {subject}
                      {sentAt === null && ' · waits to be sent'}
                    </summary>
                    <Text size="sm" c="dimmed">
                      To {recipient}, by {writtenBy}
                    </Text>
                    <Text style={{ whiteSpace: 'pre-wrap' }}>{text}</Text>
                  </details>
                </li>
              ))}
          </ul>
        )}
      </Stack>
    </section>
  );
}
