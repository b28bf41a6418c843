import {
  dateOf,
  dayOf,
  type SeriesPicture,
  type ServiceEventKind,
  type TrendPicture,
} from '@katharos/core';
import { seriesNames } from '@katharos/words';
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
import { useReader } from '../../../ui/useReader.ts';
import { RowsTable } from '../../../ui/RowsTable.tsx';

/** Factors that are marked; what lies beyond is cut off. */
const ticks = {
  saltPassage: [0.5, 1, 1.5, 2, 2.5, 3],
  flow: [0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.1, 1.2],
};

interface Props {
  series: SeriesPicture;
  events: TrendPicture['events'];
  name: 'saltPassage' | 'flow';
}

const eventWords: Partial<Record<ServiceEventKind, string>> = {
  'prefilter-change': 'Pre-filters changed',
  'membrane-change': 'Membrane changed',
};

/** One of the membrane's factors over the years: what each visit says, what is believed, its limit, and what was changed; as a table besides. */
export function SeriesChart({ series, events, name }: Props) {
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
  const raw = series.visits.flatMap(({ date, raw: factor }) =>
    factor === null ? [] : [{ day: dayOf(date)!, factor }],
  );
  const changes = [...new Set(events.map(({ date }) => date))];
  const changedOn = (on: string) => [
    ...new Set(
      events.filter(({ date }) => date === on).flatMap(({ kind }) => eventWords[kind] ?? []),
    ),
  ];
  const label = seriesNames[name];
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
            {changes.map((on) => (
              <ReferenceLine
                key={on}
                x={dayOf(on)!}
                stroke="var(--k-quiet)"
                strokeDasharray="1 4"
                strokeWidth={2}
              />
            ))}
            <Line
              dataKey="factor"
              stroke="var(--k-water-clear)"
              strokeWidth={2.5}
              dot={false}
              isAnimationActive={false}
            />
            <Scatter
              data={raw}
              dataKey="factor"
              fill="var(--k-surface)"
              stroke="var(--k-quiet)"
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
        <RowsTable
          minWidth={560}
          label={`${label} by visit`}
          columns={[
            'Visit',
            { head: 'Times its start', right: true },
            { head: 'Between', right: true },
            { head: 'As read alone', right: true },
            'Changed then',
          ]}
        >
          {series.visits.map(({ date: on, factor, low, high, raw: alone }) => (
            <tr key={on}>
              <td>{reader.day(on)}</td>
              <td className="right">{reader.number(factor, 2)}</td>
              <td className="right">
                {reader.number(low, 2)} – {reader.number(high, 2)}
              </td>
              <td className="right">{alone === null ? '' : reader.number(alone, 2)}</td>
              <td>{changedOn(on).join(', ')}</td>
            </tr>
          ))}
        </RowsTable>
      </details>
    </>
  );
}
