import { bodyName, obstacleKinds } from '@katharos/words';
import type { Cabinet, Obstacle } from '@katharos/core';
import { useJob } from '../../open/useJob.ts';
import { useReader } from '../../../ui/useReader.ts';
import { RowsTable } from '../../../ui/RowsTable.tsx';
import { LengthInput } from './LengthInput.tsx';
import { Button, Group, Text, Title } from '@mantine/core';

const columns = [
  ['x', 'from the left'],
  ['y', 'from the floor'],
  ['z', 'from the back'],
  ['width', 'wide'],
  ['height', 'high'],
  ['depth', 'deep'],
] as const;

/** What is in the way, measured: the usual until somebody says what is really there. */
export function ObstacleTable({
  obstacles,
  cabinet,
}: {
  obstacles: readonly Obstacle[];
  cabinet: Cabinet;
}) {
  const { document, edit } = useJob();
  const reader = useReader();
  const set = (next: Obstacle[]) => edit(({ plumb }) => ({ plumb: { ...plumb, obstacles: next } }));
  const add = (kind: string) => {
    const taken = obstacles.filter(({ id }) => id.startsWith(kind)).length;
    const id = taken === 0 ? kind : `${kind}-${taken + 1}`;
    const size = Math.min(0.25, cabinet.width / 3);
    set([
      ...obstacles,
      { id, x: cabinet.width - size, y: 0, z: 0, width: size, height: 0.3, depth: 0.2 },
    ]);
  };
  return (
    <section aria-label="In the way">
      <Title order={4} size="h5" mt="md">
        In the way
      </Title>
      <Text size="sm" c="dimmed">
        {document.plumb.obstacles
          ? 'As measured.'
          : 'As it usually is; measure what is really there.'}{' '}
        Tubes are reckoned to the trap and from the stop valve, if one is entered.
      </Text>
      <RowsTable
        label="What is in the way"
        minWidth={700}
        tight
        columns={['What', ...columns.map(([, label]) => label), '']}
      >
        {obstacles.map((obstacle, i) => (
          <tr key={obstacle.id}>
            <td>{bodyName(obstacle.id)}</td>
            {columns.map(([key, label]) => (
              <td key={key}>
                <LengthInput
                  aria-label={`${bodyName(obstacle.id)} ${label}`}
                  keptAs={`${obstacle.id}-${key}`}
                  size="sm"
                  w={96}
                  minM={0}
                  maxM={4}
                  valueM={obstacle[key]}
                  onChangeM={(metres) =>
                    set(obstacles.map((one, k) => (k === i ? { ...one, [key]: metres } : one)))
                  }
                />
              </td>
            ))}
            <td>
              <Button
                variant="subtle"
                aria-label={`Take out: ${bodyName(obstacle.id)}`}
                onClick={() => set(obstacles.filter((_, k) => k !== i))}
              >
                Take out
              </Button>
            </td>
          </tr>
        ))}
      </RowsTable>
      <Group mt="xs">
        {obstacleKinds.map((kind) => (
          <Button key={kind} variant="default" onClick={() => add(kind)}>
            Add: {reader.within(bodyName(kind))}
          </Button>
        ))}
      </Group>
    </section>
  );
}
