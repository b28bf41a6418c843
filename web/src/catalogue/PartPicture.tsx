import { type PartCurve, unitOf, unitSystems } from '@katharos/core';
import { curveWords } from '@katharos/words';
import { Text, Title } from '@mantine/core';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceDot,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { chartGrid, chartMargin, chartTick, chartTooltip } from '../ui/chartStyle.ts';
import { useReader } from '../ui/useReader.ts';

const strokes = ['var(--k-water-clear)', 'var(--k-water-salt)'];

interface Props {
  curve: PartCurve;
  stale: boolean;
  /** Whose it is, where several stand beside each other. */
  of?: string;
}

/** How a part behaves by what was entered: its curve, and the points of its data sheet. */
export function PartPicture({ curve, stale, of }: Props) {
  const reader = useReader();
  const { title, x, y } = curveWords[curve.kind];
  const units = unitSystems[reader.units];
  const [xUnit, yUnit] = [unitOf(curve.x, units[curve.x]), unitOf(curve.y, units[curve.y])];
  const figure = (value: number) => Number(value.toPrecision(4));
  const data = curve.lines[0]!.points.map((point, i) => ({
    x: figure(xUnit.fromCore(point.x)),
    ...Object.fromEntries(
      curve.lines.map(({ points }, line) => [`y${line}`, figure(yUnit.fromCore(points[i]!.y))]),
    ),
  }));
  const named = (label: string, symbol: string) => (symbol ? `${label}, ${symbol}` : label);
  const nameOf = (temperatureC: number | null) =>
    temperatureC === null ? y : `at ${reader.say('temperature', temperatureC)}`;
  return (
    <section
      className="panel"
      aria-label={of ? `${of}: ${title}` : title}
      style={{ opacity: stale ? 0.55 : 1 }}
    >
      <Title order={2} size="h4">
        {title}
      </Title>
      <Text size="sm" c="dimmed">
        {named(y, yUnit.symbol)} over {reader.within(named(x, xUnit.symbol))}; the dots are the data
        sheet’s.
        {stale && ' As it was before what is being entered.'}
      </Text>
      <div style={{ height: 240 }} aria-hidden>
        <ResponsiveContainer>
          <ComposedChart accessibilityLayer={false} data={data} margin={chartMargin}>
            <CartesianGrid {...chartGrid} />
            <XAxis
              dataKey="x"
              type="number"
              domain={['dataMin', 'dataMax']}
              tick={chartTick}
              stroke="var(--k-line)"
            />
            <YAxis tick={chartTick} stroke="var(--k-line)" width={56} domain={[0, 'auto']} />
            <Tooltip
              {...chartTooltip}
              labelFormatter={(value) => `${Number(value)} ${xUnit.symbol}`}
            />
            {curve.lines.map(({ temperatureC }, line) => (
              <Line
                key={line}
                dataKey={`y${line}`}
                name={nameOf(temperatureC)}
                unit={` ${yUnit.symbol}`}
                stroke={strokes[line]}
                strokeDasharray={line === 0 ? undefined : '6 4'}
                strokeWidth={2}
                dot={false}
                isAnimationActive={false}
              />
            ))}
            {curve.rated.map((point, i) => (
              <ReferenceDot
                key={i}
                x={xUnit.fromCore(point.x)}
                y={yUnit.fromCore(point.y)}
                r={5}
                fill={strokes[0]}
                stroke="var(--k-surface)"
                ifOverflow="extendDomain"
              />
            ))}
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      {curve.lines.length > 1 && (
        <Text size="sm" c="dimmed">
          Full line {nameOf(curve.lines[0]!.temperatureC)}, broken line{' '}
          {nameOf(curve.lines[1]!.temperatureC)}.
        </Text>
      )}
    </section>
  );
}
