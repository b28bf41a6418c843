import { Anchor, Button, Group, Text } from '@mantine/core';
import { useMay } from '../../../data/useMay.ts';
import { useReader } from '../../../ui/useReader.ts';
import { timeZone, useIssue } from '../../../papers/useIssue.ts';
import { useIssued } from '../../../papers/useIssued.ts';
import { useJobId } from '../../open/useJob.ts';

/** A visit's report: as it would be now, and as it was issued; what was issued stays as it was. */
export function VisitReport({ id }: { id: string }) {
  const jobId = useJobId();
  const reader = useReader();
  const issue = useIssue(jobId);
  const mayIssue = useMay('issue');
  const { records } = useIssued(jobId, 'service');
  const own = records.filter(({ visit }) => visit === id);
  const query = new URLSearchParams({ visit: id, units: reader.units, timeZone: timeZone() });
  return (
    <Group aria-label="Service report" role="group">
      <Button
        variant="default"
        size="md"
        disabled={!mayIssue}
        onClick={() => void issue('service', { visit: id })}
      >
        {own.length > 0 ? 'Issue the report anew' : 'Issue the report'}
      </Button>
      <Anchor href={`/api/jobs/${jobId}/service.pdf?${query.toString()}`} target="_blank" mih={44}>
        Draft (PDF)
      </Anchor>
      {own.map((record) => (
        <Text key={record.id}>
          <Anchor href={`/api/jobs/${jobId}/papers/${record.id}/pdf`} target="_blank">
            Report {record.version}, {reader.when(record.issuedAt, 'date')} (PDF)
          </Anchor>
        </Text>
      ))}
    </Group>
  );
}
