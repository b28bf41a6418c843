import { isWithin, type QuantityField } from '@katharos/job';
import { parseQuantity, type Quantity, toCore, unitOf, unitSystems } from '@katharos/core';
import { useReader } from './useReader.ts';
import { TextInput, type TextInputProps } from '@mantine/core';
import { useDebouncedCallback } from '@mantine/hooks';
import { useState } from 'react';

interface Props extends Omit<TextInputProps, 'value' | 'onChange'> {
  field: QuantityField;
  quantity: Quantity | undefined;
  /** Called with what was entered, or nothing where the field was emptied. */
  onCommit: (quantity: Quantity | undefined) => void;
  /** A fault that lies not in this value alone, such as a contradiction to another reading. */
  fault?: string | undefined;
}

/**
 * Takes a quantity in any unit that its dimension knows. What is half typed stays here; what is good is committed on leaving the
 * field or on Enter; what is not is kept as typed, with a sentence that says what to do.
 */
export function QuantityInput({ field, quantity, onCommit, fault, ...input }: Props) {
  const reader = useReader();
  const { units: system } = reader;
  const unit = unitSystems[system][field.dimension];
  const [draft, setDraft] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const shown = draft ?? (quantity ? reader.entered(field.dimension, quantity) : '');

  const commit = () => {
    if (draft === null) return;
    const parsed = parseQuantity(draft, field.dimension, unit);
    if (!parsed.ok) {
      if (parsed.reason === 'empty') {
        settle(undefined);
        return;
      }
      const symbol = unitOf(field.dimension, unit).symbol;
      setError(
        parsed.reason === 'no-number'
          ? `Enter a number${symbol ? `, such as "${example(field, unit)} ${symbol}"` : ''}.`
          : `"${parsed.text}" is not a unit of this reading. Try ${symbol}.`,
      );
      return;
    }
    if (!isWithin(field, parsed.quantity)) {
      const { min, max } = field.range;
      setError(
        `Between ${reader.say(field.dimension, min)} and ${reader.say(field.dimension, max)}. ${field.outside}`,
      );
      return;
    }
    settle(parsed.quantity);
  };
  const settle = (next: Quantity | undefined) => {
    setDraft(null);
    setError(null);
    hand(next);
  };
  const hand = (next: Quantity | undefined) => {
    if (next?.value !== quantity?.value || next?.unit !== quantity?.unit) onCommit(next);
  };
  // A reading left standing in the field without Enter is handed on as well, so that a reload does not lose it.
  const handQuietly = useDebouncedCallback((typed: string) => {
    const parsed = parseQuantity(typed, field.dimension, unit);
    if (parsed.ok && isWithin(field, parsed.quantity)) hand(parsed.quantity);
  }, 1200);

  const converted =
    quantity && !isSameScale(field, quantity.unit, unit)
      ? reader.say(field.dimension, toCore(field.dimension, quantity))
      : null;
  return (
    <TextInput
      label={field.label}
      description={field.how}
      inputMode="text"
      size="md"
      autoComplete="off"
      placeholder={unitOf(field.dimension, unit).symbol}
      rightSection={
        converted ? (
          <span className="quiet" style={{ whiteSpace: 'nowrap', fontSize: '0.9rem' }}>
            = {converted}
          </span>
        ) : undefined
      }
      rightSectionWidth={converted ? 24 + 8 * converted.length : undefined}
      {...input}
      value={shown}
      error={error ?? fault}
      onChange={(event) => {
        setDraft(event.currentTarget.value);
        handQuietly(event.currentTarget.value);
      }}
      onFocus={(event) => event.currentTarget.select()}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit();
        if (event.key === 'Escape') {
          setDraft(null);
          setError(null);
        }
      }}
    />
  );
}

/** ppm and mg/L are two names of one scale; saying both would say nothing. */
const isSameScale = (field: QuantityField, a: string, b: string) =>
  [0, 1].every(
    (value) =>
      unitOf(field.dimension, a).toCore(value) === unitOf(field.dimension, b).toCore(value),
  );

/** A plausible figure in the field's unit, from the middle of its range. */
const example = (field: QuantityField, unit: string) =>
  Number(
    unitOf(field.dimension, unit)
      .fromCore(Math.sqrt(Math.max(field.range.min, 0.5) * field.range.max))
      .toPrecision(2),
  );
