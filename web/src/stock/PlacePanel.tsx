import { changePlaceSchema, type FirmStock, newPlaceSchema } from '@katharos/contract';
import { type StockPlace, type StockPlaceKind, stockPlaceKinds } from '@katharos/core';
import { Button, Group, NativeSelect, Stack, TextInput, Title } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useState } from 'react';
import { Dialog } from '../ui/Dialog.tsx';
import { troubleOf } from '../data/api.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { notify } from '../ui/notices.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useAddPlaceMutation, useChangePlaceMutation, useRemovePlaceMutation } from './stockApi.ts';

const kindNames: Readonly<Record<StockPlaceKind, string>> = { van: 'A van', store: 'A store' };

/** One more van, or one more store. */
export function AddPlace({ onAdded }: { onAdded: (id: string) => void }) {
  const [isOpen, setOpen] = useState(false);
  const [add, { isLoading, error }] = useAddPlaceMutation();
  const form = useForm({
    initialValues: { kind: 'van' as StockPlaceKind, name: '' },
    validate: faultsBy(newPlaceSchema),
  });
  const submit = form.onSubmit(async (values) => {
    const answer = await add(values);
    if (answer.error) return;
    form.reset();
    setOpen(false);
    onAdded(answer.data.id);
  });
  return (
    <>
      <Button variant="default" size="md" onClick={() => setOpen(true)}>
        Add a van or a store
      </Button>
      {isOpen && (
        <Dialog onClose={() => setOpen(false)} title="Where parts are kept">
          <form onSubmit={submit} noValidate>
            <Stack>
              <NativeSelect
                label="What it is"
                size="md"
                data={stockPlaceKinds.map((kind) => ({ value: kind, label: kindNames[kind] }))}
                {...form.getInputProps('kind')}
              />
              <TextInput label="What you call it" size="md" {...form.getInputProps('name')} />
              {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
              <Button type="submit" size="md" loading={isLoading}>
                Add it
              </Button>
            </Stack>
          </form>
        </Dialog>
      )}
    </>
  );
}

const nobody = '';
const changeOf = ({ name, userId }: { name: string; userId: string }) => ({
  name,
  userId: userId === nobody ? null : userId,
});

interface Props {
  place: StockPlace;
  stock: FirmStock;
  onRemoved: () => void;
}

/** What a place is called, whose van it is, and its removal. */
export function PlacePanel({ place, stock, onRemoved }: Props) {
  const [change, changing] = useChangePlaceMutation();
  const [remove, removing] = useRemovePlaceMutation();
  const form = useForm({
    initialValues: { name: place.name, userId: place.userId ?? nobody },
    validate: (values) => faultsBy(changePlaceSchema)(changeOf(values)),
  });
  const submit = form.onSubmit(async (values) => {
    const answer = await change({ id: place.id, ...changeOf(values) });
    if (!answer.error) notify({ message: 'Saved.' });
  });
  const end = async () => {
    const answer = await remove(place.id);
    if (answer.error) return;
    notify({ message: `${place.name} is removed.` });
    onRemoved();
  };
  const error = changing.error ?? removing.error;
  return (
    <section className="panel" aria-label={`About ${place.name}`}>
      <Title order={2} size="h4" mb="xs">
        About {place.name}
      </Title>
      <form onSubmit={submit} noValidate>
        <Group align="end">
          <TextInput label="What you call it" size="md" {...form.getInputProps('name')} />
          {place.kind === 'van' && (
            <NativeSelect
              label="Whose van it is"
              size="md"
              data={[
                { value: nobody, label: 'Nobody’s own' },
                ...stock.people.map(({ id, name }) => ({ value: id, label: name })),
              ]}
              {...form.getInputProps('userId')}
            />
          )}
          <Button type="submit" variant="default" size="md" loading={changing.isLoading}>
            Save it
          </Button>
          <Button
            variant="subtle"
            size="md"
            loading={removing.isLoading}
            onClick={() => void end()}
          >
            Remove {place.name}
          </Button>
        </Group>
      </form>
      {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
    </section>
  );
}
