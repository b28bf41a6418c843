import {
  familyNames,
  saysTheSame,
  shortfallWords,
  writeNumber,
  writePercent,
} from '@katharos/contract';
import {
  type Assessment,
  type DesignFamily,
  type JudgedDesign,
  partsPrice,
  type Recommendation,
  type Shortfall,
  type SystemDesign,
} from '@katharos/core';
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

interface Column {
  judged: JudgedDesign;
  money: (amount: number) => string;
  say: ReturnType<typeof useUnits>['say'];
}

const inWinter = (write: (worst: Assessment) => string) => (column: Column) =>
  column.judged.worst ? write(column.judged.worst) : '–';

/** What a person weighs one system against another by. */
const rows: [label: string, write: (column: Column) => string][] = [
  ['Water in the worst case', (c) => inWinter((w) => c.say('dailyVolume', w.productionLPerDay))(c)],
  ['Product TDS today', (c) => (c.judged.today ? c.say('tds', c.judged.today.productTdsMgL) : '–')],
  [
    'To drain for 1 of product',
    (c) =>
      c.judged.today && Number.isFinite(c.judged.today.drainLPerProductL)
        ? writeNumber(c.judged.today.drainLPerProductL, 1)
        : '–',
  ],
  [
    'A glass in the worst case',
    (c) => inWinter((w) => `${writeNumber(w.secondsPerGlass, 0)} s`)(c),
  ],
  [
    'Days with a long wait',
    (c) => (c.judged.waitingDays === null ? 'not tried' : writePercent(c.judged.waitingDays)),
  ],
  [
    'Power while it runs',
    (c) => (c.judged.design.pump ? `${c.judged.design.pump.powerW} W` : 'none'),
  ],
  ['Parts to buy', (c) => c.money(partsPrice(c.judged.design))],
  ['Five years, with water and power', (c) => c.money(c.judged.fiveYearCost)],
];

/** The best of each make-up side by side, and why a make-up drops out. */
export function Alternatives({ recommendation, current, onChoose }: Props) {
  const { say } = useUnits();
  const money = useMoney();
  const { families } = recommendation;
  return (
    <section className="panel" aria-label="Alternatives">
      <Title order={3} size="h4">
        Alternatives side by side
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        {recommendation.considered} combinations of the catalogue were judged,{' '}
        {recommendation.meeting} of them do everything that is asked. Where one of those does
        without a pump it is proposed, unless the supply is as low as custom boosts; then the lowest
        cost over five years decides.
      </Text>
      <WideTable minWidth={640} label="Alternatives, scrolls sideways">
        <Table verticalSpacing={6} layout="fixed">
          <Table.Thead>
            <Table.Tr>
              <Table.Td w="22%" />
              {families.map((family) => (
                <Table.Th key={family.key} scope="col" style={{ verticalAlign: 'top' }}>
                  {familyNames[family.key]}
                  <Text size="sm" fw={400}>
                    {partsInWords(family.best.design)}
                  </Text>
                  <Text size="sm" fw={400} c="dimmed">
                    {familyReason(family)}
                  </Text>
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
                {families.map(({ key, best }) => (
                  <Table.Td key={key}>{write({ judged: best, money, say })}</Table.Td>
                ))}
              </Table.Tr>
            ))}
            <Table.Tr>
              <Table.Td />
              {families.map(({ key, best }) => (
                <Table.Td key={key} data-testid={`choose-${key}`}>
                  {saysTheSame(best.design, current) ? (
                    <Text size="sm" fw={600} lh="36px">
                      In use above
                    </Text>
                  ) : (
                    <Button
                      variant="default"
                      disabled={best.failure !== null}
                      aria-label={`Use instead: ${familyNames[key]}`}
                      onClick={() => onChoose(best.design)}
                    >
                      Use instead
                    </Button>
                  )}
                </Table.Td>
              ))}
            </Table.Tr>
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
