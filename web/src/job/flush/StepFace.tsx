import { endWords, flushWords } from '@katharos/words';
import { type EndCriterion, type FlushStep } from '@katharos/core';
import IconVolume from '@tabler/icons-react/dist/esm/icons/IconVolume.mjs';
import { ActionIcon, Button, Text } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { useReader } from '../../ui/useReader.ts';
import { useDocument } from '../open/useJob.ts';
import { askToNotify } from '../../timers/ring.ts';
import { canSpeak, speak, useWakeLock } from './attend.ts';
import { deviceId } from './device.ts';
import { EndReason } from './EndReason.tsx';
import { EndedWhen } from './EndedWhen.tsx';
import { type AskedAtEnd, endingOf } from './endingOf.ts';
import { FlushLine } from './FlushLine.tsx';
import { NotRight } from './NotRight.tsx';
import { StepNotes } from './StepNotes.tsx';
import { StepTimer } from '../runner/StepTimer.tsx';
import type { Flush } from './useFlush.ts';
import type { Ending, FlushDeeds } from './useFlushDeeds.ts';
import { useNow } from '../../timers/useNow.ts';
import styles from '../runner/Runner.module.css';

interface Props {
  flush: Flush;
  step: FlushStep;
  deeds: FlushDeeds;
  /** Whether its title takes the focus when it appears: then it is read out, and the keyboard stands at it. */
  takesFocus: boolean;
  /** Whether it has the screen for itself. */
  isWhole: boolean;
  onDone: () => void;
}

/**
 * One step, readable at arm's length: what to do, where the water stands, what ends it, its timer, and what may be said of it. Its timer is
 * the moment it was started, so a reload changes nothing.
 */
export function StepFace({ flush, step, deeds, takesFocus, isWhole, onDone }: Props) {
  const title = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (takesFocus) title.current?.focus();
  }, [takesFocus]);
  const reader = useReader();
  const { lead } = useDocument().flush;
  const words = flushWords(step, reader);
  const record = flush.records[step.id];
  const startedAt = record?.startedAt ? Date.parse(record.startedAt) : null;
  const isRunning = startedAt !== null && !record?.done && step.minutes !== null;
  // What was begun keeps the time it was begun with.
  const minutes = record?.minutes ?? step.minutes;
  const now = useNow(isRunning);
  const leftS = minutes === null ? 0 : minutes * 60 - (isRunning ? (now - startedAt) / 1000 : 0);
  const isOver = isRunning && leftS <= 0;
  const seen = record?.seen ?? [];
  const [asks, setAsks] = useState<AskedAtEnd | null>(null);
  const isLed = lead !== undefined && lead.device !== deviceId();
  useWakeLock(isRunning && step.attended);
  const begin = () => {
    askToNotify();
    deeds.start(step);
  };
  const end = (ending: Ending = {}) => {
    setAsks(null);
    deeds.finish(step, ending);
    onDone();
  };
  const done = () => {
    const asked = endingOf({ step, seen, leftS, minutes, isRunning });
    if (asked) setAsks(asked);
    else end();
  };
  const position = flush.steps.indexOf(step) + 1;
  return (
    <section className={isWhole ? styles.face : `panel ${styles.card}`} aria-label="This step">
      <div className={styles.what}>
        <div className={styles.above}>
          <Text c="dimmed">
            Step {position} of {flush.steps.length}
            {step.attended ? '' : ' · nobody has to stand by'}
          </Text>
          {canSpeak() && (
            <ActionIcon
              variant="subtle"
              size={44}
              aria-label="Read this step out"
              onClick={() => speak(Object.values(words).filter((one) => one !== null))}
            >
              <IconVolume size={22} />
            </ActionIcon>
          )}
        </div>
        <h3 className={styles.title} ref={title} tabIndex={-1}>
          {words.title}
        </h3>
        <FlushLine
          design={flush.design}
          water={flush.water}
          state={flush.states[position - 1]!}
          tankShare={tankShareAt(flush, position - 1, minutes, leftS)}
        />
        <Text className={styles.instruction}>{words.instruction}</Text>
        {words.caution && (
          <Text className={`tone warn ${styles.caution}`}>
            <span>{words.caution}</span>
          </Text>
        )}
        <Text>
          <strong>Done when:</strong> {words.proof}
        </Text>
        <Ends
          ends={step.ends}
          seen={seen}
          disabled={isLed}
          onSee={(kind, isSeen) => deeds.look(step, kind, isSeen)}
        />
      </div>
      <div className={styles.act}>
        {minutes !== null && (
          <StepTimer
            totalS={minutes * 60}
            leftS={leftS}
            startedAt={isRunning ? startedAt : null}
            attended={step.attended}
          />
        )}
        {isLed ? (
          <>
            <Text>
              <strong>{lead.by}</strong> leads on another device since{' '}
              {reader.when(lead.at, 'time')}.
            </Text>
            <Button size="xl" mih={64} fullWidth onClick={deeds.lead}>
              Take over here
            </Button>
          </>
        ) : asks === 'unseen' ? (
          <EndedWhen
            onSeen={() => end({ seen: [...new Set([...seen, 'drain-stopped' as const])] })}
            onUnseen={() => end({ endedUnseen: true })}
            onBack={() => setAsks(null)}
          />
        ) : asks ? (
          <EndReason
            kind={asks}
            onGive={(reason) => end({ reason })}
            onBack={() => setAsks(null)}
          />
        ) : minutes !== null && !isRunning ? (
          <Button size="xl" mih={64} fullWidth onClick={begin}>
            Start the timer
          </Button>
        ) : (
          <Button
            size="xl"
            mih={64}
            fullWidth
            onClick={done}
            variant={isRunning && !isOver ? 'default' : 'filled'}
          >
            {isRunning && !isOver ? 'Done already' : 'Done'}
          </Button>
        )}
        <div className={styles.beside}>
          <NotRight flush={flush} step={step} deeds={deeds} />
          <StepNotes step={step} title={words.title} deeds={deeds} />
        </div>
      </div>
    </section>
  );
}

interface EndsProps {
  ends: readonly EndCriterion[];
  seen: readonly EndCriterion['kind'][];
  disabled: boolean;
  onSee: (kind: EndCriterion['kind'], isSeen: boolean) => void;
}

/** What ends the step, each to be tapped off when it is seen. */
function Ends({ ends, seen, disabled, onSee }: EndsProps) {
  const reader = useReader();
  if (ends.length === 0) return null;
  return (
    <div className={styles.ends} role="group" aria-label="Seen">
      {ends.map((end) => {
        const isSeen = seen.includes(end.kind);
        return (
          <button
            key={end.kind}
            type="button"
            aria-pressed={isSeen}
            disabled={disabled}
            onClick={() => onSee(end.kind, !isSeen)}
          >
            <span aria-hidden className={styles.seenMark} />
            {endWords(end, reader)}
          </button>
        );
      })}
    </div>
  );
}

/** How full the tank is, as far as the steps before and the time that has gone tell. */
function tankShareAt(
  { steps, records }: Flush,
  at: number,
  minutes: number | null,
  leftS: number,
): number {
  const step = steps[at]!;
  const gone = minutes ? Math.min(1, Math.max(0, 1 - leftS / (minutes * 60))) : 0;
  // Drawn in steps that the eye tells apart, so that it is not solved anew every half second.
  const share = Math.round(gone * 25) / 25;
  if (step.code === 'tank-fill') return records[step.id]?.done ? 1 : share;
  if (step.code === 'tank-drain') return records[step.id]?.done ? 0 : 1 - share;
  const before = steps
    .slice(0, at)
    .findLast(({ code }) => code === 'tank-fill' || code === 'tank-drain');
  return before?.code === 'tank-fill' ? 1 : 0;
}
