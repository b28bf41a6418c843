import { mendPlan, type Suspect, type SystemDesign } from '@katharos/core';
import type { JobDocument } from '@katharos/job';
import {
  causeOfFaults,
  mendOfFaults,
  sayProbability,
  serviceWords,
  standsOut,
} from '@katharos/words';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { v4 as newId } from 'uuid';
import { StepTick } from '../../ui/StepTick.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useDocument, useEdit } from '../open/useJob.ts';

type Verify = JobDocument['verify'];
type Stamp = { at: string; by: string };

/** What mends what stands first, and to begin with it. */
export function MendOffer({ suspect: { faults, probability } }: { suspect: Suspect }) {
  const { verify } = useDocument();
  const { edit, stamp } = useEdit();
  if (verify.mending?.faults.join() === faults.join()) return null;
  const begin = () =>
    edit((current) => ({
      verify: {
        ...current.verify,
        mending: { faults: [...faults], probability, done: {}, ...stamp() },
      },
    }));
  return (
    <div>
      <Text fw={650}>
        {probability >= standsOut ? 'What mends it' : 'What mends it, if it is that'}
      </Text>
      <Text mb="xs">{mendOfFaults(faults)}</Text>
      <Button variant="default" mih={44} onClick={begin}>
        Mend it step by step
      </Button>
    </div>
  );
}

/** A mend under way: its steps out of the sequence, and at the end this verification is put down and another begins. */
export function Mending({ design }: { design: SystemDesign }) {
  const { verify } = useDocument();
  const { edit, stamp } = useEdit();
  const reader = useReader();
  const { mending } = verify;
  if (!mending) return null;
  const steps = mendPlan(design, mending.faults).filter(({ code }) => code !== 'verify');
  const open = steps.filter(({ id }) => !mending.done[id]);
  const tick = (id: string, isDone: boolean) =>
    edit((current) => {
      const now = current.verify.mending;
      if (!now) return {};
      const { [id]: _old, ...rest } = now.done;
      const done = isDone ? { ...rest, [id]: stamp() } : rest;
      return { verify: { ...current.verify, mending: { ...now, done } } };
    });
  const leave = () => edit(({ verify: { mending: _old, ...rest } }) => ({ verify: rest }));
  return (
    <section className="panel" aria-label="Mending">
      <Stack gap="sm">
        <Title order={3} size="h4">
          Mending
        </Title>
        <Text>
          {causeOfFaults(mending.faults, reader)} That was{' '}
          {sayProbability(mending.probability, reader)} likely.
        </Text>
        <ol style={{ listStyle: 'none', padding: 0, margin: 0 }}>
          {steps.map((step, i) => {
            const words = serviceWords(step, reader);
            return (
              <li key={step.id} style={{ padding: '8px 0' }}>
                <StepTick
                  number={i + 1}
                  words={words}
                  checked={Boolean(mending.done[step.id])}
                  onChange={(checked) => tick(step.id, checked)}
                />
              </li>
            );
          })}
        </ol>
        <Group>
          <Button mih={44} disabled={open.length > 0} onClick={() => edit(anew(stamp()))}>
            It is mended: verify anew
          </Button>
          <Button variant="default" mih={44} onClick={leave}>
            It was something else
          </Button>
        </Group>
        {open.length > 0 && (
          <Text size="sm" c="dimmed">
            Still to do: {reader.number(open.length, 0)}.
          </Text>
        )}
      </Stack>
    </section>
  );
}

/** Puts this verification down beside what was mended, and begins another. */
const anew =
  ({ at, by }: Stamp) =>
  ({ verify }: JobDocument): { verify: Verify } => {
    const {
      readings,
      looks,
      shutoffSimulated,
      mending,
      accepted: _word,
      complaints,
      noted,
      leaks: _looked,
      earlier = {},
      ...rest
    } = verify;
    const [cause, also] = mending?.faults ?? [];
    const past = {
      readings,
      ...(looks && Object.keys(looks).length > 0 ? { looks } : {}),
      ...(shutoffSimulated ? { shutoffSimulated } : {}),
      ...(complaints ? { complaints } : {}),
      ...(noted ? { noted } : {}),
      ...(cause ? { cause } : {}),
      ...(also ? { also } : {}),
      ...(mending ? { probability: mending.probability } : {}),
      mended: mendOfFaults(mending?.faults ?? []).slice(0, 500),
      at,
      by,
    };
    return {
      verify: {
        ...rest,
        readings: {},
        shutoffTest: 'not-done',
        // What was opened is to be seen dry once more.
        leakCheck: 'not-done',
        earlier: { ...earlier, [newId()]: past },
      },
    };
  };
