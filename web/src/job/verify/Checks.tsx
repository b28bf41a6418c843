import type { JobDocument } from '@katharos/job';
import { Segments } from '../../ui/Segments.tsx';
import { useDocument, useEdit } from '../open/useJob.ts';
import { PractisedLook } from './meters/ByHand.tsx';
import { SimpleGrid, Text } from '@mantine/core';

/** What is tested by hand and eye. */
export function Checks({ verify }: { verify: JobDocument['verify'] }) {
  const { edit } = useEdit();
  const set = (change: Partial<JobDocument['verify']>) =>
    edit((current) => ({ verify: { ...current.verify, ...change } }));
  return (
    <section className="panel" aria-label="Tests">
      <SimpleGrid cols={{ base: 1, sm: 2 }}>
        <ShutoffTest />
        <div>
          <Text fw={560}>Leak check</Text>
          <Text size="sm" c="dimmed" mb={4}>
            A dry tissue round every joint, with the tank full.
          </Text>
          <Segments
            wide
            label="Leak check"
            value={verify.leakCheck}
            onChange={(value) => set({ leakCheck: value })}
            options={[
              { value: 'not-done', label: 'Not done' },
              { value: 'dry', label: 'Dry' },
              { value: 'leak', label: 'Leak' },
            ]}
          />
        </div>
      </SimpleGrid>
    </section>
  );
}

/** Whether the drain stands still when it should. */
export function ShutoffTest() {
  const { edit } = useEdit();
  const { shutoffTest } = useDocument().verify;
  const set = (
    test: JobDocument['verify']['shutoffTest'],
    from: { shutoffSimulated?: true } = {},
  ) =>
    edit(({ verify: { shutoffSimulated: _old, ...verify } }) => ({
      verify: { ...verify, shutoffTest: test, ...from },
    }));
  return (
    <div>
      <Text fw={560}>Shut-off test</Text>
      <Text size="sm" c="dimmed" mb={4}>
        Tank full or its valve closed: the drain stops within minutes; tap open: it starts again.
      </Text>
      <Segments
        wide
        label="Shut-off test"
        value={shutoffTest}
        onChange={(value) => set(value)}
        options={[
          { value: 'not-done', label: 'Not done' },
          { value: 'passed', label: 'Stops' },
          { value: 'failed', label: 'Runs on' },
        ]}
      />
      <PractisedLook
        code="drainStopsWhenFull"
        onSeen={(stops) => set(stops ? 'passed' : 'failed', { shutoffSimulated: true })}
      />
    </div>
  );
}
