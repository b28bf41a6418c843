import { useReader } from '../../../ui/useReader.ts';
import type { VanCheck } from '@katharos/core';
import { doToJob } from '../../../data/openJob.ts';
import { useAppDispatch } from '../../../data/store.ts';
import { useJobDeeds } from '../../open/useJobDeeds.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { Button, Group, Text } from '@mantine/core';
import { Link } from 'react-router';

/** Whether the van holds it all, what has to be bought, and taking it out of the van's stock. */
export function VanNotice({ check: { lines, short, taking } }: { check: VanCheck }) {
  const reader = useReader();
  const dispatch = useAppDispatch();
  const waiting = useJobDeeds().findLast(
    ({ kind }) => kind === 'take' || kind === 'put-back',
  )?.kind;
  const wanted = lines.map(({ id, quantity }) => ({ partId: id, quantity }));
  const take = { kind: 'take', lines: wanted } as const;
  const putBack = { kind: 'put-back' } as const;
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
        {waiting ? (
          <Text size="sm">
            {waiting === 'take'
              ? 'It is taken out of the van’s stock as soon as the server answers.'
              : 'It is put back into the van’s stock as soon as the server answers.'}
          </Text>
        ) : taking ? (
          <>
            <Text size="sm">
              Taken out of the van by {taking.takenBy}, {reader.when(taking.takenAt, 'date')}.
            </Text>
            <Button
              variant="default"
              onClick={() => void dispatch(doToJob(putBack, { undo: take, redo: putBack }))}
            >
              Put it back
            </Button>
          </>
        ) : (
          <Button
            variant="default"
            disabled={lines.every(({ held }) => held === 0)}
            onClick={() => void dispatch(doToJob(take, { undo: putBack, redo: take }))}
          >
            Take it out of the van
          </Button>
        )}
        <Text component={Link} to="/stock" size="sm" td="underline" c="var(--mantine-color-anchor)">
          What the van holds
        </Text>
      </Group>
    </Tone>
  );
}
