import type { EnteredQuantity, QuantityField } from '@katharos/job';
import { fieldWords, unitFor } from '@katharos/words';
import { toCore, unitOf } from '@katharos/core';
import { useReader } from '../useReader.ts';
import { TypedInput, type TypedInputProps } from './TypedInput.tsx';

interface Props extends Omit<TypedInputProps, 'measure' | 'shown' | 'onEntry' | 'beside'> {
  field: QuantityField;
  quantity: EnteredQuantity | undefined;
  /** Called with what was entered, or nothing where the field was emptied. */
  onCommit: (quantity: EnteredQuantity | undefined) => void;
}

/** A reading or another quantity that is kept as it was entered, in any unit that its dimension knows. */
export function QuantityInput({ field, quantity, onCommit, ...input }: Props) {
  const reader = useReader();
  const unit = unitFor(field, reader.units);
  const { label, how, outside } = fieldWords[field.name];
  const converted =
    quantity && !isSameScale(field, quantity.unit, unit)
      ? reader.sayIn(field.dimension, unit, toCore(field.dimension, quantity))
      : null;
  return (
    <TypedInput
      label={label}
      description={how}
      placeholder={unitOf(field.dimension, unit).symbol}
      keptAs={field.name}
      {...input}
      measure={{ ...field, outside }}
      shown={quantity ? reader.entered(field.dimension, quantity) : ''}
      beside={converted}
      onEntry={(next) => {
        if (
          next?.value !== quantity?.value ||
          next?.unit !== quantity?.unit ||
          next?.below !== quantity?.below
        ) {
          onCommit(next);
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
