import { familyNames, saysTheSame, shortfallWords, writePercent } from '@katharos/contract';
import type { DesignFamily, Recommendation, Shortfall, SystemDesign } from '@katharos/core';
import { Button, Table, Text, Title } from '@mantine/core';
import { useMoney } from '../quantities/useMoney.ts';
import { useUnits } from '../quantities/useUnits.ts';
import { WideTable } from '../quantities/WideTable.tsx';
import { partsInWords } from './designWords.ts';

interface Props {
  recommendation: Recommendation;
  current: SystemDesign;
  onChoose: (design: SystemDesign) => void;
}

/** The best of each make-up beside the others, and why a make-up drops out. */
export function Alternatives({ recommendation, current, onChoose }: Props) {
  const { say } = useUnits();
  const money = useMoney();
  return (
    <section className="panel" aria-label="Alternatives">
      <Title order={3} size="h4">
        Alternatives
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        {recommendation.considered} combinations of the catalogue were judged,{' '}
        {recommendation.meeting} of them do everything that is asked. Where one of those does
        without a pump it is proposed, unless the supply is as low as custom boosts; then the lowest
        cost over five years decides (parts, water, drain, power).
      </Text>
      <WideTable minWidth={640} label="Alternatives, scrolls sideways">
        <Table verticalSpacing="sm">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Make-up</Table.Th>
              <Table.Th>Best of it</Table.Th>
              <Table.Th ta="right">Worst case</Table.Th>
              <Table.Th ta="right">Recovery</Table.Th>
              <Table.Th ta="right">Five years</Table.Th>
              <Table.Th />
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {recommendation.families.map((family) => {
              const { best } = family;
              const isCurrent = saysTheSame(best.design, current);
              return (
                <Table.Tr key={family.key}>
                  <Table.Td fw={600}>{familyNames[family.key]}</Table.Td>
                  <Table.Td>
                    <Text size="sm">{partsInWords(best.design)}</Text>
                    <Text size="sm" c="dimmed">
                      {familyReason(family)}
                    </Text>
                  </Table.Td>
                  <Table.Td ta="right">
                    {best.worst ? say('dailyVolume', best.worst.productionLPerDay) : '–'}
                  </Table.Td>
                  <Table.Td ta="right">
                    {best.today ? writePercent(best.today.recovery) : '–'}
                  </Table.Td>
                  <Table.Td ta="right">{money(best.fiveYearCost)}</Table.Td>
                  <Table.Td ta="right">
                    {isCurrent ? (
                      <Text size="sm" fw={600}>
                        In use above
                      </Text>
                    ) : (
                      <Button
                        variant="default"
                        disabled={best.failure !== null}
                        onClick={() => onChoose(best.design)}
                      >
                        Use instead
                      </Button>
                    )}
                  </Table.Td>
                </Table.Tr>
              );
            })}
          </Table.Tbody>
        </Table>
      </WideTable>
    </section>
  );
}

/** How much of a make-up does all that is asked, or what most of it lacks. */
function familyReason(family: DesignFamily): string {
  if (family.meeting > 0) return `${family.meeting} of ${family.considered} do everything`;
  const most = (Object.entries(family.shortfalls) as [Shortfall, number][]).sort(
    (a, b) => b[1] - a[1],
  )[0];
  return most ? `none of ${family.considered}: ${shortfallWords[most[0]]}` : '';
}
