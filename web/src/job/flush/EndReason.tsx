import { Button, Group, Text, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useHalfTyped } from '../../ui/typed/halfTyped.ts';

const usual = {
  early: ['It was plain to see', 'The kit says less', 'No time left today'],
  late: ['Called away', 'It took that long', 'I did not hear it'],
} as const;

interface Props {
  kind: keyof typeof usual;
  onGive: (reason: string) => void;
  onBack: () => void;
}

/** Why a step ended before its time, or long after: one tap, or a sentence. */
export function EndReason({ kind, onGive, onBack }: Props) {
  const half = useHalfTyped(`flush-reason-${kind}`);
  const [own, setOwn] = useState(half.restored ?? '');
  const give = (reason: string) => {
    half.forget();
    onGive(reason);
  };
  return (
    <form
      aria-label="Reason"
      onSubmit={(event) => {
        event.preventDefault();
        if (own.trim()) give(own.trim());
      }}
    >
      <Text fw={650} mb={6}>
        {kind === 'early' ? 'Why before its time?' : 'Why so much later?'}
      </Text>
      <Group gap="xs" mb="xs">
        {usual[kind].map((reason) => (
          <Button key={reason} variant="default" mih={48} onClick={() => give(reason)}>
            {reason}
          </Button>
        ))}
      </Group>
      <Group gap="xs" wrap="nowrap" align="flex-end">
        <TextInput
          label="Another reason"
          size="md"
          maxLength={300}
          flex={1}
          value={own}
          onChange={({ currentTarget: { value } }) => {
            setOwn(value);
            half.keep(value);
          }}
        />
        <Button type="submit" mih={44} disabled={!own.trim()}>
          Done
        </Button>
        <Button variant="subtle" mih={44} onClick={onBack}>
          Not yet
        </Button>
      </Group>
    </form>
  );
}
