import type { Part, StockPlace } from '@katharos/core';
import { Button, Group, NativeSelect, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import { Dialog } from '../ui/Dialog.tsx';
import { troubleOf } from '../data/api.ts';
import { notify } from '../ui/notices.tsx';
import { Tone } from '../ui/Tone.tsx';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { TypedScope } from '../ui/typed/halfTyped.ts';
import { useReader } from '../ui/useReader.ts';
import { measureOf, unitOf, wantedOf } from './partUnits.ts';
import { useMoveStockMutation } from './stockApi.ts';

interface Props {
  part: Part;
  from: StockPlace;
  places: readonly StockPlace[];
  held: number;
  onClose: () => void;
}

/** Some of a part goes from one place to another. */
export function MoveDialog({ part, from, places, held, onClose }: Props) {
  const reader = useReader();
  const [move, { isLoading, error }] = useMoveStockMutation();
  const others = places.filter(({ id }) => id !== from.id);
  const [to, setTo] = useState(others[0]?.id ?? '');
  const [quantity, setQuantity] = useState(Math.min(held, 1));
  const isTooMuch = quantity > held;
  const submit = async () => {
    const answer = await move({ from: from.id, to, lines: [{ partId: part.id, quantity }] });
    if (answer.error) return;
    const name = places.find(({ id }) => id === to)?.name;
    notify({
      message: `${reader.pieces(quantity, unitOf(part))} of ${part.name} moved to ${name}.`,
    });
    onClose();
  };
  return (
    <Dialog onClose={onClose} title={`Move ${part.name}`}>
      <TypedScope value={`move:${from.id}:${part.id}`}>
        <Stack>
          <Text>
            {from.name} holds {reader.pieces(held, unitOf(part))}.
          </Text>
          <MeasureInput
            label="How much"
            keptAs="quantity"
            measure={measureOf(part)}
            value={quantity}
            wanted={wantedOf(part)}
            onCommit={(next) => setQuantity(next ?? 0)}
          />
          {isTooMuch && <Tone kind="warn" head="That is more than there is." role="status" />}
          <NativeSelect
            label="To"
            size="md"
            value={to}
            data={others.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(event) => setTo(event.currentTarget.value)}
          />
          {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
          <Group justify="end">
            <Button variant="default" size="md" onClick={onClose}>
              Leave it
            </Button>
            <Button
              size="md"
              loading={isLoading}
              disabled={isTooMuch || quantity <= 0}
              onClick={() => void submit()}
            >
              Move it
            </Button>
          </Group>
        </Stack>
      </TypedScope>
    </Dialog>
  );
}
