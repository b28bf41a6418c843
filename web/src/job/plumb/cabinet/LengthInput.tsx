import { MeasureInput } from '../../../ui/typed/MeasureInput.tsx';
import type { TextInputProps } from '@mantine/core';

interface Props extends Pick<
  TextInputProps,
  'label' | 'description' | 'aria-label' | 'w' | 'size'
> {
  valueM: number;
  onChangeM: (metres: number) => void;
  minM: number;
  maxM: number;
  /** Long ways in metres or feet, sizes of things in centimetres or inches. */
  long?: boolean;
  keptAs: string;
}

const sizes = { metric: 'cm', us: 'in' } as const;
const ways = { metric: 'm', us: 'ft' } as const;

/** A length in the reader's units, kept in metres. */
export function LengthInput({ valueM, onChangeM, minM, maxM, long = false, ...rest }: Props) {
  return (
    <MeasureInput
      {...rest}
      measure={{
        dimension: 'length',
        range: { min: minM, max: maxM },
        units: long ? ways : sizes,
      }}
      value={valueM}
      wanted="Measure it, or Escape brings back what stood here."
      onCommit={(metres) => {
        if (metres !== undefined) onChangeM(metres);
      }}
    />
  );
}
