import type { JobBrief } from '@katharos/job';
import { optionWords, shortfallWords, topicTitle } from '@katharos/words';
import {
  decisionOptions,
  type DecisionTopic,
  type JudgedDesign,
  type SystemDesign,
} from '@katharos/core';
import { Dialog } from '../../ui/Dialog.tsx';
import { useReader } from '../../ui/useReader.ts';
import { RowsTable } from '../../ui/RowsTable.tsx';
import { useSizing } from '../open/sizingContext.ts';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { useComputed } from '../../workers/useComputed.ts';
import { Button, Group, Radio, Skeleton, Stack, Text, Textarea } from '@mantine/core';
import { useHalfTyped } from '../../ui/typed/halfTyped.ts';
import { textFault } from '../../ui/typed/NoteField.tsx';
import { useMemo, useState } from 'react';
import styles from './Decisions.module.css';

interface Props {
  topic: DecisionTopic;
  design: SystemDesign;
  brief: JobBrief;
  onClose: () => void;
}

const longestReason = 500;
const consequences = ['Worst case', 'Product TDS', 'To drain for 1', 'A glass', 'Five years'];

/** All ways to decide one thing side by side with what each leads to; the reason is kept with the choice. */
export function DecideOtherwise({ topic, design, brief, onClose }: Props) {
  const reader = useReader();
  const { catalogue } = useSizing();
  const { overrule } = useChosenSystem();
  const options = useMemo(
    () => decisionOptions(topic, design, brief.settings, catalogue),
    [topic, design, brief.settings, catalogue],
  );
  const current = options.find((option) => option.inUse);
  const [picked, setPicked] = useState(current?.key ?? '');
  const half = useHalfTyped(`reason:${topic}`);
  const [reason, setReason] = useState(half.restored ?? '');
  const [fault, setFault] = useState<string | null>(null);
  const { survey, requirements } = brief;
  const [asked] = useComputed('consequences', {
    options: options.map(({ design: changed, settings }) => ({ design: changed, settings })),
    waters: survey.waters,
    requirements,
  });
  const judged = asked.kind === 'done' ? asked.value : null;
  const keep = () => {
    const option = options.find(({ key }) => key === picked);
    if (!option || option.inUse) {
      setFault('Pick another than the one in use.');
      return;
    }
    if (reason.trim() === '') {
      setFault('Say in a few words why, for whoever comes after.');
      return;
    }
    if (textFault(reason, longestReason)) return;
    half.forget();
    overrule(topic, option, reason.trim());
    onClose();
  };
  return (
    <Dialog onClose={onClose} size="xl" title={topicTitle(topic)}>
      <Stack>
        <Radio.Group
          value={picked}
          onChange={(value) => {
            setPicked(value);
            setFault(null);
          }}
          aria-label={`Ways to decide: ${topicTitle(topic)}`}
        >
          <RowsTable
            minWidth={620}
            label="What each leads to"
            tight
            columns={['Choice', ...consequences.map((head) => ({ head, right: true }) as const)]}
          >
            {options.map((option, i) => (
              <tr key={option.key}>
                <td>
                  <Radio
                    className={styles.way}
                    value={option.key}
                    label={`${optionWords(topic, option, reader)}${option.inUse ? ' (in use)' : ''}`}
                  />
                  {judged && <Shortfalls judged={judged[i]!} />}
                </td>
                <Consequence judged={judged?.[i]} />
              </tr>
            ))}
          </RowsTable>
        </Radio.Group>
        <Textarea
          label="Reason"
          description="Kept with the job and shown on the card."
          resize="vertical"
          rows={2}
          value={reason}
          error={fault ?? textFault(reason, longestReason)}
          onChange={(event) => {
            setReason(event.currentTarget.value);
            half.keep(event.currentTarget.value);
            setFault(null);
          }}
        />
        <Group justify="flex-end">
          <Button variant="default" onClick={onClose}>
            Leave it
          </Button>
          <Button onClick={keep}>Decide so</Button>
        </Group>
      </Stack>
    </Dialog>
  );
}

function Consequence({ judged }: { judged: JudgedDesign | undefined }) {
  const reader = useReader();
  if (!judged) {
    return (
      <td colSpan={consequences.length}>
        <Skeleton height={18} />
      </td>
    );
  }
  const { today, worst, fiveYearCost } = judged;
  return (
    <>
      <td className="right">{worst ? reader.say('dailyVolume', worst.productionLPerDay) : '–'}</td>
      <td className="right">{today ? reader.say('tds', today.productTdsMgL) : '–'}</td>
      <td className="right">{today ? reader.number(today.drainLPerProductL, 1) : '–'}</td>
      <td className="right">{worst ? `${reader.number(worst.secondsPerGlass, 0)} s` : '–'}</td>
      <td className="right">{reader.money(fiveYearCost)}</td>
    </>
  );
}

const Shortfalls = ({ judged }: { judged: JudgedDesign }) =>
  judged.shortfalls.length > 0 ? (
    <Text size="xs" c="dimmed" ml={28}>
      {judged.shortfalls.map((shortfall) => shortfallWords[shortfall]).join('; ')}
    </Text>
  ) : null;
