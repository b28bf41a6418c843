import { changeOutPlan, isUltravioletLine, type Serviced, servicedOf } from '@katharos/core';
import {
  isOwnSource,
  type ServiceVisitRecord,
  visitKeys,
  verifyFields,
  type VisitKind,
  visitKinds,
} from '@katharos/job';
import { servicedName, serviceWords, visitKindWords } from '@katharos/words';
import {
  Button,
  Checkbox,
  Group,
  NativeSelect,
  SimpleGrid,
  Stack,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { NoteField } from '../../../ui/typed/NoteField.tsx';
import { QuantityInput } from '../../../ui/typed/QuantityInput.tsx';
import { StepTick } from '../../../ui/StepTick.tsx';
import { underAThumb } from '../../../ui/underAThumb.ts';
import { useReader } from '../../../ui/useReader.ts';
import { useDocument, useEdit } from '../../open/useJob.ts';

/** Changes a visit of the open job. */
function useVisit(id: string) {
  const document = useDocument();
  const { edit, stamp } = useEdit();
  const change = (
    next: (visit: ServiceVisitRecord) => Partial<ServiceVisitRecord>,
    of: string | null = null,
  ) =>
    edit(({ service = {} }) => {
      const visit = service.visits?.[id];
      if (!visit) return {};
      return {
        service: {
          ...service,
          visits: { ...service.visits, [id]: { ...visit, ...next(visit) } },
        },
      };
    }, of);
  return { document, visit: document.service?.visits?.[id], change, stamp };
}

/** One visit: as found, what is changed step by step with its batch, and a note. */
export function VisitPanel({ id, onClose }: { id: string; onClose: () => void }) {
  const { document, visit, change, stamp } = useVisit(id);
  const { edit } = useEdit();
  const design = document.system?.design;
  if (!visit || !design || isUltravioletLine(design)) return null;
  const serviced = servicedOf(design, isOwnSource(document.survey));
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
        <div>
          <Text fw={560}>As found</Text>
          <Text size="sm" c="dimmed" mb="xs">
            Before anything is changed: tank closed, tap open for ten minutes. Two or three figures
            are better than none.
          </Text>
          <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} verticalSpacing="md">
            {visitKeys.map((key) => (
              <QuantityInput
                key={key}
                field={verifyFields[key]}
                quantity={visit.readings[key]}
                onCommit={(quantity) =>
                  change(({ readings }) => {
                    const { [key]: _old, ...rest } = readings;
                    const { at, by } = stamp();
                    return {
                      readings: quantity
                        ? { ...rest, [key]: { ...quantity, takenAt: at, by } }
                        : rest,
                    };
                  })
                }
              />
            ))}
          </SimpleGrid>
        </div>
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
        <Steps id={id} serviced={serviced} />
        <NoteField
          label="Note"
          keptAs={`visit-${id}`}
          most={2000}
          value={visit.note}
          onSave={(note, of) => change(() => ({ note }), of)}
        />
      </Stack>
    </section>
  );
}

/** The steps of what is done, out of the sequence; a part that is put in is noted with its batch. */
function Steps({ id, serviced }: { id: string; serviced: readonly Serviced[] }) {
  const { document, visit, change, stamp } = useVisit(id);
  const reader = useReader();
  const design = document.system!.design;
  if (!visit || isUltravioletLine(design)) return null;
  const planned = serviced.filter((one) => visit.planned?.includes(one.id));
  if (planned.length === 0) return null;
  const steps = changeOutPlan(design, planned);
  const tick = (step: (typeof steps)[number], isDone: boolean) =>
    change(({ done = {}, changed = {} }) => {
      const now = stamp();
      const { [step.id]: _old, ...rest } = done;
      const next = { done: isDone ? { ...rest, [step.id]: now } : rest };
      if (step.code !== 'change') return next;
      const what = serviced.find((one) => one.id === step.data.id);
      const { [step.data.id]: before, ...others } = changed;
      return {
        ...next,
        changed: isDone
          ? {
              ...others,
              [step.data.id]: {
                part: what?.part?.name ?? '',
                batch: before?.batch ?? '',
                ...now,
              },
            }
          : others,
      };
    });
  const setBatch = (of: string, batch: string) =>
    change(({ changed = {} }) => {
      const held = changed[of];
      return held ? { changed: { ...changed, [of]: { ...held, batch } } } : {};
    }, `batch-${of}`);
  return (
    <div>
      <Text fw={560}>Step by step</Text>
      <ol style={{ listStyle: 'none', padding: 0, margin: 0 }}>
        {steps.map((step, i) => {
          const words = serviceWords(step, reader);
          const changed = step.code === 'change' ? visit.changed?.[step.data.id] : undefined;
          return (
            <li key={step.id} style={{ padding: '8px 0' }}>
              <StepTick
                number={i + 1}
                words={words}
                checked={Boolean(visit.done?.[step.id])}
                onChange={(checked) => tick(step, checked)}
              />
              {step.code === 'change' && changed?.part && (
                <TextInput
                  label={`Batch of ${changed.part}`}
                  size="md"
                  maw={320}
                  ml={44}
                  maxLength={80}
                  value={changed.batch}
                  onChange={({ currentTarget: { value } }) => setBatch(step.data.id, value)}
                />
              )}
            </li>
          );
        })}
      </ol>
    </div>
  );
}
