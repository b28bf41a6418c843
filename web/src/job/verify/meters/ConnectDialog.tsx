import {
  type FaultCode,
  faultCodes,
  faultKind,
  type MeterKind,
  meterKinds,
  type Practice,
} from '@katharos/core';
import { headOfCause, meterWords } from '@katharos/words';
import { Button, Group, NativeSelect, Stack, Text, Title } from '@mantine/core';
import { useState } from 'react';
import { Dialog } from '../../../ui/Dialog.tsx';
import { BluetoothTransport, hasBluetooth } from '../../../meters/bluetooth.ts';
import { hub } from '../../../meters/hub.ts';
import { LineMeter } from '../../../meters/lineMeter.ts';
import type { Meter } from '../../../meters/meter.ts';
import { hasSerial, SerialTransport } from '../../../meters/serial.ts';
import { StandIn } from '../../../meters/standIn.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { useJobId } from '../../open/useJob.ts';
import { setPractice, truthsHeld, usePractice } from './practice.ts';

const newSeed = () => Math.floor(Math.random() * 2 ** 31);

/** What somebody who practises can choose to be wrong. */
const choices: { value: Practice['fault']; label: string }[] = [
  { value: 'unknown', label: 'Something, or nothing: I find out' },
  { value: 'healthy', label: 'Nothing' },
  ...faultCodes
    // What is weighed only where the visit gives a reason to is nothing to look for with one meter.
    .filter((code) => code !== 'healthy' && !faultKind(code).onlyAsked)
    .map((code) => ({ value: code, label: headOfCause(code) })),
];

/** Connects a meter by radio, by cable, or a stand-in to practise with. */
export function ConnectDialog({ onClose }: { onClose: () => void }) {
  const jobId = useJobId();
  const practice = usePractice(jobId);
  const [fault, setFault] = useState<Practice['fault']>(practice?.fault ?? 'unknown');
  const [trouble, setTrouble] = useState<string | null>(null);
  const join = async (make: () => Meter) => {
    setTrouble(null);
    try {
      await hub.join(make());
      onClose();
    } catch (error) {
      // Whoever closed the browser's own list chose nothing; that is no trouble.
      if (error instanceof DOMException && error.name === 'NotFoundError') return;
      setTrouble(error instanceof Error ? error.message : 'It did not answer.');
    }
  };
  const standIn = (kind: MeterKind) => {
    if (practice?.fault !== fault) setPractice(jobId, { seed: newSeed(), fault });
    void join(() => new StandIn(kind, newSeed(), truthsHeld));
  };
  const isReal = hasBluetooth() || hasSerial();
  return (
    <Dialog size="lg" onClose={onClose} title="Connect a meter">
      <Stack>
        {trouble && (
          <Tone kind="bad" head="It could not be connected" role="alert">
            {trouble} Is it switched on, and not held by another program?
          </Tone>
        )}
        {isReal ? (
          meterKinds.map((kind) => (
            <Group key={kind} justify="space-between">
              <Text fw={560}>{meterWords[kind]}</Text>
              <Group gap="xs">
                {hasBluetooth() && (
                  <Button
                    variant="default"
                    mih={44}
                    onClick={() => void join(() => new LineMeter(kind, new BluetoothTransport()))}
                  >
                    By radio
                  </Button>
                )}
                {hasSerial() && (
                  <Button
                    variant="default"
                    mih={44}
                    onClick={() => void join(() => new LineMeter(kind, new SerialTransport()))}
                  >
                    By cable
                  </Button>
                )}
              </Group>
            </Group>
          ))
        ) : (
          <Text>This browser speaks to no meters by radio or cable. Type what yours shows.</Text>
        )}
        <Title order={3} size="h5">
          To practise
        </Title>
        <Text size="sm" c="dimmed">
          Stand-ins read a simulated copy of this job’s system, with an error, a lag and a battery
          of their own. Whatever is taken from them is marked as practice, on the certificate too.
        </Text>
        <NativeSelect
          label="What is wrong with the simulated system"
          size="md"
          data={choices}
          value={fault}
          onChange={({ currentTarget: { value } }) => setFault(value as FaultCode | 'unknown')}
        />
        <Group>
          {meterKinds.map((kind) => (
            <Button key={kind} variant="default" mih={44} onClick={() => standIn(kind)}>
              Stand-in: {meterWords[kind]}
            </Button>
          ))}
        </Group>
      </Stack>
    </Dialog>
  );
}
