import { newJobSchema } from '@katharos/contract';
import { Dialog } from '../ui/Dialog.tsx';
import { troubleOf, useAddJobMutation } from '../data/api.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { Tone } from '../ui/Tone.tsx';
import { Button, Group, Stack, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { v4 as newId } from 'uuid';

interface Props {
  onClose: () => void;
  /** What was searched for without success may be the name of the new job. */
  suggestion: string;
}

/** Begins a job with a name, and goes straight to its survey. */
export function NewJobForm({ onClose, suggestion }: Props) {
  const [addJob, { isLoading, error }] = useAddJobMutation();
  const navigate = useNavigate();
  /** One form is one job, however often it is sent; a refused one may be sent again with other words. */
  const [key, setKey] = useState(() => newId());
  const form = useForm({
    initialValues: { name: suggestion, address: '' },
    validate: faultsBy(newJobSchema),
  });
  const submit = form.onSubmit(async (values) => {
    const answer = await addJob({ ...values, key });
    if (answer.error) {
      if (troubleOf(answer.error).code === 'key-reused') setKey(newId());
      return;
    }
    await navigate(`/jobs/${answer.data.id}/survey`);
  });
  return (
    <Dialog onClose={onClose} title="New job">
      <form onSubmit={submit} noValidate>
        <Stack>
          <TextInput
            label="Customer or place"
            data-autofocus
            size="md"
            {...form.getInputProps('name')}
          />
          <TextInput label="Address" size="md" {...form.getInputProps('address')} />
          {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
          <Group justify="flex-end">
            <Button variant="default" size="md" onClick={onClose}>
              Not now
            </Button>
            <Button type="submit" size="md" loading={isLoading}>
              Begin the survey
            </Button>
          </Group>
        </Stack>
      </form>
    </Dialog>
  );
}
