import {
  changeOutPlan,
  type Serviced,
  serviceFactsOf,
  type ServiceStep,
  type SystemDesign,
} from '@katharos/core';
import { serviceWords } from '@katharos/words';
import { Button, Group, Text } from '@mantine/core';
import { useMemo, useState } from 'react';
import { StepTick } from '../../../ui/StepTick.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { useSizing } from '../../open/sizingContext.ts';
import { useDocument } from '../../open/useJob.ts';
import { BatchInput } from './BatchInput.tsx';
import { useVisit } from './useVisit.ts';
import { VisitRunner } from './VisitRunner.tsx';

/** What of the service a step gets done: what is changed, and a disinfection once its bleach is out again. */
const doneBy = (step: ServiceStep): string | null =>
  step.code === 'change' ? step.data.id : step.code === 'sanitise-rinse' ? 'sanitising' : null;

interface Props {
  id: string;
  design: SystemDesign;
  serviced: readonly Serviced[];
}

/** The steps of what is done, out of the sequence, as a list or one on the whole screen; a part that is put in is noted with its batch. */
export function VisitSteps({ id, design, serviced }: Props) {
  const { visit, change, stamp } = useVisit(id);
  const reader = useReader();
  const [isWhole, setWhole] = useState(false);
  const { brief } = useSizing();
  const water = brief?.ok ? brief.value.task.waters.today : null;
  const { germTest } = useDocument().verify;
  const germsFound = germTest?.result?.found === true;
  // Washing out is solved by the model: once for a system in its water.
  const facts = useMemo(
    () => (water ? serviceFactsOf(design, water, { germsFound }) : undefined),
    [design, water, germsFound],
  );
  if (!visit) return null;
  const planned = serviced.filter((one) => visit.planned?.includes(one.id));
  const { faults = [] } = visit;
  if (planned.length + faults.length === 0) return null;
  const steps = changeOutPlan(design, planned, faults, facts);
  const tick = (step: ServiceStep, isDone: boolean) =>
    change(({ done = {}, begun = {}, changed = {} }) => {
      const now = stamp();
      const { [step.id]: _old, ...rest } = done;
      // What is done again runs its time again.
      const { [step.id]: _begun, ...othersBegun } = begun;
      const next = {
        done: isDone ? { ...rest, [step.id]: now } : rest,
        begun: isDone ? begun : othersBegun,
      };
      const servicedId = doneBy(step);
      if (!servicedId) return next;
      const what = serviced.find((one) => one.id === servicedId);
      const { [servicedId]: before, ...others } = changed;
      const put = { part: what?.part?.name ?? '', batch: before?.batch ?? '', ...now };
      return { ...next, changed: isDone ? { ...others, [servicedId]: put } : others };
    });
  const begin = (step: ServiceStep) =>
    change(({ begun = {} }) => ({ begun: { ...begun, [step.id]: stamp().at } }));
  const list = (
    <ol style={{ listStyle: 'none', padding: 0, margin: 0 }} aria-label="Steps of this visit">
      {steps.map((step, i) => (
        <li key={step.id} style={{ padding: '8px 0' }}>
          <StepTick
            number={i + 1}
            words={serviceWords(step, reader)}
            checked={Boolean(visit.done?.[step.id])}
            onChange={(checked) => tick(step, checked)}
          />
          {step.code === 'change' && <BatchInput id={id} of={step.data.id} />}
        </li>
      ))}
    </ol>
  );
  const left = steps.filter((step) => !visit.done?.[step.id]).length;
  return (
    <div>
      <Group justify="space-between">
        <Text fw={560}>Step by step</Text>
        {left > 0 && (
          <Button size="md" variant="default" onClick={() => setWhole(true)}>
            {left < steps.length ? 'Go on, on the whole screen' : 'Begin, on the whole screen'}
          </Button>
        )}
      </Group>
      {list}
      {isWhole && (
        <VisitRunner
          id={id}
          steps={steps}
          list={list}
          onDone={(step) => tick(step, true)}
          onBegin={begin}
          onClose={() => setWhole(false)}
        />
      )}
    </div>
  );
}
