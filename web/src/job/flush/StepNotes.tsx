import { endsRead, type FlushStep, toCore } from '@katharos/core';
import { Button, CloseButton, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import { Dialog } from '../../ui/Dialog.tsx';
import { useReader } from '../../ui/useReader.ts';
import { serverNow } from '../../data/serverClock.ts';
import { NoteField } from '../../ui/typed/NoteField.tsx';
import { TypedInput } from '../../ui/typed/TypedInput.tsx';
import { useDocument } from '../open/useJob.ts';
import { StepPhotographs } from '../photographs/StepPhotographs.tsx';
import { useJobPhotographs } from '../photographs/useJobPhotographs.ts';
import { flushMeasures, type FlushReading, readingNames } from './flushReadings.ts';
import type { FlushDeeds } from './useFlushDeeds.ts';
import styles from '../runner/Runner.module.css';

interface Props {
  step: FlushStep;
  title: string;
  deeds: FlushDeeds;
}

/** What may be kept of a step: a note, a reading, a photograph. */
export function StepNotes({ step, title, deeds }: Props) {
  const [isOpen, setOpen] = useState(false);
  const { notes = {}, readings = {} } = useDocument().flush;
  const { photographs } = useJobPhotographs();
  const own = Object.entries(readings)
    .filter(([, reading]) => reading.step === step.id)
    .sort(([, a], [, b]) => a.at.localeCompare(b.at));
  const count = own.length + (notes[step.id] ? 1 : 0);
  const read = (of: FlushReading, value: number, unit: string) => {
    deeds.read(step, { of, value, unit });
    const all = [...own.map(([, reading]) => reading), { of, value, unit, at: serverNow() }];
    const readingsOf = (kind: FlushReading) =>
      all
        .filter((one) => one.of === kind)
        .map((one) => ({ value: toCore(dimensionOf(kind), one), at: new Date(one.at).getTime() }));
    const seen = endsRead(step.ends, {
      tds: readingsOf('tds'),
      strip: readingsOf('strip'),
      litres: readingsOf('litres'),
    });
    for (const kind of seen) deeds.look(step, kind, true);
  };
  return (
    <>
      <Button variant="default" mih={64} onClick={() => setOpen(true)}>
        Note{count > 0 ? ` (${count})` : ''}
      </Button>
      <StepPhotographs
        step={photographStep(step)}
        title={title}
        own={photographs.filter((one) => one.step === photographStep(step))}
        mayAdd
        large
      />
      {isOpen && (
        <Dialog
          onClose={() => setOpen(false)}
          title={`Kept of: ${title}`}
          size="lg"
          closeLabel="Back to the step"
        >
          <Stack gap="md">
            <NoteField
              label="Note"
              keptAs={`flush-note-${step.id}`}
              value={notes[step.id] ?? ''}
              onSave={(text, of) => deeds.note(step.id, text, of)}
            />
            {flushMeasures.map(({ of, measure }) => (
              <ReadingEntry
                key={of}
                of={of}
                measure={measure}
                step={step}
                onRead={(value, unit) => read(of, value, unit)}
              />
            ))}
            {own.length > 0 && <Readings readings={own} onDrop={deeds.dropReading} />}
          </Stack>
        </Dialog>
      )}
    </>
  );
}

const dimensionOf = (of: FlushReading) =>
  flushMeasures.find((one) => one.of === of)!.measure.dimension;

const photographStep = ({ id }: FlushStep): string => `flush:${id}`;

interface EntryProps {
  of: FlushReading;
  measure: (typeof flushMeasures)[number]['measure'];
  step: FlushStep;
  onRead: (value: number, unit: string) => void;
}

/** A box that takes one reading after the other. */
function ReadingEntry({ of, measure, step, onRead }: EntryProps) {
  // Emptied after each, by being made anew.
  const [round, setRound] = useState(0);
  return (
    <TypedInput
      key={round}
      label={readingNames[of]}
      keptAs={`flush-${of}-${step.id}`}
      measure={measure}
      shown=""
      onEntry={(quantity) => {
        if (!quantity) return;
        onRead(quantity.value, quantity.unit);
        setRound((before) => before + 1);
      }}
    />
  );
}

interface Reading {
  of: FlushReading;
  value: number;
  unit: string;
  at: string;
  by: string;
}

function Readings({
  readings,
  onDrop,
}: {
  readings: readonly (readonly [string, Reading])[];
  onDrop: (id: string) => void;
}) {
  const reader = useReader();
  return (
    <ul className={styles.readings} aria-label="Readings of this step">
      {readings.map(([id, { of, value, unit, at, by }]) => (
        <li key={id}>
          <Text span>
            {readingNames[of]}: <strong>{reader.entered(dimensionOf(of), { value, unit })}</strong>{' '}
            <span className="quiet">
              {reader.when(at, 'time')} · {by}
            </span>
          </Text>
          <CloseButton
            size="lg"
            aria-label={`Take away: ${readingNames[of]}, ${reader.when(at, 'time')}`}
            onClick={() => onDrop(id)}
          />
        </li>
      ))}
    </ul>
  );
}
