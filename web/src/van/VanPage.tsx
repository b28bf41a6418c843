import { PageTitle } from '../ui/PageTitle.tsx';
import type { Part } from '@katharos/core';
import { useCatalogueQuery, useSetStockMutation, useVanQuery } from '../data/jobApi.ts';
import { troubleOf } from '../data/api.ts';
import { Tone } from '../ui/Tone.tsx';
import { Button, NumberInput, Skeleton, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { useState } from 'react';

/** What the van holds of every part of the catalogue, counted by hand; jobs take out of it. */
export function VanPage() {
  const catalogue = useCatalogueQuery();
  const van = useVanQuery();
  const [search, setSearch] = useState('');
  const error = catalogue.error ?? van.error;
  const held = new Map(van.data?.stock.map(({ partId, quantity }) => [partId, quantity]));
  const wanted = search.trim().toLowerCase();
  const parts = (catalogue.data?.parts ?? []).filter(({ name }) =>
    name.toLowerCase().includes(wanted),
  );
  return (
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
                    <StockRow key={part.id} part={part} quantity={held.get(part.id) ?? 0} />
                  ))}
                </Table.Tbody>
              </Table>
            )}
          </>
        )}
      </section>
    </Stack>
  );
}

const isTube = (part: Part): boolean =>
  part.kind === 'fitting' && (part.role === 'tube-quarter' || part.role === 'tube-three-eighths');

/** One part's count, saved when the field is left; what was typed stays where the server cannot be reached. */
function StockRow({ part, quantity }: { part: Part; quantity: number }) {
  const [set, { isLoading }] = useSetStockMutation();
  const [typed, setTyped] = useState<number | string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  /** What was in the van before the last change here. */
  const [before, setBefore] = useState<number | null>(null);
  const tube = isTube(part);
  const save = async () => {
    if (typed === null) return;
    if (typed === '' || !Number.isFinite(Number(typed))) {
      setFault(tube ? 'Metres, 0 or more.' : 'Pieces, 0 or more.');
      return;
    }
    setFault(null);
    if (Number(typed) === quantity) return;
    const answer = await set({ partId: part.id, quantity: Number(typed) });
    if (answer.error) {
      setFault(troubleOf(answer.error).message);
      return;
    }
    setTyped(null);
    setBefore(quantity);
  };
  return (
    <Table.Tr>
      <Table.Td>
        {part.name}
        {before !== null && (
          <Text component="span" size="sm" c="dimmed" ml="md" role="status">
            Saved; {before}
            {tube ? ' m' : ''} before.{' '}
            <Button
              variant="subtle"
              size="compact-sm"
              aria-label={`Back to ${before}: ${part.name}`}
              onClick={() => {
                void set({ partId: part.id, quantity: before });
                setBefore(null);
              }}
            >
              Take it back
            </Button>
          </Text>
        )}
      </Table.Td>
      <Table.Td>
        <NumberInput
          aria-label={`In the van: ${part.name}`}
          size="md"
          min={0}
          max={100000}
          allowNegative={false}
          decimalScale={tube ? 1 : 0}
          suffix={tube ? ' m' : ''}
          value={typed ?? quantity}
          error={fault}
          disabled={isLoading}
          onChange={setTyped}
          onBlur={() => void save()}
          onKeyDown={(event) => {
            if (event.key === 'Enter') void save();
          }}
        />
      </Table.Td>
    </Table.Tr>
  );
}
