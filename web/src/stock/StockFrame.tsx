import type { FirmStock } from '@katharos/contract';
import type { Part, StockPlace } from '@katharos/core';
import { Group, Skeleton, Stack, Title } from '@mantine/core';
import type { ReactNode } from 'react';
import { troubleOf } from '../data/api.ts';
import { useCatalogueQuery } from '../data/openingApi.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { useStockQuery } from './stockApi.ts';

/** What the firm holds where, and the parts that are in use. */
export interface Holdings {
  stock: FirmStock;
  parts: readonly Part[];
}

/** The same, seen from one place. */
export interface HoldingsAt extends Holdings {
  place: StockPlace;
}

interface Props {
  title: string;
  /** Beside the title: where else one may go from here. */
  ways: ReactNode;
  children: (holdings: Holdings) => ReactNode;
}

/** A page about what vans and stores hold: its head, and what is on it once that is known. */
export function StockFrame({ title, ways, children }: Props) {
  const catalogue = useCatalogueQuery();
  const stock = useStockQuery();
  const error = catalogue.error ?? stock.error;
  return (
    <Stack gap="md">
      <PageTitle>{title}</PageTitle>
      <Group justify="space-between" align="start">
        <Title order={1} size="h2">
          {title}
        </Title>
        <Group gap="lg" mih={44} className="no-print">
          {ways}
        </Group>
      </Group>
      {catalogue.data && stock.data ? (
        children({ stock: stock.data, parts: catalogue.data.parts })
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
