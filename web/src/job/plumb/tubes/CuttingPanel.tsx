import { placeName } from '@katharos/words';
import { cuttingPlan, partsOf, type ScheduledTube, type TubeSize, tubeSizes } from '@katharos/core';
import { useVanQuery } from '../../../data/jobApi.ts';
import { useJob } from '../../open/useJob.ts';
import { useReader } from '../../../ui/useReader.ts';
import { LengthInput } from '../cabinet/LengthInput.tsx';
import { useSizing } from '../../open/sizingContext.ts';
import { Button, Group, NativeSelect, Stack, Text, Title } from '@mantine/core';
import { useMemo } from 'react';

/** Which piece comes off which coil in the van, so that the least is thrown away. */
export function CuttingPanel({ tubes }: { tubes: readonly ScheduledTube[] }) {
  const { document, edit } = useJob();
  const reader = useReader();
  const inVan = useVanTube();
  const held = document.plumb.coils;
  const coils = useMemo(() => held ?? [], [held]);
  const set = (next: typeof coils) => edit(({ plumb }) => ({ plumb: { ...plumb, coils: next } }));
  const plans = useMemo(
    () =>
      tubeSizes.map((size) => ({
        size,
        plan: cuttingPlan(
          coils.filter((coil) => coil.size === size),
          tubes
            .filter((tube) => tube.size === size)
            .map(({ id, cutM }) => ({ id, lengthM: Math.ceil(cutM * 100) / 100 })),
        ),
      })),
    [coils, tubes],
  );
  const nameOf = (id: string) => {
    const tube = tubes.find((one) => one.id === id);
    return tube ? `${tube.label}: ${placeName(tube.from)} – ${placeName(tube.to)}` : id;
  };
  return (
    <section className="panel" aria-label="Cutting plan">
      <Title order={3} size="h4">
        Cutting plan
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        Say what tube is in the van. A rest under 40 cm counts as waste.
      </Text>
      <Stack gap="xs">
        {coils.map((coil, i) => (
          <Group key={coil.id} align="flex-end" wrap="nowrap">
            <NativeSelect
              label={`Coil ${i + 1}`}
              size="md"
              data={[...tubeSizes]}
              value={coil.size}
              onChange={(event) =>
                set(
                  coils.map((one, k) =>
                    k === i ? { ...one, size: event.currentTarget.value as typeof coil.size } : one,
                  ),
                )
              }
            />
            <LengthInput
              label="Length left"
              keptAs={coil.id}
              long
              minM={0.1}
              maxM={500}
              valueM={coil.lengthM}
              onChangeM={(lengthM) =>
                set(coils.map((one, k) => (k === i ? { ...one, lengthM } : one)))
              }
            />
            <Button
              variant="subtle"
              aria-label={`Take coil ${i + 1} out`}
              onClick={() => set(coils.filter((_, k) => k !== i))}
            >
              Take out
            </Button>
          </Group>
        ))}
        <Group>
          <Button variant="default" size="md" onClick={() => set([...coils, newCoil('1/4"', 10)])}>
            Add a coil
          </Button>
          {coils.length === 0 && inVan.length > 0 && (
            <Button
              variant="default"
              size="md"
              h="auto"
              mih={42}
              styles={{ label: { whiteSpace: 'normal' } }}
              onClick={() => set(inVan.map(({ size, lengthM }) => newCoil(size, lengthM)))}
            >
              As the van holds:{' '}
              {inVan
                .map(({ size, lengthM }) => `${reader.say('length', lengthM)} of ${size}`)
                .join(', ')}
            </Button>
          )}
        </Group>
      </Stack>
      {plans.map(({ size, plan }) => {
        const wanted = plan.cuts.length + plan.missing.length > 0;
        if (!wanted) return null;
        return (
          <div key={size} data-testid={`plan-${size.startsWith('1') ? 'quarter' : 'wide'}`}>
            <Title order={4} size="h5" mt="md">
              {size} tube
            </Title>
            {plan.cuts.map(({ coil, pieces, leftM }) => (
              <Text key={coil.id}>
                <strong>Coil of {reader.say('length', coil.lengthM)}:</strong>{' '}
                {pieces
                  .map((piece) => `${nameOf(piece.id)} (${reader.say('length', piece.lengthM)})`)
                  .join(', ')}
                ; {reader.say('length', leftM)} left.
              </Text>
            ))}
            {coils.length === 0 && (
              <Text>
                {reader.say(
                  'length',
                  plan.missing.reduce((sum, piece) => sum + piece.lengthM, 0),
                )}{' '}
                in {reader.number(plan.missing.length, 0)}{' '}
                {reader.plural(plan.missing.length, { one: 'piece', other: 'pieces' })}.
              </Text>
            )}
            {coils.length > 0 && plan.missing.length > 0 && (
              <Text className="mark warn">
                No coil for {plan.missing.map((piece) => nameOf(piece.id)).join(', ')}:{' '}
                {reader.say(
                  'length',
                  plan.missing.reduce((sum, piece) => sum + piece.lengthM, 0),
                )}{' '}
                more.
              </Text>
            )}
            {plan.cuts.length > 0 && (
              <Text size="sm" c="dimmed">
                {reader.say('length', plan.wasteM)} of waste,{' '}
                {plan.gapM === 0
                  ? 'the least possible'
                  : `at most ${reader.say('length', plan.gapM)} over the least possible`}
                .
              </Text>
            )}
          </div>
        );
      })}
    </section>
  );
}

const newCoil = (size: TubeSize, lengthM: number) => ({
  id: `coil-${size.startsWith('1') ? 'quarter' : 'wide'}-${Date.now().toString(36)}`,
  size,
  lengthM,
});

const tubeRoles = { '1/4"': 'tube-quarter', '3/8"': 'tube-three-eighths' } as const;

/** Tube that the van's stock counts, by size; nothing while it is not known. */
function useVanTube(): { size: TubeSize; lengthM: number }[] {
  const { catalogue } = useSizing();
  const { data } = useVanQuery();
  return tubeSizes.flatMap((size) => {
    const ids = partsOf(catalogue, 'fitting')
      .filter(({ role }) => role === tubeRoles[size])
      .map(({ id }) => id);
    const lengthM = (data?.stock ?? [])
      .filter(({ partId }) => ids.includes(partId))
      .reduce((sum, { quantity }) => sum + quantity, 0);
    return lengthM >= 0.1 ? [{ size, lengthM }] : [];
  });
}
