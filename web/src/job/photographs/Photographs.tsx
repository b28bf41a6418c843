import type { PhotographSubject } from '@katharos/job';
import { late } from '../../ui/late.tsx';
import { troubleOf } from '../../data/api.ts';
import { LoadTrouble } from '../../ui/LoadTrouble.tsx';
import { nameOf, photographKinds, subjects } from './photographWords.ts';
import { TakenNot } from './TakenNot.tsx';
import { useJobPhotographs, usePhotographDeeds } from './useJobPhotographs.ts';
import { Button, FileButton, Group, NativeSelect, Skeleton, Text, Title } from '@mantine/core';
import { useState } from 'react';
import styles from './Photographs.module.css';

const PhotographViewer = late(
  async () => (await import('./PhotographViewer.tsx')).PhotographViewer,
);

/** Pictures of the cabinet, the pipes and the readings. They are made smaller, and where they were taken is removed. */
export function Photographs({ subject = 'cabinet' }: { subject?: PhotographSubject }) {
  const { photographs: list, error, isLoading, refetch } = useJobPhotographs();
  const [about, setAbout] = useState<PhotographSubject>(subject);
  const [open, setOpen] = useState<string | null>(null);
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
      {error && <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />}
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
                <img src={photograph.address} alt="" loading="lazy" />
              </button>
              <Text size="sm" lineClamp={2}>
                {nameOf(photograph)}
                {photograph.waits && ' (kept here, to be sent)'}
              </Text>
            </li>
          ))}
        </ul>
      )}
      {shown && (
        <PhotographViewer key={shown.id} photograph={shown} onClose={() => setOpen(null)} />
      )}
    </section>
  );
}

function Upload({
  about,
  onAbout,
}: {
  about: PhotographSubject;
  onAbout: (about: PhotographSubject) => void;
}) {
  const { add } = usePhotographDeeds();
  const [troubles, setTroubles] = useState<string[]>([]);
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
          accept={photographKinds}
          inputProps={{ 'aria-label': 'Photograph files' }}
          onChange={(files) => void add(files, { about }).then(setTroubles)}
        >
          {(props) => (
            <Button {...props} size="md">
              Add photographs
            </Button>
          )}
        </FileButton>
      </Group>
      <TakenNot troubles={troubles} />
    </>
  );
}
