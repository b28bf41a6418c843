import {
  type CriterionKey,
  criterionKeys,
  criterionSenses,
  type Priorities,
  type TradeOff,
} from '@katharos/core';
import { useSession } from '../../data/session.ts';
import { useReader } from '../../ui/useReader.ts';
import { RowsTable } from '../../ui/RowsTable.tsx';
import { criterionWords, writeCriterion } from './criteria.ts';
import { MeasureInput } from '../../ui/typed/MeasureInput.tsx';
import { Slider } from '@mantine/core';
import { useState } from 'react';

interface Props {
  tradeOffs: readonly TradeOff[];
  priorities: Priorities;
  onChange: (change: Partial<Priorities>) => void;
}

/** The most that a document keeps as a limit. */
const mostLimit = 1e6;

const marks = [
  { value: 0, label: 'no matter' },
  { value: 2, label: 'matters' },
  { value: 4, label: 'above all' },
];

/** A weight and a limit for each thing that designs differ in, with the span that there is to choose from. */
export function PriorityTable({ tradeOffs, priorities, onChange }: Props) {
  const reader = useReader();
  const { units: system } = reader;
  const session = useSession();
  const currency = session?.firm.settings.currency ?? 'EUR';
  const spanOf = (key: CriterionKey): string => {
    const values = tradeOffs.map(({ criteria }) => criteria[key]).filter(Number.isFinite);
    if (values.length === 0) return '–';
    const [least, most] = [Math.min(...values), Math.max(...values)];
    const [from, to] = [writeCriterion(key, least, reader), writeCriterion(key, most, reader)];
    return from === to ? from : `${from} – ${to}`;
  };
  const setWeight = (key: CriterionKey, weight: number) => {
    const { [key]: _old, ...rest } = priorities.weights;
    onChange({ weights: weight === 0 ? rest : { ...rest, [key]: weight } });
  };
  const setLimit = (key: CriterionKey, limit: number | undefined) => {
    const { [key]: _old, ...rest } = priorities.limits;
    onChange({ limits: limit === undefined ? rest : { ...rest, [key]: limit } });
  };
  return (
    <RowsTable
      label="Weights and limits"
      minWidth={640}
      columns={['What', 'From – to', 'How much it matters', 'Limit']}
    >
      {criterionKeys.map((key) => {
        const { label, hint, unit, factor } = criterionWords[key];
        const limit = priorities.limits[key];
        const most = criterionSenses[key].more ? 'At least' : 'At most';
        return (
          <tr key={key}>
            <td title={hint}>{label}</td>
            <td className="whole">
              {spanOf(key)} {unit(system, currency)}
            </td>
            <td
              style={{
                paddingInline: 'var(--mantine-spacing-lg)',
                paddingBottom: 'var(--mantine-spacing-lg)',
              }}
            >
              <Weight
                label={label}
                value={priorities.weights[key] ?? 0}
                onChange={(weight) => setWeight(key, weight)}
              />
            </td>
            <td>
              <MeasureInput
                aria-label={`${most}: ${label}`}
                placeholder={reader.within(most)}
                keptAs={key}
                size="sm"
                w={140}
                measure={{
                  dimension: 'count',
                  range: { min: 0, max: mostLimit * factor(system) },
                  symbol: unit(system, currency),
                }}
                value={limit === undefined ? undefined : limit * factor(system)}
                onCommit={(value) =>
                  setLimit(key, value === undefined ? undefined : value / factor(system))
                }
              />
            </td>
          </tr>
        );
      })}
    </RowsTable>
  );
}

/** A slider that moves freely and is committed when it is let go. */
function Weight({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange: (value: number) => void;
}) {
  const [moving, setMoving] = useState<number | null>(null);
  return (
    <Slider
      thumbLabel={`Weight: ${label}`}
      label={null}
      min={0}
      max={4}
      step={1}
      marks={marks}
      value={moving ?? value}
      onChange={setMoving}
      onChangeEnd={(next) => {
        setMoving(null);
        if (next !== value) onChange(next);
      }}
    />
  );
}
