import { useReader } from '../../ui/useReader.ts';
import { fieldWords } from '@katharos/words';
import type { QuantityField, Reading } from '@katharos/job';
import type { Quantity } from '@katharos/core';
import { useEdit } from '../open/useJob.ts';
import { QuantityInput } from '../../ui/typed/QuantityInput.tsx';
import { instrumentsFor } from './instruments.ts';
import { Autocomplete, Button, Popover, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import styles from './Survey.module.css';

interface Props {
  field: QuantityField;
  /** Of the field on the page, for links to it. */
  id?: string;
  reading: Reading | undefined;
  onChange: (reading: Reading | undefined) => void;
  placeholder?: string;
  fault?: string | undefined;
  /** Turns what was typed into what is stored, where a scale has to be added to it. */
  adopt?: (quantity: Quantity) => Quantity;
  /** The same in other words, under the field. */
  beside?: string | undefined;
}

/** One reading as it was taken: value and unit, and under it by whom, when, and with what. */
export function ReadingField({
  field,
  id,
  reading,
  onChange,
  placeholder,
  fault,
  adopt = (quantity) => quantity,
  beside,
}: Props) {
  const { stamp } = useEdit();
  const commit = (quantity: Quantity | undefined) => {
    if (!quantity) {
      onChange(undefined);
      return;
    }
    const { at, by } = stamp();
    const instrument = reading?.instrument ? { instrument: reading.instrument } : {};
    onChange({ ...adopt(quantity), takenAt: at, by, ...instrument });
  };
  return (
    <div>
      <QuantityInput
        {...(id ? { id } : {})}
        field={field}
        quantity={reading}
        onCommit={commit}
        placeholder={placeholder}
        fault={fault}
      />
      {beside && (
        <Text size="xs" c="dimmed">
          {beside}
        </Text>
      )}
      {reading && <Provenance field={field} reading={reading} onChange={onChange} />}
    </div>
  );
}

/** Who, when and with what; a tap changes the instrument. */
function Provenance({
  field,
  reading,
  onChange,
}: {
  field: QuantityField;
  reading: Reading;
  onChange: (reading: Reading) => void;
}) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const reader = useReader();
  const words = [
    reading.by,
    reading.takenAt ? reader.when(reading.takenAt, 'short-moment') : '',
    reading.instrument ?? 'instrument not said',
  ];
  const keep = (instrument: string) => {
    const { instrument: _old, ...rest } = reading;
    const named = instrument.trim();
    onChange(named ? { ...rest, instrument: named } : rest);
    setOpen(false);
  };
  return (
    <Popover
      opened={open}
      onChange={setOpen}
      trapFocus
      width="min(280px, calc(100vw - 32px))"
      withArrow
      shadow="md"
    >
      <Popover.Target>
        <button
          type="button"
          className={styles.provenance}
          title={`${fieldWords[field.name].label}: by whom, when and with what`}
          onClick={() => {
            setTyped(reading.instrument ?? '');
            setOpen(!open);
          }}
        >
          {words.filter(Boolean).join(' · ')}
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            keep(typed);
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
              data={instrumentsFor(field.dimension)}
              value={typed}
              onChange={setTyped}
              comboboxProps={{ withinPortal: false }}
            />
            <Button type="submit">Keep</Button>
          </Stack>
        </form>
      </Popover.Dropdown>
    </Popover>
  );
}
