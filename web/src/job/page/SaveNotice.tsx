import { Button, Group, Text } from '@mantine/core';
import { notify } from '../../ui/notices.tsx';
import { useEffect } from 'react';
import { useAppDispatch } from '../../data/store.ts';
import { Tone } from '../../ui/Tone.tsx';
import { settleConflict } from '../../data/autosave.ts';
import { remarkRead } from '../../data/jobSlice.ts';
import { useOpenJob } from '../open/useJob.ts';

/** Says when the work on screen and the server's copy are not one: out of reach, refused, or changed by two people. */
export function SaveNotice() {
  const dispatch = useAppDispatch();
  const save = useOpenJob((job) => job.save);
  const remark = useOpenJob((job) => job.remark);
  useEffect(() => {
    if (!remark) return;
    notify({ message: remark, autoClose: 8000 });
    dispatch(remarkRead());
  }, [remark, dispatch]);

  if (save.kind === 'offline') {
    return (
      <Tone kind="warn" head="The server cannot be reached" role="status">
        Everything you enter is kept in this browser and sent as soon as it answers.
      </Tone>
    );
  }
  if (save.kind === 'refused') {
    return (
      <Tone kind="bad" head="The server refused the last change" role="alert">
        {save.message} It is kept in this browser; correct it or take it back with undo.
      </Tone>
    );
  }
  if (save.kind !== 'conflict') return null;
  return (
    <Tone
      kind="warn"
      head={`${save.theirs.updatedBy} changed the same thing in another window`}
      role="alert"
    >
      <Text size="sm">
        Both windows changed {save.paths.map(describePath).join(', ')}. Nothing was overwritten. All
        other changes of both are kept either way.
      </Text>
      <Group mt="xs">
        <Button onClick={() => dispatch(settleConflict('mine'))}>Keep what I entered</Button>
        <Button variant="default" onClick={() => dispatch(settleConflict('theirs'))}>
          Take the other window’s
        </Button>
      </Group>
    </Tone>
  );
}

/** A path of the document for people: the last parts, spaced. */
const describePath = (path: string) =>
  `“${path
    .split('.')
    .filter((part) => part !== 'readings')
    .join(' › ')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()}”`;
