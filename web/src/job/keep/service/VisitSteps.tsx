import { changeOutPlan, type Serviced, type ServiceStep, type SystemDesign } from '@katharos/core';
import { serviceWords } from '@katharos/words';
import { Button, Group, Text } from '@mantine/core';
import { useState } from 'react';
import { StepTick } from '../../../ui/StepTick.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { BatchInput } from './BatchInput.tsx';
import { useVisit } from './useVisit.ts';
import { VisitRunner } from './VisitRunner.tsx';

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
  if (!visit) return null;
  const planned = serviced.filter((one) => visit.planned?.includes(one.id));
  const { faults = [] } = visit;
  if (planned.length + faults.length === 0) return null;
  const steps = changeOutPlan(design, planned, faults);
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
      if (step.code !== 'change') return next;
      const what = serviced.find((one) => one.id === step.data.id);
      const { [step.data.id]: before, ...others } = changed;
      const put = { part: what?.part?.name ?? '', batch: before?.batch ?? '', ...now };
      return { ...next, changed: isDone ? { ...others, [step.data.id]: put } : others };
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
