import {
  failureSentence,
  isKnown,
  missingWords,
  neededReadings,
  surveyFields,
} from '@katharos/contract';
import type { Quantity, SurveyKey } from '@katharos/core';
import { Button, SegmentedControl, SimpleGrid, Stack, Text, Title } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { Fragment } from 'react';
import { Link } from 'react-router';
import { useJob } from '../job/useJob.ts';
import { HouseholdPanel } from './HouseholdPanel.tsx';
import { NoteField } from '../quantities/NoteField.tsx';
import { QuantityInput } from '../quantities/QuantityInput.tsx';
import { Tone } from '../quantities/Tone.tsx';
import { useUnits } from '../quantities/useUnits.ts';
import { useSizing } from '../size/sizingContext.ts';
import { WorthPanel } from './WorthPanel.tsx';

const groups: { title: string; keys: SurveyKey[] }[] = [
  { title: 'At the tap', keys: ['feedTds', 'temperature', 'pressure'] },
  { title: 'Demand', keys: ['demand', 'largestDraw'] },
  { title: 'The year and the night', keys: ['coldest', 'lowestPressure', 'highestPressure'] },
  { title: 'Chemistry', keys: ['hardness', 'alkalinity', 'pH'] },
  { title: 'The way to the tap', keys: ['lineLength', 'rise'] },
];

/** What is read at the tap and under the sink. Nothing is asked for twice, and nothing blocks. */
export function SurveyStage() {
  const { job } = useJob();
  return (
    <Stack gap="md">
      <Title order={2} size="h3">
        Survey
      </Title>
      <Missing />
      {groups.map(({ title, keys }) => (
        <Fragment key={title}>
          <section className="panel" aria-label={title}>
            <Title order={3} size="h4" mb="sm">
              {title}
            </Title>
            <SimpleGrid cols={{ base: 1, sm: 3 }} verticalSpacing="md">
              {keys.map((key) => (
                <SurveyReading key={key} name={key} />
              ))}
            </SimpleGrid>
          </section>
          {keys.includes('demand') && <HouseholdPanel />}
        </Fragment>
      ))}
      <SiteChoices />
      <WorthPanel />
      <Notes />
      <Button
        component={Link}
        to={`/jobs/${job.id}/size`}
        size="lg"
        style={{ alignSelf: 'flex-start' }}
      >
        See the size
      </Button>
    </Stack>
  );
}

function SurveyReading({ name }: { name: SurveyKey }) {
  const { document, edit, stamp } = useJob();
  const { brief } = useSizing();
  const { say } = useUnits();
  const reading = document.survey.readings[name];
  const field = surveyFields[name];
  const assumed = brief?.ok ? brief.value.survey.assumed.find((a) => a.key === name) : undefined;
  const stood = brief?.ok ? say(field.dimension, brief.value.survey.values[name]) : '';
  const described = !reading && !assumed && isKnown(document.survey, name);
  const placeholder = assumed
    ? `not taken: ${stood} assumed`
    : described
      ? `from who lives here: ${stood}`
      : '';
  const failure = brief && !brief.ok && brief.failure.path === name ? brief.failure : undefined;
  const commit = (quantity: Quantity | undefined) =>
    edit((current) => {
      const { [name]: _old, ...rest } = current.survey.readings;
      const { at, by } = stamp();
      const readings = quantity ? { ...rest, [name]: { ...quantity, takenAt: at, by } } : rest;
      return { survey: { ...current.survey, readings } };
    });
  return (
    <QuantityInput
      field={field}
      quantity={reading}
      onCommit={commit}
      placeholder={placeholder}
      fault={failure && `${failureSentence({ ...failure, path: field.label })} ${field.outside}`}
    />
  );
}

/** What is still missing for a sound size, and what for. */
function Missing() {
  const { document } = useJob();
  const missing = neededReadings.filter((key) => !isKnown(document.survey, key));
  if (missing.length === 0) return null;
  return (
    <Tone
      kind="warn"
      head={
        missing.length === neededReadings.length
          ? 'Nothing is measured yet; everything below is a guess'
          : 'Still missing for a sound size'
      }
    >
      <ul style={{ margin: 0, paddingLeft: 20 }}>
        {missing.map((key) => (
          <li key={key}>
            <strong>{surveyFields[key].label}</strong>: {missingWords[key]}.
          </li>
        ))}
      </ul>
    </Tone>
  );
}

type ChoiceKey = 'source' | 'disinfectant' | 'safe' | 'outlet' | 'tankRoom';

const choices: { key: ChoiceKey; label: string; data: { value: string; label: string }[] }[] = [
  {
    key: 'source',
    label: 'Source',
    data: [
      { value: 'mains', label: 'Mains' },
      { value: 'well', label: 'Well' },
      { value: 'unknown', label: 'Not asked' },
    ],
  },
  {
    key: 'disinfectant',
    label: 'Disinfectant',
    data: [
      { value: 'none', label: 'None' },
      { value: 'chlorine', label: 'Chlorine' },
      { value: 'chloramine', label: 'Chloramine' },
      { value: 'unknown', label: 'Not asked' },
    ],
  },
  {
    key: 'safe',
    label: 'Free of germs',
    data: [
      { value: 'yes', label: 'Yes' },
      { value: 'no', label: 'No' },
      { value: 'unknown', label: 'Not known' },
    ],
  },
  {
    key: 'outlet',
    label: 'Outlet',
    data: [
      { value: 'unswitched', label: 'Always on' },
      { value: 'switched', label: 'On a switch' },
      { value: 'none', label: 'None' },
      { value: 'unknown', label: 'Not looked' },
    ],
  },
  {
    key: 'tankRoom',
    label: 'Room for a tank',
    data: [
      { value: 'yes', label: 'Yes' },
      { value: 'no', label: 'No' },
      { value: 'unknown', label: 'Not looked' },
    ],
  },
];

function SiteChoices() {
  const small = useMediaQuery('(max-width: 30em)', false, { getInitialValueInEffect: false });
  const { document, edit } = useJob();
  const choose = (key: ChoiceKey, value: string) =>
    edit((current) => ({ survey: { ...current.survey, [key]: value } }));
  return (
    <section className="panel" aria-label="Supply and site">
      <Title order={3} size="h4" mb="sm">
        Supply and site
      </Title>
      <SimpleGrid cols={{ base: 1, sm: 2 }} verticalSpacing="md">
        {choices.map(({ key, label, data }) => (
          <div key={key}>
            <Text fw={560} mb={4}>
              {label}
            </Text>
            <SegmentedControl
              fullWidth
              size="md"
              orientation={small && data.length > 3 ? 'vertical' : 'horizontal'}
              aria-label={label}
              value={document.survey[key] ?? 'unknown'}
              onChange={(value) => choose(key, value)}
              data={data}
            />
          </div>
        ))}
      </SimpleGrid>
      {document.survey.outlet === 'switched' && (
        <Text mt="sm" size="sm">
          An outlet on a switch stops pump and lamp with it. Ask a licensed electrician for one that
          stays on.
        </Text>
      )}
    </section>
  );
}

function Notes() {
  const { document, edit } = useJob();
  const save = (note: string) => edit((current) => ({ customer: { ...current.customer, note } }));
  return <NoteField label="Note" value={document.customer.note} onSave={save} />;
}
