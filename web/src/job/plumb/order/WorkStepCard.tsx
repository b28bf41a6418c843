import { saysTheSame } from '@katharos/job';
import { cautionWords, toolNames, workWords } from '@katharos/words';
import type { WorkStep } from '@katharos/core';
import { useEdit, useOpenJob } from '../../open/useJob.ts';
import type { ShownPhotograph } from '../../photographs/useJobPhotographs.ts';
import { NoteField } from '../../../ui/typed/NoteField.tsx';
import { StepPhotographs } from '../../photographs/StepPhotographs.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { ActionIcon, Button, Checkbox, Group } from '@mantine/core';
import IconArrowDown from '@tabler/icons-react/dist/esm/icons/IconArrowDown.mjs';
import IconArrowUp from '@tabler/icons-react/dist/esm/icons/IconArrowUp.mjs';
import { memo, useState } from 'react';
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
  onTick: (step: WorkStep, on: boolean) => void;
  /** Earlier and later, while the order is changed. */
  moves: { onUp: (() => void) | undefined; onDown: (() => void) | undefined } | null;
  photographs: readonly ShownPhotograph[];
}

/** A step is made anew with every edit of the job; it is drawn anew only where it says something else. */
function isSameStep(before: StepProps, after: StepProps): boolean {
  const { onTick, moves, ...said } = before;
  const { onTick: newTick, moves: newMoves, ...saidNow } = after;
  return onTick === newTick && moves === null && newMoves === null && saysTheSame(said, saidNow);
}

/** Where a step stands on the page. */
export const stepAnchor = (id: string): string => `step-${id}`;

/** One step: open until it is done, then a line that opens again when it is asked. */
export const WorkStepCard = memo(function WorkStepCard(props: StepProps) {
  const { step, parts, number, record, isDone, isNext, onTick, moves, photographs } = props;
  const reader = useReader();
  const words = workWords(step, reader);
  const [shown, setShown] = useState(false);
  const note = useOpenJob(({ document }) => document.plumb.notes?.[step.id]);
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
        onChange={(event) => onTick(step, event.currentTarget.checked)}
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
                  Done by {record.by}, {reader.when(record.at, 'short-moment')}
                </span>
              )}
            </button>
          ) : (
            <p className={styles.open}>
              {number}. {words.title}
            </p>
          )}
          {moves && <Mover title={words.title} {...moves} />}
        </div>
        {record && !isDone && (
          <p className="mark warn small">
            Was done by {record.by}, {reader.when(record.at, 'short-moment')}, for the system as it
            was: do it again.
          </p>
        )}
        {(!isDone || shown) && (
          <>
            <p>{words.instruction}</p>
            {step.cautions.map((caution) => (
              <p key={caution} className={`tone warn small ${styles.caution}`}>
                <span>{cautionWords[caution]}</span>
              </p>
            ))}
            {parts.length > 0 && (
              <p className="small">
                <strong>Takes:</strong> {parts.join(', ')}
              </p>
            )}
            {step.tools.length > 0 && (
              <p className="small">
                <strong>Tools:</strong> {step.tools.map((tool) => toolNames[tool]).join(', ')}
              </p>
            )}
            <p className="small">
              <strong>Proof:</strong> {words.proof}
            </p>
          </>
        )}
        <div className={styles.extras}>
          {(!isDone || shown || note) && <StepNote id={step.id} title={words.title} />}
          <StepPhotographs
            step={step.id}
            title={words.title}
            own={photographs}
            mayAdd={!isDone || shown}
          />
        </div>
      </div>
    </li>
  );
}, isSameStep);

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

function StepNote({ id, title }: { id: string; title: string }) {
  const { edit } = useEdit();
  const note = useOpenJob(({ document }) => document.plumb.notes?.[id] ?? '');
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
  const save = (text: string, of: string) =>
    edit(({ plumb }) => {
      const { [id]: _old, ...rest } = plumb.notes ?? {};
      return { plumb: { ...plumb, notes: text ? { ...rest, [id]: text } : rest } };
    }, of);
  return (
    <NoteField
      aria-label={`Note on ${title}`}
      keptAs={`step:${id}`}
      rows={1}
      autoFocus={open}
      value={note}
      onSave={(text, of) => save(text.trim(), of)}
      onBlurCapture={() => setOpen(false)}
    />
  );
}
