import { failureHead, failureSentence, type Reader } from '@katharos/words';
import { type FlushStep, type InstalledSystem } from '@katharos/core';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useShortcuts } from '../../ui/useShortcuts.ts';
import { NeedsBrief } from '../open/NeedsBrief.tsx';
import { NeedsSystem } from '../open/NeedsSystem.tsx';
import { useDocument, useJobId } from '../open/useJob.ts';
import { WholeScreen } from '../runner/WholeScreen.tsx';
import { FlushFindings } from './FlushFindings.tsx';
import { FlushTimes } from './FlushTimes.tsx';
import { Running } from './Running.tsx';
import { SanitiseChoice } from './SanitiseChoice.tsx';
import { VisitsChoice } from './VisitsChoice.tsx';
import { StepFace } from './StepFace.tsx';
import { StepList } from './StepList.tsx';
import { type Flush, useFlush } from './useFlush.ts';
import { useFlushDeeds } from './useFlushDeeds.ts';

/** Flushing, one step at a time. */
export function FlushStage() {
  const document = useDocument();
  if (!document.system) {
    return (
      <NeedsSystem
        title="Flush"
        reason="How long each fill takes depends on the system that was chosen."
      />
    );
  }
  return <Planned design={document.system.design} />;
}

function Planned({ design }: { design: InstalledSystem }) {
  const flush = useFlush(design);
  if (!flush) return <NeedsBrief />;
  if (!flush.ok) {
    return (
      <Tone kind="bad" head={failureHead(flush.failure)} role="alert">
        {failureSentence(flush.failure)}
      </Tone>
    );
  }
  return <Flushing flush={flush.value} />;
}

function Flushing({ flush }: { flush: Flush }) {
  const jobId = useJobId();
  const reader = useReader();
  const deeds = useFlushDeeds(flush.plan);
  const isPhone = useMediaQuery('(max-width: 48em)', false, { getInitialValueInEffect: false });
  const [params, setParams] = useSearchParams();
  const isWhole = params.has('whole');
  const show = (whole: boolean) =>
    setParams((before) => {
      const next = new URLSearchParams(before);
      if (whole) next.set('whole', '');
      else next.delete('whole');
      return next;
    });
  // Once a step was done here, the next one takes the focus and is read out.
  const [following, setFollowing] = useState(false);
  /** A step that is looked at out of its turn. */
  const [picked, setPicked] = useState<string | null>(null);
  const { steps, records, schedule, now } = flush;
  const isDone = (step: FlushStep) => !!records[step.id]?.done;
  const current = steps.find((step) => !isDone(step));
  const shown = steps.find(({ id }) => id === picked && !records[id]?.done) ?? current;
  const pick = (step: FlushStep) => {
    setPicked(step.id);
    setFollowing(true);
  };
  const goOn = () => {
    setPicked(null);
    setFollowing(true);
  };
  useShortcuts([['f', () => show(!isWhole)]]);
  const face = shown && (
    <StepFace
      key={shown.id}
      flush={flush}
      step={shown}
      deeds={deeds}
      takesFocus={following}
      isWhole={isWhole}
      onDone={goOn}
    />
  );
  const list = (close?: () => void) => (
    <StepList
      flush={flush}
      current={shown}
      onReopen={deeds.reopen}
      onPick={(step) => {
        pick(step);
        close?.();
      }}
    />
  );
  return (
    <Stack gap="md">
      <Group justify="space-between">
        <Title order={2} size="h3" className="stage-title">
          Flush
        </Title>
        <Text c="dimmed">{timeLeft(steps, isDone, reader)}</Text>
        {shown && !isPhone && (
          <Button variant="default" mih={44} onClick={() => show(true)}>
            Whole screen
          </Button>
        )}
      </Group>
      <SanitiseChoice flush={flush} deeds={deeds} />
      <VisitsChoice flush={flush} deeds={deeds} />
      {shown && isPhone && !isWhole && (
        <Button size="xl" mih={64} fullWidth onClick={() => show(true)}>
          {Object.keys(records).length > 0 ? 'Go on flushing' : 'Begin to flush'}
        </Button>
      )}
      {shown && !isPhone && !isWhole && face}
      {!shown && (
        <Tone kind="good" head="Flushed">
          <Text mb="xs">
            Every step is done. Readings are taken from running product, not from the first tank.
          </Text>
          <Button size="lg" component={Link} to={`/jobs/${jobId}/verify`}>
            Take the readings
          </Button>
        </Tone>
      )}
      <FlushTimes schedule={schedule} now={now} />
      <FlushFindings design={flush.design} water={flush.water} now={now} />
      {list()}
      {isWhole && shown && (
        <WholeScreen
          label="Flushing"
          head={<Running flush={flush} shown={shown} onPick={pick} />}
          list={list}
          onClose={() => show(false)}
        >
          {face}
        </WholeScreen>
      )}
    </Stack>
  );
}

/** What is still before the person, and how much of it is waiting. */
function timeLeft(
  steps: readonly FlushStep[],
  isDone: (step: FlushStep) => boolean,
  reader: Reader,
): string {
  const ahead = steps.filter((step) => !isDone(step));
  const minutes = (wanted: boolean) =>
    ahead
      .filter((step) => step.attended === wanted)
      .reduce((sum, step) => sum + (step.minutes ?? 0), 0);
  if (ahead.length === 0) return '';
  const waiting = minutes(false);
  return `Still ahead: ${reader.minutes(minutes(true))} beside it${waiting > 0 ? `, ${reader.minutes(waiting)} of filling alone` : ''}`;
}
