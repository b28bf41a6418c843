import { usualTrendLimits } from '@katharos/core';
import { type FirmSettings, usualKeeping } from '@katharos/job';
import { type Measure, writeEntry } from '@katharos/words';
import { NativeSelect, SimpleGrid, Text, Textarea, Title } from '@mantine/core';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { useReader } from '../ui/useReader.ts';

type Keeping = NonNullable<FirmSettings['keeping']>;
type Figure = 'tripPrice' | 'warrantyMonths' | 'saltPassageFactor' | 'flowFactor';

interface Props {
  keeping: Keeping;
  currency: string;
  onChange: (keeping: Keeping) => void;
}

const count = (min: number, max: number, symbol: string): Measure => ({
  dimension: 'count',
  range: { min, max },
  symbol,
});

const figures: {
  key: Figure;
  label: string;
  hint: string;
  usual: number;
  measure: (currency: string) => Measure;
}[] = [
  {
    key: 'tripPrice',
    label: 'Coming once more',
    hint: 'What a trip costs: what is cheaper to do early is done at the same visit.',
    usual: usualKeeping.tripPrice,
    measure: (currency) => count(0, 10000, currency),
  },
  {
    key: 'warrantyMonths',
    label: 'Warranty',
    hint: 'On work and on what is put in; 0 for none.',
    usual: usualKeeping.warrantyMonths,
    measure: () => count(0, 120, 'months'),
  },
  {
    key: 'saltPassageFactor',
    label: 'Salt passage at which a membrane is changed',
    hint: 'Times its own start.',
    usual: usualTrendLimits.saltPassageFactor,
    measure: () => count(1.1, 5, 'times'),
  },
  {
    key: 'flowFactor',
    label: 'Flow at which a membrane is changed',
    hint: 'Times its own start.',
    usual: usualTrendLimits.flowFactor,
    measure: () => count(0.3, 0.95, 'times'),
  },
];

/** How the firm keeps what it installed: its school, what a trip costs, its limits, the order in which it drives. */
export function KeepingPanel({ keeping, currency, onChange }: Props) {
  const reader = useReader();
  const set = <K extends keyof Keeping>(key: K, value: Keeping[K] | undefined) => {
    const { [key]: _old, ...rest } = keeping;
    onChange(value === undefined ? rest : { ...rest, [key]: value });
  };
  return (
    <section className="panel" aria-label="Keeping">
      <Title order={2} size="h4">
        Keeping
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        By what parts are changed in the years after. Empty fields stand at what is usual.
      </Text>
      <SimpleGrid cols={{ base: 1, sm: 2, md: 3 }} verticalSpacing="md">
        <NativeSelect
          label="Parts are changed"
          description="What somebody found spent is due in any case."
          size="md"
          value={keeping.school ?? usualKeeping.school}
          data={[
            { value: 'first', label: 'By calendar or condition, what comes first' },
            { value: 'calendar', label: 'By the calendar' },
            { value: 'condition', label: 'By their condition, where it can be told' },
          ]}
          onChange={({ currentTarget: { value } }) => set('school', value as Keeping['school'])}
        />
        {figures.map(({ key, label, hint, usual, measure }) => (
          <MeasureInput
            key={key}
            label={label}
            description={hint}
            keptAs={`keeping-${key}`}
            measure={measure(currency)}
            placeholder={writeEntry(measure(currency), usual, reader)}
            value={keeping[key]}
            onCommit={(next) => set(key, next === undefined ? next : figure(key, next))}
          />
        ))}
        <Textarea
          label="Districts in the order of driving"
          description="A line each, as they end an address. Others come after them by name."
          size="md"
          autosize
          minRows={3}
          maxRows={12}
          value={(keeping.districts ?? []).join('\n')}
          onChange={({ currentTarget: { value } }) =>
            set('districts', value === '' ? undefined : value.split('\n').slice(0, 60))
          }
        />
      </SimpleGrid>
    </section>
  );
}

/** Months are whole. */
const figure = (key: Figure, value: number): number =>
  key === 'warrantyMonths' ? Math.round(value) : value;
