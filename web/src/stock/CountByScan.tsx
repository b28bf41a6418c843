import { Button, Group, Stack, Text, TextInput, Title } from '@mantine/core';
import { useState } from 'react';
import { z } from 'zod';
import { vanLane } from '../data/line/deeds.ts';
import { keep } from '../data/line/keep.ts';
import { ScanButton } from '../ui/ScanButton.tsx';
import { useDraft } from '../ui/useDraft.ts';
import { useReader } from '../ui/useReader.ts';
import { WideTable } from '../ui/WideTable.tsx';
import { partOfCode, unitOf } from './partUnits.ts';
import type { HoldingsAt } from './StockFrame.tsx';

/** Parts with how many were counted, in the order in which they were first met. */
const tallySchema = z.record(z.string(), z.number().int().min(0));

/**
 * Counting with a scanner: each code adds one, and what was counted takes the place of what was thought to be there once it is said so.
 * The count survives a reload, as it may take an hour.
 */
export function CountByScan({ place, stock, parts }: HoldingsAt) {
  const reader = useReader();
  const { draft, change, forget } = useDraft(
    `count:${place.id}`,
    z.object({ tally: tallySchema }),
    {
      tally: {},
    },
  );
  const [code, setCode] = useState('');
  const [said, setSaid] = useState('');
  const { tally } = draft;
  const counted = Object.entries(tally);
  const heldOf = (partId: string) =>
    stock.lines.find((line) => line.placeId === place.id && line.partId === partId)?.quantity ?? 0;
  const set = (next: Record<string, number>) => change({ tally: next });
  const read = (text: string) => {
    setCode('');
    if (text.trim() === '') return;
    const part = partOfCode(text, parts);
    if (!part) {
      setSaid(`No part has the code “${text.trim().slice(0, 60)}”. Nothing was counted.`);
      return;
    }
    const count = (tally[part.id] ?? 0) + 1;
    set({ ...tally, [part.id]: count });
    setSaid(`${part.name}: ${reader.number(count, 0)}`);
  };
  const clear = () => {
    set({});
    forget();
  };
  const takeOver = async () => {
    for (const [partId, quantity] of counted)
      await keep(vanLane, { kind: 'stock', partId, quantity, placeId: place.id });
    clear();
    setSaid(
      `${reader.number(counted.length, 0)} ${reader.plural(counted.length, { one: 'part is', other: 'parts are' })} set to what was counted.`,
    );
  };
  return (
    <details
      className="panel"
      aria-label="Count by scanning"
      role="group"
      open={counted.length > 0 || undefined}
    >
      <summary style={{ minHeight: 44, alignContent: 'center', cursor: 'pointer' }}>
        <Title order={2} size="h4" style={{ display: 'inline' }}>
          Count by scanning
        </Title>
      </summary>
      <Stack gap="sm">
        <Text size="sm" c="dimmed">
          Each scan of a shelf label adds one. What you do not scan stays as it is.
        </Text>
        <Group align="end">
          <TextInput
            label="Code or whole name"
            size="md"
            w={360}
            maw="100%"
            value={code}
            onChange={(event) => setCode(event.currentTarget.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') read(code);
            }}
          />
          <ScanButton onRead={read} />
        </Group>
        <Text role="status" mih={24}>
          {said}
        </Text>
        {counted.length > 0 && (
          <>
            <WideTable minWidth={320} label="Counted now" tight>
              <thead>
                <tr>
                  <th>Counted now</th>
                  <th className="right">Counted</th>
                  <th className="right">Held until now</th>
                  <th className="right">Correct it</th>
                </tr>
              </thead>
              <tbody>
                {counted.map(([partId, count]) => {
                  const part = parts.find(({ id }) => id === partId);
                  const name = part?.name ?? partId;
                  const to = (next: number) => set({ ...tally, [partId]: Math.max(next, 0) });
                  return (
                    <tr key={partId}>
                      <td>{name}</td>
                      <td className="right">{reader.pieces(count, unitOf(part))}</td>
                      <td className="right">{reader.pieces(heldOf(partId), unitOf(part))}</td>
                      <td className="right">
                        <Button
                          variant="subtle"
                          size="sm"
                          mih={44}
                          aria-label={`One less: ${name}`}
                          onClick={() => to(count - 1)}
                        >
                          −
                        </Button>
                        <Button
                          variant="subtle"
                          size="sm"
                          mih={44}
                          aria-label={`One more: ${name}`}
                          onClick={() => to(count + 1)}
                        >
                          +
                        </Button>
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </WideTable>
            <Group>
              <Button size="md" onClick={() => void takeOver()}>
                Set {place.name} to these counts
              </Button>
              <Button variant="default" size="md" onClick={clear}>
                Drop the count
              </Button>
            </Group>
          </>
        )}
      </Stack>
    </details>
  );
}
