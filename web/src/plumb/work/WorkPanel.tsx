import { cautionWords, type Plumbing, stepParts, toolNames, workWords } from '@katharos/contract';
import { mayMove, type WorkStep } from '@katharos/core';
import { ActionIcon, Button, Checkbox, Group, Text, Textarea, Title } from '@mantine/core';
import IconArrowDown from '@tabler/icons-react/dist/esm/icons/IconArrowDown.mjs';
import IconArrowUp from '@tabler/icons-react/dist/esm/icons/IconArrowUp.mjs';
import { useState } from 'react';
import { StepPhotographs } from '../../photographs/StepPhotographs.tsx';
import { useJob } from '../../job/useJob.ts';
import { Tone } from '../../quantities/Tone.tsx';
import { useUnits } from '../../quantities/useUnits.ts';
import styles from './Work.module.css';

/** Everything that is done, in the order in which it can be done, ticked with who and when. */
export function WorkPanel({ plumbing }: { plumbing: Plumbing }) {
  const { document, edit, stamp } = useJob();
  const { steps, parts } = plumbing;
  const done = document.plumb.done ?? {};
  const isDone = (step: WorkStep) => done[step.id]?.mark === step.mark;
  const again = steps.filter((step) => done[step.id] && !isDone(step));
  const gone = Object.keys(done).filter((id) => !steps.some((step) => step.id === id));
  const tick = (step: WorkStep, on: boolean) =>
    edit(({ plumb }) => {
      const { [step.id]: _old, ...rest } = plumb.done ?? {};
      const next = on ? { ...rest, [step.id]: { ...stamp(), mark: step.mark } } : rest;
      return { plumb: { ...plumb, done: next } };
    });
  const move = (step: WorkStep, by: number) =>
    edit(({ plumb }) => {
      const order = steps.map(({ id }) => id);
      const from = order.indexOf(step.id);
      order.splice(from, 1);
      order.splice(from + by, 0, step.id);
      return { plumb: { ...plumb, order } };
    });
  const count = steps.filter(isDone).length;
  return (
    <section className="panel" aria-label="Order of work">
      <Group justify="space-between">
        <Title order={3} size="h4">
          Order of work
        </Title>
        <Text c="dimmed">
          {count} of {steps.length} done
        </Text>
      </Group>
      {again.length > 0 && (
        <Tone kind="warn" head="The system changed after these were done" role="status">
          {again.map((step) => step.id).length} marked below to be done again; nothing that was
          ticked is lost.
        </Tone>
      )}
      {gone.length > 0 && (
        <Text size="sm" mt="xs">
          {gone.length} done that this system no longer asks for: take out what was built in for
          them.
        </Text>
      )}
      <ol className={styles.steps}>
        {steps.map((step, i) => (
          <Step
            key={step.id}
            step={step}
            parts={stepParts(step, parts)}
            number={i + 1}
            record={done[step.id]}
            isDone={isDone(step)}
            onTick={(on) => tick(step, on)}
            onUp={mayMove(steps, step.id, i - 1) && i > 0 ? () => move(step, -1) : undefined}
            onDown={
              mayMove(steps, step.id, i + 1) && i < steps.length - 1
                ? () => move(step, 1)
                : undefined
            }
          />
        ))}
      </ol>
      {document.plumb.order && (
        <Button
          variant="subtle"
          className="no-print"
          onClick={() => edit(({ plumb: { order: _old, ...rest } }) => ({ plumb: rest }))}
        >
          Back to the usual order
        </Button>
      )}
    </section>
  );
}

interface StepProps {
  step: WorkStep;
  /** What it takes, by name. */
  parts: readonly string[];
  number: number;
  record: { at: string; by: string } | undefined;
  isDone: boolean;
  onTick: (on: boolean) => void;
  onUp: (() => void) | undefined;
  onDown: (() => void) | undefined;
}

function Step({ step, parts, number, record, isDone, onTick, onUp, onDown }: StepProps) {
  const { say } = useUnits();
  const words = workWords(step, say);
  return (
    <li className={styles.step} data-done={isDone} data-testid={`step-${step.id}`}>
      <Checkbox
        size="lg"
        checked={isDone}
        aria-label={words.title}
        onChange={(event) => onTick(event.currentTarget.checked)}
      />
      <div>
        <Text fw={650}>
          {number}. {words.title}
        </Text>
        <Text>{words.instruction}</Text>
        {step.cautions.map((caution) => (
          <Text key={caution} size="sm" className={`tone warn ${styles.caution}`}>
            <span>{cautionWords[caution]}</span>
          </Text>
        ))}
        <Text size="sm">
          <strong>Proof:</strong> {words.proof}
        </Text>
        {parts.length > 0 && (
          <Text size="sm">
            <strong>Takes:</strong> {parts.join(', ')}
          </Text>
        )}
        {step.tools.length > 0 && (
          <Text size="sm" c="dimmed">
            Tools: {step.tools.map((tool) => toolNames[tool]).join(', ')}
          </Text>
        )}
        {record && (
          <Text size="sm" c="dimmed">
            {isDone
              ? `Done by ${record.by}, ${clock(record.at)}`
              : `Was done by ${record.by}, ${clock(record.at)}, for the system as it was: do it again.`}
          </Text>
        )}
        <Group gap="md" align="flex-start">
          <StepNote id={step.id} title={words.title} />
          <StepPhotographs step={step.id} title={words.title} />
        </Group>
      </div>
      <Group gap={2} wrap="nowrap" className="no-print">
        <ActionIcon
          variant="subtle"
          size={44}
          disabled={!onUp}
          aria-label={`Earlier: ${words.title}`}
          onClick={onUp}
        >
          <IconArrowUp size={18} />
        </ActionIcon>
        <ActionIcon
          variant="subtle"
          size={44}
          disabled={!onDown}
          aria-label={`Later: ${words.title}`}
          onClick={onDown}
        >
          <IconArrowDown size={18} />
        </ActionIcon>
      </Group>
    </li>
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
        mih={32}
        px={0}
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
