import type { JobBrief } from '@katharos/job';
import {
  type Assessment,
  recoveryCurve,
  type SystemDesign,
  unitOf,
  unitSystems,
} from '@katharos/core';
import { chartGrid, chartMargin, chartTick, chartTooltip } from '../../ui/chartStyle.ts';
import { useReader } from '../../ui/useReader.ts';
import { Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';

/** Product TDS over recovery: what a tighter or a wider restrictor would do, and where one element stops bearing it. */
export function RecoveryChart({
  design,
  brief,
  today,
}: {
  design: SystemDesign;
  brief: JobBrief;
  today: Assessment;
}) {
  const reader = useReader();
  const { units: system } = reader;
  const water = brief.task.waters.today;
  const unit = unitOf('tds', unitSystems[system].tds);
  const curve = useMemo(() => recoveryCurve(design, water), [design, water]);
  const points = curve.map((point) => ({
    recovery: Number((100 * point.recovery).toFixed(1)),
    tds: Number(unit.fromCore(point.productTdsMgL).toFixed(2)),
    lsi: point.concentrateLsi,
    drain: point.drainLPerProductL,
    flow: point.flowMlMin,
  }));
  const most = 100 * brief.requirements.mostRecovery;
  return (
    <section className="panel" aria-label="Product TDS over recovery">
      <Title order={3} size="h4">
        What the restrictor does
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        Product TDS in {unit.symbol} over recovery while running, today’s water. The dot is this
        restrictor; the dashed line is the most that one element bears for long.
      </Text>
      <div style={{ height: 240 }} aria-hidden>
        <ResponsiveContainer>
          <ComposedChart accessibilityLayer={false} data={points} margin={chartMargin}>
            <CartesianGrid {...chartGrid} />
            <XAxis
              dataKey="recovery"
              type="number"
              domain={[0, 'dataMax']}
              tick={chartTick}
              stroke="var(--k-line)"
              unit=" %"
            />
            <YAxis tick={chartTick} stroke="var(--k-line)" width={46} domain={[0, 'auto']} />
            <ReferenceLine
              x={most}
              stroke="var(--k-water-salt)"
              strokeDasharray="6 5"
              strokeWidth={2}
            />
            <Tooltip {...chartTooltip} labelFormatter={(value) => `${Number(value)} % recovery`} />
            <Line
              dataKey="tds"
              name={unit.symbol}
              stroke="var(--k-water-clear)"
              strokeWidth={3}
              dot={false}
              isAnimationActive={false}
            />
            <ReferenceDot
              x={100 * today.running.recovery}
              y={unit.fromCore(today.productTdsMgL)}
              r={7}
              fill="var(--k-water-salt)"
              stroke="var(--k-ink)"
            />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <details>
        <summary style={{ minHeight: 32, cursor: 'pointer' }}>As a table</summary>
        <table className="table bare" style={{ maxWidth: 620 }}>
          <thead>
            <tr>
              <th className="right">Restrictor, mL/min</th>
              <th className="right">Recovery</th>
              <th className="right">Product TDS, {unit.symbol}</th>
              <th className="right">Saturation index</th>
              <th className="right">To drain for 1</th>
            </tr>
          </thead>
          <tbody>
            {points.map((point) => (
              <tr key={point.flow}>
                <td className="right">{reader.number(point.flow, 0)}</td>
                <td className="right">{reader.percent(point.recovery / 100)}</td>
                <td className="right">{reader.number(point.tds, 1)}</td>
                <td className="right">{reader.number(point.lsi, 1)}</td>
                <td className="right">{reader.number(point.drain, 1)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}
