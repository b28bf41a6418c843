import { Group, TextInput } from '@mantine/core';
import { ScanButton } from '../../../ui/ScanButton.tsx';
import { useVisit } from './useVisit.ts';

/** The batch of a part that was put in at a visit; nothing for a work, or before it is put in. */
export function BatchInput({ id, of }: { id: string; of: string }) {
  const { visit, change } = useVisit(id);
  const put = visit?.changed?.[of];
  if (!put?.part) return null;
  const set = (batch: string) =>
    change(({ changed = {} }) => {
      const held = changed[of];
      return held ? { changed: { ...changed, [of]: { ...held, batch } } } : {};
    }, `batch-${of}`);
  return (
    <Group align="flex-end" ml={44} gap="xs">
      <TextInput
        label={`Batch of ${put.part}`}
        size="md"
        maw={320}
        maxLength={80}
        value={put.batch}
        onChange={({ currentTarget: { value } }) => set(value)}
      />
      <ScanButton onRead={(text) => set(text.slice(0, 80))} />
    </Group>
  );
}
