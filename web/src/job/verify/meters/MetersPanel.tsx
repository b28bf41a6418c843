import { channelsOf, type MeterKind, meterKinds } from '@katharos/core';
import { channelDimensions, meterWords } from '@katharos/words';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { memo, useState } from 'react';
import { type ConnectedMeter, hub, useMeters } from '../../../meters/hub.ts';
import { late } from '../../../ui/late.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { useJobId } from '../../open/useJob.ts';
import { setPractice, usePractice } from './practice.ts';

const ConnectDialog = late(async () => (await import('./ConnectDialog.tsx')).ConnectDialog);

/** A way to connect a meter. */
export function ConnectMeter() {
  const [connecting, setConnecting] = useState(false);
  return (
    <>
      <Button variant="default" mih={44} onClick={() => setConnecting(true)}>
        Connect a meter
      </Button>
      {connecting && <ConnectDialog onClose={() => setConnecting(false)} />}
    </>
  );
}

/** Meters that show their figures here by themselves, and the simulated ones to practise with; nothing where there are none. */
export function MetersPanel() {
  const meters = useMeters();
  const jobId = useJobId();
  const practice = usePractice(jobId);
  const ofKind = (kind: MeterKind) => meters.filter(({ meter }) => meter.kind === kind);
  if (meters.length === 0 && !practice) return null;
  return (
    <section className="panel" aria-label="Meters">
      <Title order={3} size="h4">
        Meters
      </Title>
      <Stack gap={4} mt="xs">
        {meterKinds.flatMap(ofKind).map((one) => (
          <MeterRow key={one.meter.id} one={one} />
        ))}
      </Stack>
      {practice && (
        <Group mt="xs">
          <Text size="sm">
            Practice: the stand-ins read a simulated copy of this system. What is taken from it is
            marked, and vouches for nothing.
          </Text>
          <Button
            variant="default"
            mih={44}
            onClick={() => {
              for (const { meter } of meters) if (meter.isStandIn) void hub.leave(meter.id);
              setPractice(jobId, null);
            }}
          >
            End the practice
          </Button>
        </Group>
      )}
    </section>
  );
}

const MeterRow = memo(function MeterRow({
  one: { meter, state, battery, samples, garbled },
}: {
  one: ConnectedMeter;
}) {
  const reader = useReader();
  const shown = channelsOf(meter.kind).flatMap((channel) => {
    const last = samples[channel]?.at(-1);
    return last && !last.beyond ? [reader.say(channelDimensions[channel], last.value)] : [];
  });
  const says =
    state === 'connecting'
      ? 'Connecting'
      : state === 'lost'
        ? 'Lost: out of reach, switched off or empty'
        : garbled
          ? 'Sends what cannot be read'
          : shown.length > 0
            ? shown.join(' · ')
            : 'Shows nothing';
  return (
    <Group justify="space-between" role="group" aria-label={meter.name}>
      <Text>
        <strong>{meter.name}</strong>
        <Text span c="dimmed">
          {' '}
          {meterWords[meter.kind]}
        </Text>
      </Text>
      <Group gap="sm">
        <Text style={{ fontVariantNumeric: 'tabular-nums' }}>{says}</Text>
        {battery !== null && state === 'live' && (
          <Text size="sm" c="dimmed">
            Battery {reader.percent(battery, 0)}
          </Text>
        )}
        <Button
          variant="subtle"
          mih={44}
          aria-label={`Disconnect ${meter.name}`}
          onClick={() => void hub.leave(meter.id)}
        >
          {state === 'lost' ? 'Remove' : 'Disconnect'}
        </Button>
      </Group>
    </Group>
  );
});
