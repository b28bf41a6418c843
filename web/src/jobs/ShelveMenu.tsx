import type { JobSummary, Shelf } from '@katharos/contract';
import { ActionIcon, Menu } from '@mantine/core';
import IconDots from '@tabler/icons-react/dist/esm/icons/IconDots.mjs';
import { useState } from 'react';
import { troubleOf, useShelveJobMutation } from '../data/api.ts';
import { useMay } from '../data/useMay.ts';
import { notify } from '../ui/notices.tsx';
import { showUndo } from '../ui/undoNotice.tsx';
import { ForgetPerson } from './ForgetPerson.tsx';

const moves: Record<Shelf, { label: string; done: string }> = {
  open: { label: 'Bring back', done: 'is among the jobs in work again' },
  archived: { label: 'Put away', done: 'was put away' },
  removed: { label: 'Delete', done: 'was deleted' },
};

/** Puts a job of the list away, deletes it, or brings it back; each can be taken back. */
export function ShelveMenu({ job, shelf }: { job: JobSummary; shelf: Shelf }) {
  const [shelve] = useShelveJobMutation();
  const mayForget = useMay('people');
  const [forgetting, setForgetting] = useState(false);
  const move = async (to: Shelf) => {
    const answer = await shelve({ id: job.id, shelf: to });
    if (answer.error) {
      notify({ message: troubleOf(answer.error).message, color: 'red' });
      return;
    }
    showUndo({
      id: `shelved-${job.id}`,
      message: `${job.name} ${moves[to].done}.`,
      label: 'Take it back',
      undo: () => void shelve({ id: job.id, shelf }),
    });
  };
  const others = (Object.keys(moves) as Shelf[]).filter((one) => one !== shelf);
  return (
    <>
      <Menu defaultOpened position="bottom-end" withinPortal>
        <Menu.Target>
          <ActionIcon variant="subtle" size={44} aria-label={`More for ${job.name}`}>
            <IconDots size={20} />
          </ActionIcon>
        </Menu.Target>
        <Menu.Dropdown>
          {others.map((one) => (
            <Menu.Item
              key={one}
              mih={44}
              color={one === 'removed' ? 'red' : undefined}
              onClick={() => void move(one)}
            >
              {moves[one].label}
            </Menu.Item>
          ))}
          {mayForget && (
            <Menu.Item mih={44} onClick={() => setForgetting(true)}>
              What is kept of them …
            </Menu.Item>
          )}
        </Menu.Dropdown>
      </Menu>
      {forgetting && <ForgetPerson job={job} onClose={() => setForgetting(false)} />}
    </>
  );
}
