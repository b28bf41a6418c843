import { ActionIcon, Stack, Text } from '@mantine/core';
import IconTrash from '@tabler/icons-react/dist/esm/icons/IconTrash.mjs';
import type { ReactNode } from 'react';

interface Props {
  label: string;
  fault: string | undefined;
  readOnly: boolean;
  rows: ReactNode;
  /** What adds a row. */
  children: ReactNode;
}

/** A field of a part that is a list: its rows, what is wrong with them, and the way to another. */
export function EditedList({ label, fault, readOnly, rows, children }: Props) {
  return (
    <fieldset style={{ border: 0, padding: 0, margin: 0 }} disabled={readOnly}>
      <legend>{label}</legend>
      <Stack gap={6}>
        {rows}
        {fault && (
          <Text c="red" size="sm" role="alert">
            {fault}
          </Text>
        )}
        {children}
      </Stack>
    </fieldset>
  );
}

/** Takes one row out. */
export const TakeOut = ({ label, onClick }: { label: string; onClick: () => void }) => (
  <ActionIcon variant="default" size={44} aria-label={label} onClick={onClick}>
    <IconTrash size={18} />
  </ActionIcon>
);
