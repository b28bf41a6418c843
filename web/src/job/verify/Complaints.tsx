import { complaints } from '@katharos/core';
import type { JobDocument } from '@katharos/job';
import { complaintAdvice, complaintWords } from '@katharos/words';
import { Checkbox, Group, Text } from '@mantine/core';
import { underAThumb } from '../../ui/underAThumb.ts';
import { useEdit } from '../open/useJob.ts';

/** What the household complains of: it counts in what is behind it, as far as people can be taken at their word. */
export function Complaints({ verify }: { verify: JobDocument['verify'] }) {
  const { edit, stamp } = useEdit();
  const noted = verify.complaints ?? {};
  const chosen = complaints.filter((complaint) => noted[complaint]);
  const choose = (next: string[]) =>
    edit(({ verify: { complaints: before = {}, ...rest } }) => {
      const kept = complaints
        .filter((complaint) => next.includes(complaint))
        .map((complaint) => [complaint, before[complaint] ?? stamp()] as const);
      return {
        verify: { ...rest, ...(kept.length > 0 ? { complaints: Object.fromEntries(kept) } : {}) },
      };
    });
  return (
    <section className="panel" aria-label="Complaints">
      <Checkbox.Group label="What the household complains of" value={chosen} onChange={choose}>
        <Group gap="lg">
          {complaints.map((complaint) => (
            <Checkbox
              key={complaint}
              value={complaint}
              size="md"
              styles={underAThumb}
              label={complaintWords[complaint]}
            />
          ))}
        </Group>
      </Checkbox.Group>
      {chosen.map((complaint) => {
        const advice = complaintAdvice[complaint];
        return (
          advice && (
            <Text key={complaint} size="sm" mt={4}>
              {advice}
            </Text>
          )
        );
      })}
    </section>
  );
}
