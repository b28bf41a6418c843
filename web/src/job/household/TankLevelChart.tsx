import { type LevelBand, type PicturedDay, unitOf, unitSystems } from '@katharos/core';
import { chartGrid, chartMargin, chartTick, chartTooltip } from '../../ui/chartStyle.ts';
import { useReader } from '../../ui/useReader.ts';
import { memo } from 'react';
import {
  Area,
  CartesianGrid,
  ComposedChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';

const hours = [0, 3, 6, 9, 12, 15, 18, 21, 24];
const clock = (hour: number): string => {
  const minutes = Math.round(hour * 60);
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
};

/** Water in the tank through the hardest day, with the level at which production starts again. */
export const TankLevelChart = memo(function TankLevelChart({
  day,
  band,
  tank,
}: {
  day: Pick<PicturedDay, 'moments'>;
  /** What the tank holds on nine days of ten. */
  band: readonly LevelBand[];
  tank: { fullL: number; reopenL: number };
}) {
  const reader = useReader();
  const { units: system } = reader;
  const volume = unitOf('volume', unitSystems[system].volume);
  const points = day.moments.map(({ minute, litres }) => ({
    hour: minute / 60,
    level: Number(volume.fromCore(litres).toFixed(2)),
  }));
  const usual = band.map(({ minute, low, high }) => ({
    hour: minute / 60,
    usual: [low, high].map((litres) => Number(volume.fromCore(litres).toFixed(2))),
  }));
  return (
    <div style={{ height: 230 }} aria-hidden>
      <ResponsiveContainer>
        <ComposedChart accessibilityLayer={false} data={points} margin={chartMargin}>
          <CartesianGrid {...chartGrid} />
          <XAxis
            dataKey="hour"
            type="number"
            domain={[0, 24]}
            ticks={hours}
            tickFormatter={clock}
            tick={chartTick}
          />
          <YAxis width={44} domain={[0, 'auto']} tick={chartTick} unit={` ${volume.symbol}`} />
          <ReferenceLine
            y={volume.fromCore(tank.reopenL)}
            stroke="var(--k-quiet)"
            strokeDasharray="6 4"
            label={{
              value: 'starts again below',
              fill: 'var(--k-quiet)',
              position: 'insideTopLeft',
            }}
          />
          <Tooltip {...chartTooltip} labelFormatter={(hour) => clock(Number(hour))} />
          <Area
            data={usual}
            dataKey="usual"
            name={`on nine days of ten, ${volume.symbol}`}
            stroke="none"
            fill="var(--k-quiet)"
            fillOpacity={0.22}
            isAnimationActive={false}
          />
          <Area
            dataKey="level"
            name={`on the hardest day, ${volume.symbol}`}
            stroke="var(--k-water-clear)"
            fill="var(--k-water-clear)"
            fillOpacity={0.25}
            strokeWidth={2}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
});
