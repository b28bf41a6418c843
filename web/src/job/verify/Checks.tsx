import { certifyRequestOf, type JobDocument, leakLooks, type LeakLooked } from '@katharos/job';
import { leakLookNames } from '@katharos/words';
import { Segments } from '../../ui/Segments.tsx';
import { useDocument, useEdit } from '../open/useJob.ts';
import { PractisedLook } from './meters/ByHand.tsx';
import { SimpleGrid, Stack, Text } from '@mantine/core';

/** What is tested by hand and eye: only what this system has. */
export function Checks() {
  const document = useDocument();
  const { system } = document;
  if (!system) return null;
  const { train, checks } = certifyRequestOf({ ...document, system }, null);
  const looks = leakLooks.filter((look) => look !== 'tankFull' || train.tank);
  return (
    <section className="panel" aria-label="Tests">
      <SimpleGrid cols={{ base: 1, sm: 2 }}>
        {(train.membrane || train.pump) && <ShutoffTest />}
        <div>
          <Text fw={560}>Leak checks</Text>
          <Text size="sm" c="dimmed" mb={4}>
            A dry tissue round every joint, each time.
          </Text>
          <Stack gap="xs">
            {looks.map((look) => (
              <LeakCheck key={look} look={look} found={checks.leaks[look]} />
            ))}
          </Stack>
        </div>
      </SimpleGrid>
    </section>
  );
}

/** One look for leaks. What the flush saw stands until somebody says otherwise here. */
function LeakCheck({ look, found }: { look: LeakLooked; found: 'dry' | 'leak' | 'not-done' }) {
  const { edit } = useEdit();
  const set = (value: typeof found) =>
    edit(({ verify }) => {
      const { [look]: _old, ...rest } = verify.leaks ?? {};
      const leaks = value === 'not-done' ? rest : { ...rest, [look]: value };
      // The one look of old would otherwise still answer for this one.
      return { verify: { ...verify, leaks, leakCheck: 'not-done' } };
    });
  return (
    <div>
      <Text size="sm">{leakLookNames[look]}</Text>
      <Segments
        wide
        label={`Leak check: ${leakLookNames[look]}`}
        value={found}
        onChange={set}
        options={[
          { value: 'not-done', label: 'Not done' },
          { value: 'dry', label: 'Dry' },
          { value: 'leak', label: 'Leak' },
        ]}
      />
    </div>
  );
}

/** Whether the drain stands still when it should. */
export function ShutoffTest() {
  const { edit } = useEdit();
  const { verify, system } = useDocument();
  const { shutoffTest } = verify;
  const hasTank = Boolean(system && 'tank' in system.design && system.design.tank);
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
        {hasTank
          ? 'Tank full or its valve closed: the drain stops within minutes. Tap open: it starts again.'
          : 'Tap closed: nothing runs to the drain after some minutes. Tap open: it starts again.'}
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
