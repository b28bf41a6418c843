import { failureSentence, type Reader } from '@katharos/words';
import type { JobBrief } from '@katharos/job';
import {
  type Assessment,
  assessConditions,
  type ConditionKey,
  conditionKeys,
  type SystemDesign,
} from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import { WideTable } from '../../ui/WideTable.tsx';
import { Text, Title } from '@mantine/core';
import { useMemo } from 'react';

const rows: [label: string, write: (a: Assessment, reader: Reader) => string][] = [
  ['Production', (a, reader) => reader.say('dailyVolume', a.productionLPerDay)],
  ['Rejection', (a, reader) => reader.percent(a.rejection, 1)],
  ['Product TDS', (a, reader) => reader.say('tds', a.productTdsMgL)],
  ['Product pH', (a, reader) => reader.number(a.productPh, 1)],
  ['Recovery', (a, reader) => reader.percent(a.recovery)],
  ['Net driving pressure', (a, reader) => reader.say('pressure', a.netDrivingPressureBar)],
  ['Usable volume', (a, reader) => (a.fill ? reader.say('volume', a.usableVolumeL) : 'no tank')],
  [
    'Fill time',
    (a, reader) =>
      !a.fill ? 'no tank' : a.fill.shutsOff ? reader.minutes(a.fill.fillTimeMin) : 'never',
  ],
  [
    'Shut-off',
    (a, reader) =>
      !a.fill
        ? 'with the tap'
        : a.fill.shutsOff
          ? reader.say('pressure', a.fill.shutoffPressureBar)
          : `never; stalls at ${reader.say('pressure', a.fill.stallPressureBar)}`,
  ],
  ['Tap, tank half drawn', (a, reader) => reader.say('tapFlow', a.tapHalfLPerMin)],
  ['A glass', (a, reader) => `${reader.number(a.secondsPerGlass, 0)} s`],
];

/** One design in five conditions side by side. */
export function ConditionsTable({ design, brief }: { design: SystemDesign; brief: JobBrief }) {
  const reader = useReader();
  const { waters } = brief.task;
  const conditions = useMemo(() => assessConditions(design, waters), [design, waters]);
  const heads: Record<ConditionKey, string> = {
    'as-measured': `As measured: ${reader.say('temperature', waters.today.temperatureC, 0)}, ${reader.say('pressure', waters.today.pressureBar)}`,
    'cold-and-low': `Coldest and lowest: ${reader.say('temperature', waters.worst.temperatureC, 0)}, ${reader.say('pressure', waters.worst.pressureBar)}`,
    aged: 'Aged membrane, today’s water',
    'all-three': 'All three together',
    'warm-and-high': `Warmest and highest: ${reader.say('temperature', waters.warm.temperatureC, 0)}, ${reader.say('pressure', waters.warm.pressureBar)}`,
  };
  return (
    <section className="panel" aria-label="Five conditions">
      <Title order={3} size="h4" mb="xs">
        Five conditions
      </Title>
      <WideTable minWidth={640} label="Five conditions" tight>
        <thead>
          <tr>
            <th>
              <Text size="sm" c="dimmed">
                New unless said
              </Text>
            </th>
            {conditionKeys.map((key) => (
              <th key={key} className="right" style={{ minWidth: 120 }}>
                {heads[key]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, write]) => (
            <tr key={label}>
              <th scope="row">{label}</th>
              {conditionKeys.map((key) => {
                const outcome = conditions[key];
                return (
                  <td key={key} data-testid={`${key}-${label}`} className="right">
                    {outcome.ok ? write(outcome.value, reader) : '–'}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </WideTable>
      {conditionKeys.map((key) => {
        const outcome = conditions[key];
        return outcome.ok ? null : (
          <Text key={key} size="sm" mt="xs">
            {heads[key]}: {failureSentence(outcome.failure)}
          </Text>
        );
      })}
    </section>
  );
}
