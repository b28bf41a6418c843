import type { JobSummary, Shelf } from '@katharos/contract';
import { ActionIcon } from '@mantine/core';
import IconDots from '@tabler/icons-react/dist/esm/icons/IconDots.mjs';
import { lazy, Suspense, useState } from 'react';

const ShelveMenu = lazy(async () => ({
  default: (await import('./ShelveMenu.tsx')).ShelveMenu,
}));

/** What can be done with a job of the list besides opening it; the menu's code is loaded when it is wanted. */
export function ShelveJob({ job, shelf }: { job: JobSummary; shelf: Shelf }) {
  const [wanted, setWanted] = useState(false);
  const button = (
    <ActionIcon
      variant="subtle"
      size={44}
      aria-label={`More for ${job.name}`}
      aria-haspopup="menu"
      onClick={() => setWanted(true)}
    >
      <IconDots size={20} />
    </ActionIcon>
  );
  if (!wanted) return button;
  return (
    <Suspense fallback={button}>
      <ShelveMenu job={job} shelf={shelf} />
    </Suspense>
  );
}
