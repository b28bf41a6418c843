import type { Needed } from '@katharos/contract';
import { type Part, pickList, type PickLine } from '@katharos/core';
import {
  Anchor,
  Button,
  Checkbox,
  Group,
  NativeSelect,
  Skeleton,
  Text,
  Title,
} from '@mantine/core';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { today as todayHere } from '../data/today.ts';
import { useReckoned } from '../data/useReckoned.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { notify } from '../ui/notices.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { RowsTable } from '../ui/RowsTable.tsx';
import { unitOf } from './partUnits.ts';
import { type Holdings, StockFrame } from './StockFrame.tsx';
import { useMoveStockMutation, useNeededQuery } from './stockApi.ts';

const aheads = [
  { value: '1', label: 'until tomorrow' },
  { value: '3', label: 'for three days' },
  { value: '7', label: 'for a week' },
];

/** What a van is loaded with for the work ahead: what is in it, what the store gives, what has to be bought. */
export const LoadPage = () => (
  <StockFrame
    title="Load the van"
    ways={
      <>
        <Anchor component={Link} to="/stock" underline="always">
          Vans and stores
        </Anchor>
        <Button variant="default" size="md" onClick={() => window.print()}>
          Print
        </Button>
      </>
    }
  >
    {(holdings) => <WorkAhead {...holdings} />}
  </StockFrame>
);

function WorkAhead(holdings: Holdings) {
  const [search, setSearch] = useSearchParams();
  const days = Number(search.get('days') ?? 1) || 1;
  const { data, error, refetch } = useReckoned(useNeededQuery, { today: todayHere(), days });
  if (data)
    return (
      <Loading
        {...holdings}
        needed={data.needed}
        asked={{ van: search.get('van'), store: search.get('store'), days }}
        onChoose={(key, value) =>
          setSearch((before) => ({ ...Object.fromEntries(before), [key]: value }), {
            replace: true,
          })
        }
      />
    );
  return error ? (
    <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />
  ) : (
    <Skeleton height={400} radius="lg" aria-label="Looking what the work ahead takes" />
  );
}

interface LoadingProps extends Holdings {
  needed: readonly Needed[];
  asked: { van: string | null; store: string | null; days: number };
  onChoose: (key: 'van' | 'store' | 'days', value: string) => void;
}

function Loading({ stock, parts, needed, asked, onChoose }: LoadingProps) {
  const vans = stock.places.filter(({ kind }) => kind === 'van');
  const stores = stock.places.filter(({ kind }) => kind === 'store');
  const van = vans.find(({ id }) => id === asked.van) ?? vans.find(({ id }) => id === stock.mine)!;
  const store = stores.find(({ id }) => id === asked.store) ?? stores[0];
  /** Jobs whose choice differs from the usual: a visit is loaded for, an installation only once somebody says that it is its day. */
  const [otherwise, setOtherwise] = useState<ReadonlySet<string>>(new Set());
  const isLoaded = ({ jobId, on }: Needed) => (on !== null) !== otherwise.has(jobId);
  const turn = (id: string) => {
    const next = new Set(otherwise);
    if (!next.delete(id)) next.add(id);
    setOtherwise(next);
  };
  const lines = needed.filter(isLoaded).flatMap((job) => job.lines);
  const wanted = lines.flatMap(({ partId, quantity }) =>
    partId === null ? [] : [{ partId, quantity }],
  );
  const unknown = [
    ...new Set(lines.filter(({ partId }) => partId === null).map(({ name }) => name)),
  ];
  const picked = pickList(wanted, stock.lines, van.id, store?.id ?? null);
  return (
    <>
      <Group align="end">
        <NativeSelect
          label="Which van"
          size="md"
          value={van.id}
          data={vans.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(event) => onChoose('van', event.currentTarget.value)}
        />
        <NativeSelect
          label="Out of"
          size="md"
          value={store?.id}
          data={stores.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(event) => onChoose('store', event.currentTarget.value)}
        />
        <NativeSelect
          label="Visits that are due"
          size="md"
          value={String(asked.days)}
          data={aheads}
          onChange={(event) => onChoose('days', event.currentTarget.value)}
        />
      </Group>
      <Work needed={needed} isLoaded={isLoaded} onTurn={turn} />
      {unknown.length > 0 && (
        <Tone kind="warn" head="Not in the catalogue any more" role="status">
          {unknown.join('; ')}. Look for what takes their place.
        </Tone>
      )}
      <Picked lines={picked} parts={parts} van={van} store={store} />
    </>
  );
}

interface WorkProps {
  needed: readonly Needed[];
  isLoaded: (job: Needed) => boolean;
  onTurn: (jobId: string) => void;
}

function Work({ needed, isLoaded, onTurn }: WorkProps) {
  const reader = useReader();
  return (
    <section className="panel" aria-label="The work ahead">
      <Title order={2} size="h4" mb="xs">
        The work ahead
      </Title>
      {needed.length === 0 ? (
        <Text>
          No visit is due by then, and no agreed installation waits. What is below its minimum is
          loaded all the same.
        </Text>
      ) : (
        needed.map((job) => (
          <Checkbox
            key={job.jobId}
            size="md"
            checked={isLoaded(job)}
            onChange={() => onTurn(job.jobId)}
            label={`${job.name}: ${job.on === null ? 'agreed installation' : `visit, due ${reader.day(job.on)}`}, ${reader.number(job.lines.length, 0)} ${reader.plural(job.lines.length, { one: 'part', other: 'parts' })}`}
            styles={{ body: { minHeight: 44, alignItems: 'center' } }}
          />
        ))
      )}
    </section>
  );
}

interface PickedProps {
  lines: readonly PickLine[];
  parts: readonly Part[];
  van: { id: string; name: string };
  store: { id: string; name: string } | undefined;
}

function Picked({ lines, parts, van, store }: PickedProps) {
  const reader = useReader();
  const [move, { isLoading, error }] = useMoveStockMutation();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const fetched = lines.filter(({ partId, fetch }) => fetch > 0 && !left.has(partId));
  const turn = (id: string) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  const load = async () => {
    const answer = await move({
      from: store!.id,
      to: van.id,
      lines: fetched.map(({ partId, fetch }) => ({ partId, quantity: fetch })),
    });
    if (!answer.error) notify({ message: `${van.name} is loaded.` });
  };
  if (lines.length === 0)
    return <Tone kind="good" head={`${van.name} holds all of it`} role="status" />;
  return (
    <section className="panel" aria-label="To load">
      <Title order={2} size="h4">
        To load
      </Title>
      <Text size="sm" c="dimmed" mb="xs">
        So much that {van.name} carries the work and still holds its minimum: out of{' '}
        {store?.name ?? 'a store'} what is there, the rest is bought.
      </Text>
      <RowsTable
        label="Parts to load"
        minWidth={520}
        tight
        columns={[
          'Part',
          ...['To fetch', 'To buy', 'Work takes', 'Minimum', 'Held'].map((head) => ({
            head,
            right: true as const,
          })),
        ]}
      >
        {lines.map(({ partId, wanted, minimum, held, fetch, buy }) => {
          const part = parts.find(({ id }) => id === partId);
          const amount = (quantity: number) =>
            quantity > 0 ? reader.pieces(quantity, unitOf(part)) : '–';
          return (
            <tr key={partId}>
              <td>
                {fetch > 0 ? (
                  <Checkbox
                    size="md"
                    label={part?.name ?? partId}
                    checked={!left.has(partId)}
                    onChange={() => turn(partId)}
                    styles={{ body: { minHeight: 44, alignItems: 'center' } }}
                  />
                ) : (
                  <Text pl={36} size="md">
                    {part?.name ?? partId}
                  </Text>
                )}
              </td>
              <td className="right strong">{amount(fetch)}</td>
              <td className="right">
                {buy > 0 && <span className="mark warn">{amount(buy)}</span>}
              </td>
              <td className="right">{amount(wanted)}</td>
              <td className="right">{amount(minimum)}</td>
              <td className="right">{amount(held)}</td>
            </tr>
          );
        })}
      </RowsTable>
      {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
      {store && (
        <Button
          className="no-print"
          size="md"
          mt="sm"
          loading={isLoading}
          disabled={fetched.length === 0}
          onClick={() => void load()}
        >
          {fetched.length === 0
            ? `${store.name} holds nothing of it`
            : `Loaded: take it out of ${store.name}`}
        </Button>
      )}
    </section>
  );
}
