import { Anchor, Group, Stack, Text } from '@mantine/core';
import { Link, useSearchParams } from 'react-router';
import { useMay } from '../data/useMay.ts';
import { TypedScope } from '../ui/typed/halfTyped.ts';
import { ViewSwitch } from '../ui/ViewSwitch.tsx';
import { BelowMinimum } from './BelowMinimum.tsx';
import { CountByScan } from './CountByScan.tsx';
import { AddPlace, PlacePanel } from './PlacePanel.tsx';
import { StockTable } from './StockTable.tsx';
import { type Holdings, StockFrame } from './StockFrame.tsx';

/** What vans and stores hold of every part of the catalogue, and should hold; jobs take out of the van of whoever loads. */
export const StockPage = () => (
  <StockFrame
    title="Vans and stores"
    ways={
      <>
        <Anchor component={Link} to="/stock/load" underline="always">
          Load the van
        </Anchor>
        <Anchor component={Link} to="/stock/labels" underline="always">
          Shelf labels
        </Anchor>
      </>
    }
  >
    {(holdings) => <Places {...holdings} />}
  </StockFrame>
);

function Places({ stock, parts }: Holdings) {
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
