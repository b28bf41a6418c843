import { belowMinimum } from '@katharos/core';
import { Anchor, Text } from '@mantine/core';
import { Link } from 'react-router';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { unitOf } from './partUnits.ts';
import type { HoldingsAt } from './StockFrame.tsx';

/** What a place holds less of than it should, and the way to more of it. */
export function BelowMinimum({ place, stock, parts }: HoldingsAt) {
  const reader = useReader();
  const short = belowMinimum(stock.lines, place.id).flatMap((line) => {
    const part = parts.find(({ id }) => id === line.partId);
    return part ? [{ ...line, part }] : [];
  });
  if (short.length === 0) return null;
  return (
    <Tone
      kind="warn"
      head={`Below its minimum: ${reader.number(short.length, 0)} ${reader.plural(short.length, { one: 'part', other: 'parts' })}`}
      role="status"
    >
      <Text size="sm">
        {short
          .map(
            ({ part, quantity, minimum }) =>
              `${part.name}: ${reader.pieces(quantity, unitOf(part))} of ${reader.pieces(minimum, unitOf(part))}`,
          )
          .join('; ')}
        .
      </Text>
      {place.kind === 'van' && (
        <Anchor component={Link} to={`/stock/load?van=${place.id}`} underline="always">
          Load it
        </Anchor>
      )}
    </Tone>
  );
}
