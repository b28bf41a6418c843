import { credentialsSchema } from '@katharos/contract';
import { checkInput } from '@katharos/words';
import { Button, Stack, TextInput } from '@mantine/core';
import { type ChangeEvent, type FormEvent, useState } from 'react';
import { troubleOf, useSignInMutation } from '../data/api.ts';
import { PasswordBox } from '../ui/PasswordBox.tsx';
import { Tone } from '../ui/Tone.tsx';

interface SignInProps {
  /** The sample firm's sign-in, filled in where it is shown. */
  demo: { email: string; password: string } | null;
  /** Of whoever was signed in before. */
  email?: string;
  onDone: () => void;
}

/** E-mail and password. */
export function SignInForm({ demo, email = '', onDone }: SignInProps) {
  const [signIn, { isLoading, error }] = useSignInMutation();
  const [credentials, setCredentials] = useState(demo ?? { email, password: '' });
  const [tried, setTried] = useState(false);
  const checked = checkInput(credentialsSchema, credentials);
  const errorOf = (field: 'email' | 'password') =>
    tried && !checked.ok ? checked.faults.find(({ path }) => path === field)?.sentence : undefined;
  const inputOf = (field: 'email' | 'password') => ({
    value: credentials[field],
    error: errorOf(field),
    onChange: (event: ChangeEvent<HTMLInputElement>) =>
      setCredentials({ ...credentials, [field]: event.currentTarget.value }),
  });
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (!checked.ok) return;
    const answer = await signIn(checked.value);
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
        <PasswordBox of="current" label="Password" {...inputOf('password')} />
        {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
        <Button type="submit" size="md" loading={isLoading}>
          Sign in
        </Button>
      </Stack>
    </form>
  );
}
