import type { Stage } from '@katharos/job';
import { ActionIcon, Text } from '@mantine/core';
import IconArrowBackUp from '@tabler/icons-react/dist/esm/icons/IconArrowBackUp.mjs';
import IconArrowForwardUp from '@tabler/icons-react/dist/esm/icons/IconArrowForwardUp.mjs';
import IconPencil from '@tabler/icons-react/dist/esm/icons/IconPencil.mjs';
import { useState } from 'react';
import { redone, type SaveState, undone } from '../../data/jobSlice.ts';
import type { LineState } from '../../data/line/lineSlice.ts';
import { useAppDispatch, useAppSelector } from '../../data/store.ts';
import { late } from '../../ui/late.tsx';
import { useHalfTyped } from '../../ui/typed/halfTyped.ts';
import { useDocument, useOpenJob } from '../open/useJob.ts';
import { JobWaterline } from '../waterline/JobWaterline.tsx';
import styles from './JobBand.module.css';
import { StageMarks } from './StageMarks.tsx';

const CustomerForm = late(async () => (await import('./CustomerForm.tsx')).CustomerForm);

const saveWords: Record<SaveState['kind'], string> = {
  saved: 'Saved',
  waiting: 'Saving …',
  refused: 'Not saved',
  conflict: 'Needs your choice',
};
const waitWords: Record<LineState['kind'], string> = {
  open: 'Saving …',
  unreachable: 'Not reached; kept here',
  slow: 'No answer; kept here',
  fault: 'Server trouble; kept here',
  'signed-out': 'Signed out; kept here',
};

/** What every stage has above it, in as little room as it takes: whose job, which stage, how it is saved, and the waterline. */
export function JobBand({ stage }: { stage: Stage }) {
  const name = useOpenJob(({ document }) => document.customer.name);
  const half = useHalfTyped('customer');
  const [editing, setEditing] = useState(half.restored !== null);
  return (
    <section aria-label="Job" className={styles.band}>
      {editing ? (
        <CustomerForm onDone={() => setEditing(false)} />
      ) : (
        <Who name={name} onEdit={() => setEditing(true)} />
      )}
      <StageMarks stage={stage} />
      <Kept />
      <JobWaterline stage={stage} />
    </section>
  );
}

function Who({ name, onEdit }: { name: string; onEdit: () => void }) {
  const number = useOpenJob((job) => job.number);
  const { address } = useDocument().customer;
  return (
    <div className={styles.who}>
      <div className={styles.names}>
        <h1 className={styles.name}>{name}</h1>
        <Text size="sm" c="dimmed" className={styles.place}>
          No. {number}
          {address && ` · ${address}`}
        </Text>
      </div>
      <ActionIcon
        className="no-print"
        variant="subtle"
        size={44}
        aria-label="Change name and address"
        onClick={onEdit}
      >
        <IconPencil size={17} />
      </ActionIcon>
    </div>
  );
}

/** How it stands with the server's copy, and the way back. */
function Kept() {
  const kind = useOpenJob(({ save }) => save.kind);
  const line = useAppSelector((state) => state.line.line.kind);
  const mayUndo = useOpenJob(({ past }) => past.length > 0);
  const mayRedo = useOpenJob(({ future }) => future.length > 0);
  const dispatch = useAppDispatch();
  return (
    <div className={`${styles.kept} no-print`}>
      <Text size="sm" c="dimmed" role="status" className={styles.state}>
        {kind === 'waiting' ? waitWords[line] : saveWords[kind]}
      </Text>
      <ActionIcon
        variant="subtle"
        size={44}
        aria-label="Undo"
        title="Take back"
        disabled={!mayUndo}
        onClick={() => dispatch(undone())}
      >
        <IconArrowBackUp size={20} />
      </ActionIcon>
      <ActionIcon
        variant="subtle"
        size={44}
        aria-label="Redo"
        title="Bring back"
        disabled={!mayRedo}
        onClick={() => dispatch(redone())}
      >
        <IconArrowForwardUp size={20} />
      </ActionIcon>
    </div>
  );
}
