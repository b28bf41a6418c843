import {
  type Photograph,
  type PhotographSubject,
  photographSubjects,
  photographWords,
} from '@katharos/contract';
import {
  Button,
  FileButton,
  Group,
  Modal,
  NativeSelect,
  Skeleton,
  Stack,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useState } from 'react';
import {
  troubleOf,
  useAddPhotographMutation,
  useChangePhotographMutation,
  usePhotographsQuery,
  useRemovePhotographMutation,
  useRestorePhotographMutation,
} from '../app/api.ts';
import { useJob } from '../job/useJob.ts';
import { Tone } from '../quantities/Tone.tsx';
import styles from './Photographs.module.css';

const addressOf = (jobId: string, { id }: Photograph) => `/api/jobs/${jobId}/photographs/${id}`;

const subjects = photographSubjects.map((value) => ({ value, label: photographWords[value] }));

/** Pictures of the cabinet, the pipes and the readings. They are made smaller, and where they were taken is removed. */
export function Photographs({ subject = 'cabinet' }: { subject?: PhotographSubject }) {
  const { job } = useJob();
  const { data, error, isLoading, refetch } = usePhotographsQuery(job.id);
  const [about, setAbout] = useState<PhotographSubject>(subject);
  const [open, setOpen] = useState<string | null>(null);
  const list = data?.photographs ?? [];
  const shown = list.find(({ id }) => id === open);
  return (
    <section id="photographs" className={`panel ${styles.panel}`} aria-label="Photographs">
      <Title order={3} size="h4">
        Photographs
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        Kept with the job, made smaller; place and camera are removed from them.
      </Text>
      <Upload about={about} onAbout={setAbout} />
      {isLoading && <Skeleton height={120} mt="sm" />}
      {error && (
        <Tone kind="bad" head={troubleOf(error).message} role="alert">
          <Button variant="default" mt="xs" onClick={() => void refetch()}>
            Try again
          </Button>
        </Tone>
      )}
      {list.length > 0 && (
        <ul className={styles.grid}>
          {list.map((photograph) => (
            <li key={photograph.id}>
              <button
                type="button"
                className={styles.thumb}
                onClick={() => setOpen(photograph.id)}
                aria-label={`Open: ${nameOf(photograph)}`}
              >
                <img src={addressOf(job.id, photograph)} alt="" loading="lazy" />
              </button>
              <Text size="sm" lineClamp={2}>
                {nameOf(photograph)}
              </Text>
            </li>
          ))}
        </ul>
      )}
      {shown && <Viewer key={shown.id} photograph={shown} onClose={() => setOpen(null)} />}
    </section>
  );
}

const nameOf = ({ about, caption }: Photograph): string => caption || photographWords[about];

function Upload({
  about,
  onAbout,
}: {
  about: PhotographSubject;
  onAbout: (about: PhotographSubject) => void;
}) {
  const { job } = useJob();
  const [add, { isLoading }] = useAddPhotographMutation();
  /** Files that did not arrive, kept for another try. */
  const [waiting, setWaiting] = useState<{ files: File[]; message: string } | null>(null);
  const send = async (files: File[]) => {
    setWaiting(null);
    for (const [i, file] of files.entries()) {
      const answer = await add({ jobId: job.id, about, file });
      if (answer.error) {
        setWaiting({
          files: files.slice(i),
          message: `${file.name}: ${troubleOf(answer.error).message}`,
        });
        return;
      }
    }
  };
  return (
    <>
      <Group align="flex-end">
        <NativeSelect
          label="It shows"
          size="md"
          data={subjects}
          value={about}
          onChange={(event) => onAbout(event.currentTarget.value as PhotographSubject)}
        />
        <FileButton
          multiple
          accept="image/*"
          inputProps={{ 'aria-label': 'Photograph files' }}
          onChange={(files) => void send(files)}
        >
          {(props) => (
            <Button {...props} size="md" loading={isLoading}>
              Add photographs
            </Button>
          )}
        </FileButton>
      </Group>
      {waiting && (
        <Tone kind="bad" head="Not everything arrived" role="alert">
          {waiting.message}
          <Group mt="xs">
            <Button variant="default" onClick={() => void send(waiting.files)}>
              Send {waiting.files.length} again
            </Button>
            {waiting.files.length > 1 && (
              <Button variant="subtle" onClick={() => void send(waiting.files.slice(1))}>
                Go on without it
              </Button>
            )}
          </Group>
        </Tone>
      )}
    </>
  );
}

function Viewer({ photograph, onClose }: { photograph: Photograph; onClose: () => void }) {
  const { job } = useJob();
  const [change] = useChangePhotographMutation();
  const [remove] = useRemovePhotographMutation();
  const [restore] = useRestorePhotographMutation();
  const [caption, setCaption] = useState(photograph.caption);
  const key = { jobId: job.id, id: photograph.id };
  const keep = () => {
    if (caption.trim() !== photograph.caption) void change({ ...key, caption: caption.trim() });
  };
  const takeAway = async () => {
    const answer = await remove(key);
    if (answer.error) {
      notifications.show({ message: troubleOf(answer.error).message, color: 'red' });
      return;
    }
    onClose();
    const note = `removed-${photograph.id}`;
    notifications.show({
      id: note,
      autoClose: 12000,
      message: (
        <Group justify="space-between">
          <Text size="sm">The photograph was taken away.</Text>
          <Button
            variant="default"
            size="compact-md"
            onClick={() => {
              void restore(key);
              notifications.hide(note);
            }}
          >
            Bring it back
          </Button>
        </Group>
      ),
    });
  };
  return (
    <Modal
      opened
      onClose={() => {
        keep();
        onClose();
      }}
      size="xl"
      title={photographWords[photograph.about]}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <Stack>
        <img
          src={addressOf(job.id, photograph)}
          alt={nameOf(photograph)}
          width={photograph.width}
          height={photograph.height}
          className={styles.whole}
        />
        <Group grow preventGrowOverflow={false} align="flex-end">
          <TextInput
            label="Caption"
            maxLength={300}
            value={caption}
            onChange={(event) => setCaption(event.currentTarget.value)}
            onBlur={keep}
          />
          <NativeSelect
            label="It shows"
            data={subjects}
            value={photograph.about}
            onChange={(event) =>
              void change({ ...key, about: event.currentTarget.value as PhotographSubject })
            }
          />
        </Group>
        <Group justify="space-between">
          <Text size="sm" c="dimmed">
            {photograph.takenBy}, {new Date(photograph.takenAt).toLocaleString('en-GB')}
          </Text>
          <Button variant="default" onClick={() => void takeAway()}>
            Take it away
          </Button>
        </Group>
      </Stack>
    </Modal>
  );
}
