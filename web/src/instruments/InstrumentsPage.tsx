import type { KeptInstrument } from '@katharos/contract';
import { calibrationState, instrumentSchema } from '@katharos/job';
import { calibrationSentence, instrumentWords, saysAccuracy } from '@katharos/words';
import { Button, Group, Skeleton, Stack, Text, Title } from '@mantine/core';
import { useState } from 'react';
import { Dialog } from '../ui/Dialog.tsx';
import { troubleOf } from '../data/api.ts';
import { instrumentsLane } from '../data/line/deeds.ts';
import { keep } from '../data/line/keep.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { RowsTable } from '../ui/RowsTable.tsx';
import { CalibrationForm } from './CalibrationForm.tsx';
import { InstrumentForm } from './InstrumentForm.tsx';
import { today } from '../data/today.ts';
import { useInstruments } from './useInstruments.ts';

/** What the firm reads with, how well each does, and how it was held against something known. */
export function InstrumentsPage() {
  const { instruments, waits, error, refetch } = useInstruments();
  const [adding, setAdding] = useState(false);
  const inUse = instruments?.filter(({ away }) => !away) ?? [];
  const away = instruments?.filter((one) => one.away) ?? [];
  return (
    <Stack gap="md">
      <PageTitle>Instruments</PageTitle>
      <Group justify="space-between">
        <Title order={1} size="h2">
          Instruments
        </Title>
        <Button size="md" onClick={() => setAdding(true)}>
          Add an instrument
        </Button>
      </Group>
      <Text c="dimmed" maw={720}>
        A verdict is as good as what it was read with. What is past its calibration counts for less
        in every diagnosis until it is held against something known again.
      </Text>
      {waits && (
        <Text size="sm" c="dimmed" role="status">
          Kept here, to be sent.
        </Text>
      )}
      {!instruments && error && (
        <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />
      )}
      {!instruments && !error && <Skeleton height={160} />}
      {instruments && inUse.length === 0 && (
        <Tone kind="warn" head="No instrument yet">
          Until then every reading counts as one of a usual pen, gauge, jug and watch.
        </Tone>
      )}
      {inUse.map((instrument) => (
        <InstrumentPanel key={instrument.id} instrument={instrument} />
      ))}
      {away.length > 0 && (
        <details>
          <summary style={{ minHeight: 44 }}>Put away: {away.length}</summary>
          <Stack gap="md">
            {away.map((instrument) => (
              <InstrumentPanel key={instrument.id} instrument={instrument} />
            ))}
          </Stack>
        </details>
      )}
      {adding && (
        <Dialog size="lg" title="Add an instrument" onClose={() => setAdding(false)}>
          <InstrumentForm onDone={() => setAdding(false)} />
        </Dialog>
      )}
    </Stack>
  );
}

function InstrumentPanel({ instrument }: { instrument: KeptInstrument }) {
  const reader = useReader();
  const [open, setOpen] = useState<'change' | 'calibrate' | null>(null);
  const close = () => setOpen(null);
  const { kind, name, serial, accuracy, tdsPerConductivity, calibrations, away } = instrument;
  const { calibrations: _log, ...own } = instrument;
  const state = calibrationState(instrument, today());
  const putAway = () =>
    keep(instrumentsLane, {
      kind: 'instrument',
      instrument: instrumentSchema.parse({ ...own, away: !away }),
    });
  return (
    <section className="panel" aria-label={name}>
      <Stack gap="xs">
        <Group justify="space-between" align="start">
          <div>
            <Title order={2} size="h4">
              {name}
            </Title>
            <Text c="dimmed">
              {instrumentWords[kind].name}
              {serial && `, no. ${serial}`}; {saysAccuracy(kind, accuracy, reader)}
              {tdsPerConductivity !== null &&
                `; ${reader.number(tdsPerConductivity, 2)} mg/L for each µS/cm`}
            </Text>
          </div>
          <Group gap="xs">
            {!away && (
              <Button mih={44} onClick={() => setOpen('calibrate')}>
                Calibrate
              </Button>
            )}
            <Button variant="default" mih={44} onClick={() => setOpen('change')}>
              Change
            </Button>
            <Button variant="default" mih={44} onClick={() => void putAway()}>
              {away ? 'Take back' : 'Put away'}
            </Button>
          </Group>
        </Group>
        {state.overdue && !away ? (
          <Tone kind="warn" head={calibrationSentence(state, reader)}>
            Today it counts as {saysAccuracy(kind, state.accuracy, reader)}.
          </Tone>
        ) : (
          <Text>{calibrationSentence(state, reader)}</Text>
        )}
        {calibrations.length > 0 && <Log instrument={instrument} />}
      </Stack>
      {open === 'calibrate' && (
        <Dialog size="lg" title={`Calibrate ${name}`} onClose={close}>
          <CalibrationForm instrument={own} onDone={close} />
        </Dialog>
      )}
      {open === 'change' && (
        <Dialog size="lg" title={`Change ${name}`} onClose={close}>
          <InstrumentForm instrument={own} onDone={close} />
        </Dialog>
      )}
    </section>
  );
}

/** Every look at it with something known, the newest first; a line is never changed. */
function Log({ instrument: { kind, name, calibrations } }: { instrument: KeptInstrument }) {
  const reader = useReader();
  const { reads } = instrumentWords[kind];
  return (
    <RowsTable
      label={`Calibration log of ${name}`}
      minWidth={520}
      columns={[
        'On',
        'Held against',
        { head: 'True', right: true },
        { head: 'Showed', right: true },
        'Then',
        'By',
      ]}
    >
      {calibrations.map(({ id, on, against, truth, shown, adjusted, by }) => (
        <tr key={id}>
          <td>{reader.when(on, 'date')}</td>
          <td>{against}</td>
          <td className="right">{reader.say(reads, truth)}</td>
          <td className="right">{reader.say(reads, shown)}</td>
          <td>{adjusted ? 'set right' : 'left as it was'}</td>
          <td>{by}</td>
        </tr>
      ))}
    </RowsTable>
  );
}
