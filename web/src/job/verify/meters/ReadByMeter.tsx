import {
  channelKinds,
  channelOf,
  type MeterChannel,
  type Quantity,
  type ReadingCode,
  steadyValue,
  unitOf,
} from '@katharos/core';
import type { QuantityField } from '@katharos/job';
import { beyondWords, fieldWords, unitFor } from '@katharos/words';
import { Button, Group, Text } from '@mantine/core';
import { memo, useState } from 'react';
import { type ConnectedMeter, hub, useMeters } from '../../../meters/hub.ts';
import type { Meter } from '../../../meters/meter.ts';
import { useReader } from '../../../ui/useReader.ts';
import styles from './Meters.module.css';

interface Props {
  code: ReadingCode;
  field: QuantityField;
  onTaken: (quantity: Quantity, meter: Meter) => void;
}

/** Takes a reading from a meter that is connected: where it is held, what it shows, and the figure once it stands still. */
export function ReadByMeter({ code, field, onTaken }: Props) {
  const meters = useMeters();
  const channel = channelOf(code);
  if (!channel) return null;
  const able = meters.filter(
    ({ meter, state }) => state === 'live' && channelKinds[channel].meter === meter.kind,
  );
  return able.map((one) =>
    one.code === code ? (
      <FromMeter key={one.meter.id} one={one} code={code} field={field} onTaken={onTaken} />
    ) : (
      <HoldMeter key={one.meter.id} meter={one.meter} code={code} field={field} />
    ),
  );
}

/** A way to hold a meter to this reading; as it shows something every moment, only what shows it is drawn again. */
const HoldMeter = memo(function HoldMeter({
  meter,
  code,
  field,
}: Pick<Props, 'code' | 'field'> & { meter: Meter }) {
  const reader = useReader();
  return (
    <Button
      variant="subtle"
      size="sm"
      mih={44}
      px={4}
      aria-label={`Read ${reader.within(fieldWords[field.name].label)} with ${meter.name}`}
      onClick={() => hub.holdTo(meter.id, code)}
    >
      Read with {meter.name}
    </Button>
  );
});

const FromMeter = memo(function FromMeter({
  one,
  code,
  field,
  onTaken,
}: Props & { one: ConnectedMeter }) {
  const reader = useReader();
  const [heldValue, setHeldValue] = useState<number | null>(null);
  const channel = channelOf(code)!;
  const { meter } = one;
  const { label } = fieldWords[field.name];
  const samples = one.samples[channel] ?? [];
  const last = samples.at(-1);
  const steady = heldValue ?? steadyValue(channel, samples);
  const taken =
    steady === null ? null : inUnit(channel, field, unitFor(field, reader.units), steady);
  const state =
    heldValue !== null
      ? 'Held'
      : one.garbled
        ? 'It sends what cannot be read. Switch it off and on.'
        : !last
          ? 'Waiting for it'
          : last.beyond
            ? beyondWords[channel][last.beyond]
            : steady === null
              ? 'Settling'
              : 'Steady';
  return (
    <div className={styles.live} role="group" aria-label={`${meter.name} for ${label}`}>
      <Text className={styles.figure} aria-live="off">
        {heldValue !== null
          ? reader.say(field.dimension, heldValue)
          : last && !last.beyond
            ? reader.say(field.dimension, last.value)
            : '…'}
      </Text>
      <Text size="sm" role="status">
        {state}
      </Text>
      <Group gap="xs">
        <Button
          mih={44}
          disabled={taken === null}
          // What is pressed is entered, though the meter stirs again under the finger.
          onPointerDown={() => setHeldValue(steady)}
          onClick={() => {
            onTaken(taken!, meter);
            hub.holdTo(meter.id, null);
          }}
        >
          {taken ? `Enter ${reader.entered(field.dimension, taken)}` : 'Enter'}
        </Button>
        <Button
          variant="default"
          mih={44}
          disabled={steady === null}
          onClick={() => setHeldValue(heldValue === null ? steady : null)}
        >
          {heldValue === null ? 'Hold' : 'Let go'}
        </Button>
      </Group>
    </div>
  );
});

/** Digits that no meter has more of. */
const digits = 4;

/** A figure of a meter in the reader's unit, to its last digit. */
function inUnit(channel: MeterChannel, { dimension }: QuantityField, unit: string, value: number) {
  const { step } = channelKinds[channel];
  const shown = unitOf(dimension, unit).fromCore(Math.round(value / step) * step);
  return { value: Number(shown.toPrecision(digits)), unit };
}
