import { Textarea } from '@mantine/core';
import { useDebouncedCallback } from '@mantine/hooks';
import { useState } from 'react';

interface Props {
  label: string;
  value: string;
  onSave: (text: string) => void;
}

/** Free text that is saved while it is typed. */
export function NoteField({ label, value, onSave }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const save = useDebouncedCallback(onSave, 500);
  return (
    <Textarea
      label={label}
      autosize
      minRows={2}
      maxLength={1000}
      size="md"
      value={draft ?? value}
      onChange={(event) => {
        setDraft(event.currentTarget.value);
        save(event.currentTarget.value);
      }}
      onBlur={() => {
        if (draft !== null && draft !== value) onSave(draft);
        setDraft(null);
      }}
    />
  );
}
