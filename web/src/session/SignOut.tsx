import { Button, Group, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import { Dialog } from '../ui/Dialog.tsx';
import { useAppSelector } from '../data/store.ts';
import { useSignOut } from './useSignOut.ts';

/** Signs out; what is not sent yet is said first, for it goes with the session. */
export function SignOut({ onClose }: { onClose: () => void }) {
  const waiting = useAppSelector(({ line }) =>
    Object.values(line.waiting).reduce((sum, count) => sum + count, 0),
  );
  const signOut = useSignOut();
  const [leaving, setLeaving] = useState(false);
  const leave = async () => {
    setLeaving(true);
    await signOut();
  };
  return (
    <Dialog onClose={onClose} title="Sign out">
      <Stack>
        <Text>
          {waiting === 1
            ? 'One change that you made here has not reached the server yet. Signing out takes it away for good.'
            : `${waiting} changes that you made here have not reached the server yet. Signing out takes them away for good.`}
        </Text>
        <Group justify="flex-end">
          <Button variant="default" size="md" onClick={onClose}>
            Stay signed in
          </Button>
          <Button color="red" size="md" loading={leaving} onClick={() => void leave()}>
            Sign out and lose {waiting === 1 ? 'it' : 'them'}
          </Button>
        </Group>
      </Stack>
    </Dialog>
  );
}
