import type { Dimension } from '@katharos/core';
import { useReader } from './useReader.ts';
import { Beside } from './Beside.tsx';
import { Stack, Text } from '@mantine/core';

/** Where a figure comes from: shown one click away from it. */
export interface Explanation {
  equation: string;
  source: string;
  inputs: readonly [label: string, value: string][];
}

interface Props {
  label: string;
  /** A core value with its dimension, or text that is written already. */
  value:
    | { dimension: Dimension; core: number; decimals?: number }
    | { text: string; unit?: string };
  /** The same in the other customary unit, or a remark; one short line. */
  beside?: string | undefined;
  why?: Explanation | undefined;
  hero?: boolean;
}

/** One quantity with its unit, and its reason behind the label. Used wherever a computed figure stands by itself. */
export function Figure({ label, value, beside, why, hero = false }: Props) {
  const reader = useReader();
  const written =
    'text' in value
      ? { text: value.text, symbol: value.unit ?? '' }
      : reader.apart(value.dimension, value.core, value.decimals);
  return (
    <div>
      {why ? (
        <Why label={label} why={why} />
      ) : (
        <span className="quiet" style={{ fontSize: '0.9rem' }}>
          {label}
        </span>
      )}
      <div className={hero ? 'figure-value hero' : 'figure-value'}>
        {written.text}
        {written.symbol && <span className="figure-unit">{written.symbol}</span>}
      </div>
      {beside && (
        <Text size="sm" c="dimmed">
          {beside}
        </Text>
      )}
    </div>
  );
}

const Why = ({ label, why }: { label: string; why: Explanation }) => (
  <Beside
    button={label}
    className="figure-why"
    title="Show where this comes from"
    label={`Where this comes from: ${label}`}
  >
    {() => (
      <Stack gap="xs">
        <Text fw={650}>{label}</Text>
        <Text size="sm">{why.equation}</Text>
        <dl
          style={{ margin: 0, display: 'grid', gridTemplateColumns: '1fr auto', gap: '2px 12px' }}
        >
          {why.inputs.map(([name, text]) => (
            <div key={name} style={{ display: 'contents' }}>
              <dt className="quiet">{name}</dt>
              <dd style={{ margin: 0 }}>{text}</dd>
            </div>
          ))}
        </dl>
        <Text size="xs" c="dimmed">
          {why.source}
        </Text>
      </Stack>
    )}
  </Beside>
);
