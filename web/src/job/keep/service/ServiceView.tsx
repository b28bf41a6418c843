import type { HouseholdWord } from '@katharos/contract';
import { inUseSince, type ServiceVisitRecord, visitsInOrder } from '@katharos/job';
import { Button, Group, Loader, Stack, Text, TextInput, Title } from '@mantine/core';
import { useCallback, useMemo, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useSession } from '../../../data/session.ts';
import { today as todayHere } from '../../../data/today.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { useComputed } from '../../../workers/useComputed.ts';
import { useDocument, useEdit } from '../../open/useJob.ts';
import { DuePanel } from './DuePanel.tsx';
import { HouseholdPanel } from './HouseholdPanel.tsx';
import { SitePanel } from './SitePanel.tsx';
import { TrendPanel } from './TrendPanel.tsx';
import { VisitPanel } from './VisitPanel.tsx';
import { VisitList } from './VisitList.tsx';

/** An installed system in its years: what is due and why, how its membrane goes, and every visit. */
export function ServiceView() {
  const document = useDocument();
  const { edit, stamp } = useEdit();
  const { settings } = useSession()!.firm;
  const [open, setOpen] = useState<string | null>(null);
  const today = todayHere();
  const since = inUseSince(document);
  const asked = useMemo(() => {
    const { survey, size, system, verify, keep, service } = document;
    return { document: { survey, size, system, verify, keep, service }, settings, today };
  }, [document, settings, today]);
  const [state] = useComputed('kept', since ? asked : null, { settleMs: 200 });
  const shown = state.kind === 'done' ? state.value : state.before;
  const { service } = document;
  const visits = useMemo(() => visitsInOrder({ service }), [service]);
  const add = useCallback(
    (visit: Omit<ServiceVisitRecord, 'at' | 'by' | 'readings'>) => {
      const id = newId();
      edit(({ service: before = {} }) => ({
        service: {
          ...before,
          visits: { ...before.visits, [id]: { ...visit, ...stamp(), readings: {} } },
        },
      }));
      setOpen(id);
    },
    [edit, stamp],
  );
  const begin = () => {
    const planned = shown?.kept.visit?.dues.map((due) => due.id) ?? [];
    add(
      planned.length > 0
        ? { kind: 'change-out', planned, note: '' }
        : { kind: 'reading', note: '' },
    );
  };
  /** Somebody goes for what the household said. */
  const goFor = useCallback(
    ({ complaint, text }: HouseholdWord) => {
      add({ kind: 'complaint', complaints: { [complaint]: stamp() }, note: text });
      window.scrollTo({ top: 0 });
    },
    [add, stamp],
  );
  return (
    <Stack gap="md">
      <Group justify="space-between" align="flex-end">
        <Title order={2} size="h3">
          In service
        </Title>
        {since && (
          // What is planned is not known before it is reckoned.
          <Button size="md" onClick={begin} loading={!shown && state.kind === 'running'}>
            Begin a visit
          </Button>
        )}
      </Group>
      {!since && <Since />}
      {since && !shown && state.kind !== 'failed' && <Loader aria-label="Reckoning what is due" />}
      {state.kind === 'failed' && (
        <Tone kind="bad" head="What is due could not be reckoned" role="alert">
          {state.message}
        </Tone>
      )}
      {state.kind === 'done' && since && !state.value && (
        <Tone kind="warn" head="Nothing can be reckoned from this survey">
          The survey contradicts itself, or the system cannot run in its water. Look at it once
          more.
        </Tone>
      )}
      {open && document.service?.visits?.[open] && (
        <VisitPanel key={open} id={open} onClose={() => setOpen(null)} />
      )}
      {shown && <DuePanel kept={shown.kept} today={today} />}
      {shown && <TrendPanel shown={shown} />}
      <VisitList visits={visits} open={open} onOpen={setOpen} />
      {since && <HouseholdPanel onVisit={goFor} />}
      {since && <SitePanel />}
      {since && <Since />}
    </Stack>
  );
}

/** From when it counts: the hand-over, or a day that somebody gives for a system that another firm fitted. */
function Since() {
  const document = useDocument();
  const { edit } = useEdit();
  const { keep, service } = document;
  const since = inUseSince(document);
  const [fault, setFault] = useState('');
  const set = (date: string) => {
    if (date > todayHere()) {
      setFault('This day is still to come.');
      return;
    }
    setFault('');
    edit(({ service: before = {} }) => {
      const { since: _old, ...rest } = before;
      return { service: date ? { ...rest, since: date } : rest };
    });
  };
  return (
    <section className="panel" aria-label="Its first day">
      <TextInput
        label="In use since"
        type="date"
        size="md"
        maw={260}
        description={
          keep.issued && !service?.since
            ? 'The day of the certificate. Give another where it was fitted before.'
            : 'The day on which it was fitted, by whomever.'
        }
        value={since ?? ''}
        error={fault}
        onChange={({ currentTarget: { value } }) => set(value)}
      />
      {!since && (
        <Text size="sm" c="dimmed" mt="xs">
          With a day, what is due is reckoned from it.
        </Text>
      )}
    </section>
  );
}
