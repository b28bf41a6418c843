import { useReader } from '../../../ui/useReader.ts';
import type { VanCheck } from '@katharos/core';
import { usePutBackIntoVanMutation, useTakeFromVanMutation } from '../../../data/jobApi.ts';
import { troubleOf } from '../../../data/api.ts';
import { useJobId } from '../../open/useJob.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { Button, Group, Text } from '@mantine/core';
import { notify } from '../../../ui/notices.tsx';
import { Link } from 'react-router';

const said = (answer: { error?: unknown }): void => {
  if (answer.error) notify({ message: troubleOf(answer.error).message, color: 'red' });
};

/** Whether the van holds it all, what has to be bought, and taking it out of the van's stock. */
export function VanNotice({ check: { lines, short, taking } }: { check: VanCheck }) {
  const jobId = useJobId();
  const reader = useReader();
  const [take, { isLoading: isTaking }] = useTakeFromVanMutation();
  const [putBack, { isLoading: isPuttingBack }] = usePutBackIntoVanMutation();
  const wanted = lines.map(({ id, quantity }) => ({ partId: id, quantity }));
  const shopping = short.map(({ name, missing, unit }) =>
    unit === 'm' ? `${missing} m of ${name}` : `${missing} × ${name}`,
  );
  return (
    <Tone
      kind={short.length === 0 ? 'good' : 'warn'}
      head={
        short.length === 0
          ? 'The van holds all of it'
          : `To buy: ${short.length} of ${lines.length} lines`
      }
      role="status"
    >
      {shopping.length > 0 && <Text size="sm">{shopping.join('; ')}.</Text>}
      <Group mt="xs" className="no-print">
        {taking ? (
          <>
            <Text size="sm">
              Taken out of the van by {taking.takenBy}, {reader.when(taking.takenAt, 'date')}.
            </Text>
            <Button
              variant="default"
              loading={isPuttingBack}
              onClick={() => void putBack(jobId).then(said)}
            >
              Put it back
            </Button>
          </>
        ) : (
          <Button
            variant="default"
            loading={isTaking}
            disabled={lines.every(({ held }) => held === 0)}
            onClick={() => void take({ jobId: jobId, lines: wanted }).then(said)}
          >
            Take it out of the van
          </Button>
        )}
        <Text component={Link} to="/van" size="sm" td="underline" c="var(--mantine-color-anchor)">
          What the van holds
        </Text>
      </Group>
    </Tone>
  );
}
