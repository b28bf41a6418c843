import { failureSentence, writeMinutes, writeNumber, writePercent } from '@katharos/words';
import type { JobBrief } from '@katharos/job';
import {
  type Assessment,
  assessConditions,
  type ConditionKey,
  conditionKeys,
  type SystemDesign,
} from '@katharos/core';
import { useUnits } from '../../ui/useUnits.ts';
import { WideTable } from '../../ui/WideTable.tsx';
import { Table, Text, Title } from '@mantine/core';
import { useMemo } from 'react';

type Say = ReturnType<typeof useUnits>['say'];

const rows: [label: string, write: (a: Assessment, say: Say) => string][] = [
  ['Production', (a, say) => say('dailyVolume', a.productionLPerDay)],
  ['Rejection', (a) => writePercent(a.rejection, 1)],
  ['Product TDS', (a, say) => say('tds', a.productTdsMgL)],
  ['Product pH', (a) => writeNumber(a.productPh, 1)],
  ['Recovery', (a) => writePercent(a.recovery)],
  ['Net driving pressure', (a, say) => say('pressure', a.netDrivingPressureBar)],
  ['Usable volume', (a, say) => (a.fill ? say('volume', a.usableVolumeL) : 'no tank')],
  [
    'Fill time',
    (a) => (!a.fill ? 'no tank' : a.fill.shutsOff ? writeMinutes(a.fill.fillTimeMin) : 'never'),
  ],
  [
    'Shut-off',
    (a, say) =>
      !a.fill
        ? 'with the tap'
        : a.fill.shutsOff
          ? say('pressure', a.fill.shutoffPressureBar)
          : `never; stalls at ${say('pressure', a.fill.stallPressureBar)}`,
  ],
  ['Tap, tank half drawn', (a) => `${writeNumber(a.tapHalfLPerMin, 1)} L/min`],
  ['A glass', (a) => `${writeNumber(a.secondsPerGlass, 0)} s`],
];

/** One design in four conditions side by side. */
export function ConditionsTable({ design, brief }: { design: SystemDesign; brief: JobBrief }) {
  const { say } = useUnits();
  const { waters } = brief.task;
  const conditions = useMemo(() => assessConditions(design, waters), [design, waters]);
  const heads: Record<ConditionKey, string> = {
    'as-measured': `As measured: ${say('temperature', waters.today.temperatureC, 0)}, ${say('pressure', waters.today.pressureBar)}`,
    'cold-and-low': `Coldest and lowest: ${say('temperature', waters.worst.temperatureC, 0)}, ${say('pressure', waters.worst.pressureBar)}`,
    aged: 'Aged membrane, today’s water',
    'all-three': 'All three together',
  };
  return (
    <section className="panel" aria-label="Four conditions">
      <Title order={3} size="h4" mb="xs">
        Four conditions
      </Title>
      <WideTable minWidth={640} label="Four conditions, scrolls sideways">
        <Table verticalSpacing={5}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>
                <Text size="sm" c="dimmed">
                  New unless said
                </Text>
              </Table.Th>
              {conditionKeys.map((key) => (
                <Table.Th key={key} ta="right" style={{ minWidth: 120 }}>
                  {heads[key]}
                </Table.Th>
              ))}
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {rows.map(([label, write]) => (
              <Table.Tr key={label}>
                <Table.Th scope="row" fw={500}>
                  {label}
                </Table.Th>
                {conditionKeys.map((key) => {
                  const outcome = conditions[key];
                  return (
                    <Table.Td key={key} ta="right" data-testid={`${key}-${label}`}>
                      {outcome.ok ? write(outcome.value, say) : '–'}
                    </Table.Td>
                  );
                })}
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
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
