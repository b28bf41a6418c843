import { saysTheSame } from '@katharos/job';
import { type CriterionKey, criterionKeys, type SystemDesign, type TradeOff } from '@katharos/core';
import { useSession } from '../../data/session.ts';
import { chartGrid, chartMargin, chartTick } from '../../ui/chartStyle.ts';
import { useReader } from '../../ui/useReader.ts';
import { criterionWords } from './criteria.ts';
import { partsInWords } from '../open/designWords.ts';
import { Group, NativeSelect } from '@mantine/core';
import { useMemo, useState } from 'react';
import {
  CartesianGrid,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';

interface Props {
  tradeOffs: readonly TradeOff[];
  /** Those that keep within the limits, the best first. */
  within: readonly TradeOff[];
  /** Whether anything is weighed at all. */
  weighed: boolean;
  current: SystemDesign;
  picked: TradeOff | null;
  onPick: (tradeOff: TradeOff) => void;
}

interface Dot {
  x: number;
  y: number;
  name: string;
  tradeOff: TradeOff;
}

/** Designs as dots over any two of what they differ in: filled within the limits, ringed the best, squared the one in use. */
export function TradeOffChart({ tradeOffs, within, weighed, current, picked, onPick }: Props) {
  const reader = useReader();
  const { units: system } = reader;
  const session = useSession();
  const currency = session?.firm.settings.currency ?? 'EUR';
  const [x, setX] = useState<CriterionKey>('buy');
  const [y, setY] = useState<CriterionKey>('january');
  const dots = useMemo<Dot[]>(
    () =>
      tradeOffs
        .filter(({ criteria }) => Number.isFinite(criteria[x]) && Number.isFinite(criteria[y]))
        .map((tradeOff) => ({
          x: tradeOff.criteria[x] * criterionWords[x].factor(system),
          y: tradeOff.criteria[y] * criterionWords[y].factor(system),
          name: partsInWords(tradeOff.design),
          tradeOff,
        })),
    [tradeOffs, x, y, system],
  );
  const inside = new Set(within);
  const best = weighed ? within[0] : undefined;
  const nameOf = (key: CriterionKey) =>
    `${criterionWords[key].label}, ${criterionWords[key].unit(system, currency)}`;
  const options = criterionKeys.map((key) => ({ value: key, label: nameOf(key) }));
  const shape = (props: unknown) => {
    const { cx = 0, cy = 0, payload } = props as { cx?: number; cy?: number; payload: Dot };
    const { tradeOff } = payload;
    const used = saysTheSame(tradeOff.design, current);
    const isBest = tradeOff === best;
    return (
      <g style={{ cursor: 'pointer' }} onClick={() => onPick(tradeOff)}>
        <circle cx={cx} cy={cy} r={11} fill="transparent" />
        {used ? (
          <rect
            x={cx - 6}
            y={cy - 6}
            width={12}
            height={12}
            fill="var(--k-water-salt)"
            stroke="var(--k-ink)"
          />
        ) : (
          <circle
            cx={cx}
            cy={cy}
            r={5.5}
            fill={inside.has(tradeOff) ? 'var(--k-water-clear)' : 'var(--k-surface)'}
            stroke={inside.has(tradeOff) ? 'var(--k-ink)' : 'var(--k-quiet)'}
          />
        )}
        {(isBest || tradeOff === picked) && (
          <circle
            cx={cx}
            cy={cy}
            r={10}
            fill="none"
            stroke="var(--k-ink)"
            strokeWidth={2}
            strokeDasharray={isBest ? undefined : '3 2'}
          />
        )}
      </g>
    );
  };
  return (
    <>
      <Group mb="xs">
        <NativeSelect
          label="Across"
          data={options}
          value={x}
          onChange={(event) => setX(event.currentTarget.value as CriterionKey)}
        />
        <NativeSelect
          label="Up"
          data={options}
          value={y}
          onChange={(event) => setY(event.currentTarget.value as CriterionKey)}
        />
      </Group>
      <p className="quiet" style={{ margin: '0 0 4px', fontSize: '0.85rem' }}>
        Filled: within the limits. Ringed: first by your weights. Square: in use. The table below
        says the same.
      </p>
      <div style={{ height: 300 }} aria-hidden>
        <ResponsiveContainer>
          <ScatterChart accessibilityLayer={false} margin={chartMargin}>
            <CartesianGrid {...chartGrid} />
            <XAxis
              type="number"
              dataKey="x"
              tick={chartTick}
              domain={['auto', 'auto']}
              stroke="var(--k-line)"
            />
            <YAxis
              type="number"
              dataKey="y"
              tick={chartTick}
              domain={['auto', 'auto']}
              stroke="var(--k-line)"
              width={52}
            />
            <Tooltip content={<DotTip across={nameOf(x)} up={nameOf(y)} />} />
            <Scatter data={dots} shape={shape} isAnimationActive={false} />
          </ScatterChart>
        </ResponsiveContainer>
      </div>
    </>
  );
}

function DotTip({
  payload,
  across,
  up,
}: {
  payload?: readonly { payload: Dot }[];
  across: string;
  up: string;
}) {
  const dot = payload?.[0]?.payload;
  if (!dot) return null;
  return (
    <div className="panel" style={{ padding: '8px 12px', maxWidth: 280, fontSize: '0.85rem' }}>
      <strong>{dot.name}</strong>
      <div>
        {across}: {Number(dot.x.toPrecision(3))}
      </div>
      <div>
        {up}: {Number(dot.y.toPrecision(3))}
      </div>
    </div>
  );
}
