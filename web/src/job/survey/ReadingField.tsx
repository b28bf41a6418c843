import { useReader } from '../../ui/useReader.ts';
import { fieldWords } from '@katharos/words';
import type { QuantityField, Reading } from '@katharos/job';
import type { Quantity } from '@katharos/core';
import { useEdit } from '../open/useJob.ts';
import { QuantityInput } from '../../ui/typed/QuantityInput.tsx';
import { Beside } from '../../ui/Beside.tsx';
import { late } from '../../ui/late.tsx';
import { Text } from '@mantine/core';
import styles from './Survey.module.css';

const TakenWith = late(async () => (await import('./TakenWith.tsx')).TakenWith);

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

interface ProvenanceProps {
  field: QuantityField;
  reading: Reading;
  onChange: (reading: Reading) => void;
}

/** Who, when and with what; a tap changes the instrument. */
function Provenance({ field, reading, onChange }: ProvenanceProps) {
  const reader = useReader();
  const words = [
    reading.by,
    reading.takenAt ? reader.when(reading.takenAt, 'short-moment') : '',
    reading.instrument ?? 'instrument not said',
  ];
  const title = `${fieldWords[field.name].label}: by whom, when and with what`;
  return (
    <Beside
      button={words.filter(Boolean).join(' · ')}
      className={styles.provenance}
      title={title}
      label={title}
    >
      {(close) => (
        <TakenWith
          field={field}
          reading={reading}
          onKeep={(named) => {
            const { instrument: _old, ...rest } = reading;
            onChange(named ? { ...rest, instrument: named } : rest);
            close();
          }}
        />
      )}
    </Beside>
  );
}
