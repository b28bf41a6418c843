import type { Session } from '@katharos/contract';
import { Loader, Stack, Text } from '@mantine/core';
import { Dialog } from '../ui/Dialog.tsx';
import { useMetaQuery } from '../data/api.ts';
import { tellAll } from '../data/line/messages.ts';
import { lineChanged } from '../data/line/lineSlice.ts';
import { useAppDispatch } from '../data/store.ts';
import { SignInForm } from './SignInForm.tsx';

/** The session is over, and the person still at work: signing in again in place, with nothing lost. */
export function SignInAgain({ session }: { session: Session }) {
  const { data: meta, isLoading } = useMetaQuery();
  const dispatch = useAppDispatch();
  return (
    <Dialog onClose={() => undefined} mustAnswer title="Sign in again">
      <Stack>
        <Text>
          The session of {session.user.name} is over. Everything you entered is kept in this browser
          and is sent after you sign in.
        </Text>
        {isLoading ? (
          <Loader aria-label="Opening" />
        ) : (
          <SignInForm
            demo={meta?.demo ?? null}
            email={session.user.email}
            onDone={() => {
              dispatch(lineChanged({ kind: 'open' }));
              tellAll({ about: 'session' });
              tellAll({ about: 'lists', of: 'all' });
              tellAll({ about: 'try' });
            }}
          />
        )}
      </Stack>
    </Dialog>
  );
}
