import { dateOf, dayOf, daysInMonth } from '@katharos/core';
import type { Kept } from '@katharos/job';
import { dueReasonWords, servicedName, visitSentence } from '@katharos/words';
import { Text, Title } from '@mantine/core';
import { memo } from 'react';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { RowsTable } from '../../../ui/RowsTable.tsx';

/** What is due, when and why, and the one visit that does what belongs together. */
export const DuePanel = memo(function DuePanel({
  kept: { dues, visit, countedLPerDay, warrantyMonths },
  today,
}: {
  kept: Kept;
  today: string;
}) {
  const reader = useReader();
  const now = dayOf(today)!;
  const first = dues[0];
  return (
    <section className="panel" aria-label="What is due">
      <Title order={3} size="h4" mb="sm">
        What is due
      </Title>
      {visit && first && (
        <Tone
          kind={first.on < now ? 'bad' : first.on - now <= soonDays ? 'warn' : 'good'}
          head={visitSentence(visit, now, reader)}
          role="status"
        >
          <Text size="sm">
            {reader
              .list(
                visit.dues.map((due, i) =>
                  i === 0 ? servicedName(due, dues) : reader.within(servicedName(due, dues)),
                ),
              )
              .concat('.')}
            {visit.sparedCost > 0 &&
              ` Done early for ${reader.money(visit.earlyCost)} of life that is thrown away; coming again would cost ${reader.money(visit.sparedCost)}.`}
          </Text>
        </Tone>
      )}
      {countedLPerDay !== null && (
        <Text size="sm" c="dimmed" mt="xs">
          Reckoned with the counter: {reader.say('dailyVolume', countedLPerDay)}.
        </Text>
      )}
      <RowsTable
        label="Everything that is serviced"
        minWidth={620}
        columns={[
          'What',
          'Due',
          'Because',
          'Otherwise',
          'Last',
          ...(warrantyMonths > 0 ? ['Warranty until'] : []),
        ]}
      >
        {dues.map((due) => (
          <tr key={due.id} data-due={due.id}>
            <td>
              {servicedName(due, dues)}
              {due.part && (
                <Text size="sm" c="dimmed">
                  {due.part.name}
                </Text>
              )}
            </td>
            <td className="strong">
              {reader.day(dateOf(due.on))}
              {due.on < now && (
                <Text size="sm" c="var(--k-bad)">
                  overdue
                </Text>
              )}
            </td>
            <td>{dueReasonWords[due.because]}</td>
            <td>
              {due.others
                .map(({ because, on }) => `${dueReasonWords[because]} ${reader.day(dateOf(on))}`)
                .join('; ')}
            </td>
            <td>{reader.day(dateOf(due.since))}</td>
            {warrantyMonths > 0 && (
              <td>{due.part && reader.day(warrantyEnds(due, warrantyMonths))}</td>
            )}
          </tr>
        ))}
      </RowsTable>
    </section>
  );
});

/** The last day on which the firm answers for a part. */
const warrantyEnds = ({ since }: Kept['dues'][number], months: number): string =>
  dateOf(Math.round(since + months * daysInMonth));

/** So near that somebody should be told. */
const soonDays = 31;
