import type { CataloguePart } from '@katharos/contract';
import { type PartKind, partKinds } from '@katharos/core';
import { partValue, writeCatalogue } from '@katharos/job';
import { askedFields, partKindWords, sayPartValue } from '@katharos/words';
import {
  Anchor,
  Button,
  Checkbox,
  Group,
  NativeSelect,
  Skeleton,
  Stack,
  Text,
  TextInput,
  Title,
  VisuallyHidden,
} from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { troubleOf } from '../data/api.ts';
import { useMay } from '../data/useMay.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { saveFile } from '../ui/saveFile.ts';
import { useReader } from '../ui/useReader.ts';
import { useWholeCatalogueQuery } from './catalogueApi.ts';

/** Parts that are shown before somebody asks for all. */
const firstShown = 150;
/** Parts that stand beside each other on a screen. */
const mostCompared = 4;

const addressOf = (id: string): string => `/catalogue/part/${encodeURIComponent(id)}`;

/** Every part of the firm: found, compared, and the way to change one, many or a whole file of them. */
export function CataloguePage() {
  const { data, error, isLoading, refetch } = useWholeCatalogueQuery();
  const mayChange = useMay('catalogue');
  return (
    <Stack gap="md">
      <PageTitle>Catalogue</PageTitle>
      <Group justify="space-between" align="start">
        <Title order={1} size="h2">
          Catalogue
        </Title>
        {mayChange && <AddPart />}
      </Group>
      <Text c="dimmed" maw={760}>
        What systems are made up from. A change here shapes what is proposed from now on; what is
        agreed or installed keeps its parts as they were.
      </Text>
      {isLoading && <Skeleton height={400} radius="lg" aria-label="Loading the catalogue" />}
      {error && !data && <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />}
      {data && <Parts entries={data.entries} mayChange={mayChange} />}
    </Stack>
  );
}

function AddPart() {
  const navigate = useNavigate();
  return (
    <NativeSelect
      aria-label="Add a part"
      size="md"
      value=""
      data={[
        { value: '', label: 'Add a part …' },
        ...partKinds.map((value) => ({ value, label: partKindWords[value].one })),
      ]}
      onChange={({ currentTarget: { value } }) => {
        if (value) void navigate(`/catalogue/new/${value}`);
      }}
    />
  );
}

function Parts({ entries, mayChange }: { entries: readonly CataloguePart[]; mayChange: boolean }) {
  const [query, setQuery] = useSearchParams();
  const search = query.get('find') ?? '';
  const kind = query.get('kind') ?? '';
  const withRetired = query.get('retired') === '1';
  const [all, setAll] = useState(false);
  const [picked, setPicked] = useState<readonly string[]>([]);
  const ask = (name: string, value: string) =>
    setQuery(
      (old) => {
        const next = new URLSearchParams(old);
        if (value) next.set(name, value);
        else next.delete(name);
        return next;
      },
      { replace: true },
    );
  const retired = entries.filter(({ retiredAt }) => retiredAt !== null).length;
  const found = useMemo(() => {
    const words = search.toLowerCase().split(/\s+/).filter(Boolean);
    return entries
      .filter(({ part, retiredAt }) => {
        const text = `${part.name} ${part.id} ${partKindWords[part.kind].one}`.toLowerCase();
        return (
          (withRetired || retiredAt === null) &&
          (kind === '' || part.kind === kind) &&
          words.every((word) => text.includes(word))
        );
      })
      .sort((a, b) => partKinds.indexOf(a.part.kind) - partKinds.indexOf(b.part.kind));
  }, [entries, search, kind, withRetired]);
  const shown = all ? found : found.slice(0, firstShown);
  return (
    <section className="panel" aria-label="Parts">
      <Group align="end" gap="sm" mb="sm">
        <TextInput
          label="Find a part"
          size="md"
          type="search"
          value={search}
          onChange={({ currentTarget: { value } }) => ask('find', value)}
        />
        <NativeSelect
          label="Kind"
          size="md"
          value={kind}
          data={[
            { value: '', label: 'All kinds' },
            ...partKinds.map((value) => ({ value, label: partKindWords[value].many })),
          ]}
          onChange={({ currentTarget: { value } }) => ask('kind', value)}
        />
        {retired > 0 && (
          <Checkbox
            size="md"
            mb={10}
            label={`Show the ${retired} retired`}
            checked={withRetired}
            onChange={({ currentTarget: { checked } }) => ask('retired', checked ? '1' : '')}
          />
        )}
        <Group ml="auto" gap="xs">
          {picked.length > 1 && (
            <Button
              component={Link}
              to={`/catalogue/compare?parts=${picked.map(encodeURIComponent).join(',')}`}
              size="md"
            >
              Compare {picked.length}
            </Button>
          )}
          <Button size="md" variant="default" onClick={() => save(entries)}>
            Save as CSV
          </Button>
          {mayChange && (
            <Button component={Link} to="/catalogue/file" size="md" variant="default">
              Read a CSV
            </Button>
          )}
        </Group>
      </Group>
      <Text size="sm" c="dimmed" role="status">
        {found.length} of {entries.length} parts
      </Text>
      {found.length === 0 ? (
        <Text mt="sm">No part is called so. Look without a kind, or with a part of its name.</Text>
      ) : (
        <table aria-label="Parts of the catalogue" className="table tight">
          <thead>
            <tr>
              <th style={{ width: 56 }}>
                <VisuallyHidden>Compare</VisuallyHidden>
              </th>
              <th>Part</th>
              <th className="mantine-visible-from-sm">What it is</th>
              <th className="right">Price</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((entry) => (
              <PartRow
                key={entry.part.id}
                entry={entry}
                entries={entries}
                picked={picked.includes(entry.part.id)}
                // Only what is of one kind has the same figures.
                mayPick={
                  picked.length === 0 ||
                  (picked.length < mostCompared && kindOf(entries, picked[0]!) === entry.part.kind)
                }
                onPick={(is) =>
                  setPicked((old) =>
                    is ? [...old, entry.part.id] : old.filter((id) => id !== entry.part.id),
                  )
                }
              />
            ))}
          </tbody>
        </table>
      )}
      {shown.length < found.length && (
        <Button variant="default" mt="sm" onClick={() => setAll(true)}>
          Show all {found.length}
        </Button>
      )}
    </section>
  );
}

const kindOf = (entries: readonly CataloguePart[], id: string): PartKind | undefined =>
  entries.find(({ part }) => part.id === id)?.part.kind;

/** Figures of a part that tell it from its neighbours. */
const telling = 3;

function PartRow({
  entry: { part, retiredAt },
  entries,
  picked,
  mayPick,
  onPick,
}: {
  entry: CataloguePart;
  entries: readonly CataloguePart[];
  picked: boolean;
  mayPick: boolean;
  onPick: (is: boolean) => void;
}) {
  const reader = useReader();
  const nameOf = (id: string) => entries.find((one) => one.part.id === id)?.part.name ?? id;
  const figures = askedFields(part)
    // A bare count says nothing without its name, nor does one of a kit's colours.
    .filter(
      ({ field }) =>
        (field.type === 'measure' && (field.dimension !== 'count' || field.unit)) ||
        (field.type === 'choice' && !field.optional),
    )
    .filter(({ field }) => partValue(part, field.path) !== undefined)
    .slice(0, telling)
    .map(({ field }) => sayPartValue(field, partValue(part, field.path), reader, nameOf));
  return (
    <tr>
      <td>
        <Checkbox
          size="md"
          aria-label={`Compare ${part.name}`}
          checked={picked}
          disabled={!picked && !mayPick}
          onChange={({ currentTarget: { checked } }) => onPick(checked)}
        />
      </td>
      <td>
        <Anchor component={Link} to={addressOf(part.id)} lh="32px">
          {part.name}
        </Anchor>
        {retiredAt !== null && (
          <Text component="span" size="sm" c="dimmed" ml="xs">
            retired {reader.when(retiredAt, 'date')}
          </Text>
        )}
        <Text size="sm" c="dimmed" hiddenFrom="sm">
          {partKindWords[part.kind].one}; {figures.join(', ')}
        </Text>
      </td>
      <td className="mantine-visible-from-sm">
        <Text size="sm">
          {partKindWords[part.kind].one}
          {figures.length > 0 && (
            <Text component="span" size="sm" c="dimmed">
              ; {figures.join(', ')}
            </Text>
          )}
        </Text>
      </td>
      <td className="right">{reader.money(part.price, 2)}</td>
    </tr>
  );
}

const save = (entries: readonly CataloguePart[]): void =>
  saveFile(writeCatalogue(entries.map(({ part }) => part)), 'text/csv', 'catalogue.csv');
