import { useReader } from '../../ui/useReader.ts';
import { balanceSentence, solidsSentences } from '@katharos/words';
import { type LaboratoryReport, readReport, reportFindings } from '@katharos/job';
import { useEdit, useJob } from '../open/useJob.ts';
import { Tone } from '../../ui/Tone.tsx';
import { readTextFile } from '../../data/readTextFile.ts';
import { useHalfTyped } from '../../ui/typed/halfTyped.ts';
import { LaboratoryReadings } from './LaboratoryReadings.tsx';
import { LaboratoryTable } from './LaboratoryTable.tsx';
import {
  Button,
  FileButton,
  Group,
  NativeSelect,
  Stack,
  Text,
  Textarea,
  Title,
} from '@mantine/core';
import { useMemo, useState } from 'react';

/** A laboratory's report: pasted or opened, recognised line by line, checked against itself, and taken into the survey. */
export function LaboratoryPanel() {
  const { document, edit } = useJob();
  const { laboratory } = document.survey;
  const set = (next: LaboratoryReport | undefined) =>
    edit(({ survey: { laboratory: _old, ...rest } }) => ({
      survey: next ? { ...rest, laboratory: next } : rest,
    }));
  return (
    <section className="panel" aria-label="Laboratory report">
      <Group justify="space-between" mb={4}>
        <Title order={3} size="h4">
          Laboratory report
        </Title>
        {laboratory && (
          <Button variant="subtle" size="sm" mih={44} onClick={() => set(undefined)}>
            Take it out
          </Button>
        )}
      </Group>
      {laboratory ? <Report report={laboratory} onChange={set} /> : <ReportEntry onRead={set} />}
    </section>
  );
}

const longestReport = 60000;

function ReportEntry({ onRead }: { onRead: (report: LaboratoryReport) => void }) {
  const { stamp } = useEdit();
  const reader = useReader();
  const half = useHalfTyped('laboratory-report');
  const [text, setText] = useState(half.restored ?? '');
  const [fault, setFault] = useState<string | null>(null);
  const read = (content: string, name: string) => {
    if (content.trim() === '') {
      setFault('There is nothing to read yet.');
      return;
    }
    if (content.length > longestReport) {
      setFault(
        `This is longer than ${reader.number(longestReport, 0)} characters; paste the part for this water.`,
      );
      return;
    }
    const { at, by } = stamp();
    half.forget();
    onRead({ name, text: content, choices: {}, readAt: at, by });
  };
  const open = async (file: File) => {
    const content = await readTextFile(file);
    if (content === undefined) {
      setFault(
        `${file.name} is no text. Take the report as CSV, TSV or plain text, or paste its table.`,
      );
      return;
    }
    read(content, file.name.slice(0, 120));
  };
  return (
    <Stack gap="xs" align="flex-start">
      <Text size="sm" c="dimmed">
        Paste the table of a report, or open its CSV file: a quantity a line with figure and unit,
        or a quantity a column. Units are converted; whatever is not recognised is shown, not lost.
      </Text>
      <Textarea
        w="100%"
        label="Paste the report"
        placeholder={'Parameter;Result;Unit\nCalcium;62,4;mg/L\npH;7,5;'}
        resize="vertical"
        rows={3}
        value={text}
        error={fault}
        onChange={(event) => {
          setText(event.currentTarget.value);
          half.keep(event.currentTarget.value);
          setFault(null);
        }}
      />
      <Group>
        <Button size="md" onClick={() => read(text, 'pasted')}>
          Read it
        </Button>
        <FileButton
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          inputProps={{ 'aria-label': 'Report file' }}
          onChange={(file) => {
            if (file) void open(file);
          }}
        >
          {(props) => (
            <Button {...props} variant="default" size="md">
              Open a file
            </Button>
          )}
        </FileButton>
      </Group>
    </Stack>
  );
}

function Report({
  report,
  onChange,
}: {
  report: LaboratoryReport;
  onChange: (report: LaboratoryReport) => void;
}) {
  const reader = useReader();
  const read = useMemo(() => readReport(report), [report]);
  const findings = useMemo(() => reportFindings(read.rows), [read]);
  const balance = balanceSentence(findings, reader);
  const remarks = [...(balance ? [balance] : []), ...solidsSentences(findings, reader)];
  return (
    <Stack gap="md">
      <Text size="sm" c="dimmed">
        {report.name}, read by {report.by} on {report.readAt.slice(0, 10)}.{' '}
        {read.rows.filter((row) => row.trouble === null).length} of {read.rows.length} lines are
        taken.
      </Text>
      {read.layout !== 'columns' && (
        <Columns
          header={read.header}
          columns={read.columns}
          onChange={(columns) => onChange({ ...report, columns })}
        />
      )}
      {read.layout === null && (
        <Tone kind="warn" head="The columns could not be told">
          Say above which column names the quantity and which holds its figure.
        </Tone>
      )}
      {read.rows.length > 0 && (
        <LaboratoryTable
          rows={read.rows}
          onChoose={(line, choice) =>
            onChange({
              ...report,
              choices: { ...report.choices, [line]: { ...report.choices[line], ...choice } },
            })
          }
        />
      )}
      {remarks.length > 0 && (
        <Stack gap={6}>
          {remarks.map(({ tone, text }) => (
            <Text key={text} size="sm">
              <span className={`mark ${tone}`}>
                {tone === 'good' ? 'In order. ' : 'Look again. '}
              </span>
              {text}
            </Text>
          ))}
        </Stack>
      )}
      {findings.germs && (
        <Tone kind="bad" head="Germs were found">
          A membrane is no disinfection barrier. Say “Free of germs: No” under Chemistry, so that a
          lamp is proposed, and follow the health authority.
        </Tone>
      )}
      <LaboratoryReadings report={report} findings={findings} />
    </Stack>
  );
}

function Columns({
  header,
  columns,
  onChange,
}: {
  header: string[];
  columns: { name: number; value: number; unit: number | null } | null;
  onChange: (columns: { name: number; value: number; unit: number | null }) => void;
}) {
  const chosen = columns ?? { name: -1, value: -1, unit: null };
  const [half, setHalf] = useState(chosen);
  const options = header.map((head, i) => ({
    value: String(i),
    label: `${i + 1}: ${head || '(empty)'}`,
  }));
  const current = columns ?? half;
  const set = (change: Partial<typeof chosen>) => {
    const next = { ...current, ...change };
    setHalf(next);
    if (next.name >= 0 && next.value >= 0) onChange(next);
  };
  const pick = (label: string, value: number | null, change: (index: number) => void) => (
    <NativeSelect
      label={label}
      data={[{ value: '-1', label: '–' }, ...options]}
      value={String(value ?? -1)}
      onChange={(event) => change(Number(event.currentTarget.value))}
    />
  );
  return (
    <Group grow preventGrowOverflow={false} align="flex-end">
      {pick('Quantity is in', current.name, (name) => set({ name }))}
      {pick('Figure is in', current.value, (value) => set({ value }))}
      {pick('Unit is in', current.unit, (unit) => set({ unit: unit < 0 ? null : unit }))}
    </Group>
  );
}
