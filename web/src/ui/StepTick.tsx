import { Checkbox, Text } from '@mantine/core';
import { useId } from 'react';
import { underAThumb } from './underAThumb.ts';

interface Props {
  /** From 1. */
  number: number;
  words: { title: string; instruction: string; proof: string; caution?: string };
  checked: boolean;
  onChange: (checked: boolean) => void;
}

/** A step of a list that is ticked, with what to do and what proves it done. */
export function StepTick({ number, words, checked, onChange }: Props) {
  const id = useId();
  return (
    <>
      <Checkbox
        size="md"
        styles={underAThumb}
        checked={checked}
        aria-describedby={id}
        onChange={({ currentTarget }) => onChange(currentTarget.checked)}
        label={`${number}. ${words.title}`}
      />
      <Text size="sm" c="dimmed" ml={34} id={id}>
        {[words.instruction, words.caution, words.proof].filter(Boolean).join(' ')}
      </Text>
    </>
  );
}
