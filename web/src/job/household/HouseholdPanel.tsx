import {
  drawsOfDay,
  type Household,
  meanDemand,
  seededRandom,
  usualHousehold,
} from '@katharos/core';
import { useSession } from '../../data/session.ts';
import { useJob } from '../open/useJob.ts';
import { useReader } from '../../ui/useReader.ts';
import { HabitInput, habits } from './HabitInput.tsx';
import { DayTimeline } from './DayTimeline.tsx';
import { Button, Group, SimpleGrid, Text, Title } from '@mantine/core';

const presets: [label: string, household: Household][] = [
  ['One person', { ...usualHousehold, people: 1, meals: 1, potL: 1.5 }],
  ['Couple', usualHousehold],
  ['Family', { ...usualHousehold, people: 4, potL: 3, hotDrinks: 2, pets: 1 }],
  ['Full house', { ...usualHousehold, people: 7, potL: 5, meals: 3, pets: 1, plantsL: 1 }],
];

/** Who lives there and what they take: gives the demand, and the days that are lived through in Size. */
export function HouseholdPanel() {
  const { document, edit } = useJob();
  const reader = useReader();
  const { household } = document.survey;
  const session = useSession();
  const firmHousehold = session?.firm.settings.household;
  const set = (next: Household | undefined, of: string | null = null) =>
    edit(
      ({ survey: { household: _old, ...rest } }) => ({
        survey: next ? { ...rest, household: next } : rest,
      }),
      of,
    );
  const typed = document.survey.readings.demand !== undefined;
  return (
    <section className="panel" aria-label="Who lives here">
      <Group justify="space-between" mb={4}>
        <Title order={3} size="h4">
          Who lives here
        </Title>
        {household && (
          <Button variant="subtle" size="sm" mih={44} onClick={() => set(undefined)}>
            Leave it out
          </Button>
        )}
      </Group>
      <Text size="sm" c="dimmed" mb="sm">
        {household
          ? `Takes ${reader.say('dailyVolume', meanDemand(household))} on average. ${typed ? 'The daily demand typed above stands before it.' : 'That is the daily demand.'}`
          : 'Makes the daily demand, and the days that the system is tried on. Begin with the nearest:'}
      </Text>
      {household?.day ? (
        <DayTimeline
          day={household.day}
          onChange={(day) => set({ ...household, day }, 'day')}
          onDrop={() => {
            const { day: _old, ...habitsOnly } = household;
            set(habitsOnly);
          }}
        />
      ) : household ? (
        <>
          <SimpleGrid cols={{ base: 2, sm: 3, md: 4 }} verticalSpacing="md">
            {habits.map((habit) => (
              <HabitInput
                key={habit.key}
                habit={habit}
                value={household[habit.key]}
                onChange={(value) => set({ ...household, [habit.key]: value })}
              />
            ))}
          </SimpleGrid>
          <Button
            variant="default"
            size="md"
            mt="md"
            onClick={() =>
              set({
                ...household,
                day: drawsOfDay(household, { weekend: false, guests: false }, seededRandom(1)).map(
                  (draw) => ({ ...draw, minute: Math.round(draw.minute / 5) * 5 }),
                ),
              })
            }
          >
            Draw up an ordinary day
          </Button>
        </>
      ) : (
        <Group>
          {firmHousehold && (
            <Button size="md" onClick={() => set(firmHousehold)}>
              As the firm usually begins
            </Button>
          )}
          {presets.map(([label, preset]) => (
            <Button key={label} variant="default" size="md" onClick={() => set(preset)}>
              {label}
            </Button>
          ))}
        </Group>
      )}
    </section>
  );
}
