import { type Complaint, complaints } from '@katharos/core';
import { complaintAdvice, complaintWords } from '@katharos/words';
import { Checkbox, Group, Text } from '@mantine/core';
import { underAThumb } from '../../ui/underAThumb.ts';

interface Stamp {
  at: string;
  by: string;
}
export type Complained = Partial<Record<Complaint, Stamp | undefined>>;

interface Props {
  noted: Complained;
  stamp: () => Stamp;
  onChange: (noted: Complained) => void;
}

/** What a household complains of, to be ticked, and what to do at once about each. */
export function ComplaintBoxes({ noted, stamp, onChange }: Props) {
  const chosen = complaints.filter((complaint) => noted[complaint]);
  const choose = (next: string[]) =>
    onChange(
      Object.fromEntries(
        complaints
          .filter((complaint) => next.includes(complaint))
          .map((complaint) => [complaint, noted[complaint] ?? stamp()]),
      ),
    );
  return (
    <>
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
    </>
  );
}
