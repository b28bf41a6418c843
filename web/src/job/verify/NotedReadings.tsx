import type { SystemDesign } from '@katharos/core';
import { notedFields, type NotedKey, notedKeys } from '@katharos/job';
import { SimpleGrid, Text } from '@mantine/core';
import { QuantityInput } from '../../ui/typed/QuantityInput.tsx';
import { useJob } from '../open/useJob.ts';

const ofPump: readonly NotedKey[] = ['pumpDischarge', 'pumpCutout'];

/** What a practitioner notes besides: it stands in the record and on the certificate, and no fault is weighed by it. */
export function NotedReadings({ design }: { design: SystemDesign }) {
  const { document, edit, stamp } = useJob();
  const noted = document.verify.noted ?? {};
  return (
    <div>
      <Text fw={560}>Noted besides</Text>
      <Text size="sm" c="dimmed" mb="xs">
        It stands on the certificate; no fault is weighed by it.
      </Text>
      <SimpleGrid cols={{ base: 1, xs: 2, md: 4 }} verticalSpacing="md">
        {notedKeys
          .filter((key) => design.pump || !ofPump.includes(key))
          .map((key) => (
            <QuantityInput
              key={key}
              field={notedFields[key]}
              quantity={noted[key]}
              onCommit={(quantity) =>
                edit(({ verify }) => {
                  const { [key]: _old, ...rest } = verify.noted ?? {};
                  const { at, by } = stamp();
                  const next = quantity
                    ? { ...rest, [key]: { ...quantity, takenAt: at, by } }
                    : rest;
                  return { verify: { ...verify, noted: next } };
                })
              }
            />
          ))}
      </SimpleGrid>
    </div>
  );
}
