import type { Plumbing, Cabinet } from '@katharos/core';
import { CabinetDrawing } from './CabinetDrawing.tsx';
import { LengthInput } from './LengthInput.tsx';
import { usePlaces } from './usePlaces.ts';
import { Group, SimpleGrid, Text } from '@mantine/core';

const sides = [
  ['width', 'Next cupboard, width'],
  ['height', 'Next cupboard, height'],
  ['depth', 'Next cupboard, depth'],
] as const;

/** The cupboard beside, where the tank stands, to scale. */
export function NextCupboard({
  next,
  cabinet,
}: {
  next: NonNullable<Plumbing['next']>;
  /** The cabinet beside, to whose scale it is drawn. */
  cabinet: Cabinet;
}) {
  const { setNextCupboard } = usePlaces();
  const { cupboard, tank, body } = next;
  return (
    <section aria-label="The next cupboard">
      <Group align="flex-end" my="sm">
        {sides.map(([side, label]) => (
          <LengthInput
            key={side}
            keptAs={`next-${side}`}
            label={label}
            w={170}
            valueM={cupboard[side]}
            minM={0.1}
            maxM={4}
            onChangeM={(metres) => setNextCupboard({ ...cupboard, [side]: metres })}
          />
        ))}
      </Group>
      {tank ? (
        <Text className="mark good">
          The tank stands in it{tank.lies ? ', on its side' : ''}; its tube passes a drilled panel.
        </Text>
      ) : (
        <Text className="mark bad" role="status">
          The tank does not go into this cupboard, upright or on its side.
        </Text>
      )}
      {tank && (
        <SimpleGrid cols={{ base: 1, md: 2 }} mt="xs">
          {(['front', 'above'] as const).map((view) => (
            <CabinetDrawing
              key={view}
              view={view}
              name="Next cupboard"
              cabinet={cupboard}
              wholeWidthM={Math.max(cabinet.width, cupboard.width)}
              bodies={[body]}
              placed={[tank]}
              obstacles={[]}
            />
          ))}
        </SimpleGrid>
      )}
    </section>
  );
}
