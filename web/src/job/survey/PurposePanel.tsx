import { type Purpose, purposes } from '@katharos/core';
import { purposeNames, purposeNote } from '@katharos/words';
import { Checkbox, Group, Text, Title } from '@mantine/core';
import { underAThumb } from '../../ui/underAThumb.ts';
import { useReader } from '../../ui/useReader.ts';
import { useEdit, useOpenJob } from '../open/useJob.ts';

const none: readonly Purpose[] = [];

/** What the system is bought for: what it has to hold back, and which test proves it. */
export function PurposePanel() {
  const { edit } = useEdit();
  const reader = useReader();
  const chosen = useOpenJob(({ document }) => document.survey.purposes ?? none);
  const choose = (next: string[]) =>
    edit(({ survey: { purposes: _old, ...survey } }) => {
      const wanted = purposes.filter((one) => next.includes(one));
      return { survey: wanted.length > 0 ? { ...survey, purposes: wanted } : survey };
    });
  return (
    <section className="panel" aria-label="Purpose">
      <Title order={3} size="h4" mb="xs">
        Purpose
      </Title>
      <Checkbox.Group label="What the system is for" value={[...chosen]} onChange={choose}>
        <Group gap="lg">
          {purposes.map((purpose) => (
            <Checkbox
              key={purpose}
              value={purpose}
              size="md"
              styles={underAThumb}
              label={purposeNames[purpose]}
            />
          ))}
        </Group>
      </Checkbox.Group>
      {chosen.map((purpose) => (
        <Text key={purpose} size="sm" mt={4}>
          <strong>{purposeNames[purpose]}.</strong> {purposeNote(purpose, reader)}
        </Text>
      ))}
    </section>
  );
}
