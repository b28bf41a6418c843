import { type Quantity, readingKind, toCore, unitOf } from '@katharos/core';
import { type QuantityField, readingOfKey, type VerifyKey } from '@katharos/job';
import { fieldWords, unitFor } from '@katharos/words';
import { Button, Group, Stack, Text } from '@mantine/core';
import { useId, useState } from 'react';
import { forgetLocal, readLocal, writeLocal } from '../../data/localStore.ts';
import { useNow } from '../../timers/useNow.ts';
import { TypedInput } from '../../ui/typed/TypedInput.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useJobId } from '../open/useJob.ts';

interface Props {
  name: VerifyKey;
  field: QuantityField;
  onTaken: (flow: Quantity) => void;
}

/** A watch goes by this device alone: the server's time may be set right while it runs. */
const ownClock = () => Date.now();

/** A watch that runs, as it is kept over a reload. */
interface Running {
  startedAt: number;
  volume: Quantity;
}

const jug = { dimension: 'volume', range: { min: 0.02, max: 20 } } as const;
/** Digits that a jug and a watch are good for. */
const digits = 3;

/** A flow by jug and watch: the volume, start, stop. A watch that runs goes on over a reload. */
export function JugWatch({ name, field, onTaken }: Props) {
  const reader = useReader();
  const key = `watch:${useJobId()}:${name}`;
  const [running] = useState(() => readLocal(key) as Running | undefined);
  const [open, setOpen] = useState(running !== undefined);
  const [startedAt, setStartedAt] = useState(running?.startedAt ?? null);
  const [stoppedS, setStoppedS] = useState<number | null>(null);
  const [volume, setVolume] = useState<Quantity>(
    running?.volume ?? { value: readingKind(readingOfKey[name]).jugL ?? 1, unit: 'L' },
  );
  const now = useNow(startedAt !== null, 200, ownClock);
  const id = useId();
  const seconds = startedAt === null ? stoppedS : Math.max(0, (now - startedAt) / 1000);
  const unit = unitFor(field, reader.units);
  const flow =
    stoppedS === null || stoppedS <= 0
      ? null
      : flowOf(field, unit, toCore('volume', volume), stoppedS);
  const keep = (at: number, of: Quantity) =>
    writeLocal(key, { startedAt: at, volume: of } satisfies Running);
  const start = () => {
    const at = ownClock();
    keep(at, volume);
    setStartedAt(at);
    setStoppedS(null);
  };
  const stop = () => {
    forgetLocal(key);
    setStoppedS((ownClock() - startedAt!) / 1000);
    setStartedAt(null);
  };
  return (
    <div>
      <Button
        variant="subtle"
        size="sm"
        mih={44}
        px={4}
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
      >
        Jug and watch
      </Button>
      {open && (
        <Stack
          gap="xs"
          id={id}
          role="group"
          aria-label={`Jug and watch for ${fieldWords[field.name].label}`}
        >
          <TypedInput
            label="In the jug"
            measure={{ ...jug, outside: 'Check the jug and its unit.' }}
            shown={reader.entered('volume', volume)}
            wanted="A flow needs the jug’s volume."
            onEntry={(next) => {
              if (!next) return;
              setVolume(next);
              if (startedAt !== null) keep(startedAt, next);
            }}
          />
          <Group>
            <Button mih={64} miw={120} onClick={startedAt === null ? start : stop}>
              {startedAt === null ? 'Start' : 'Stop'}
            </Button>
            <Text role="timer" fw={650} size="xl">
              {seconds === null ? '' : `${reader.number(seconds, 1)} s`}
            </Text>
          </Group>
          {flow && (
            <Button
              variant="default"
              mih={44}
              onClick={() => {
                onTaken(flow);
                setOpen(false);
                setStoppedS(null);
              }}
            >
              Enter {reader.entered(field.dimension, flow)}
            </Button>
          )}
        </Stack>
      )}
    </div>
  );
}

/** What filled a jug in a time, in the reader's unit; both of the core's flows are by their own time. */
function flowOf(field: QuantityField, unit: string, litres: number, seconds: number): Quantity {
  const perCore = field.dimension === 'tapFlow' ? 60 : 3600;
  const value = unitOf(field.dimension, unit).fromCore((litres / seconds) * perCore);
  return { value: Number(value.toPrecision(digits)), unit };
}
