import { valueAt } from '@katharos/job';
import { Button, Group, Text } from '@mantine/core';
import { notify } from '../../ui/notices.tsx';
import { useEffect } from 'react';
import { useAppDispatch, useAppSelector } from '../../data/store.ts';
import { Tone } from '../../ui/Tone.tsx';
import { settleConflict, takeRefusedBack } from '../../data/openJob.ts';
import { remarked } from '../../data/jobSlice.ts';
import { tellAll } from '../../data/line/messages.ts';
import type { LineState } from '../../data/line/lineSlice.ts';
import { useReader } from '../../ui/useReader.ts';
import { useOpenJob } from '../open/useJob.ts';
import { placeWords } from './placeWords.ts';

/** Says when the work on screen and the server's copy are not one, why, and what can be done. */
export function SaveNotice() {
  const dispatch = useAppDispatch();
  const save = useOpenJob((job) => job.save);
  const remark = useOpenJob((job) => job.remark);
  useEffect(() => {
    if (!remark) return;
    notify({ message: remark, autoClose: 8000 });
    dispatch(remarked(null));
  }, [remark, dispatch]);

  switch (save.kind) {
    case 'refused':
      return (
        <Tone kind="bad" head="The server refused the last change" role="alert">
          <Text size="sm">
            {save.path && <strong>{placeWords(save.path.replace(/^document\./, ''))}: </strong>}
            {save.message} It is kept in this browser. Correct it, or take it back; other jobs are
            saved meanwhile.
          </Text>
          <Button mt="xs" variant="default" onClick={() => void dispatch(takeRefusedBack())}>
            Take that change back
          </Button>
        </Tone>
      );
    case 'conflict':
      return <Conflict theirs={save.theirs.updatedBy} paths={save.paths} />;
    case 'saved':
    case 'waiting':
      return <LineNotice waits={save.kind === 'waiting'} />;
  }
}

const lineHeads: Record<Exclude<LineState['kind'], 'open' | 'signed-out'>, string> = {
  unreachable: 'The server cannot be reached',
  slow: 'The server does not answer',
  fault: 'The server is not well',
};
const lineHelp: Record<keyof typeof lineHeads, string> = {
  unreachable: 'There is no line, or the server is off.',
  slow: 'The line is there, and nothing comes back: it may be a poor line or a busy server.',
  fault: 'It answers that something is wrong with itself. Whoever runs it should look.',
};

/** How the line to the server is, where that matters to this job. */
function LineNotice({ waits }: { waits: boolean }) {
  const line = useAppSelector((state) => state.line.line);
  const unkept = useAppSelector((state) => state.line.unkept);
  const reader = useReader();
  if (unkept) {
    return (
      <Tone kind="bad" head="This browser keeps nothing just now" role="alert">
        Its store is full or forbidden. What you enter is on this page only: leave it open until it
        says “Saved”, and make room on the device.
      </Tone>
    );
  }
  if (line.kind === 'open' || line.kind === 'signed-out') return null;
  return (
    <Tone kind="warn" head={lineHeads[line.kind]} role="status">
      <Text size="sm">
        {lineHelp[line.kind]} Since {reader.when(line.since, 'time')}.{' '}
        {waits
          ? 'Everything you enter is kept in this browser and sent as soon as it answers.'
          : 'Everything entered so far is on the server; what you enter now is kept in this browser.'}
      </Text>
      <Button mt="xs" variant="default" onClick={() => tellAll({ about: 'try' })}>
        Try now
      </Button>
    </Tone>
  );
}

/** Two people changed the same; nobody's value is dropped without being shown. */
function Conflict({ theirs, paths }: { theirs: string; paths: readonly string[] }) {
  const dispatch = useAppDispatch();
  const document = useOpenJob((job) => job.document);
  const save = useOpenJob((job) => job.save);
  const reader = useReader();
  if (save.kind !== 'conflict') return null;
  const said = (source: typeof document, path: string) => {
    const value = valueAt(source, path.split('.'));
    if (value === undefined || value === null || value === '') return 'nothing';
    if (typeof value !== 'object') return `“${value}”`;
    const held = value as { value?: unknown; unit?: unknown };
    return typeof held.value === 'number' && typeof held.unit === 'string'
      ? `${reader.plainNumber(held.value)} ${held.unit}`
      : 'something else';
  };
  return (
    <Tone kind="warn" head={`${theirs} changed the same thing in another window`} role="alert">
      <Text size="sm">Nothing was overwritten. All other changes of both are kept either way.</Text>
      <ul>
        {paths.map((path) => (
          <li key={path}>
            {placeWords(path)}: here {said(document, path)}, there{' '}
            {said(save.theirs.document, path)}
          </li>
        ))}
      </ul>
      <Group mt="xs">
        <Button onClick={() => void dispatch(settleConflict('mine'))}>Keep what I entered</Button>
        <Button variant="default" onClick={() => void dispatch(settleConflict('theirs'))}>
          Take the other window’s
        </Button>
      </Group>
    </Tone>
  );
}
