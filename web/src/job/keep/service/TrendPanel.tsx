import type { Expectation, SeriesTrend } from '@katharos/core';
import { prefilterSentence, seriesNames, trendSentence } from '@katharos/words';
import { Skeleton, Text, Title } from '@mantine/core';
import { memo } from 'react';
import { late } from '../../../ui/late.tsx';
import { Tone, type ToneKind } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import type { KeptShown } from '../../../workers/tasks.ts';

/** What draws charts is larger than all else of this view, which is there before it. */
const SeriesChart = late(
  async () => (await import('./SeriesChart.tsx')).SeriesChart,
  <Skeleton height={220} />,
);

const tones: Record<SeriesTrend['state'], ToneKind> = {
  steady: 'good',
  drifting: 'warn',
  'limit-reached': 'bad',
  'not-enough': 'warn',
};

/** How the membrane goes: both factors against its own start, what each visit says, and when its limits are met. */
export const TrendPanel = memo(function TrendPanel({
  shown: { kept, picture, expectations },
}: {
  shown: KeptShown;
}) {
  const reader = useReader();
  const { trend } = kept;
  return (
    <section className="panel" aria-label="Trend">
      <Title order={3} size="h4">
        The membrane’s trend
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        Every visit brought to its own start: temperature, pressure and the strength of the feed are
        reckoned out. Hollow: what meter and jug alone would say; a cold winter moves them and not
        the membrane. Dotted upright: something was changed.
      </Text>
      {!trend && <Text>Nothing was read yet that a trend can be made of.</Text>}
      {trend && !trend.ok && <Text>The readings cannot be brought together with this system.</Text>}
      {trend?.ok &&
        (['saltPassage', 'flow'] as const).map((key) => (
          <div key={key} style={{ marginTop: 16 }}>
            <Tone
              kind={tones[trend.value[key].state]}
              head={trendSentence(key, trend.value[key], reader)}
            />
            {picture && <SeriesChart series={picture[key]} events={picture.events} name={key} />}
            {expectations && <Expectations of={key} list={expectations[key]} />}
          </div>
        ))}
      {trend?.ok && <Text mt="md">{prefilterSentence(kept.dropDoubledAfterMonths, reader)}</Text>}
    </section>
  );
});

/** How a limit's month was expected after each of the last visits: it narrows as they come. */
function Expectations({ of, list }: { of: 'saltPassage' | 'flow'; list: Expectation[] }) {
  const reader = useReader();
  if (list.length < 2) return null;
  const month = (date: string | null) => (date ? reader.day(date, 'month') : 'beyond five years');
  return (
    <details>
      <summary style={{ minHeight: 44, alignContent: 'center' }}>
        {seriesNames[of]}: how the limit’s month was expected, visit by visit
      </summary>
      <table aria-label={`${seriesNames[of]}: the limit’s month by visit`} className="table">
        <thead>
          <tr>
            <th>After the visit on</th>
            <th>Expected</th>
            <th>Four in five between</th>
          </tr>
        </thead>
        <tbody>
          {list.map(({ date, dueFrom, dueOn, dueTo }) => (
            <tr key={date}>
              <td>{reader.day(date)}</td>
              <td>{month(dueOn)}</td>
              <td>
                {month(dueFrom)} – {month(dueTo)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
