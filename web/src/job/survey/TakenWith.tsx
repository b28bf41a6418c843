import type { QuantityField, Reading } from '@katharos/job';
import { fieldWords } from '@katharos/words';
import { Autocomplete, Button, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import { useReader } from '../../ui/useReader.ts';
import { instrumentsFor } from './instruments.ts';

interface Props {
  field: QuantityField;
  reading: Reading;
  /** Nothing where it is not said. */
  onKeep: (instrument: string) => void;
}

/** Asks what a reading was taken with: one of the usual instruments, or another. */
export function TakenWith({ field, reading, onKeep }: Props) {
  const reader = useReader();
  const [typed, setTyped] = useState(reading.instrument ?? '');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onKeep(typed.trim());
      }}
    >
      <Stack gap="xs">
        <Text size="sm">
          {fieldWords[field.name].label} {reader.entered(field.dimension, reading)}
          {reading.by && `, taken by ${reading.by}`}
        </Text>
        <Autocomplete
          label="Taken with"
          placeholder="Instrument"
          maxLength={80}
          autoFocus
          data={instrumentsFor(field.dimension)}
          value={typed}
          onChange={setTyped}
          comboboxProps={{ withinPortal: false }}
        />
        <Button type="submit">Keep</Button>
      </Stack>
    </form>
  );
}
