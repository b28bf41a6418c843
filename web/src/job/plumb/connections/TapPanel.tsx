import type { Plumbing, InstalledSystem } from '@katharos/core';
import { tapHoleSentence, tapRemarkWords } from '@katharos/words';
import { useReader } from '../../../ui/useReader.ts';
import { Remarks } from './Remarks.tsx';
import { TapStack } from './TapStack.tsx';
import { Text, Title } from '@mantine/core';

/** The hole of the tap, what makes it, whether the spout reaches, and how the tap is stacked. */
export function TapPanel({
  plumbing: { tap, spout, drain },
  system,
}: {
  plumbing: Plumbing;
  system: InstalledSystem;
}) {
  const reader = useReader();
  if (system.tap.dispenser) {
    const { hotL, coldL } = system.tap.dispenser;
    return (
      <section className="panel" aria-label="Dispenser">
        <Title order={3} size="h4" mb="xs">
          Dispenser
        </Title>
        <Text>
          {system.tap.name} stands free: no hole in the counter. {reader.say('volume', coldL, 1)}{' '}
          cold, {reader.say('volume', hotL, 1)} hot.
        </Text>
        <Remarks
          lines={[
            'The heater stays off until its tank is full.',
            'Hot water scalds: a child lock is set before the installer leaves.',
            'Level, its back free for warm air.',
          ]}
        />
      </section>
    );
  }
  const short = spout && spout.reachM < spout.neededM;
  return (
    <section className="panel" aria-label="Tap">
      <Title order={3} size="h4" mb="xs">
        Tap
      </Title>
      <Text>{tapHoleSentence(tap, reader)}</Text>
      {spout ? (
        <Text mt="xs" className={short ? 'mark bad' : undefined}>
          {short
            ? `The spout reaches ${reader.say('length', spout.reachM)} and ${reader.say('length', spout.neededM)} are needed: it misses the bowl. Move the hole or take another tap.`
            : `The spout reaches ${reader.say('length', spout.reachM)}; ${reader.say('length', spout.neededM)} are needed.`}
        </Text>
      ) : (
        <Text mt="xs" c="dimmed">
          Whether the spout reaches the bowl is not known: measure “Tap’s hole to the bowl”.
        </Text>
      )}
      {system.tap.powered && (
        <Text mt="xs">
          Its cable passes the hole beside the hose: leave slack, no edge against it.
        </Text>
      )}
      <Remarks lines={tap.remarks.map((remark) => tapRemarkWords[remark])} />
      {tap.mount !== 'bracket' && <TapStack hoses={drain.way === 'air-gap-tap' ? 3 : 1} />}
    </section>
  );
}
