import { saysTheSame } from '@katharos/job';
import { shortfallWords } from '@katharos/words';
import {
  criterionKeys,
  type Priorities,
  type Recommendation,
  steer,
  type SystemDesign,
  type TradeOff,
} from '@katharos/core';
import { useSession } from '../../data/session.ts';
import { useJob } from '../open/useJob.ts';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { WideTable } from '../../ui/WideTable.tsx';
import { criterionWords, writeCriterion } from './criteria.ts';
import { partsInWords } from '../open/designWords.ts';
import { PriorityTable } from './PriorityTable.tsx';
import { TradeOffChart } from './TradeOffChart.tsx';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { useMemo, useState } from 'react';

interface Props {
  recommendation: Recommendation;
  current: SystemDesign;
  onChoose: (design: SystemDesign) => void;
}

const listed = 8;

/** What no other design beats in everything, steered by what this customer cares for. */
export function WeighPanel({ recommendation, current, onChoose }: Props) {
  const { document, edit } = useJob();
  const { agreed } = useChosenSystem();
  const reader = useReader();
  const { units: system } = reader;
  const session = useSession();
  const currency = session?.firm.settings.currency ?? 'EUR';
  const { tradeOffs } = recommendation;
  const { weights, limits } = document.size;
  const priorities = useMemo<Priorities>(() => ({ weights, limits }), [weights, limits]);
  const steered = useMemo(() => steer(tradeOffs, priorities), [tradeOffs, priorities]);
  const [picked, setPicked] = useState<TradeOff | null>(null);
  const set = (change: Partial<Priorities>) =>
    edit(({ size }) => ({ size: { ...size, ...change } }));
  const compare = (design: SystemDesign) =>
    edit(({ size }) => ({ size: { ...size, compared: [...size.compared, design].slice(-2) } }));
  const shown = picked && !steered.slice(0, listed).includes(picked) ? [picked] : [];
  return (
    <section className="panel" aria-label="Weigh">
      <Title order={3} size="h4">
        Weigh what matters here
      </Title>
      <Text size="sm" c="dimmed" mb="md">
        Of {recommendation.considered} combinations {tradeOffs.length} are left that no other beats
        in everything{meetingWords(recommendation)}. The cheapest over five years stands first;
        weights put them in another order, limits leave some out.
      </Text>
      <PriorityTable tradeOffs={tradeOffs} priorities={priorities} onChange={set} />
      <TradeOffChart
        tradeOffs={tradeOffs}
        within={steered}
        weighed={Object.keys(weights).length > 0}
        current={current}
        picked={picked}
        onPick={setPicked}
      />
      {steered.length === 0 ? (
        <Tone kind="warn" head="No design keeps within these limits" role="status">
          Widen a limit, or take all of them away.{' '}
          <Button variant="default" size="compact-md" onClick={() => set({ limits: {} })}>
            Take the limits away
          </Button>
        </Tone>
      ) : (
        <WideTable minWidth={880} label="Designs in this order" tight testId="weighed">
          <thead>
            <tr>
              <th>In this order</th>
              {criterionKeys.map((key) => (
                <th key={key} className="right">
                  {criterionWords[key].label}, {criterionWords[key].unit(system, currency)}
                </th>
              ))}
              <td />
            </tr>
          </thead>
          <tbody>
            {[...shown, ...steered.slice(0, listed)].map((one) => (
              <tr key={partsKey(one)} data-picked={one === picked}>
                <td style={{ minWidth: 220 }}>
                  <Text size="sm" fw={one === picked ? 700 : 500}>
                    {partsInWords(one.design)}
                  </Text>
                  {one.shortfalls.length > 0 && (
                    <Text size="xs" c="dimmed">
                      {one.shortfalls.map((shortfall) => shortfallWords[shortfall]).join('; ')}
                    </Text>
                  )}
                </td>
                {criterionKeys.map((key) => (
                  <td key={key} className="right">
                    {writeCriterion(key, one.criteria[key], reader)}
                  </td>
                ))}
                <td>
                  {saysTheSame(one.design, current) ? (
                    <Text size="sm" fw={600}>
                      In use
                    </Text>
                  ) : (
                    <Stack gap={4}>
                      <Button
                        variant="default"
                        size="compact-md"
                        mih={36}
                        disabled={agreed !== null}
                        onClick={() => onChoose(one.design)}
                      >
                        Use
                      </Button>
                      <Button
                        variant="subtle"
                        size="compact-md"
                        mih={36}
                        onClick={() => compare(one.design)}
                      >
                        Compare
                      </Button>
                    </Stack>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </WideTable>
      )}
      {steered.length > listed && (
        <Group mt="xs">
          <Text size="sm" c="dimmed">
            {steered.length - listed} more on the chart.
          </Text>
        </Group>
      )}
    </section>
  );
}

const partsKey = ({ design }: TradeOff): string => JSON.stringify(design);

const meetingWords = ({ meeting }: Recommendation): string =>
  meeting > 0 ? '' : '; none does all that is asked, so these come nearest';
