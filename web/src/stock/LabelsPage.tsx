import type { Part } from '@katharos/core';
import { Anchor, Button, Checkbox, Group, Skeleton, Stack, Text, Title } from '@mantine/core';
import QRCode from 'qrcode';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { useCatalogueQuery } from '../data/jobApi.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { SvgPicture } from '../ui/SvgPicture.tsx';
import styles from './Labels.module.css';
import { labelAddress } from './partUnits.ts';
import { useStockQuery } from './stockApi.ts';

/** Labels for shelves and boxes: a scanner counts by them, a telephone opens the part. */
export function LabelsPage() {
  const catalogue = useCatalogueQuery();
  const stock = useStockQuery();
  const [all, setAll] = useState(false);
  const error = catalogue.error ?? stock.error;
  const kept = new Set(
    stock.data?.lines
      .filter(({ quantity, minimum }) => quantity > 0 || minimum > 0)
      .map(({ partId }) => partId),
  );
  const parts = catalogue.data?.parts.filter(({ id }) => all || kept.has(id));
  return (
    <Stack gap="md">
      <PageTitle>Shelf labels</PageTitle>
      <Group justify="space-between" align="start" className="no-print">
        <Title order={1} size="h2">
          Shelf labels
        </Title>
        <Group mih={44}>
          <Anchor component={Link} to="/stock" underline="always">
            Vans and stores
          </Anchor>
          <Button size="md" onClick={() => window.print()}>
            Print
          </Button>
        </Group>
      </Group>
      <Checkbox
        className="no-print"
        size="md"
        label="Of every part of the catalogue, not only of what is kept somewhere"
        checked={all}
        onChange={(event) => setAll(event.currentTarget.checked)}
      />
      {parts && stock.data ? (
        parts.length === 0 ? (
          <Text>Nothing is kept anywhere yet. Count what there is first.</Text>
        ) : (
          <ul className={styles.labels}>
            {parts.map((part) => (
              <Label key={part.id} part={part} />
            ))}
          </ul>
        )
      ) : error ? (
        <LoadTrouble
          message={troubleOf(error).message}
          onRetry={() => Promise.all([catalogue.refetch(), stock.refetch()])}
        />
      ) : (
        <Skeleton height={400} radius="lg" aria-label="Making the labels" />
      )}
    </Stack>
  );
}

function Label({ part }: { part: Part }) {
  const [code, setCode] = useState('');
  useEffect(() => {
    let isWanted = true;
    void QRCode.toString(labelAddress(part.id), { type: 'svg', margin: 1, width: 84 }).then(
      (svg) => {
        if (isWanted) setCode(svg);
      },
    );
    return () => {
      isWanted = false;
    };
  }, [part.id]);
  return (
    <li className={styles.label}>
      <SvgPicture svg={code} label={`Code of ${part.name}`} />
      <div>
        <strong>{part.name}</strong>
        <div>{part.id}</div>
      </div>
    </li>
  );
}
