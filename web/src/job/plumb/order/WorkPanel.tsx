import { type Plumbing, mayMove, type WorkStep } from '@katharos/core';
import { stepParts, workWords } from '@katharos/words';
import { useJobPhotographs } from '../../photographs/useJobPhotographs.ts';
import { useJob } from '../../open/useJob.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { stepAnchor, WorkStepCard } from './WorkStepCard.tsx';
import { Button, Group, Text, Title } from '@mantine/core';
import { useCallback, useDeferredValue, useEffect, useState } from 'react';
import styles from './Work.module.css';

/** Steps that are drawn at once. */
const firstDrawn = 6;

/** Everything that is done, in the order in which it can be done, ticked with who and when. */
export function WorkPanel({ plumbing }: { plumbing: Plumbing }) {
  const { document, edit, stamp } = useJob();
  const reader = useReader();
  const { steps, parts } = plumbing;
  const done = document.plumb.done ?? {};
  const isDone = (step: WorkStep) => done[step.id]?.mark === step.mark;
  const again = steps.filter((step) => done[step.id] && !isDone(step));
  const gone = Object.keys(done).filter((id) => !steps.some((step) => step.id === id));
  const move = (step: WorkStep, by: number) =>
    edit(({ plumb }) => {
      const order = steps.map(({ id }) => id);
      const from = order.indexOf(step.id);
      order.splice(from, 1);
      order.splice(from + by, 0, step.id);
      return { plumb: { ...plumb, order } };
    });
  const count = steps.filter(isDone).length;
  const next = steps.find((step) => !isDone(step));
  const behind = next ? steps.indexOf(next) : steps.length;
  // What lies far below the first screen is drawn after it.
  const reach = useDeferredValue(steps.length, behind + firstDrawn);
  const [ordering, setOrdering] = useState(false);
  /** The step that was ticked last. */
  const [ticked, setTicked] = useState<string | null>(null);
  const tick = useCallback(
    (step: WorkStep, on: boolean) => {
      setTicked(on ? step.id : null);
      edit(({ plumb }) => {
        const { [step.id]: _old, ...rest } = plumb.done ?? {};
        const now = on ? { ...rest, [step.id]: { ...stamp(), mark: step.mark } } : rest;
        return { plumb: { ...plumb, done: now } };
      });
    },
    [edit, stamp],
  );
  const { photographs } = useJobPhotographs();
  const nextId = next?.id;
  useEffect(() => {
    // What was ticked folds away; the keyboard goes on to what comes next, also where that stays the same.
    if (ticked && nextId) checkboxOf(nextId)?.focus({ preventScroll: true });
  }, [ticked, nextId]);
  const card = (step: WorkStep, i: number) => (
    <WorkStepCard
      key={step.id}
      step={step}
      parts={stepParts(step, parts)}
      number={i + 1}
      record={done[step.id]}
      isDone={isDone(step)}
      isNext={step.id === next?.id}
      onTick={tick}
      photographs={photographs.filter((one) => one.step === step.id)}
      moves={
        ordering
          ? {
              onUp: mayMove(steps, step.id, i - 1) && i > 0 ? () => move(step, -1) : undefined,
              onDown:
                mayMove(steps, step.id, i + 1) && i < steps.length - 1
                  ? () => move(step, 1)
                  : undefined,
            }
          : null
      }
    />
  );
  return (
    <section className="panel" aria-label="Order of work">
      <Group justify="space-between">
        <Title order={3} size="h4">
          Order of work
        </Title>
        <Group gap="sm">
          <Text c="dimmed">
            {count} of {steps.length} done
          </Text>
          <Button
            variant="subtle"
            size="sm"
            mih={44}
            className="no-print"
            aria-pressed={ordering}
            onClick={() => setOrdering(!ordering)}
          >
            {ordering ? 'Order is right' : 'Change the order'}
          </Button>
        </Group>
      </Group>
      <div className="sr" role="status">
        {ticked && (next ? `Next: ${workWords(next, reader).title}` : 'Every step is done.')}
      </div>
      {again.length > 0 && (
        <Tone kind="warn" head="The system changed after these were done" role="status">
          {again.length} marked below to be done again; nothing that was ticked is lost.
        </Tone>
      )}
      {gone.length > 0 && (
        <Text size="sm" mt="xs">
          {gone.length} done that this system no longer asks for: take out what was built in for
          them.
        </Text>
      )}
      {behind > 0 && !ordering ? (
        <>
          <details className={styles.behind}>
            <summary>
              {behind} {reader.plural(behind, { one: 'step', other: 'steps' })} done: show
            </summary>
            <ol className={styles.steps}>{steps.slice(0, behind).map(card)}</ol>
          </details>
          <ol className={styles.steps} start={behind + 1}>
            {steps.slice(behind, reach).map((step, i) => card(step, behind + i))}
          </ol>
        </>
      ) : (
        <ol className={styles.steps}>{steps.slice(0, reach).map(card)}</ol>
      )}
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

const checkboxOf = (id: string): HTMLElement | null =>
  window.document.getElementById(stepAnchor(id))?.querySelector('input[type=checkbox]') ?? null;
