import type { FirmStock } from '@katharos/contract';
import type { Part } from '@katharos/core';
import { Anchor, Group, Skeleton, Stack, Text, Title } from '@mantine/core';
import { Link, useSearchParams } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { useCatalogueQuery } from '../data/jobApi.ts';
import { useMay } from '../data/useMay.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { TypedScope } from '../ui/typed/halfTyped.ts';
import { ViewSwitch } from '../ui/ViewSwitch.tsx';
import { BelowMinimum } from './BelowMinimum.tsx';
import { CountByScan } from './CountByScan.tsx';
import { AddPlace, PlacePanel } from './PlacePanel.tsx';
import { StockTable } from './StockTable.tsx';
import { useStockQuery } from './stockApi.ts';

/** What vans and stores hold of every part of the catalogue, and should hold; jobs take out of the van of whoever loads. */
export function StockPage() {
  const catalogue = useCatalogueQuery();
  const stock = useStockQuery();
  const error = catalogue.error ?? stock.error;
  return (
    <Stack gap="md">
      <PageTitle>Vans and stores</PageTitle>
      <Group justify="space-between" align="start">
        <Title order={1} size="h2">
          Vans and stores
        </Title>
        <Group gap="lg" mih={44}>
          <Anchor component={Link} to="/stock/load" underline="always">
            Load the van
          </Anchor>
          <Anchor component={Link} to="/stock/labels" underline="always">
            Shelf labels
          </Anchor>
        </Group>
      </Group>
      {catalogue.data && stock.data ? (
        <Places stock={stock.data} parts={catalogue.data.parts} />
      ) : error ? (
        <LoadTrouble
          message={troubleOf(error).message}
          onRetry={() => Promise.all([catalogue.refetch(), stock.refetch()])}
        />
      ) : (
        <Skeleton height={400} radius="lg" aria-label="Looking what is there" />
      )}
    </Stack>
  );
}

function Places({ stock, parts }: { stock: FirmStock; parts: readonly Part[] }) {
  const { places, mine } = stock;
  const [search, setSearch] = useSearchParams();
  const mayChange = useMay('catalogue');
  const asked = search.get('place');
  const place = places.find(({ id }) => id === asked) ?? places.find(({ id }) => id === mine)!;
  const choose = (id: string) => setSearch(id === mine ? {} : { place: id }, { replace: true });
  return (
    <>
      <Group>
        <ViewSwitch
          label="Where"
          value={place.id}
          views={places.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={choose}
        />
        {mayChange && <AddPlace onAdded={choose} />}
      </Group>
      {place.id === mine && place.kind === 'van' && (
        <Text size="sm" c="dimmed">
          What you load for a job is taken out of {place.name}. Tube is counted in metres.
        </Text>
      )}
      <TypedScope value={`stock:${place.id}`} key={place.id}>
        <Stack gap="md">
          <BelowMinimum place={place} stock={stock} parts={parts} />
          <CountByScan place={place} stock={stock} parts={parts} />
          <StockTable place={place} stock={stock} parts={parts} />
          {mayChange && <PlacePanel place={place} stock={stock} onRemoved={() => choose(mine)} />}
        </Stack>
      </TypedScope>
    </>
  );
}
