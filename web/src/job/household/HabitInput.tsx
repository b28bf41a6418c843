import type { Household } from '@katharos/core';
import { NumberInput } from '@mantine/core';

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

/** What a household is described by. */
export const habits: Habit[] = [
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

interface HabitInputProps {
  habit: Habit;
  value: number;
  litresPerUnit: number;
  onChange: (value: number) => void;
}

/** One habit, in the reader's units. */
export function HabitInput({ habit, value, litresPerUnit, onChange }: HabitInputProps) {
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
      value={Number((value / litresPerUnit).toFixed(decimals))}
      onChange={(next) => {
        const litres = Number(next) * litresPerUnit;
        if (next !== '' && litres >= least && litres <= habit.max) {
          onChange(decimals === 0 ? Math.round(litres) : litres);
        }
      }}
    />
  );
}
