import { cautionWords, toolNames, workWords } from '@katharos/words';
import type { WorkStep } from '@katharos/core';
import { useJob } from '../../open/useJob.ts';
import { StepPhotographs } from '../../photographs/StepPhotographs.tsx';
import { useUnits } from '../../../ui/useUnits.ts';
import { ActionIcon, Button, Checkbox, Group, Text, Textarea } from '@mantine/core';
import IconArrowDown from '@tabler/icons-react/dist/esm/icons/IconArrowDown.mjs';
import IconArrowUp from '@tabler/icons-react/dist/esm/icons/IconArrowUp.mjs';
import { useState } from 'react';
import styles from './Work.module.css';

interface StepProps {
  step: WorkStep;
  /** What it takes, by name. */
  parts: readonly string[];
  number: number;
  record: { at: string; by: string } | undefined;
  isDone: boolean;
  /** The first that is not done. */
  isNext: boolean;
  onTick: (on: boolean) => void;
  /** Earlier and later, while the order is changed. */
  moves: { onUp: (() => void) | undefined; onDown: (() => void) | undefined } | null;
}

/** Where a step stands on the page. */
export const stepAnchor = (id: string): string => `step-${id}`;

/** One step: open until it is done, then a line that opens again when it is asked. */
export function WorkStepCard(props: StepProps) {
  const { step, parts, number, record, isDone, isNext, onTick, moves } = props;
  const { system } = useUnits();
  const { document } = useJob();
  const words = workWords(step, system);
  const [shown, setShown] = useState(false);
  const note = document.plumb.notes?.[step.id];
  return (
    <li
      id={stepAnchor(step.id)}
      className={styles.step}
      data-done={isDone}
      data-next={isNext}
      data-testid={`step-${step.id}`}
    >
      <Checkbox
        size="lg"
        checked={isDone}
        aria-label={words.title}
        onChange={(event) => onTick(event.currentTarget.checked)}
      />
      <div>
        <div className={styles.head}>
          {isDone ? (
            <button
              type="button"
              className={styles.title}
              aria-expanded={shown}
              onClick={() => setShown(!shown)}
            >
              {number}. {words.title}
              {record && (
                <span className={styles.record}>
                  Done by {record.by}, {clock(record.at)}
                </span>
              )}
            </button>
          ) : (
            <Text fw={650} className={styles.open}>
              {number}. {words.title}
            </Text>
          )}
          {moves && <Mover title={words.title} {...moves} />}
        </div>
        {record && !isDone && (
          <Text size="sm" className="mark warn">
            Was done by {record.by}, {clock(record.at)}, for the system as it was: do it again.
          </Text>
        )}
        {(!isDone || shown) && (
          <>
            <Text>{words.instruction}</Text>
            {step.cautions.map((caution) => (
              <Text key={caution} size="sm" className={`tone warn ${styles.caution}`}>
                <span>{cautionWords[caution]}</span>
              </Text>
            ))}
            {parts.length > 0 && (
              <Text size="sm">
                <strong>Takes:</strong> {parts.join(', ')}
              </Text>
            )}
            {step.tools.length > 0 && (
              <Text size="sm">
                <strong>Tools:</strong> {step.tools.map((tool) => toolNames[tool]).join(', ')}
              </Text>
            )}
            <Text size="sm">
              <strong>Proof:</strong> {words.proof}
            </Text>
          </>
        )}
        {(!isDone || shown || note) && <StepNote id={step.id} title={words.title} />}
        <StepPhotographs step={step.id} title={words.title} mayAdd={!isDone || shown} />
      </div>
    </li>
  );
}

/** Earlier or later, as far as physics allows. */
function Mover({
  title,
  onUp,
  onDown,
}: {
  title: string;
  onUp: (() => void) | undefined;
  onDown: (() => void) | undefined;
}) {
  return (
    <Group gap={2} wrap="nowrap" className="no-print">
      <ActionIcon
        variant="subtle"
        size={44}
        disabled={!onUp}
        aria-label={`Earlier: ${title}`}
        onClick={onUp}
      >
        <IconArrowUp size={18} />
      </ActionIcon>
      <ActionIcon
        variant="subtle"
        size={44}
        disabled={!onDown}
        aria-label={`Later: ${title}`}
        onClick={onDown}
      >
        <IconArrowDown size={18} />
      </ActionIcon>
    </Group>
  );
}

const clock = (at: string): string =>
  new Date(at).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

function StepNote({ id, title }: { id: string; title: string }) {
  const { document, edit } = useJob();
  const note = document.plumb.notes?.[id] ?? '';
  const [open, setOpen] = useState(false);
  if (!open && !note) {
    return (
      <Button
        variant="subtle"
        size="compact-sm"
        mih={44}
        miw={44}
        px={4}
        className="no-print"
        aria-label={`Note: ${title}`}
        onClick={() => setOpen(true)}
      >
        Note
      </Button>
    );
  }
  const save = (text: string) => {
    setOpen(false);
    if (text === note) return;
    edit(({ plumb }) => {
      const { [id]: _old, ...rest } = plumb.notes ?? {};
      return { plumb: { ...plumb, notes: text ? { ...rest, [id]: text } : rest } };
    });
  };
  return (
    <Textarea
      key={note}
      aria-label={`Note on ${title}`}
      autosize
      autoFocus={open}
      maxLength={1000}
      defaultValue={note}
      onBlur={(event) => save(event.currentTarget.value.trim())}
    />
  );
}
