import { writeNumber } from '@katharos/contract';
import { type Household, meanDemand, usualHousehold } from '@katharos/core';
import { Button, Group, NumberInput, SimpleGrid, Text, Title } from '@mantine/core';
import { useJob } from '../job/useJob.ts';
import { useUnits } from '../quantities/useUnits.ts';

type HabitKey = Exclude<keyof Household, 'day'>;

interface Habit {
  key: HabitKey;
  label: string;
  how: string;
  max: number;
  step: number;
  decimals: number;
  /** Litres are shown in the reader's unit. */
  litres?: boolean;
}

const habits: Habit[] = [
  { key: 'people', label: 'People', how: 'Who eat and sleep here.', max: 40, step: 1, decimals: 0 },
  {
    key: 'drinkingL',
    label: 'Drinking water a person',
    how: 'In glasses and bottles, a day.',
    max: 10,
    step: 0.2,
    decimals: 1,
    litres: true,
  },
  {
    key: 'hotDrinks',
    label: 'Hot drinks a person',
    how: 'Cups a day.',
    max: 20,
    step: 1,
    decimals: 1,
  },
  {
    key: 'meals',
    label: 'Pots a day',
    how: 'Cooked meals, soups, pasta.',
    max: 6,
    step: 1,
    decimals: 0,
  },
  {
    key: 'potL',
    label: 'Size of the pot',
    how: 'The largest filled in one go.',
    max: 60,
    step: 0.5,
    decimals: 1,
    litres: true,
  },
  { key: 'pets', label: 'Pets', how: 'Cats and dogs.', max: 20, step: 1, decimals: 0 },
  {
    key: 'plantsL',
    label: 'Plants',
    how: 'By the jug, a day.',
    max: 100,
    step: 0.5,
    decimals: 1,
    litres: true,
  },
];

const presets: [label: string, household: Household][] = [
  ['One person', { ...usualHousehold, people: 1, meals: 1, potL: 1.5 }],
  ['Couple', usualHousehold],
  ['Family', { ...usualHousehold, people: 4, potL: 3, hotDrinks: 2, pets: 1 }],
  ['Full house', { ...usualHousehold, people: 7, potL: 5, meals: 3, pets: 1, plantsL: 1 }],
];

/** Who lives there and what they take: gives the demand, and the days that are lived through in Size. */
export function HouseholdPanel() {
  const { document, edit } = useJob();
  const { say, system } = useUnits();
  const { household } = document.survey;
  const set = (next: Household | undefined) =>
    edit(({ survey: { household: _old, ...rest } }) => ({
      survey: next ? { ...rest, household: next } : rest,
    }));
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
          ? `Takes ${say('dailyVolume', meanDemand(household))} on an average day. ${typed ? 'The daily demand typed above stands before it.' : 'That is the daily demand.'}`
          : 'Makes the daily demand, and the days that the system is tried on. Begin with the nearest:'}
      </Text>
      {household ? (
        <SimpleGrid cols={{ base: 2, sm: 3, md: 4 }} verticalSpacing="md">
          {habits.map((habit) => (
            <HabitInput
              key={habit.key}
              habit={habit}
              value={household[habit.key]}
              litresPerUnit={habit.litres && system === 'us' ? 3.785411784 : 1}
              onChange={(value) => set({ ...household, [habit.key]: value })}
            />
          ))}
        </SimpleGrid>
      ) : (
        <Group>
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

interface HabitInputProps {
  habit: Habit;
  value: number;
  litresPerUnit: number;
  onChange: (value: number) => void;
}

function HabitInput({ habit, value, litresPerUnit, onChange }: HabitInputProps) {
  const unit = habit.litres ? (litresPerUnit === 1 ? ' L' : ' gal') : '';
  const least = habit.key === 'people' ? 1 : habit.key === 'potL' ? 0.2 : 0;
  const decimals = litresPerUnit === 1 ? habit.decimals : 2;
  return (
    <NumberInput
      label={habit.label}
      description={habit.how}
      size="md"
      min={least / litresPerUnit}
      max={habit.max / litresPerUnit}
      step={litresPerUnit === 1 ? habit.step : 0.1}
      decimalScale={decimals}
      allowNegative={false}
      clampBehavior="blur"
      suffix={unit}
      value={Number(writeNumber(value / litresPerUnit, decimals).replaceAll(',', ''))}
      onChange={(next) => {
        const litres = Number(next) * litresPerUnit;
        if (next !== '' && litres >= least && litres <= habit.max) {
          onChange(decimals === 0 ? Math.round(litres) : litres);
        }
      }}
    />
  );
}
