import { PageTitle } from '../ui/PageTitle.tsx';
import type { Part } from '@katharos/core';
import { useCatalogueQuery, useVanQuery } from '../data/jobApi.ts';
import { vanLane } from '../data/line/deeds.ts';
import { keep } from '../data/line/keep.ts';
import { useWaitingStock } from './useWaitingStock.ts';
import { troubleOf } from '../data/api.ts';
import { Tone } from '../ui/Tone.tsx';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { TypedScope } from '../ui/typed/halfTyped.ts';
import type { Measure } from '@katharos/words';
import { Button, Skeleton, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { useState } from 'react';

/** What the van holds of every part of the catalogue, counted by hand; jobs take out of it. */
export function VanPage() {
  const catalogue = useCatalogueQuery();
  const van = useVanQuery();
  const [search, setSearch] = useState('');
  const error = catalogue.error ?? van.error;
  const waiting = useWaitingStock();
  const held = new Map(van.data?.stock.map(({ partId, quantity }) => [partId, quantity]));
  for (const [partId, quantity] of waiting) held.set(partId, quantity);
  const wanted = search.trim().toLowerCase();
  const parts = (catalogue.data?.parts ?? []).filter(({ name }) =>
    name.toLowerCase().includes(wanted),
  );
  return (
    <TypedScope value="van">
      <Stack gap="md">
        <PageTitle>The van</PageTitle>
        <Title order={1} size="h2">
          What the van holds
        </Title>
        <section className="panel" aria-label="Stock of the van">
          <Text size="sm" c="dimmed" mb="sm">
            Count it once; every job checks its parts against it, and takes them out of it. Tube is
            counted in metres.
          </Text>
          {error ? (
            <Tone kind="bad" head={troubleOf(error).message} role="alert" />
          ) : !catalogue.data || !van.data ? (
            <Skeleton height={400} />
          ) : (
            <>
              <TextInput
                label="Find a part"
                size="md"
                maw={360}
                value={search}
                onChange={(event) => setSearch(event.currentTarget.value)}
              />
              {parts.length === 0 ? (
                <Text mt="md">No part has this in its name.</Text>
              ) : (
                <Table verticalSpacing={4} mt="sm">
                  <Table.Thead>
                    <Table.Tr>
                      <Table.Th>Part</Table.Th>
                      <Table.Th ta="right" w={140}>
                        In the van
                      </Table.Th>
                    </Table.Tr>
                  </Table.Thead>
                  <Table.Tbody>
                    {parts.map((part) => (
                      <StockRow
                        key={part.id}
                        part={part}
                        quantity={held.get(part.id) ?? 0}
                        waits={waiting.has(part.id)}
                      />
                    ))}
                  </Table.Tbody>
                </Table>
              )}
            </>
          )}
        </section>
      </Stack>
    </TypedScope>
  );
}

const isTube = (part: Part): boolean =>
  part.kind === 'fitting' && (part.role === 'tube-quarter' || part.role === 'tube-three-eighths');

const most = 100000;
const pieces: Measure = { dimension: 'count', range: { min: 0, max: most }, whole: true };
const metres: Measure = { dimension: 'length', range: { min: 0, max: most } };

/** One part's count, saved when the field is left; what was typed stays where the server cannot be reached. */
function StockRow({
  part,
  quantity,
  waits,
}: {
  part: Part;
  quantity: number;
  /** Not sent yet. */
  waits: boolean;
}) {
  /** What was in the van before the last change here. */
  const [before, setBefore] = useState<number | null>(null);
  const tube = isTube(part);
  const set = (next: number) => keep(vanLane, { kind: 'stock', partId: part.id, quantity: next });
  const save = async (next: number) => {
    await set(next);
    setBefore(quantity);
  };
  return (
    <Table.Tr>
      <Table.Td>
        {part.name}
        {before !== null && (
          <Text component="span" size="sm" c="dimmed" ml="md" role="status">
            {waits ? 'Kept here, to be sent' : 'Saved'}; {before}
            {tube ? ' m' : ''} before.{' '}
            <Button
              variant="subtle"
              size="compact-sm"
              aria-label={`Back to ${before}: ${part.name}`}
              onClick={() => {
                void set(before);
                setBefore(null);
              }}
            >
              Take it back
            </Button>
          </Text>
        )}
      </Table.Td>
      <Table.Td>
        <MeasureInput
          aria-label={`In the van: ${part.name}`}
          keptAs={part.id}
          measure={tube ? metres : pieces}
          value={quantity}
          wanted={tube ? 'Metres, 0 or more.' : 'Pieces, 0 or more.'}
          onCommit={(next) => {
            if (next !== undefined) void save(next);
          }}
        />
      </Table.Td>
    </Table.Tr>
  );
}
