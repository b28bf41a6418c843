import { dateOf, dayOf, daysInMonth } from '@katharos/core';
import { type Need, needs, usualKeeping } from '@katharos/job';
import { needWords, trendStateWords } from '@katharos/words';
import { Button, NativeSelect, Skeleton, Text } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { useSession } from '../data/session.ts';
import { today as todayHere } from '../data/today.ts';
import { useReckoned } from '../data/useReckoned.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { RowsTable } from '../ui/RowsTable.tsx';
import { useFleetQuery } from './diaryApi.ts';

/** So many are shown at first, and more of them each time. */
const aPage = 100;

/** Every installed system by what it needs. */
export function FleetPanel() {
  const reader = useReader();
  const today = todayHere();
  const { settings } = useSession()!.firm;
  const [need, setNeed] = useState<Need | ''>('');
  const [most, setMost] = useState(aPage);
  const { data, error, isLoading, isFetching, refetch } = useReckoned(useFleetQuery, {
    today,
    need,
    most,
  });
  if (isLoading) return <Skeleton height={240} radius="lg" aria-label="Reckoning all systems" />;
  if (!data) {
    return <LoadTrouble message={troubleOf(error).message} onRetry={() => void refetch()} />;
  }
  const months = settings.keeping?.warrantyMonths ?? usualKeeping.warrantyMonths;
  const { rows, counts } = data;
  const all = needs.reduce((sum, one) => sum + counts[one], 0);
  const wanted = need === '' ? all : counts[need];
  return (
    <section className="panel" aria-label="All systems">
      {data.waiting > 0 && (
        <Tone kind="warn" head="Still reckoning" role="status">
          {data.waiting} more systems are being reckoned; they come by themselves.
        </Tone>
      )}
      <NativeSelect
        label="What they need"
        className="no-print"
        size="md"
        maw={320}
        mb="sm"
        value={need}
        data={[
          { value: '', label: `All of them (${reader.number(all, 0)})` },
          ...needs.map((one) => ({
            value: one,
            label: `${needWords[one]} (${reader.number(counts[one], 0)})`,
          })),
        ]}
        onChange={({ currentTarget: { value } }) => {
          setNeed(value as Need | '');
          setMost(aPage);
        }}
      />
      {rows.length === 0 ? (
        <Text>No system is in this state.</Text>
      ) : (
        <RowsTable
          label="Systems by what they need"
          minWidth={860}
          columns={[
            'System',
            'Needs',
            'Next visit',
            { head: 'Held back', right: true },
            'Salt passage',
            'Flow',
            'In use since',
            ...(months > 0 ? ['Warranty until'] : []),
          ]}
        >
          {rows.map((row) => (
            <tr key={row.jobId}>
              <td>
                <Link to={`/jobs/${row.jobId}/keep?view=service`}>{row.name}</Link>
                <Text size="sm" c="dimmed">
                  {row.address}
                </Text>
              </td>
              <td className={row.need === 'nothing' ? '' : 'strong'}>{needWords[row.need]}</td>
              <td>{row.dueOn ? reader.day(row.dueOn) : ''}</td>
              <td className="right">
                {row.rejection === null ? '' : reader.percent(row.rejection, 1)}
                {row.readOn && (
                  <Text size="sm" c="dimmed">
                    {reader.day(row.readOn)}
                  </Text>
                )}
              </td>
              {(['saltPassage', 'flow'] as const).map((key) => {
                const series = row.membrane?.[key];
                return (
                  <td key={key}>
                    {series && series.state !== 'not-enough'
                      ? `${trendStateWords[series.state]}, ${reader.number(series.factorNow, 2)}`
                      : trendStateWords['not-enough']}
                  </td>
                );
              })}
              <td>{reader.day(row.since)}</td>
              {months > 0 && (
                <td>{reader.day(dateOf(Math.round(dayOf(row.since)! + months * daysInMonth)))}</td>
              )}
            </tr>
          ))}
        </RowsTable>
      )}
      {rows.length < wanted && (
        <Button
          variant="default"
          size="md"
          mt="sm"
          loading={isFetching && rows.length < Math.min(most, wanted)}
          onClick={() => setMost(most + aPage)}
        >
          Show more ({reader.number(rows.length, 0)} of {reader.number(wanted, 0)})
        </Button>
      )}
    </section>
  );
}
