import { basicVerifyKeys } from '@katharos/job';
import { SimpleGrid, Text } from '@mantine/core';
import { useVisit } from './useVisit.ts';
import { VisitReading } from './VisitReading.tsx';

/** Readings after everything was changed; nothing while nothing was. */
export function Afterwards({ id }: { id: string }) {
  const { visit } = useVisit(id);
  if (!visit || Object.keys({ ...visit.changed, ...visit.after }).length === 0) return null;
  const isNew = 'membrane' in (visit.changed ?? {});
  return (
    <div role="group" aria-label="Afterwards">
      <Text fw={560}>Afterwards</Text>
      <Text size="sm" c="dimmed" mb="xs">
        {isNew
          ? 'The new membrane’s first readings: everything that follows is held against them. Run clear, first tank thrown away.'
          : 'Run clear, tank closed, the same meter as before.'}
      </Text>
      <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} verticalSpacing="md">
        {basicVerifyKeys.map((key) => (
          <VisitReading key={key} id={id} of="after" name={key} />
        ))}
      </SimpleGrid>
    </div>
  );
}
