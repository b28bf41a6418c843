import { PageTitle } from '../ui/PageTitle.tsx';
import { credentialsSchema } from '@katharos/contract';
import { troubleOf, useMetaQuery, useSignInMutation } from '../data/api.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { Tone } from '../ui/Tone.tsx';
import {
  Button,
  Container,
  Loader,
  PasswordInput,
  Stack,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { type ChangeEvent, type FormEvent, lazy, Suspense, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';

const SetupForm = lazy(async () => ({ default: (await import('./SetupForm.tsx')).SetupForm }));

/** Only addresses of this application are gone to after signing in. */
const inside = (target: string | null) => (target && /^\/(?!\/)/.test(target) ? target : '/jobs');

/** Sign in; or, on a fresh installation, the first owner. */
export function SignInPage() {
  const { data: meta, isLoading, error, refetch } = useMetaQuery();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const enter = () => void navigate(inside(params.get('to')), { replace: true });
  return (
    <main>
      <Container size={440} py={{ base: 32, sm: 88 }}>
        <PageTitle>Sign in</PageTitle>
        <Stack gap="lg">
          <img src="/mark.svg" alt="" width={52} height={52} />
          <div>
            <Title order={1}>Katharos</Title>
            <Text c="dimmed">From the first reading at the tap to a verified system.</Text>
          </div>
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
        </Stack>
      </Container>
    </main>
  );
}

interface SignInProps {
  demo: { email: string; password: string } | null;
  onDone: () => void;
}

function SignInForm({ demo, onDone }: SignInProps) {
  const [signIn, { isLoading, error }] = useSignInMutation();
  const [credentials, setCredentials] = useState(demo ?? { email: '', password: '' });
  const [tried, setTried] = useState(false);
  const checked = credentialsSchema.safeParse(credentials);
  const errorOf = (field: 'email' | 'password') =>
    tried ? checked.error?.issues.find(({ path }) => path[0] === field)?.message : undefined;
  const inputOf = (field: 'email' | 'password') => ({
    value: credentials[field],
    error: errorOf(field),
    onChange: (event: ChangeEvent<HTMLInputElement>) =>
      setCredentials({ ...credentials, [field]: event.currentTarget.value }),
  });
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (!checked.success) return;
    const answer = await signIn(checked.data);
    if (!answer.error) onDone();
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="panel" noValidate>
      <Stack>
        {demo && (
          <Tone kind="good" head="Sample data">
            This is the demonstration. It is signed into with <strong>{demo.email}</strong> and{' '}
            <strong>{demo.password}</strong>, filled in below.
          </Tone>
        )}
        <TextInput
          label="E-mail"
          type="email"
          autoComplete="username"
          size="md"
          {...inputOf('email')}
        />
        <PasswordInput
          label="Password"
          autoComplete="current-password"
          size="md"
          visibilityToggleButtonProps={{ 'aria-label': 'Show or hide the password' }}
          {...inputOf('password')}
        />
        {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
        <Button type="submit" size="md" loading={isLoading}>
          Sign in
        </Button>
      </Stack>
    </form>
  );
}
