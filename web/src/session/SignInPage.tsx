import { PageTitle } from '../ui/PageTitle.tsx';
import { credentialsSchema } from '@katharos/contract';
import { troubleOf, useMetaQuery, useSignInMutation } from '../data/api.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { Tone } from '../ui/Tone.tsx';
import { SetupForm } from './SetupForm.tsx';
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
import { schemaResolver, useForm } from '@mantine/form';
import { useNavigate, useSearchParams } from 'react-router';

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
              <SetupForm onDone={enter} />
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
  const form = useForm({
    // A copy: the form writes into its values, and what the store holds is frozen.
    initialValues: { ...(demo ?? { email: '', password: '' }) },
    validate: schemaResolver(credentialsSchema, { sync: true }),
  });
  const submit = form.onSubmit(async (credentials) => {
    const answer = await signIn(credentials);
    if (!answer.error) onDone();
  });
  return (
    <form onSubmit={submit} className="panel" noValidate>
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
          {...form.getInputProps('email')}
        />
        <PasswordInput
          label="Password"
          autoComplete="current-password"
          size="md"
          visibilityToggleButtonProps={{ 'aria-label': 'Show or hide the password' }}
          {...form.getInputProps('password')}
        />
        {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
        <Button type="submit" size="md" loading={isLoading}>
          Sign in
        </Button>
      </Stack>
    </form>
  );
}
