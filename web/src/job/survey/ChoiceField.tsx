import { NativeSelect, Text } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { Segments } from '../../ui/Segments.tsx';

interface Props {
  label: string;
  hint?: string | undefined;
  /** The last stands for "not asked". */
  options: readonly { value: string; label: string }[];
  value: string;
  onChange: (value: string) => void;
}

/** One of a few answers: all in sight where they fit, a list where they do not. */
export function ChoiceField({ label, hint, options, value, onChange }: Props) {
  const small = useMediaQuery('(max-width: 30em)', false, { getInitialValueInEffect: false });
  if (options.length > 5 || (options.length > 3 && small)) {
    return (
      <NativeSelect
        label={label}
        description={hint}
        size="md"
        data={[...options]}
        value={value}
        onChange={(event) => onChange(event.currentTarget.value)}
      />
    );
  }
  return (
    <div>
      <Text fw={500} lh={1.55}>
        {label}
      </Text>
      {hint && (
        <Text size="sm" c="dimmed" mb={4}>
          {hint}
        </Text>
      )}
      <Segments wide label={label} value={value} onChange={onChange} options={options} />
    </div>
  );
}
