import { Button, FileButton } from '@mantine/core';
import { notify } from '../ui/notices.tsx';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { v4 as newId } from 'uuid';
import { troubleOf, useOpenJobFileMutation } from '../data/api.ts';

const complain = (message: string) =>
  notify({ title: 'The file was not opened', message, color: 'red', autoClose: 12000 });

/** Takes a job file in as a new job of this firm. */
export function OpenJobFile() {
  const [open, { isLoading }] = useOpenJobFileMutation();
  const navigate = useNavigate();
  const reset = useRef<() => void>(null);
  const take = async (file: File | null) => {
    reset.current?.();
    if (!file) return;
    let content: unknown;
    try {
      content = JSON.parse(await file.text());
    } catch {
      complain(`${file.name} is not a job file: it does not hold JSON.`);
      return;
    }
    const answer = await open({ content, key: newId() });
    if (answer.error) {
      const { message, path } = troubleOf(answer.error);
      complain(path ? `${message} (at ${path})` : message);
      return;
    }
    await navigate(`/jobs/${answer.data.id}/survey`);
  };
  return (
    <FileButton
      onChange={(file) => void take(file)}
      accept="application/json,.json"
      resetRef={reset}
      inputProps={{ 'aria-label': 'Job file' }}
    >
      {(props) => (
        <Button {...props} variant="default" size="md" loading={isLoading}>
          Open a job file
        </Button>
      )}
    </FileButton>
  );
}
