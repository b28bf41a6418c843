import {
  type FaultCode,
  faultCodes,
  faultKind,
  learnedOdds,
  type Odds,
  usualOdds,
} from '@katharos/core';
import { type Measure, shortCause, writeEntry } from '@katharos/words';
import { Button, Group, SimpleGrid, Text, Title } from '@mantine/core';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { useReader } from '../ui/useReader.ts';
import { useFoundQuery } from './firmApi.ts';

interface Props {
  odds: Odds;
  onChange: (odds: Odds) => void;
}

const measure: Measure = { dimension: 'share', range: { min: 0.0001, max: 1 } };
const weighed = faultCodes.filter((fault) => !faultKind(fault).onlyAsked);

/** How often the firm finds what: where a diagnosis starts from, before anything is read. */
export function OddsPanel({ odds, onChange }: Props) {
  const reader = useReader();
  const { data: found = {} } = useFoundQuery();
  const visits = weighed.reduce((sum, fault) => sum + (found[fault] ?? 0), 0);
  const set = (fault: FaultCode, share: number | undefined) => {
    const { [fault]: _old, ...rest } = odds;
    onChange(share === undefined ? rest : { ...rest, [fault]: share });
  };
  const learn = () => {
    const learned = learnedOdds(found);
    onChange(
      Object.fromEntries(weighed.map((fault) => [fault, Number(learned[fault].toFixed(4))])),
    );
  };
  return (
    <section className="panel" aria-label="How often what is found">
      <Title order={2} size="h4">
        How often what is found
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        Where every diagnosis starts, before anything is read. Empty fields stand at what is usual.
      </Text>
      <Group mb="sm">
        <Button variant="default" size="md" disabled={visits === 0} onClick={learn}>
          {visits === 0
            ? 'No certified visit to learn from yet'
            : `Learn from ${reader.number(visits, 0)} ${reader.plural(visits, { one: 'certified visit', other: 'certified visits' })}`}
        </Button>
        {Object.keys(odds).length > 0 && (
          <Button variant="subtle" size="md" onClick={() => onChange({})}>
            As usual
          </Button>
        )}
      </Group>
      <details>
        <summary style={{ minHeight: 44, alignContent: 'center' }}>
          All of them, as shares of visits
        </summary>
        <SimpleGrid cols={{ base: 1, sm: 2, md: 3 }} verticalSpacing="md">
          {weighed.map((fault) => (
            <MeasureInput
              key={fault}
              label={fault === 'healthy' ? 'Nothing is wrong' : shortCause([fault], reader)}
              description={
                found[fault]
                  ? `The firm found it ${reader.number(found[fault], 0)} ${reader.plural(found[fault], { one: 'time', other: 'times' })}.`
                  : undefined
              }
              keptAs={`odds-${fault}`}
              measure={measure}
              placeholder={writeEntry(measure, usualOdds(fault), reader)}
              value={odds[fault]}
              onCommit={(share) => set(fault, share)}
            />
          ))}
        </SimpleGrid>
      </details>
    </section>
  );
}
