import { newPriceSchema } from '@katharos/contract';
import type { Part } from '@katharos/core';
import { ActionIcon, Button, Group, Text, TextInput, Title, VisuallyHidden } from '@mantine/core';
import IconTrash from '@tabler/icons-react/dist/esm/icons/IconTrash.mjs';
import { useState } from 'react';
import { troubleOf } from '../data/api.ts';
import { today } from '../data/today.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { notify } from '../ui/notices.tsx';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { useReader } from '../ui/useReader.ts';
import { useDropPriceMutation, useNotePriceMutation, usePartPricesQuery } from './catalogueApi.ts';

/** What suppliers ask for a part and since when, and what is left of the price to the customer. */
export function PricesPanel({ part, mayChange }: { part: Part; mayChange: boolean }) {
  const reader = useReader();
  const { data, refetch } = usePartPricesQuery(part.id);
  const [drop] = useDropPriceMutation();
  const told = async (answer: { error?: unknown }) => {
    if (answer.error) notify({ message: troubleOf(answer.error).message, color: 'red' });
    await refetch();
  };
  const prices = data?.prices ?? [];
  const valid = cheapestOf(prices, today());
  return (
    <section className="panel" aria-label="What it costs the firm">
      <Title order={2} size="h4" mb="xs">
        What it costs the firm
      </Title>
      {valid ? (
        <Text mb="xs">
          {reader.money(valid.price, 2)} at {valid.supplier}
          {part.price > 0 &&
            `; of ${reader.money(part.price, 2)} to the customer ${reader.percent((part.price - valid.price) / part.price)} stay with the firm`}
          .
        </Text>
      ) : (
        <Text c="dimmed" mb="xs">
          No supplier’s price is noted yet.
        </Text>
      )}
      {prices.length > 0 && (
        <table
          aria-label="Prices of suppliers"
          className="table narrow"
          style={{ marginBottom: 'var(--mantine-spacing-sm)' }}
        >
          <thead>
            <tr>
              <th>Supplier</th>
              <th>Since</th>
              <th className="right">Price</th>
              {mayChange && (
                <th style={{ width: 52 }}>
                  <VisuallyHidden>Take out</VisuallyHidden>
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {prices.map(({ id, supplier, since, price }) => (
              <tr key={id}>
                <td>{supplier}</td>
                <td>{reader.day(since)}</td>
                <td className="right">{reader.money(price, 2)}</td>
                {mayChange && (
                  <td>
                    <ActionIcon
                      variant="subtle"
                      size={44}
                      aria-label={`Take out ${supplier}, ${since}`}
                      onClick={() => void drop({ id: part.id, price: id }).then(told)}
                    >
                      <IconTrash size={18} />
                    </ActionIcon>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {mayChange && <NotePrice part={part} onDone={told} />}
    </section>
  );
}

interface Price {
  supplier: string;
  since: string;
  price: number;
}

/** Of what each supplier asks today, the least. */
function cheapestOf<P extends Price>(prices: readonly P[], day: string): P | undefined {
  const ofSupplier = new Map<string, P>();
  // The newest stand first; what begins later is not asked yet.
  for (const one of prices)
    if (one.since <= day && !ofSupplier.has(one.supplier)) ofSupplier.set(one.supplier, one);
  return [...ofSupplier.values()].sort((a, b) => a.price - b.price)[0];
}

function NotePrice({
  part,
  onDone,
}: {
  part: Part;
  onDone: (answer: { error?: unknown }) => Promise<void>;
}) {
  const reader = useReader();
  const [note, { isLoading }] = useNotePriceMutation();
  const [supplier, setSupplier] = useState('');
  const [since, setSince] = useState(today());
  const [price, setPrice] = useState<number>();
  const [faults, setFaults] = useState<Record<string, string>>({});
  const submit = async () => {
    const wanted = { supplier, since, price };
    const found = faultsBy(newPriceSchema)(wanted);
    if (price === undefined) found.price = 'Enter what it costs.';
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    const answer = await note({ id: part.id, price: newPriceSchema.parse(wanted) });
    if (!answer.error) {
      setSupplier('');
      setPrice(undefined);
    }
    await onDone(answer);
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <Group align="start" gap="xs">
        <TextInput
          label="Supplier"
          size="md"
          style={{ flex: '1 1 140px' }}
          value={supplier}
          error={faults.supplier}
          onChange={({ currentTarget: { value } }) => setSupplier(value)}
        />
        <TextInput
          label="Since"
          type="date"
          size="md"
          value={since}
          error={faults.since}
          onChange={({ currentTarget: { value } }) => value && setSince(value)}
        />
        <MeasureInput
          label="Price"
          keptAs="supplier-price"
          w={100}
          measure={{ dimension: 'count', range: { min: 0, max: 100000 }, symbol: reader.currency }}
          value={price}
          fault={faults.price}
          onCommit={setPrice}
        />
        <Button type="submit" variant="default" size="md" mt={26} loading={isLoading}>
          Note
        </Button>
      </Group>
    </form>
  );
}
