import {
  detailFields,
  type DetailKey,
  type FieldName,
  isKnown,
  type Reading,
  type SiteQuestionKey,
  surveyFields,
} from '@katharos/job';
import { failureSentence, fieldWords, missingWords, siteQuestionWords } from '@katharos/words';
import type { SurveyKey } from '@katharos/core';
import { useDocument, useEdit, useJob, useOpenJob } from '../open/useJob.ts';
import { useReader } from '../../ui/useReader.ts';
import { useSizing } from '../open/sizingContext.ts';
import { ChoiceField } from './ChoiceField.tsx';
import { choiceFields } from './choiceFields.ts';
import { fieldId } from './places.ts';
import { inMeterScale, meterScaleFactor } from './meterScale.ts';
import { ReadingField } from './ReadingField.tsx';
import type { ChoiceKey, SurveyGroup } from './surveyGroups.ts';
import { Group, SimpleGrid, Text, Title } from '@mantine/core';
import type { ReactNode } from 'react';
import styles from './Survey.module.css';

/** Everything that is asked in one place. */
export function SurveyGroupPanel({
  group,
  children,
}: {
  group: SurveyGroup;
  children?: ReactNode;
}) {
  const { choices, readings, details, questions } = group;
  return (
    <section id={group.id} className={`panel ${styles.group}`} aria-label={group.title}>
      <Group justify="space-between" mb="sm">
        <Title order={3} size="h4">
          {group.title}
        </Title>
        <Taken group={group} />
      </Group>
      {choices.length > 0 && (
        <SimpleGrid cols={{ base: 1, sm: 2 }} verticalSpacing="md" mb="md">
          {choices.map((key) => (
            <SurveyChoice key={key} name={key} />
          ))}
        </SimpleGrid>
      )}
      {(readings.length > 0 || details.length > 0) && (
        <SimpleGrid cols={{ base: 1, sm: 3 }} verticalSpacing="md">
          {readings.map((key) => (
            <SurveyReading key={key} name={key} />
          ))}
          {details.map((key) => (
            <DetailReading key={key} name={key} />
          ))}
        </SimpleGrid>
      )}
      {questions.length > 0 && (
        <SimpleGrid cols={{ base: 1, sm: 2 }} verticalSpacing="md" mt="md">
          {questions.map((key) => (
            <SiteAnswer key={key} name={key} />
          ))}
        </SimpleGrid>
      )}
      {children}
    </section>
  );
}

/** How much of a place is read and answered. */
function Taken({ group }: { group: SurveyGroup }) {
  const document = useDocument();
  const { taken, all } = takenOf(group, document.survey);
  return (
    <Text size="sm" c="dimmed">
      {taken} of {all} taken
    </Text>
  );
}

export function takenOf(
  { choices, readings, details, questions }: SurveyGroup,
  survey: ReturnType<typeof useJob>['document']['survey'],
): { taken: number; all: number } {
  const done = [
    ...choices.map((key) => (survey[key] ?? 'unknown') !== 'unknown'),
    ...readings.map((key) => isKnown(survey, key)),
    ...details.map((key) => survey.details[key] !== undefined),
    ...questions.map((key) => survey.site[key] !== undefined),
  ];
  return { taken: done.filter(Boolean).length, all: done.length };
}

function SurveyReading({ name }: { name: SurveyKey }) {
  const { document, edit } = useJob();
  const { brief } = useSizing();
  const reader = useReader();
  const { survey } = document;
  const reading = survey.readings[name];
  const well = survey.source === 'well';
  const own = wellFields[name];
  const field = well && own ? { ...surveyFields[name], name: own } : surveyFields[name];
  const { label, outside } = fieldWords[field.name];
  const assumed = brief?.ok ? brief.value.survey.assumed.find((a) => a.key === name) : undefined;
  const stood = brief?.ok ? reader.say(field.dimension, brief.value.survey.values[name]) : '';
  const described = !reading && !assumed && isKnown(survey, name);
  const placeholder = assumed
    ? `not taken: ${stood} assumed`
    : described
      ? `from who lives here: ${stood}`
      : '';
  const failure = brief && !brief.ok && brief.failure.path === name ? brief.failure : undefined;
  const change = (next: Reading | undefined) =>
    edit(({ survey: current }) => {
      const { [name]: _old, ...rest } = current.readings;
      return { survey: { ...current, readings: next ? { ...rest, [name]: next } : rest } };
    });
  const isTds = field.dimension === 'tds';
  const scale = survey.meterScale ?? 'nacl';
  return (
    <ReadingField
      id={fieldId(name)}
      field={field}
      reading={reading}
      onChange={change}
      placeholder={placeholder}
      fault={failure && `${failureSentence({ ...failure, path: label })} ${outside}`}
      adopt={isTds ? (quantity) => inMeterScale(quantity, scale) : undefined}
      beside={
        isTds && brief?.ok
          ? `${Math.round(brief.value.survey.values[name] / meterScaleFactor[scale])} µS/cm at 25 °C on this meter's scale`
          : reading
            ? undefined
            : capital(missingWords[name])
      }
    />
  );
}

const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;

/** A well's daily range is set by its pressure switch. */
const wellFields: Partial<Record<SurveyKey, FieldName>> = {
  lowestPressure: 'wellCutIn',
  highestPressure: 'wellCutOut',
};

function DetailReading({ name }: { name: DetailKey }) {
  const { edit } = useEdit();
  const reading = useOpenJob(({ document }) => document.survey.details[name]);
  const change = (next: Reading | undefined) =>
    edit(({ survey }) => {
      const { [name]: _old, ...rest } = survey.details;
      return { survey: { ...survey, details: next ? { ...rest, [name]: next } : rest } };
    });
  return (
    <ReadingField
      field={detailFields[name]}
      reading={reading}
      onChange={change}
      placeholder="not taken"
    />
  );
}

function SurveyChoice({ name }: { name: ChoiceKey }) {
  const { edit } = useEdit();
  const { label, hint, options } = choiceFields[name];
  const value = useOpenJob(({ document }) => document.survey[name] ?? 'unknown');
  return (
    <div>
      <ChoiceField
        label={label}
        hint={hint}
        options={options}
        value={value}
        onChange={(next) =>
          edit(({ survey }) => {
            if (next === 'unknown' && name === 'meterScale') {
              const { meterScale: _old, ...rest } = survey;
              return { survey: rest };
            }
            return { survey: { ...survey, [name]: next } };
          })
        }
      />
      {name === 'outlet' && value === 'switched' && (
        <Text mt={4} size="sm">
          An outlet on a switch stops pump and lamp with it. Ask a licensed electrician for one that
          stays on.
        </Text>
      )}
    </div>
  );
}

function SiteAnswer({ name }: { name: SiteQuestionKey }) {
  const { edit } = useEdit();
  const { label, why, answers } = siteQuestionWords[name];
  const answer = useOpenJob(({ document }) => document.survey.site[name] ?? 'unknown');
  const options = [
    ...Object.entries(answers as Record<string, string>).map(([value, text]) => ({
      value,
      label: text,
    })),
    { value: 'unknown', label: 'Not looked' },
  ];
  return (
    <ChoiceField
      label={label}
      hint={capital(why)}
      options={options}
      value={answer}
      onChange={(value) =>
        edit(({ survey }) => {
          const { [name]: _old, ...rest } = survey.site;
          return {
            survey: { ...survey, site: value === 'unknown' ? rest : { ...rest, [name]: value } },
          };
        })
      }
    />
  );
}
