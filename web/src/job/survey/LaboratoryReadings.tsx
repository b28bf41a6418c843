import { fieldWords } from '@katharos/words';
import {
  analyteLabel,
  detailFields,
  isWithin,
  type LaboratoryReport,
  type QuantityField,
  type Reading,
  type ReportFindings,
  type ReportReading,
  surveyFields,
} from '@katharos/job';
import type { Analyte } from '@katharos/core';
import { useJob } from '../open/useJob.ts';
import { useReader } from '../../ui/useReader.ts';
import { Button, Checkbox, Stack, Text } from '@mantine/core';
import { useState } from 'react';

const fieldOf = ({ target }: ReportReading): QuantityField =>
  target.part === 'readings' ? surveyFields[target.key] : detailFields[target.key];

const idOf = ({ target }: ReportReading): string => `${target.part}.${target.key}`;

/** What of a report goes into the survey, beside what stands there now. */
export function LaboratoryReadings({
  report,
  findings,
}: {
  report: LaboratoryReport;
  findings: ReportFindings;
}) {
  const { document, edit } = useJob();
  const reader = useReader();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const held = ({ target }: ReportReading): Reading | undefined =>
    target.part === 'readings'
      ? document.survey.readings[target.key]
      : document.survey.details[target.key];
  const wanted = findings.readings.filter((reading) => !left.has(idOf(reading)));
  const isIn = (reading: ReportReading) => {
    const now = held(reading);
    return now?.unit === reading.unit && Math.abs(now.value - entered(reading)) < 1e-9;
  };
  const fits = (reading: ReportReading) =>
    isWithin(fieldOf(reading), { value: entered(reading), unit: reading.unit });
  const open = wanted.filter((reading) => !isIn(reading) && fits(reading));
  if (findings.readings.length === 0) return null;
  const take = () =>
    edit(({ survey }) => {
      const readings = { ...survey.readings };
      const details = { ...survey.details };
      for (const reading of open) {
        const value: Reading = {
          value: entered(reading),
          unit: reading.unit,
          ...(reading.below && fieldOf(reading).below ? { below: true } : {}),
          takenAt: report.readAt,
          by: report.by,
          instrument: `Laboratory (${report.name})`.slice(0, 80),
        };
        if (reading.target.part === 'readings') readings[reading.target.key] = value;
        else details[reading.target.key] = value;
      }
      return { survey: { ...survey, readings, details } };
    });
  return (
    <Stack gap="xs" align="flex-start">
      <Text fw={650}>For the survey</Text>
      {findings.readings.map((reading) => {
        const now = held(reading);
        const field = fieldOf(reading);
        const note = isIn(reading)
          ? 'taken'
          : !fits(reading)
            ? 'outside what a survey can hold'
            : now
              ? `replaces ${reader.entered(field.dimension, now)}`
              : 'not read so far';
        return (
          <Checkbox
            key={idOf(reading)}
            label={`${fieldWords[field.name].label}: ${reading.below ? 'below ' : ''}${reader.say(reading.dimension, reading.value)}, from ${reading.from.map((analyte) => lowerLabel(analyte)).join(' and ')} (${note})`}
            disabled={!fits(reading)}
            checked={fits(reading) && !left.has(idOf(reading))}
            onChange={(event) => {
              const next = new Set(left);
              if (event.currentTarget.checked) next.delete(idOf(reading));
              else next.add(idOf(reading));
              setLeft(next);
            }}
          />
        );
      })}
      <Button size="md" disabled={open.length === 0} onClick={take}>
        {open.length === 0 ? 'All of it is in the survey' : `Take ${open.length} into the survey`}
      </Button>
    </Stack>
  );
}

/** The value in the unit that it is stored in; a share is stored in percent. */
const entered = ({ value, unit }: ReportReading): number =>
  Number((unit === '%' ? value * 100 : value).toPrecision(6));

/** A name inside a sentence; pH keeps its letters. */
const lowerLabel = (analyte: Analyte): string =>
  analyte === 'pH' ? 'pH' : analyteLabel(analyte).toLowerCase();
