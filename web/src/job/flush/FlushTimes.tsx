import type { FlushSchedule } from '@katharos/core';
import { certificationOf } from '@katharos/job';
import { owedSentence } from '@katharos/words';
import { Anchor, Group, Text } from '@mantine/core';
import { serverNow } from '../../data/serverClock.ts';
import { useDocument, useJobId } from '../open/useJob.ts';
import { useReader } from '../../ui/useReader.ts';
import { Link } from 'react-router';
import styles from '../runner/Runner.module.css';

/** When somebody has to be there again, and when there is water to verify and to drink; gone when all is done. */
export function FlushTimes({ schedule, now }: { schedule: FlushSchedule; now: number }) {
  const jobId = useJobId();
  const document = useDocument();
  const { customer } = document;
  const certified = certificationOf(document, null);
  const reader = useReader();
  const { comeBackAt, verifyFrom, drinkFrom, steps } = schedule;
  if (steps.every(({ isDone }) => isDone)) return null;
  const today = new Date(now).toDateString();
  const time = (at: number) =>
    reader.when(at, new Date(at).toDateString() === today ? 'time' : 'short-moment');
  const save = async () => {
    const { saveCalendar } = await import('./saveCalendar.ts');
    const { name, address } = customer;
    saveCalendar({ jobId, customer: name, address, schedule, reader, now: serverNow() });
  };
  return (
    <section className={styles.times} aria-label="Times">
      {comeBackAt !== null && (
        <Text fw={600}>Nobody has to stay: come back at {time(comeBackAt)}.</Text>
      )}
      <Text>
        Readings from about <strong>{time(verifyFrom)}</strong>. Water to drink from about{' '}
        <strong>{time(drinkFrom)}</strong> at the earliest.
      </Text>
      {certified && certified.owed.length > 0 && (
        <Text>{owedSentence(certified.owed, reader)}</Text>
      )}
      <Group gap="md">
        <Anchor component={Link} to={`/jobs/${jobId}/card`} className={styles.way}>
          Card for the household
        </Anchor>
        <Anchor component="button" type="button" mih={44} onClick={() => void save()}>
          Times as a calendar file
        </Anchor>
      </Group>
    </section>
  );
}
