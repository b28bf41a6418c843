import { Button, Stack, Text, TextInput } from '@mantine/core';
import { type ChangeEvent, type FormEvent, useState } from 'react';
import { troubleOf, useAskResetMutation, useSignInMutation } from '../data/api.ts';
import { PasswordBox } from '../ui/PasswordBox.tsx';
import { Tone } from '../ui/Tone.tsx';
import { PasskeyDoor } from './PasskeyDoor.tsx';

interface SignInProps {
  /** The sample firm's sign-in, filled in where it is shown. */
  demo: { email: string; password: string } | null;
  /** Of whoever was signed in before. */
  email?: string;
  onDone: () => void;
}

/** E-mail and password. */
export function SignInForm({ demo, email = '', onDone }: SignInProps) {
  const [signIn, { isLoading, error, reset }] = useSignInMutation();
  const [credentials, setCredentials] = useState(demo ?? { email, password: '' });
  const [code, setCode] = useState('');
  const trouble = error ? troubleOf(error) : undefined;
  const isOfField = trouble?.path === 'email' || trouble?.path === 'password';
  // Once a code was asked for, it is asked for until somebody is in.
  const [needsCode, setNeedsCode] = useState(false);
  if (trouble?.path === 'code' && !needsCode) setNeedsCode(true);
  // The server alone judges what is typed here: nobody gets in without it.
  const inputOf = (field: 'email' | 'password') => ({
    value: credentials[field],
    error: trouble?.path === field && trouble.message,
    onChange: (event: ChangeEvent<HTMLInputElement>) => {
      if (trouble?.path === field) reset();
      setCredentials({ ...credentials, [field]: event.currentTarget.value });
    },
  });
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const answer = await signIn({
      ...credentials,
      ...(needsCode && code.trim() ? { code: code.trim() } : {}),
    });
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
        {needsCode && (
          <TextInput
            label="Code"
            description="Of your telephone, or one of your words."
            size="md"
            autoComplete="one-time-code"
            inputMode="text"
            autoFocus
            value={code}
            onChange={({ currentTarget: { value } }) => setCode(value)}
          />
        )}
        {trouble && !isOfField && (
          <Tone
            kind={trouble.code === 'second-factor-needed' ? 'warn' : 'bad'}
            head={trouble.message}
            role="alert"
          />
        )}
        <Button type="submit" size="md" loading={isLoading}>
          Sign in
        </Button>
        <PasskeyDoor onDone={onDone} />
        <Forgotten email={credentials.email} />
      </Stack>
    </form>
  );
}

/** A link by mail, for whoever forgot; it is not told whether there is such an account. */
function Forgotten({ email }: { email: string }) {
  const [ask, { isLoading, isSuccess, error }] = useAskResetMutation();
  const [isMissing, setMissing] = useState(false);
  const trouble = error ? troubleOf(error) : undefined;
  const fault =
    isMissing || trouble?.path === 'email' ? 'Enter your e-mail above first.' : trouble?.message;
  const send = () => {
    const none = email.trim() === '';
    setMissing(none);
    if (!none) void ask({ email });
  };
  if (isSuccess) {
    return (
      <Text size="sm" role="status">
        If somebody signs in with this address, a link for a new password is on its way. Without
        mail, the owner of the firm can make one under People.
      </Text>
    );
  }
  return (
    <div>
      <Button variant="subtle" size="md" px={0} loading={isLoading} onClick={send}>
        The password is forgotten
      </Button>
      {fault && (
        <Text size="sm" c="red" role="alert">
          {fault}
        </Text>
      )}
    </div>
  );
}
