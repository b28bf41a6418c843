import { partCurve } from '@katharos/core';
import { partValue } from '@katharos/job';
import { askedFields, partKindWords, sayPartValue } from '@katharos/words';
import { Anchor, SimpleGrid, Skeleton, Stack, Title } from '@mantine/core';
import { Link, useSearchParams } from 'react-router';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { WideTable } from '../ui/WideTable.tsx';
import { useWholeCatalogueQuery } from './catalogueApi.ts';
import { PartPicture } from './PartPicture.tsx';

/** Parts of a kind beside each other, figure by figure; what is the same in all is quiet. */
export function ComparePage() {
  const reader = useReader();
  const [query] = useSearchParams();
  const { data } = useWholeCatalogueQuery();
  if (!data) return <Skeleton height={400} radius="lg" aria-label="Loading the parts" />;
  const ids = (query.get('parts') ?? '').split(',');
  const parts = ids.flatMap((id) => data.entries.find(({ part }) => part.id === id)?.part ?? []);
  const [first] = parts;
  if (!first || parts.length < 2 || parts.some(({ kind }) => kind !== first.kind)) {
    return (
      <Stack gap="md">
        <PageTitle>Parts compared</PageTitle>
        <Title order={1} size="h2">
          Parts compared
        </Title>
        <Tone kind="warn" head="Nothing to compare: two parts or more of one kind" role="alert">
          <Anchor component={Link} to="/catalogue">
            Choose them in the catalogue
          </Anchor>
        </Tone>
      </Stack>
    );
  }
  const nameOf = (id: string) => data.entries.find(({ part }) => part.id === id)?.part.name ?? id;
  const rows = [
    { label: 'Price', said: parts.map(({ price }) => reader.money(price, 2)) },
    ...askedFields(first).map(({ field, label }) => ({
      label,
      said: parts.map((part) => sayPartValue(field, partValue(part, field.path), reader, nameOf)),
    })),
  ].filter(({ said }) => said.some((text) => text !== '–'));
  const { many } = partKindWords[first.kind];
  return (
    <Stack gap="md">
      <PageTitle>{`${many} compared`}</PageTitle>
      <Anchor component={Link} to="/catalogue">
        Catalogue
      </Anchor>
      <Title order={1} size="h2">
        {many} compared
      </Title>
      <section className="panel" aria-label="Figures">
        <WideTable minWidth={105 + 110 * parts.length} label={`${many} compared`}>
          <thead>
            <tr>
              <th>Figure</th>
              {parts.map(({ id, name }) => (
                <th key={id}>
                  <Anchor component={Link} to={`/catalogue/part/${encodeURIComponent(id)}`}>
                    {name}
                  </Anchor>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ label, said }) => {
              const differs = new Set(said).size > 1;
              return (
                <tr key={label}>
                  <th scope="row">{label}</th>
                  {said.map((text, i) => (
                    <td key={parts[i]!.id} className={differs ? 'strong' : 'quiet'}>
                      {text}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </WideTable>
      </section>
      <SimpleGrid cols={{ base: 1, md: 2 }}>
        {parts.map((part) => {
          const curve = partCurve(part);
          return (
            curve?.ok && (
              <div key={part.id}>
                <Title order={2} size="h5" mb={4}>
                  {part.name}
                </Title>
                <PartPicture curve={curve.value} stale={false} of={part.name} />
              </div>
            )
          );
        })}
      </SimpleGrid>
    </Stack>
  );
}
