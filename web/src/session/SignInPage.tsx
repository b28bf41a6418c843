import { useMetaQuery } from '../data/api.ts';
import { Tone } from '../ui/Tone.tsx';
import { DoorPage } from './DoorPage.tsx';
import { SignInForm } from './SignInForm.tsx';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { Loader, Text, Title } from '@mantine/core';
import { lazy, Suspense } from 'react';
import { useNavigate, useSearchParams } from 'react-router';

const SetupForm = lazy(async () => ({ default: (await import('./SetupForm.tsx')).SetupForm }));

/** Only addresses of this application are gone to after signing in. */
const inside = (target: string | null) => (target && /^\/(?!\/)/.test(target) ? target : '/board');

/** Sign in; or, on a fresh installation, the first owner. */
export function SignInPage() {
  const { data: meta, isLoading, error, refetch } = useMetaQuery();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const enter = () => void navigate(inside(params.get('to')), { replace: true });
  return (
    <DoorPage title="Sign in">
      <img src="/mark.svg" alt="" width={52} height={52} />
      <div>
        <Title order={1}>Katharos</Title>
        <Text c="dimmed">From the first reading at the tap to a verified system.</Text>
      </div>
      {params.has('gone') && (
        <Tone kind="warn" head="You do not work in this firm any more" role="status">
          What this browser kept of it is forgotten.
        </Tone>
      )}
      {isLoading && <Loader aria-label="Opening" />}
      {error && <LoadTrouble message="The server cannot be reached" onRetry={refetch} />}
      {meta &&
        (meta.setupNeeded ? (
          <Suspense fallback={<Loader aria-label="Opening" />}>
            <SetupForm onDone={enter} />
          </Suspense>
        ) : (
          <SignInForm demo={meta.demo} onDone={enter} />
        ))}
    </DoorPage>
  );
}
