import type { JobBrief } from '@katharos/job';
import { assess, type SystemDesign, unitOf, type UnitSystem, unitSystems } from '@katharos/core';
import { chartGrid, chartMargin, chartTick, chartTooltip } from '../../ui/chartStyle.ts';
import { useReader } from '../../ui/useReader.ts';
import { Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';

/** Round figures of whoever reads, from nearly freezing to the warmest tap. */
const temperatures: Record<UnitSystem, number[]> = {
  metric: Array.from({ length: 14 }, (_, i) => 2 + i * 2),
  us: Array.from({ length: 13 }, (_, i) => 36 + i * 4),
};

/** Production over water temperature with the year's range marked, and the same as a table. */
export function TemperatureChart({ design, brief }: { design: SystemDesign; brief: JobBrief }) {
  const reader = useReader();
  const { units: system } = reader;
  const { today, worst } = brief.task.waters;
  const volume = unitOf('dailyVolume', unitSystems[system].dailyVolume);
  const degree = unitOf('temperature', unitSystems[system].temperature);
  const points = useMemo(
    () =>
      temperatures[system].map((temperature) => {
        const solved = assess(design, { ...today, temperatureC: degree.toCore(temperature) });
        return {
          temperature,
          production: solved.ok
            ? Number(volume.fromCore(solved.value.productionLPerDay).toFixed(1))
            : 0,
        };
      }),
    [design, today, degree, volume, system],
  );
  const year = [degree.fromCore(worst.temperatureC), degree.fromCore(today.temperatureC)];
  const asked = volume.fromCore(brief.requirements.demandLPerDay);
  return (
    <section className="panel" aria-label="Production over temperature">
      <Title order={3} size="h4">
        What January does
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        Production in {volume.symbol} over water temperature in {degree.symbol} at{' '}
        {reader.say('pressure', today.pressureBar)}, membrane new. Shaded: from the coldest water to
        today’s. Dashed: what is asked.
      </Text>
      <div style={{ height: 240 }} aria-hidden>
        <ResponsiveContainer>
          <LineChart accessibilityLayer={false} data={points} margin={chartMargin}>
            <CartesianGrid {...chartGrid} />
            <XAxis
              dataKey="temperature"
              type="number"
              domain={['dataMin', 'dataMax']}
              ticks={points.filter((_, i) => i % 2 === 0).map((point) => point.temperature)}
              tick={chartTick}
              stroke="var(--k-line)"
            />
            <YAxis tick={chartTick} stroke="var(--k-line)" width={46} />
            <ReferenceArea
              x1={year[0]}
              x2={year[1]}
              fill="var(--k-water-clear)"
              fillOpacity={0.18}
            />
            <ReferenceLine
              y={asked}
              stroke="var(--k-water-salt)"
              strokeDasharray="6 5"
              strokeWidth={2}
            />
            <Tooltip
              {...chartTooltip}
              labelFormatter={(value) => `${Number(value)} ${degree.symbol}`}
            />
            <Line
              dataKey="production"
              name={volume.symbol}
              stroke="var(--k-water-clear)"
              strokeWidth={3}
              dot={false}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <details>
        <summary style={{ minHeight: 32, cursor: 'pointer' }}>As a table</summary>
        <table className="table bare" style={{ maxWidth: 360 }}>
          <thead>
            <tr>
              <th>Water, {degree.symbol}</th>
              <th className="right">Production, {volume.symbol}</th>
            </tr>
          </thead>
          <tbody>
            {points.map((point) => (
              <tr key={point.temperature}>
                <td>{reader.number(point.temperature, 0)}</td>
                <td className="right">{reader.number(point.production, 1)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}
