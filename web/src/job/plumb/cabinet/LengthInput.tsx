import { NumberInput, type NumberInputProps } from '@mantine/core';
import { useReader } from '../../../ui/useReader.ts';

interface Props extends Pick<NumberInputProps, 'label' | 'description' | 'aria-label' | 'w'> {
  valueM: number;
  onChangeM: (metres: number) => void;
  minM: number;
  maxM: number;
  /** Long ways in metres or feet, sizes of things in centimetres or inches. */
  long?: boolean;
}

/** A length in the reader's units, kept in metres; what lies outside is said at the field and not taken over. */
export function LengthInput({ valueM, onChangeM, minM, maxM, long = false, ...rest }: Props) {
  const reader = useReader();
  const { units: system } = reader;
  const [perMetre, unit] =
    system === 'us'
      ? long
        ? ([1 / 0.3048, 'ft'] as const)
        : ([1 / 0.0254, 'in'] as const)
      : long
        ? ([1, 'm'] as const)
        : ([100, 'cm'] as const);
  const shown = (metres: number) => Number((metres * perMetre).toFixed(long ? 2 : 1));
  return (
    <NumberInput
      {...rest}
      key={`${unit}-${valueM}`}
      size="md"
      suffix={` ${unit}`}
      decimalScale={long ? 2 : 1}
      defaultValue={shown(valueM)}
      min={shown(minM)}
      max={shown(maxM)}
      clampBehavior="blur"
      onBlur={(event) => {
        const typed = Number.parseFloat(event.currentTarget.value);
        if (!Number.isFinite(typed) || typed === shown(valueM)) return;
        onChangeM(Math.min(Math.max(typed / perMetre, minM), maxM));
      }}
    />
  );
}
