import {
  type InstrumentKind,
  instrumentKinds,
  usualAccuracy,
  usualCalibrationMonths,
} from '@katharos/core';
import { type Instrument, instrumentSchema } from '@katharos/job';
import { instrumentWords } from '@katharos/words';
import { Button, Group, NativeSelect, SimpleGrid, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';
import { v4 as newId } from 'uuid';
import { z } from 'zod';
import { instrumentsLane } from '../data/line/deeds.ts';
import { keep } from '../data/line/keep.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { TypedScope } from '../ui/typed/halfTyped.ts';
import { focusFaulty } from '../ui/focusFaulty.ts';
import { today } from '../data/today.ts';
import { useDraft } from '../ui/useDraft.ts';

/** As it stands in the form: what is not filled in yet is let through, and said when it is handed in. */
const draftSchema = instrumentSchema.safeExtend({ name: z.string().max(200) });

/** Conductivity to TDS that most pens are set to. */
const usualScale = 0.5;

const startOf = (kind: InstrumentKind): Instrument => ({
  id: newId(),
  kind,
  name: '',
  serial: '',
  tdsPerConductivity: kind === 'tds-pen' ? usualScale : null,
  accuracy: usualAccuracy[kind],
  since: today(),
  everyMonths: usualCalibrationMonths[kind],
  away: false,
});

interface Props {
  /** Absent for one that is added. */
  instrument?: Instrument | undefined;
  onDone: () => void;
}

/** What an instrument is and how well it reads, as its data sheet says. */
export function InstrumentForm({ instrument, onDone }: Props) {
  const key = `instrument:${instrument?.id ?? 'new'}`;
  const start = instrument ?? startOf('tds-pen');
  const { draft, change: keepDraft, forget } = useDraft(key, draftSchema, start);
  const [faults, setFaults] = useState<Record<string, string>>({});
  const change = (part: Partial<Instrument>) => {
    keepDraft(part);
    setFaults({});
  };
  const words = instrumentWords[draft.kind];
  const isGauge = draft.kind === 'gauge' || draft.kind === 'tank-gauge';
  const { accuracy } = draft;
  const setAccuracy = (part: Partial<Instrument['accuracy']>) =>
    change({ accuracy: { ...accuracy, ...part } });
  const submit = () => {
    const found = faultsBy(instrumentSchema)(draft);
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    void keep(instrumentsLane, { kind: 'instrument', instrument: instrumentSchema.parse(draft) });
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
            <NativeSelect
              label="Kind"
              size="md"
              disabled={instrument !== undefined}
              value={draft.kind}
              data={instrumentKinds.map((value) => ({ value, label: instrumentWords[value].name }))}
              onChange={({ currentTarget: { value } }) => {
                const { kind, tdsPerConductivity, accuracy, everyMonths } = startOf(
                  value as InstrumentKind,
                );
                change({ kind, tdsPerConductivity, accuracy, everyMonths });
              }}
            />
            <TextInput
              label="Name"
              description="By which you know it: pen in the blue case."
              size="md"
              value={draft.name}
              error={faults.name}
              onChange={({ currentTarget: { value } }) => change({ name: value })}
            />
            <TextInput
              label="Serial number"
              size="md"
              value={draft.serial}
              error={faults.serial}
              onChange={({ currentTarget: { value } }) => change({ serial: value })}
            />
            <TextInput
              label="In use since"
              type="date"
              size="md"
              max={today()}
              value={draft.since}
              error={faults.since}
              onChange={({ currentTarget: { value } }) => {
                if (value) change({ since: value });
              }}
            />
            {words.percent && (
              <MeasureInput
                label={words.percent}
                keptAs="percent"
                measure={{ dimension: 'count', range: { min: 0, max: 50 }, symbol: '%' }}
                value={accuracy.percent}
                wanted="Its data sheet says it; 2 where nothing is known."
                onCommit={(percent) => setAccuracy({ percent: percent ?? 0 })}
              />
            )}
            {words.absolute && (
              <MeasureInput
                label={words.absolute}
                keptAs="absolute"
                measure={{ dimension: 'count', range: { min: 0, max: 100 }, symbol: '' }}
                value={accuracy.absolute}
                wanted="Its last digit; 1 where nothing is known."
                onCommit={(absolute) => setAccuracy({ absolute: absolute ?? 0 })}
              />
            )}
            {isGauge && (
              <MeasureInput
                label="Full scale"
                keptAs="fullScale"
                measure={{ dimension: 'pressure', range: { min: 0.1, max: 100 } }}
                value={accuracy.fullScaleBar}
                fault={faults['accuracy.fullScaleBar']}
                wanted="The end of its scale."
                onCommit={(fullScaleBar) => setAccuracy({ fullScaleBar: fullScaleBar ?? 0 })}
              />
            )}
            {draft.tdsPerConductivity !== null && (
              <MeasureInput
                label="Scale, mg/L for each µS/cm"
                description="Often 0.5 (salt) or 0.7 (natural water)."
                keptAs="scale"
                measure={{ dimension: 'count', range: { min: 0.3, max: 1 }, symbol: '' }}
                value={draft.tdsPerConductivity}
                wanted="0.5 where the pen does not say."
                onCommit={(tdsPerConductivity) =>
                  change({ tdsPerConductivity: tdsPerConductivity ?? usualScale })
                }
              />
            )}
            <MeasureInput
              label="Calibrate every, months"
              description="Empty: never."
              keptAs="months"
              measure={{
                dimension: 'count',
                range: { min: 1, max: 120 },
                whole: true,
                symbol: '',
              }}
              value={draft.everyMonths ?? undefined}
              onCommit={(months) => change({ everyMonths: months ?? null })}
            />
          </SimpleGrid>
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
              {instrument ? 'Save' : 'Add'}
            </Button>
          </Group>
        </Stack>
      </form>
    </TypedScope>
  );
}
