import type { JobSummary } from '@katharos/contract';
import { Anchor, Button, Group, Radio, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import { Dialog } from '../ui/Dialog.tsx';
import { troubleOf, useForgetPersonMutation } from '../data/api.ts';
import { notify } from '../ui/notices.tsx';

/** A household asks what is kept of them, or that it go: the file to hand over, and the choice that the law leaves. */
export function ForgetPerson({ job, onClose }: { job: JobSummary; onClose: () => void }) {
  const [papers, setPapers] = useState<'kept' | 'removed'>('kept');
  const [forget, { isLoading }] = useForgetPersonMutation();
  const go = async () => {
    const { error } = await forget({ id: job.id, papers });
    if (error) {
      notify({ message: troubleOf(error).message, color: 'red' });
      return;
    }
    notify({ message: 'What was kept of this household is removed.' });
    onClose();
  };
  return (
    <Dialog onClose={onClose} title={`What is kept of ${job.name}`} size="lg">
      <Stack>
        <Text>
          Who asks what is kept of them is given the{' '}
          <Anchor href={`/api/jobs/${job.id}/file`} download>
            job as a file
          </Anchor>
          : it holds all of it, photographs included.
        </Text>
        <Text>
          Removed are name, address, telephone, mail, notes, photographs, letters, the household’s
          page and what the log says of this job. It cannot be brought back. A certificate that goes
          leaves its place in the firm’s chain, which says from then on that its content is missing.
        </Text>
        <Radio.Group
          label="Papers that were handed over"
          description="Many countries have proposals and certificates kept for some years, whoever asks. When unsure, keep them and ask whoever advises you."
          value={papers}
          onChange={(value) => setPapers(value)}
        >
          <Stack gap={0} mt="xs">
            <Radio
              py={10}
              value="kept"
              label="Stay, and the system with its readings, without a name"
            />
            <Radio py={10} value="removed" label="Go as well, and the whole job with them" />
          </Stack>
        </Radio.Group>
        <Group justify="flex-end">
          <Button variant="default" size="md" onClick={onClose}>
            Leave it
          </Button>
          <Button color="red" size="md" loading={isLoading} onClick={() => void go()}>
            Remove it for good
          </Button>
        </Group>
      </Stack>
    </Dialog>
  );
}
