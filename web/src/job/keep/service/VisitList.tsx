import type { ServiceVisitRecord } from '@katharos/job';
import { visitKindWords, visitReadings } from '@katharos/words';
import { Button, Text, Title } from '@mantine/core';
import { memo } from 'react';
import { useReader } from '../../../ui/useReader.ts';

interface Props {
  /** In the order of their days. */
  visits: [string, ServiceVisitRecord][];
  open: string | null;
  onOpen: (id: string) => void;
}

/** Every visit, the newest first. */
export const VisitList = memo(function VisitList({ visits, open, onOpen }: Props) {
  const reader = useReader();
  return (
    <section className="panel" aria-label="Visits">
      <Title order={3} size="h4" mb="sm">
        Visits
      </Title>
      {visits.length === 0 && <Text>Nobody has come since.</Text>}
      <ol style={{ listStyle: 'none', padding: 0, margin: 0 }}>
        {[...visits].reverse().map(([id, visit]) => (
          <li key={id} style={{ padding: '8px 0' }}>
            <Text fw={650}>
              {reader.when(visit.at, 'date')} · {visitKindWords[visit.kind]}, {visit.by}
            </Text>
            <Text size="sm">{visitReadings(visit, reader)}</Text>
            {visit.note && <Text size="sm">{visit.note}</Text>}
            {open !== id && (
              <Button variant="subtle" size="sm" mih={44} onClick={() => onOpen(id)}>
                Open this visit
              </Button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
});
