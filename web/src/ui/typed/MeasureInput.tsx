import { toCore } from '@katharos/core';
import { type Measure, writeEntry } from '@katharos/words';
import { useReader } from '../useReader.ts';
import { TypedInput, type TypedInputProps } from './TypedInput.tsx';

interface Props extends Omit<TypedInputProps, 'shown' | 'onEntry' | 'beside'> {
  measure: Measure;
  /** In the core's unit. */
  value: number | undefined;
  /** Called with a core value; with nothing where an emptied box stands for the usual. */
  onCommit: (value: number | undefined) => void;
}

/** A figure that is held in the core's unit and typed in any: a length, a count, a price, a share. */
export function MeasureInput({ measure, value, onCommit, ...input }: Props) {
  const reader = useReader();
  const shown = value === undefined ? '' : writeEntry(measure, value, reader);
  return (
    <TypedInput
      {...input}
      measure={measure}
      shown={shown}
      onEntry={(quantity) => {
        const next = quantity && toCore(measure.dimension, quantity);
        // What reads the same is the same: a box left as it stood changes nothing by its rounding.
        if (
          next === undefined ? value !== undefined : writeEntry(measure, next, reader) !== shown
        ) {
          onCommit(next);
        }
      }}
    />
  );
}
