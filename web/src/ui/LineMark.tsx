import { Text } from '@mantine/core';
import { useEffect } from 'react';
import { refusedFor } from '../data/line/lineSlice.ts';
import { useAppDispatch, useAppSelector } from '../data/store.ts';
import { notify } from './notices.tsx';
import { useReader } from './useReader.ts';
import styles from './LineMark.module.css';

const words = {
  unreachable: 'No line',
  slow: 'No answer',
  fault: 'Server trouble',
  'signed-out': 'Signed out',
} as const;

/** How the line to the server is, on every page, where there is something to say of it. */
export function LineMark() {
  const { line, waiting, refused } = useAppSelector((state) => state.line);
  const dispatch = useAppDispatch();
  const reader = useReader();
  useEffect(() => {
    if (!refused) return;
    notify({ title: 'The server did not take it', message: refused.message, color: 'red' });
    dispatch(refusedFor(null));
  }, [refused, dispatch]);
  const count = Object.values(waiting).reduce((sum, one) => sum + one, 0);
  if (line.kind === 'open') return null;
  const kept =
    count > 0
      ? ` · ${count} ${reader.plural(count, { one: 'change', other: 'changes' })} kept here`
      : '';
  return (
    <Text size="sm" className={styles.line} role="status">
      {words[line.kind]}
      {kept}
    </Text>
  );
}
