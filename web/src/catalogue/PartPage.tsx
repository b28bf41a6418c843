import type { CataloguePart } from '@katharos/contract';
import { useDeedKey } from './useDeedKey.ts';
import { type PartCurve, partCurve, type PartKind, partKinds } from '@katharos/core';
import { emptyPart, idOf, partValue } from '@katharos/job';
import { checkPart, mayHold, partKindWords } from '@katharos/words';
import { Anchor, Button, Group, SimpleGrid, Skeleton, Stack, Text, Title } from '@mantine/core';
import { useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { v4 as newId } from 'uuid';
import { troubleOf } from '../data/api.ts';
import { useMay } from '../data/useMay.ts';
import { focusFaulty } from '../ui/focusFaulty.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { notify } from '../ui/notices.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Tone } from '../ui/Tone.tsx';
import { TypedScope } from '../ui/typed/halfTyped.ts';
import { showUndo } from '../ui/undoNotice.tsx';
import {
  useChangePartsMutation,
  useRetirePartMutation,
  useWholeCatalogueQuery,
} from './catalogueApi.ts';
import { PartForm, type Values } from './PartForm.tsx';
import { PartPicture } from './PartPicture.tsx';
import { PricesPanel } from './PricesPanel.tsx';
import { usePartDraft } from './usePartDraft.ts';

/** One part: its figures, its picture, and what is paid for it. */
export function PartPage() {
  const { part: id } = useParams();
  const { data, error, refetch } = useWholeCatalogueQuery();
  if (error && !data) return <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />;
  if (!data) return <Skeleton height={500} radius="lg" aria-label="Loading the part" />;
  const entry = data.entries.find(({ part }) => part.id === id);
  if (!entry) {
    return (
      <Tone kind="warn" head="The catalogue holds no such part" role="alert">
        <Anchor component={Link} to="/catalogue">
          Look through the catalogue
        </Anchor>
      </Tone>
    );
  }
  return <Part key={entry.part.id} entry={entry} entries={data.entries} />;
}

/** A part that is not there yet, of a kind, or as a copy of another. */
export function NewPartPage() {
  const { kind } = useParams();
  const { state } = useLocation() as { state: { copy?: Values } | null };
  const { data, error, refetch } = useWholeCatalogueQuery();
  const known = partKinds.find((one) => one === kind);
  if (error && !data) return <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />;
  if (!data) return <Skeleton height={500} radius="lg" aria-label="Loading the catalogue" />;
  if (!known) return <Tone kind="warn" head="There is no such kind of part" role="alert" />;
  const start = state?.copy ?? emptyPart(known);
  return <Editor key={known} kind={known} start={start} entry={null} entries={data.entries} />;
}

function Part({ entry, entries }: { entry: CataloguePart; entries: readonly CataloguePart[] }) {
  const { part } = entry;
  return <Editor kind={part.kind} start={{ ...part }} entry={entry} entries={entries} />;
}

interface Props {
  kind: PartKind;
  start: Values;
  entry: CataloguePart | null;
  entries: readonly CataloguePart[];
}

function Editor({ kind, start, entry, entries }: Props) {
  const mayChange = useMay('catalogue');
  const navigate = useNavigate();
  const key = `part:${entry?.part.id ?? `new-${kind}`}`;
  const { part, version, isDraft, change, drop } = usePartDraft(key, {
    part: start,
    version: entry?.version ?? null,
  });
  const [send, { isLoading }] = useChangePartsMutation();
  const [handedIn, setHandedIn] = useState(false);
  const deed = useDeedKey();
  const named = {
    ...part,
    id: entry?.part.id ?? idOf(nameOf(part), new Set(entries.map((one) => one.part.id))),
  };
  const inUse = entries.filter(({ retiredAt }) => retiredAt === null).map((one) => one.part.id);
  const checked = checkPart(named, mayHold(new Set(inUse), entry?.part));
  const faults = checked.ok ? {} : faultsAt(checked.faults, part, handedIn);
  const { curve, stale } = useCurve(checked);
  const isChanged = entry === null || JSON.stringify(part) !== JSON.stringify(entry.part);
  const isStale = isDraft && entry !== null && version !== entry.version;

  const submit = async () => {
    setHandedIn(true);
    if (!checked.ok) return;
    const answer = await send({
      changes: [{ part: checked.part, version }],
      key: deed.current(),
    });
    deed.answered(answer.error);
    if (answer.error) {
      notify({ message: troubleOf(answer.error).message, color: 'red', autoClose: 12000 });
      return;
    }
    drop();
    setHandedIn(false);
    const { id, name } = checked.part;
    if (entry) {
      showUndo({
        id: `part-${id}`,
        message: `${name} is changed.`,
        label: 'As it was',
        undo: () =>
          void send({
            changes: [{ part: entry.part, version: entry.version + 1 }],
            key: newId(),
          }).then(({ error }) => {
            if (error) notify({ message: troubleOf(error).message, color: 'red' });
          }),
      });
    }
    await navigate(`/catalogue/part/${encodeURIComponent(id)}`, { replace: true });
  };
  const title = entry ? entry.part.name : `New: ${partKindWords[kind].one.toLowerCase()}`;
  return (
    <TypedScope value={key}>
      <Stack gap="md">
        <PageTitle>{title}</PageTitle>
        <Anchor component={Link} to="/catalogue">
          Catalogue
        </Anchor>
        <Group justify="space-between" align="start">
          <div>
            <Title order={1} size="h2">
              {title}
            </Title>
            <Text c="dimmed">
              {partKindWords[kind].one}
              {entry && ` · ${entry.part.id}`}
            </Text>
          </div>
          {entry && mayChange && <PartActions entry={entry} />}
        </Group>
        {entry?.retiredAt && (
          <Tone kind="warn" head="Retired">
            It is not proposed any more. What holds it keeps it.
          </Tone>
        )}
        {isStale && isChanged && (
          <Tone kind="warn" head="Somebody changed this part since you began" role="status">
            <Button variant="default" mt="xs" onClick={drop}>
              Look at it as it is now
            </Button>
          </Tone>
        )}
        <SimpleGrid cols={{ base: 1, md: 2 }} spacing="md">
          <section className="panel" aria-label="Figures">
            <form
              noValidate
              // A figure is taken with Enter; the part is saved by its button, or with Ctrl and Enter.
              onKeyDown={(event) => {
                if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement)) return;
                event.preventDefault();
                if (event.ctrlKey || event.metaKey) event.currentTarget.requestSubmit();
              }}
              onSubmit={(event) => {
                event.preventDefault();
                const form = event.currentTarget;
                setHandedIn(true);
                if (!focusFaulty(form)) void submit();
                else setTimeout(() => focusFaulty(form));
              }}
            >
              <PartForm
                kind={kind}
                part={part}
                faults={faults}
                entries={entries}
                readOnly={!mayChange}
                onChange={change}
              />
              {mayChange && (
                <Group justify="flex-end" mt="md">
                  <Button
                    variant="default"
                    size="md"
                    onClick={() => {
                      drop();
                      void navigate('/catalogue');
                    }}
                  >
                    {isChanged ? 'Drop the change' : 'Back'}
                  </Button>
                  <Button type="submit" size="md" loading={isLoading} disabled={!isChanged}>
                    {entry ? 'Save' : 'Add to the catalogue'}
                  </Button>
                </Group>
              )}
            </form>
          </section>
          <Stack gap="md">
            {curve && <PartPicture curve={curve} stale={stale} />}
            {entry && <PricesPanel part={entry.part} mayChange={mayChange} />}
          </Stack>
        </SimpleGrid>
      </Stack>
    </TypedScope>
  );
}

const nameOf = (part: Values): string => (typeof part.name === 'string' ? part.name : '');

/** What is wrong by field: of what is not entered yet only once it was handed in. */
function faultsAt(
  faults: readonly { path: string; sentence: string }[],
  part: Values,
  handedIn: boolean,
): Record<string, string> {
  const at: Record<string, string> = {};
  for (const { path, sentence } of faults) {
    const isEntered = partValue(part, path) !== undefined && partValue(part, path) !== '';
    if (!isEntered && !handedIn) continue;
    // The first is the nearest to what is wrong.
    at[path] ??= isEntered ? sentence : 'Its data sheet says it.';
  }
  return at;
}

/** The curve of what is entered; while that is no part yet, the last that was one. */
function useCurve(checked: ReturnType<typeof checkPart>): {
  curve: PartCurve | null;
  stale: boolean;
} {
  const [last, setLast] = useState<{ of: string; curve: PartCurve } | null>(null);
  if (!checked.ok) return { curve: last?.curve ?? null, stale: true };
  const of = JSON.stringify(checked.part);
  if (last?.of === of) return { curve: last.curve, stale: false };
  const found = partCurve(checked.part);
  if (!found?.ok) return { curve: null, stale: false };
  setLast({ of, curve: found.value });
  return { curve: found.value, stale: false };
}

function PartActions({ entry: { part, retiredAt } }: { entry: CataloguePart }) {
  const navigate = useNavigate();
  const [retire, { isLoading }] = useRetirePartMutation();
  const set = async (retired: boolean) => {
    const { error } = await retire({ id: part.id, retired });
    if (error) {
      notify({ message: troubleOf(error).message, color: 'red', autoClose: 12000 });
      return;
    }
    if (retired) {
      showUndo({
        id: `retired-${part.id}`,
        message: `${part.name} is retired.`,
        label: 'Take it back',
        undo: () => void set(false),
      });
    }
  };
  const copy = { ...part, id: '', name: `${part.name}, copy` };
  return (
    <Group gap="xs">
      <Button
        variant="default"
        mih={44}
        onClick={() => void navigate(`/catalogue/new/${part.kind}`, { state: { copy } })}
      >
        Duplicate
      </Button>
      <Button
        variant="default"
        mih={44}
        loading={isLoading}
        onClick={() => void set(retiredAt === null)}
      >
        {retiredAt === null ? 'Retire' : 'Take back into use'}
      </Button>
    </Group>
  );
}
