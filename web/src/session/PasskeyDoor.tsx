import { Button } from '@mantine/core';
import { troubleOf } from '../data/api.ts';
import { Tone } from '../ui/Tone.tsx';
import { passkeysServe, useSignInByPasskeyMutation } from './passkeyApi.ts';

/** Signing in without typing anything, where this browser and this address can. */
export function PasskeyDoor({ onDone }: { onDone: () => void }) {
  const [signIn, { isLoading, error }] = useSignInByPasskeyMutation();
  if (!passkeysServe()) return null;
  return (
    <>
      {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
      <Button
        variant="default"
        size="md"
        loading={isLoading}
        onClick={() =>
          void signIn().then((answer) => {
            if (!answer.error) onDone();
          })
        }
      >
        Sign in with a passkey
      </Button>
    </>
  );
}
