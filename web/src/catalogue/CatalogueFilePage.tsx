import { useDeedKey } from './useDeedKey.ts';
import { partFields, partValue } from '@katharos/job';
import type { CataloguePart } from '@katharos/contract';
import type { Part } from '@katharos/core';
import {
  type CatalogueChange,
  catalogueChanges,
  partFieldWords,
  type Reader,
  sayPartValue,
} from '@katharos/words';
import { Anchor, Button, FileButton, Group, Skeleton, Stack, Text, Title } from '@mantine/core';
import { useMemo, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { readTextFile } from '../data/readTextFile.ts';
import { useMay } from '../data/useMay.ts';
import { notify } from '../ui/notices.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { RowsTable } from '../ui/RowsTable.tsx';
import { useChangePartsMutation, useWholeCatalogueQuery } from './catalogueApi.ts';

interface Given {
  name: string;
  text: string;
}

/** A file of parts: what it would change, line by line, before anything is changed. */
export function CatalogueFilePage() {
  const mayChange = useMay('catalogue');
  const { data } = useWholeCatalogueQuery();
  const [given, setGiven] = useState<Given | null>(null);
  const [unread, setUnread] = useState<string | null>(null);
  const reset = useRef<() => void>(null);
  const take = async (file: File | null) => {
    reset.current?.();
    if (!file) return;
    const text = await readTextFile(file);
    setUnread(text === undefined ? file.name : null);
    setGiven(text === undefined ? null : { name: file.name, text });
  };
  if (!mayChange) {
    return (
      <Tone kind="warn" head="The catalogue is changed by the owner and the office">
        Ask one of them to read the file in.
      </Tone>
    );
  }
  return (
    <Stack gap="md">
      <PageTitle>Read a catalogue file</PageTitle>
      <Anchor component={Link} to="/catalogue">
        Catalogue
      </Anchor>
      <Title order={1} size="h2">
        Read a catalogue file
      </Title>
      <Text maw={760} c="dimmed">
        A table with a part a line. Save the catalogue as CSV to see its columns, change what is to
        change, and read it in again. A column that is left out changes nothing: a list of id and
        price is enough for new prices. A line without an id is a new part.
      </Text>
      <Group>
        <FileButton
          onChange={(file) => void take(file)}
          accept=".csv,text/csv,text/plain"
          resetRef={reset}
          inputProps={{ 'aria-label': 'Catalogue file' }}
        >
          {(props) => (
            <Button {...props} size="md" variant={given ? 'default' : 'filled'}>
              {given ? 'Choose another file' : 'Choose a file'}
            </Button>
          )}
        </FileButton>
      </Group>
      {unread && (
        <Tone kind="bad" head={`${unread} holds no text`} role="alert">
          Save it from the workbook as CSV first.
        </Tone>
      )}
      {given && !data && <Skeleton height={300} radius="lg" aria-label="Loading the catalogue" />}
      {given && data && <Preview key={given.text} given={given} entries={data.entries} />}
    </Stack>
  );
}

const kinds = ['refused', 'new', 'changed', 'same'] as const;
type Verdict = (typeof kinds)[number];
const verdictWords: Record<Verdict, string> = {
  refused: 'Not taken',
  new: 'New',
  changed: 'Changed',
  same: 'As it is already',
};

const counted = (reader: Reader, count: number, what: 'part' | 'line'): string =>
  `${count} ${reader.plural(count, { one: what, other: `${what}s` })}`;

/** Lines of a kind that are shown before somebody asks for all. */
const firstShown = 60;

function Preview({ given, entries }: { given: Given; entries: readonly CataloguePart[] }) {
  const reader = useReader();
  const navigate = useNavigate();
  const [send, { isLoading }] = useChangePartsMutation();
  const parts = useMemo(() => entries.map(({ part }) => part), [entries]);
  const read = useMemo(() => {
    const retired = entries.filter(({ retiredAt }) => retiredAt !== null);
    return catalogueChanges(given.text, parts, new Set(retired.map(({ part }) => part.id)));
  }, [given.text, parts, entries]);
  const deed = useDeedKey();
  if (!read.ok) return <Tone kind="bad" head={read.sentence} role="alert" />;
  const { changes, unknown } = read;
  const of = (kind: Verdict) => changes.filter(({ verdict }) => verdict.kind === kind);
  const wanted = changes.flatMap(({ verdict }) =>
    verdict.kind === 'new' || verdict.kind === 'changed' ? verdict.part : [],
  );
  const versionOf = (id: string) => entries.find(({ part }) => part.id === id)?.version ?? null;
  const apply = async () => {
    const answer = await send({
      changes: wanted.map((part) => ({ part, version: versionOf(part.id) })),
      key: deed.current(),
    });
    const isLost = deed.answered(answer.error);
    if (answer.error) {
      notify({
        title: isLost ? 'No answer came' : 'Nothing was changed',
        message: isLost
          ? 'Whether the parts were taken over, this page shows once there is a line. Pressed again, nothing is done twice.'
          : troubleOf(answer.error).message,
        color: 'red',
        autoClose: 15000,
      });
      return;
    }
    notify({ message: `${counted(reader, wanted.length, 'part')} taken over.` });
    await navigate('/catalogue');
  };
  const refused = of('refused').length;
  return (
    <>
      <section className="panel" aria-label="What the file would do">
        <Title order={2} size="h4">
          {given.name}
        </Title>
        <Text role="status">
          {kinds.map((kind) => `${verdictWords[kind]}: ${of(kind).length}`).join(' · ')}
        </Text>
        {unknown.length > 0 && (
          <Text size="sm" mt="xs">
            Columns that are not known and not read: {unknown.join(', ')}.
          </Text>
        )}
        <Group mt="sm">
          <Button
            size="md"
            loading={isLoading}
            disabled={wanted.length === 0}
            onClick={() => void apply()}
          >
            {wanted.length === 0
              ? 'Nothing to take over'
              : `Take over ${counted(reader, wanted.length, 'part')}`}
          </Button>
          {refused > 0 && wanted.length > 0 && (
            <Text size="sm">
              {counted(reader, refused, 'line')} will be left out. Mend the file and read it again
              to have all.
            </Text>
          )}
        </Group>
      </section>
      {kinds
        .filter((kind) => of(kind).length > 0)
        .map((kind) => (
          <Lines key={kind} kind={kind} changes={of(kind)} parts={parts} />
        ))}
    </>
  );
}

function Lines({
  kind,
  changes,
  parts,
}: {
  kind: Verdict;
  changes: readonly CatalogueChange[];
  parts: readonly Part[];
}) {
  const reader = useReader();
  const [all, setAll] = useState(false);
  const shown = all ? changes : changes.slice(0, firstShown);
  const head = verdictWords[kind];
  return (
    <section className="panel" aria-label={head}>
      <details open={kind !== 'same'}>
        <summary style={{ minHeight: 44 }}>
          <Title order={2} size="h4" component="span">
            {head}: {changes.length}
          </Title>
        </summary>
        <RowsTable
          minWidth={560}
          label={head}
          columns={['Part', 'Line', kind === 'refused' ? 'Why' : 'What']}
        >
          {shown.map((change) => (
            <tr key={change.line}>
              <td>
                {change.name || '–'}
                <Text size="sm" c="dimmed">
                  {change.id}
                </Text>
              </td>
              <td>{change.line}</td>
              <td>
                {said(change, reader, parts).map((line) => (
                  <div key={line}>{line}</div>
                ))}
              </td>
            </tr>
          ))}
        </RowsTable>
        {shown.length < changes.length && (
          <Button variant="default" mt="sm" onClick={() => setAll(true)}>
            Show all {changes.length}
          </Button>
        )}
      </details>
    </section>
  );
}

/** What a line does, or why it does nothing. */
function said({ verdict }: CatalogueChange, reader: Reader, parts: readonly Part[]): string[] {
  const labelOf = (path: string): string =>
    path === 'name'
      ? 'Name'
      : path === 'price'
        ? 'Price'
        : ((partFieldWords as Record<string, string>)[path] ?? path);
  switch (verdict.kind) {
    case 'same':
      return [];
    case 'new':
      return [reader.money(verdict.part.price, 2)];
    case 'refused':
      return verdict.faults.map(({ path, sentence }) => `${labelOf(path)}: ${sentence}`);
    case 'changed': {
      const { before, part, paths } = verdict;
      const nameOf = (id: string) => parts.find((one) => one.id === id)?.name ?? id;
      return paths.map((path) => {
        const field = partFields(part.kind).find((one) => one.path === path);
        const say = (of: Part) =>
          field
            ? sayPartValue(field, partValue(of, path), reader, nameOf)
            : path === 'price'
              ? reader.money(of.price, 2)
              : of.name;
        return `${labelOf(path)}: ${say(before)} → ${say(part)}`;
      });
    }
  }
}
