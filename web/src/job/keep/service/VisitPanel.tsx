import { isUltravioletLine, servicedOf } from '@katharos/core';
import { servicedSiteOf, type VisitKind, visitKinds } from '@katharos/job';
import { servicedName, visitKindWords } from '@katharos/words';
import {
  Button,
  Checkbox,
  Group,
  NativeSelect,
  SimpleGrid,
  Stack,
  TextInput,
  Title,
} from '@mantine/core';
import { useMemo } from 'react';
import { NoteField } from '../../../ui/typed/NoteField.tsx';
import { underAThumb } from '../../../ui/underAThumb.ts';
import { useEdit } from '../../open/useJob.ts';
import { Afterwards } from './Afterwards.tsx';
import { AsFound } from './AsFound.tsx';
import { VisitCauses } from './VisitCauses.tsx';
import { useVisit } from './useVisit.ts';
import { VisitReport } from './VisitReport.tsx';
import { VisitSteps } from './VisitSteps.tsx';

/** One visit: as found, what is changed step by step with its batch, and a note. */
export function VisitPanel({ id, onClose }: { id: string; onClose: () => void }) {
  const { document, visit, change } = useVisit(id);
  const { edit } = useEdit();
  const { survey, size, system } = document;
  const design = system?.design;
  const site = useMemo(() => servicedSiteOf({ survey, size }), [survey, size]);
  if (!visit || !design || isUltravioletLine(design)) return null;
  const serviced = servicedOf(design, site);
  const drop = () => {
    onClose();
    edit(({ service = {} }) => {
      const { [id]: _old, ...visits } = service.visits ?? {};
      return { service: { ...service, visits } };
    });
  };
  return (
    <section className="panel" aria-label="This visit">
      <Stack>
        <Group justify="space-between">
          <Title order={3} size="h4">
            This visit
          </Title>
          <Group>
            <Button variant="default" size="md" onClick={onClose}>
              Close
            </Button>
            <Button variant="subtle" size="md" onClick={drop}>
              Take this visit away
            </Button>
          </Group>
        </Group>
        <SimpleGrid cols={{ base: 1, xs: 2 }}>
          <NativeSelect
            label="What for"
            size="md"
            value={visit.kind}
            data={visitKinds.map((kind) => ({ value: kind, label: visitKindWords[kind] }))}
            onChange={({ currentTarget: { value } }) =>
              change(() => ({ kind: value as VisitKind }))
            }
          />
          <TextInput
            label="Day"
            type="date"
            size="md"
            value={visit.at.slice(0, 10)}
            onChange={({ currentTarget: { value } }) => {
              if (value) change(() => ({ at: `${value}T12:00:00.000Z` }));
            }}
          />
        </SimpleGrid>
        <AsFound id={id} design={design} site={site} />
        {(visit.kind === 'complaint' || visit.kind === 'repair' || visit.complaints) && (
          <VisitCauses id={id} />
        )}
        <Checkbox.Group
          label="What is done at this visit"
          value={visit.planned ?? []}
          onChange={(planned) =>
            change(({ changed = {} }) => ({
              planned,
              // What is not done at this visit was not changed at it either.
              changed: Object.fromEntries(
                Object.entries(changed).filter(([one]) => planned.includes(one)),
              ),
            }))
          }
        >
          <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} mt="xs">
            {serviced.map((one) => (
              <Checkbox
                key={one.id}
                value={one.id}
                size="md"
                styles={underAThumb}
                label={servicedName(one, serviced)}
              />
            ))}
          </SimpleGrid>
        </Checkbox.Group>
        <VisitSteps id={id} design={design} serviced={serviced} />
        <Afterwards id={id} />
        <NoteField
          label="Note"
          keptAs={`visit-${id}`}
          most={2000}
          value={visit.note}
          onSave={(note, of) => change(() => ({ note }), of)}
        />
        <VisitReport id={id} />
      </Stack>
    </section>
  );
}
