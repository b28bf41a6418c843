import { Button, Group, Skeleton, Stack, Text, TextInput, Title } from '@mantine/core';
import QRCode from 'qrcode';
import { type FormEvent, useEffect, useState } from 'react';
import { troubleOf } from '../data/api.ts';
import { PasswordBox } from '../ui/PasswordBox.tsx';
import { Tone } from '../ui/Tone.tsx';
import {
  useBeginFactorMutation,
  useEndFactorMutation,
  useFactorQuery,
  useProveFactorMutation,
} from './peopleApi.ts';

/** A code of the telephone beside the password: setting it up, the words for the day on which it is gone, and its end. */
export function SecondFactor() {
  const { data, refetch } = useFactorQuery();
  const [words, setWords] = useState<readonly string[] | null>(null);
  return (
    <section className="panel" aria-label="Second factor">
      <Title order={2} size="h4" mb="xs">
        Second factor
      </Title>
      <Text size="sm" c="dimmed" mb="sm" maw={560}>
        A code of your telephone beside the password: who has the one alone does not get in. Any
        program for codes by time will do; it needs no line.
      </Text>
      {words && (
        <Words
          words={words}
          onDone={() => {
            setWords(null);
            void refetch();
          }}
        />
      )}
      {!data && <Skeleton height={60} />}
      {data &&
        !words &&
        (data.on ? (
          <End left={data.words} onDone={() => void refetch()} />
        ) : (
          <SetUp
            onDone={(told) => {
              setWords(told);
              void refetch();
            }}
          />
        ))}
    </section>
  );
}

function SetUp({ onDone }: { onDone: (words: readonly string[]) => void }) {
  const [begin, beginning] = useBeginFactorMutation();
  const [prove, proving] = useProveFactorMutation();
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const begun = beginning.data;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!begun) {
      await begin(password);
      return;
    }
    const answer = await prove(code);
    if (answer.data) onDone(answer.data.words);
  };
  const error = begun ? proving.error : beginning.error;
  return (
    <form onSubmit={(event) => void submit(event)} noValidate>
      <Stack maw={420}>
        {!begun && (
          <PasswordBox
            of="current"
            label="Your password"
            value={password}
            onChange={({ currentTarget: { value } }) => setPassword(value)}
          />
        )}
        {begun && (
          <>
            <Text size="sm">Take this up with the program on your telephone:</Text>
            <Code address={begun.address} />
            <Text size="sm" style={{ overflowWrap: 'anywhere' }}>
              Or type it in: <strong>{begun.secret.replace(/(.{4})(?=.)/g, '$1 ')}</strong>
            </Text>
            <TextInput
              label="The code that it shows"
              size="md"
              inputMode="numeric"
              autoComplete="one-time-code"
              value={code}
              onChange={({ currentTarget: { value } }) => setCode(value)}
            />
          </>
        )}
        {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
        <Button
          type="submit"
          variant="default"
          size="md"
          loading={beginning.isLoading || proving.isLoading}
        >
          {begun ? 'It is set up' : 'Set it up'}
        </Button>
      </Stack>
    </form>
  );
}

function Code({ address }: { address: string }) {
  const [picture, setPicture] = useState<string>();
  useEffect(() => {
    void QRCode.toDataURL(address, { margin: 2, width: 220 }).then(setPicture);
  }, [address]);
  return picture ? (
    <img src={picture} alt="Code to take up with the telephone" width={220} height={220} />
  ) : (
    <Skeleton height={220} width={220} />
  );
}

function Words({ words, onDone }: { words: readonly string[]; onDone: () => void }) {
  return (
    <Tone
      kind="good"
      head="It is set up. Keep these words where the telephone is not"
      role="status"
    >
      <Text size="sm">
        Each stands in for a code once, on the day on which the telephone is gone. They are shown
        this once.
      </Text>
      <ul style={{ columns: 2, fontVariantNumeric: 'tabular-nums' }}>
        {words.map((word) => (
          <li key={word}>{word}</li>
        ))}
      </ul>
      <Group gap="xs">
        <Button variant="default" mih={44} onClick={() => window.print()}>
          Print
        </Button>
        <Button mih={44} onClick={onDone}>
          I have them
        </Button>
      </Group>
    </Tone>
  );
}

function End({ left, onDone }: { left: number; onDone: () => void }) {
  const [end, { isLoading, error }] = useEndFactorMutation();
  const [password, setPassword] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const answer = await end(password);
    if (!answer.error) onDone();
  };
  return (
    <form onSubmit={(event) => void submit(event)} noValidate>
      <Stack maw={420}>
        <Text>It is asked for whenever you sign in. {left} of your words are left.</Text>
        <PasswordBox
          of="current"
          label="Your password"
          value={password}
          onChange={({ currentTarget: { value } }) => setPassword(value)}
        />
        {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
        <Button type="submit" variant="default" size="md" loading={isLoading}>
          End it
        </Button>
      </Stack>
    </form>
  );
}
