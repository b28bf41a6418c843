import { unitOf } from '@katharos/core';
import { type Calibration, calibrationSchema, type Instrument } from '@katharos/job';
import { instrumentWords, unitFor } from '@katharos/words';
import { Button, Checkbox, Group, SimpleGrid, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';
import { z } from 'zod';
import { instrumentsLane } from '../data/line/deeds.ts';
import { keep } from '../data/line/keep.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { TypedScope } from '../ui/typed/halfTyped.ts';
import { useReader } from '../ui/useReader.ts';
import { focusFaulty } from '../ui/focusFaulty.ts';
import { today } from '../data/today.ts';
import { useDraft } from '../ui/useDraft.ts';

const draftSchema = z.object({
  on: z.string(),
  against: z.string().max(300),
  shown: z.number().optional(),
  truth: z.number().optional(),
  adjusted: z.boolean(),
});

/** What each box may hold, in the core's unit of what the instrument reads. */
const ranges: Record<string, { min: number; max: number }> = {
  tds: { min: 0, max: 10000 },
  pressure: { min: 0, max: 100 },
  temperature: { min: -5, max: 110 },
  volume: { min: 0, max: 100 },
};

/** Notes what an instrument showed of something known. */
export function CalibrationForm({
  instrument: { id, kind },
  onDone,
}: {
  instrument: Instrument;
  onDone: () => void;
}) {
  const key = `calibration:${id}`;
  const {
    draft,
    change: keepDraft,
    forget,
  } = useDraft(key, draftSchema, {
    on: today(),
    against: '',
    adjusted: false,
  });
  const [faults, setFaults] = useState<Record<string, string>>({});
  const change = (part: Partial<typeof draft>) => {
    keepDraft(part);
    setFaults({});
  };
  const { reads } = instrumentWords[kind];
  const measure = { dimension: reads, range: ranges[reads]! };
  const placeholder = unitOf(reads, unitFor(measure, useReader().units)).symbol;
  const submit = () => {
    const found = faultsBy(calibrationSchema)(draft);
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    const calibration: Calibration = calibrationSchema.parse(draft);
    void keep(instrumentsLane, { kind: 'calibration', instrumentId: id, calibration });
    forget();
    onDone();
  };
  return (
    <TypedScope value={key}>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (!focusFaulty(event.currentTarget)) submit();
        }}
      >
        <Stack>
          <SimpleGrid cols={{ base: 1, xs: 2 }}>
            <TextInput
              label="On"
              type="date"
              size="md"
              max={today()}
              value={draft.on}
              error={faults.on}
              onChange={({ currentTarget: { value } }) => change({ on: value })}
            />
            <TextInput
              label="Held against"
              description="A reference solution and its lot, another gauge, ice water."
              size="md"
              value={draft.against}
              error={faults.against}
              onChange={({ currentTarget: { value } }) => change({ against: value })}
            />
            <MeasureInput
              label="Its true value"
              keptAs="truth"
              placeholder={placeholder}
              measure={measure}
              value={draft.truth}
              fault={faults.truth && 'Enter what the reference is known to be.'}
              onCommit={(truth) => change({ truth })}
            />
            <MeasureInput
              label="The instrument showed"
              keptAs="shown"
              placeholder={placeholder}
              measure={measure}
              value={draft.shown}
              fault={faults.shown && 'Enter what it showed before anything was turned.'}
              onCommit={(shown) => change({ shown })}
            />
          </SimpleGrid>
          <Checkbox
            size="md"
            label="It was set right afterwards"
            checked={draft.adjusted}
            onChange={({ currentTarget: { checked } }) => change({ adjusted: checked })}
          />
          <Group justify="flex-end">
            <Button
              variant="default"
              size="md"
              onClick={() => {
                forget();
                onDone();
              }}
            >
              Not now
            </Button>
            <Button type="submit" size="md">
              Note it
            </Button>
          </Group>
        </Stack>
      </form>
    </TypedScope>
  );
}
