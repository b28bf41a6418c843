import { type Examination, explainsNothing, judgementOf } from '@katharos/core';
import {
  evidenceOf,
  leadSentence,
  readingLabel,
  sayReading,
  saySound,
  shortCause,
  standsOut,
} from '@katharos/words';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { RowsTable } from '../../ui/RowsTable.tsx';
import type { Examined } from '../../workers/tasks.ts';
import type { Computed } from '../../workers/useComputed.ts';
import { Causes } from './Causes.tsx';
import { MendOffer } from './Mending.tsx';
import { StoryLine } from './StoryLine.tsx';
import { ReadingEntry } from './ReadingEntry.tsx';
import { type Headway, useShare } from '../../workers/headway.ts';

interface Props {
  examination: Examination;
  state: Computed<Examined | null>;
  onAgain: () => void;
}

const Weighed = ({ headway }: { headway: Headway }) => (
  <Text size="sm" c="dimmed" role="status">
    Weighing {Math.round(100 * useShare(headway))} %
  </Text>
);

/** What is behind the readings: what is likely, by what evidence, what to read next, and what to do. */
export function DiagnosisPanel({ examination, state, onAgain }: Props) {
  const examined = state.kind === 'done' ? state.value : state.before;
  return (
    <section className="panel" aria-label="What is behind it" aria-busy={state.kind === 'running'}>
      <Stack>
        <Group justify="space-between">
          <Title order={3} size="h4">
            What is behind it
          </Title>
          {state.kind === 'running' && <Weighed headway={state.headway} />}
        </Group>
        {state.kind === 'failed' && (
          <Tone kind="bad" head="The causes could not be weighed" role="alert">
            {state.message}{' '}
            <Button variant="default" size="sm" mih={44} onClick={onAgain}>
              Try again
            </Button>
          </Tone>
        )}
        {state.kind === 'done' && !state.value && (
          <Tone kind="warn" head="No cause can be weighed">
            The model cannot run such a system in such a water. Look at the survey once more.
          </Tone>
        )}
        {examined && <Found examined={examined} examination={examination} />}
      </Stack>
    </section>
  );
}

interface FoundProps {
  examined: Examined;
  examination: Examination;
}

function Found({ examined, examination }: FoundProps) {
  const { diagnosis, expected } = examined;
  const reader = useReader();
  const judgement = judgementOf(diagnosis);
  const [first] = judgement.told;
  const isSure = (first?.probability ?? 0) >= standsOut;
  const isHealthy = first?.faults[0] === 'healthy';
  const isSound = isSure && isHealthy;
  const evidence = evidenceOf(examination.given, expected, reader);
  return (
    <>
      <Tone
        kind={isSound ? 'good' : isSure ? 'bad' : 'warn'}
        head={leadSentence(judgement, diagnosis.next !== null, reader)}
        role="status"
      >
        {evidence.length > 0 && (
          <ul>
            {evidence.map(({ code, sentence }) => (
              <li key={code}>{sentence}</li>
            ))}
          </ul>
        )}
      </Tone>
      {diagnosis.stories.every(({ misfit }) => misfit > explainsNothing) && (
        <Tone kind="warn" head="None of these explains all that was read">
          Nor do two at once. A reading may not be what it seems: another place, another unit, a
          valve that was open. Take the one that lies farthest off once more.
        </Tone>
      )}
      {diagnosis.next && !isSure && (
        <div aria-label="Read next" role="group">
          <Text fw={650}>
            Read next: {readingLabel(diagnosis.next.reading)}, about {diagnosis.next.minutes} min
          </Text>
          <Text size="sm" c="dimmed" mb="xs">
            Of all that is not read yet, it tells most about the cause for the time it takes.
          </Text>
          <ReadingEntry code={diagnosis.next.reading} />
        </div>
      )}
      <Causes judgement={judgement} />
      <StoryLine
        examination={examination}
        expected={expected}
        stories={leadingStories(diagnosis)}
      />
      <Stories examined={examined} examination={examination} />
      {first && !isHealthy && first.faults.length > 0 && <MendOffer suspect={first} />}
    </>
  );
}

/** The two that are laid over the readings: a sound system is there already, as its band. */
const leadingStories = ({ stories }: Examined['diagnosis']) =>
  stories.filter(({ faults }) => faults[0] !== 'healthy').slice(0, 2);

/** What was read beside what a sound system shows, and beside what the two leading causes would show. */
function Stories({ examined: { diagnosis, expected }, examination }: FoundProps) {
  const reader = useReader();
  const stories = leadingStories(diagnosis);
  return (
    <RowsTable
      minWidth={560}
      label="Readings beside the causes"
      columns={[
        'Reading',
        { head: 'Read', right: true },
        { head: 'Sound, nine in ten', right: true },
        ...stories.map(({ faults }) => ({
          head: `If: ${shortCause(faults, reader)}`,
          right: true as const,
        })),
      ]}
    >
      {examination.given.map(({ code, seen }) => (
        <tr key={code}>
          <td>{readingLabel(code)}</td>
          <td className="right strong">{sayReading(code, seen, reader)}</td>
          <td className="right">{saySound(code, expected, reader)}</td>
          {stories.map(({ faults, readings }) => (
            <td key={faults.join()} className="right">
              {sayReading(code, readings[code] ?? null, reader)}
            </td>
          ))}
        </tr>
      ))}
    </RowsTable>
  );
}
