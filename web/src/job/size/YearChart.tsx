import type { JobBrief } from '@katharos/job';
import {
  type Assessment,
  litresPerGallon,
  sampleDraws,
  type UnitSystem,
  yearOfWater,
} from '@katharos/core';
import { drawKindNames } from '../household/drawKinds.ts';
import { chartTooltip } from '../../ui/chartStyle.ts';
import { useReader } from '../../ui/useReader.ts';
import { Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import { Layer, Rectangle, ResponsiveContainer, Sankey, Tooltip } from 'recharts';

const yearUnit = (system: UnitSystem) =>
  system === 'us'
    ? { symbol: 'gal', of: 1000 / litresPerGallon, decimals: 0 }
    : { symbol: 'm³', of: 1, decimals: 1 };

/** Where a year's water goes, from the street to the drain and to every kind of use; the width is the water. */
export function YearChart({ brief, today }: { brief: JobBrief; today: Assessment }) {
  const reader = useReader();
  const { units: system } = reader;
  const { household, demandLPerDay } = brief.requirements;
  const year = useMemo(
    () => yearOfWater(demandLPerDay, sampleDraws(household), today.drainLPerProductL),
    [demandLPerDay, household, today.drainLPerProductL],
  );
  const { symbol, of, decimals } = yearUnit(system);
  const write = (m3: number) => `${reader.number(m3 * of, decimals)} ${symbol}`;
  const rows: [string, number][] = [
    ['From the street', year.streetM3],
    ['To drain', year.drainM3],
    ...year.uses.map(({ kind, m3 }): [string, number] => [drawKindNames[kind], m3]),
  ];
  if (!Number.isFinite(year.drainM3)) return null;
  const data = {
    nodes: [
      { name: `Street ${write(year.streetM3)}` },
      { name: `Product ${write(year.productM3)}` },
      { name: `Drain ${write(year.drainM3)}` },
      ...year.uses.map(({ kind, m3 }) => ({ name: `${drawKindNames[kind]} ${write(m3)}` })),
    ],
    links: [
      { source: 0, target: 1, value: year.productM3 },
      { source: 0, target: 2, value: year.drainM3 },
      ...year.uses.map(({ m3 }, i) => ({ source: 1, target: 3 + i, value: m3 })),
    ],
  };
  return (
    <section className="panel" aria-label="Where a year’s water goes">
      <Title order={3} size="h4">
        Where a year’s water goes
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        {write(year.streetM3)} from the street for {write(year.productM3)} of product, at today’s
        water and with a membrane that is not worn; {write(year.drainM3)} go to drain
        {today.fill &&
          ', counted over whole fills: a tank that is topped up by the glass takes more, as Days here shows'}
        .
      </Text>
      <div style={{ height: 260, maxWidth: 860 }} aria-hidden>
        <ResponsiveContainer>
          <Sankey
            data={data}
            nodePadding={22}
            nodeWidth={10}
            accessibilityLayer={false}
            margin={{ left: 4, right: 150, top: 8, bottom: 8 }}
            link={{ stroke: 'var(--k-water-clear)', strokeOpacity: 0.35 }}
            node={YearNode}
          >
            <Tooltip {...chartTooltip} />
          </Sankey>
        </ResponsiveContainer>
      </div>
      <details>
        <summary style={{ minHeight: 32, cursor: 'pointer' }}>As a table</summary>
        <table className="table bare" style={{ maxWidth: 360 }}>
          <tbody>
            {rows.map(([label, m3]) => (
              <tr key={label}>
                <th scope="row">{label}</th>
                <td className="right">{write(m3)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}

function YearNode({
  x,
  y,
  width,
  height,
  payload,
}: {
  x: number;
  y: number;
  width: number;
  height: number;
  payload: { name?: string; sourceLinks?: unknown[]; targetLinks?: unknown[] };
}) {
  const name = payload.name ?? '';
  // Beside what water comes through, further water stands.
  const isBetween = Boolean(payload.sourceLinks?.length && payload.targetLinks?.length);
  return (
    <Layer>
      <Rectangle
        x={x}
        y={y}
        width={width}
        height={height}
        fill={name.startsWith('Drain') ? 'var(--k-water-salt)' : 'var(--k-water-clear)'}
      />
      <text
        x={isBetween ? x + width : x + width + 8}
        textAnchor={isBetween ? 'end' : 'start'}
        y={isBetween ? y + height + 12 : y + height / 2}
        dominantBaseline="middle"
        fontSize={13}
        fill="var(--k-ink)"
      >
        {name}
      </text>
    </Layer>
  );
}
