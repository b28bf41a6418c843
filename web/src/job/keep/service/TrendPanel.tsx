import { dateOf, dayOf, type SeriesPicture, type SeriesTrend } from '@katharos/core';
import { trendSentence } from '@katharos/words';
import { Table, Text, Title } from '@mantine/core';
import {
  Area,
  CartesianGrid,
  ComposedChart,
  ErrorBar,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import { chartGrid, chartMargin, chartTick } from '../../../ui/chartStyle.ts';
import { Tone, type ToneKind } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import type { KeptShown } from '../../../workers/tasks.ts';

const tones: Record<SeriesTrend['state'], ToneKind> = {
  steady: 'good',
  drifting: 'warn',
  'limit-reached': 'bad',
  'not-enough': 'warn',
};

/** How the membrane goes: both factors against its own start, what each visit says, and when its limits are met. */
export function TrendPanel({ shown: { kept, picture } }: { shown: KeptShown }) {
  const reader = useReader();
  const { trend } = kept;
  return (
    <section className="panel" aria-label="Trend">
      <Title order={3} size="h4">
        The membrane’s trend
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        Every visit brought to its own start: temperature, pressure and the strength of the feed are
        reckoned out. A cold winter moves the jug and not these.
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
            {picture && <SeriesChart series={picture[key]} name={key} />}
          </div>
        ))}
    </section>
  );
}

/** Factors that are marked; what lies beyond is cut off. */
const ticks = {
  saltPassage: [0.5, 1, 1.5, 2, 2.5, 3],
  flow: [0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.1, 1.2],
};

function SeriesChart({ series, name }: { series: SeriesPicture; name: 'saltPassage' | 'flow' }) {
  const reader = useReader();
  const course = series.course.map(({ date, factor, low, high }) => ({
    day: dayOf(date)!,
    factor,
    band: [low, high],
  }));
  const visits = series.visits.map(({ date, factor, low, high }) => ({
    day: dayOf(date)!,
    factor,
    error: [factor - low, high - factor],
  }));
  const label = name === 'saltPassage' ? 'Salt passage' : 'Flow';
  const date = (day: number) => reader.day(dateOf(day), 'month');
  return (
    <>
      <div style={{ height: 220 }} aria-hidden>
        <ResponsiveContainer>
          <ComposedChart accessibilityLayer={false} data={course} margin={chartMargin}>
            <CartesianGrid {...chartGrid} />
            <XAxis
              dataKey="day"
              type="number"
              domain={['dataMin', 'dataMax']}
              tickFormatter={date}
              tickCount={7}
              tick={chartTick}
              stroke="var(--k-line)"
            />
            <YAxis
              tick={chartTick}
              stroke="var(--k-line)"
              width={46}
              domain={[ticks[name].at(0)!, ticks[name].at(-1)!]}
              ticks={ticks[name]}
              allowDataOverflow
              tickFormatter={(value: number) => reader.number(value, 1)}
            />
            <Area
              dataKey="band"
              stroke="none"
              fill="var(--k-water-clear)"
              fillOpacity={0.22}
              isAnimationActive={false}
            />
            <ReferenceLine y={series.limit} stroke="var(--k-bad)" strokeDasharray="6 4" />
            <ReferenceLine y={1} stroke="var(--k-quiet)" />
            <Line
              dataKey="factor"
              stroke="var(--k-water-clear)"
              strokeWidth={2.5}
              dot={false}
              isAnimationActive={false}
            />
            <Scatter data={visits} dataKey="factor" fill="var(--k-ink)" isAnimationActive={false}>
              <ErrorBar dataKey="error" direction="y" stroke="var(--k-quiet)" width={3} />
            </Scatter>
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <details>
        <summary style={{ minHeight: 44, alignContent: 'center' }}>{label} as a table</summary>
        <Table aria-label={`${label} by visit`}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Visit</Table.Th>
              <Table.Th ta="right">Times its start</Table.Th>
              <Table.Th ta="right">Between</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {series.visits.map(({ date: on, factor, low, high }) => (
              <Table.Tr key={on}>
                <Table.Td>{reader.day(on)}</Table.Td>
                <Table.Td ta="right">{reader.number(factor, 2)}</Table.Td>
                <Table.Td ta="right">
                  {reader.number(low, 2)} – {reader.number(high, 2)}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </details>
    </>
  );
}
