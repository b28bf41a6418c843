import { exclusionWords, familyNames, shortfallWords } from '@katharos/words';
import { type JobBrief, saysTheSame } from '@katharos/job';
import type {
  DesignFamily,
  InstalledSystem,
  JudgedDesign,
  Recommendation,
  Shortfall,
  SystemDesign,
} from '@katharos/core';
import { useJob } from '../open/useJob.ts';
import { useReader } from '../../ui/useReader.ts';
import { WideTable } from '../../ui/WideTable.tsx';
import { comparedRows } from './comparedRows.ts';
import { partsInWords } from '../open/designWords.ts';
import { LampOffers } from './LampOffers.tsx';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { useComputed } from '../../workers/useComputed.ts';
import { Button, Group, Text, Title } from '@mantine/core';
import styles from './Alternatives.module.css';

interface Props {
  recommendation: Recommendation;
  current: JudgedDesign;
  brief: JobBrief;
  onChoose: (design: InstalledSystem) => void;
}

interface Column {
  key: string;
  head: string;
  remark: string;
  judged: JudgedDesign;
  onRemove?: () => void;
}

/** The best of each make-up side by side, up to three designs of one's own choice, and why a make-up drops out. */
export function Alternatives({ recommendation, current, brief, onChoose }: Props) {
  const { document, edit } = useJob();
  const { families } = recommendation;
  const { compared } = document.size;
  const { waters, requirements } = brief.task;
  const [asked] = useComputed(
    'judgeAll',
    compared.length > 0 ? { designs: compared, waters, requirements } : null,
  );
  const pinned = asked.kind === 'done' ? asked.value : null;
  const unpin = (index: number) =>
    edit(({ size }) => ({
      size: { ...size, compared: size.compared.filter((_, i) => i !== index) },
    }));
  const own: Column[] = [
    { key: 'current', head: 'In use', remark: '', judged: current },
    ...(pinned ?? []).map((judged, i) => ({
      key: `pinned-${i}`,
      head: `Put beside it ${i + 1}`,
      remark: '',
      judged,
      onRemove: () => unpin(i),
    })),
  ];
  return (
    <>
      <section className="panel" aria-label="Compare">
        <Title order={3} size="h4">
          Up to three side by side
        </Title>
        <Text size="sm" c="dimmed" mb="sm">
          {compared.length === 0
            ? 'Put designs beside the one in use from here or from Weigh.'
            : 'The one in use, and what you put beside it.'}
        </Text>
        <Columns columns={own} current={current.design} onChoose={onChoose} />
      </section>
      <section className="panel" aria-label="Alternatives">
        <Title order={3} size="h4">
          The best of each make-up
        </Title>
        <Text size="sm" c="dimmed" mb="sm">
          {recommendation.considered} combinations of the catalogue were judged,{' '}
          {recommendation.meeting} of them do everything that is asked. Where one of those does
          without a pump it is proposed, unless the supply is as low as custom boosts; then the
          lowest cost over five years decides.
        </Text>
        <Columns
          columns={families.map((family) => ({
            key: family.key,
            head: familyNames[family.key],
            remark: familyReason(family),
            judged: family.best,
          }))}
          current={current.design}
          onChoose={onChoose}
          onPin={(design) =>
            edit(({ size }) => ({
              size: { ...size, compared: [...size.compared, design].slice(-2) },
            }))
          }
        />
        {recommendation.excluded.map(({ key, because }) => (
          <Text key={key} size="sm" mt="xs">
            <strong>{familyNames[key]}</strong> was not tried: {exclusionWords[because]}.
          </Text>
        ))}
        <LampOffers brief={brief} current={current.design} onChoose={onChoose} />
      </section>
    </>
  );
}

function Columns({
  columns,
  current,
  onChoose,
  onPin,
}: {
  columns: readonly Column[];
  current: SystemDesign;
  onChoose: (design: SystemDesign) => void;
  onPin?: (design: SystemDesign) => void;
}) {
  const reader = useReader();
  const { agreed } = useChosenSystem();
  return (
    <WideTable
      minWidth={180 + 190 * columns.length}
      label="Side by side"
      className={styles.columns}
      style={{ '--designs': columns.length }}
      tight
    >
      <thead>
        <tr>
          <td style={{ width: 170 }} />
          {columns.map(({ key, head, remark, judged }) => (
            <th key={key} scope="col" style={{ verticalAlign: 'top' }}>
              {head}
              <Text size="sm" fw={400}>
                {partsInWords(judged.design)}
              </Text>
              {remark && (
                <Text size="sm" fw={400} c="dimmed">
                  {remark}
                </Text>
              )}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {comparedRows.map(([label, write]) => (
          <tr key={label}>
            <th scope="row">{label}</th>
            {columns.map(({ key, judged }) => (
              <td key={key}>{write({ judged, reader })}</td>
            ))}
          </tr>
        ))}
        <tr>
          <td />
          {columns.map(({ key, head, judged, onRemove }) => (
            <td key={key} data-testid={`choose-${key}`}>
              {saysTheSame(judged.design, current) ? (
                <Text size="sm" fw={600} lh="36px">
                  In use above
                </Text>
              ) : (
                <Group gap={4}>
                  <Button
                    variant="default"
                    disabled={judged.failure !== null || agreed !== null}
                    aria-label={`Use instead: ${head}`}
                    onClick={() => onChoose(judged.design)}
                  >
                    Use instead
                  </Button>
                  {onPin && (
                    <Button
                      variant="subtle"
                      aria-label={`Put beside: ${head}`}
                      onClick={() => onPin(judged.design)}
                    >
                      Put beside
                    </Button>
                  )}
                  {onRemove && (
                    <Button variant="subtle" aria-label={`Take away: ${head}`} onClick={onRemove}>
                      Take away
                    </Button>
                  )}
                </Group>
              )}
            </td>
          ))}
        </tr>
      </tbody>
    </WideTable>
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
