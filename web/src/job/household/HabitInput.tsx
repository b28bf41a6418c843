import type { Household } from '@katharos/core';
import type { Measure } from '@katharos/words';
import { MeasureInput } from '../../ui/typed/MeasureInput.tsx';

type HabitKey = Exclude<keyof Household, 'day'>;

interface Habit extends Measure {
  key: HabitKey;
  label: string;
  how: string;
}

const counted = (least: number, most: number, whole: boolean) =>
  ({ dimension: 'count', range: { min: least, max: most }, symbol: '', whole }) as const;
const litres = (least: number, most: number) =>
  ({ dimension: 'volume', range: { min: least, max: most } }) as const;

/** What a household is described by. */
export const habits: Habit[] = [
  { key: 'people', label: 'People', how: 'Who eat and sleep here.', ...counted(1, 40, true) },
  {
    key: 'drinkingL',
    label: 'Drinking water a person',
    how: 'In glasses and bottles, a day.',
    ...litres(0, 10),
  },
  {
    key: 'hotDrinks',
    label: 'Hot drinks a person',
    how: 'Cups a day.',
    ...counted(0, 20, false),
  },
  {
    key: 'meals',
    label: 'Pots a day',
    how: 'Cooked meals, soups, pasta.',
    ...counted(0, 6, true),
  },
  {
    key: 'potL',
    label: 'Size of the pot',
    how: 'The largest filled in one go.',
    ...litres(0.2, 60),
  },
  { key: 'pets', label: 'Pets', how: 'Cats and dogs.', ...counted(0, 20, true) },
  { key: 'plantsL', label: 'Plants', how: 'By the jug, a day.', ...litres(0, 100) },
];

interface HabitInputProps {
  habit: Habit;
  value: number;
  onChange: (value: number) => void;
}

/** One habit, in the reader's units. */
export function HabitInput({ habit, value, onChange }: HabitInputProps) {
  return (
    <MeasureInput
      label={habit.label}
      description={habit.how}
      keptAs={habit.key}
      measure={habit}
      value={value}
      wanted="Enter a number; 0 for none."
      onCommit={(next) => {
        if (next !== undefined) onChange(next);
      }}
    />
  );
}
