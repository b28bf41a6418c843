import { checkVan, type Plumbing, type VanCheck } from '@katharos/core';
import { partsCsv } from '@katharos/papers';
import { useVanQuery } from '../../../data/jobApi.ts';
import { troubleOf } from '../../../data/api.ts';
import { useJobId, useOpenJob } from '../../open/useJob.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { WideTable } from '../../../ui/WideTable.tsx';
import { ToolList } from './ToolList.tsx';
import { useTicks } from './useTicks.ts';
import { VanNotice } from './VanNotice.tsx';
import { Button, Checkbox, Group, Skeleton, Text, Title } from '@mantine/core';

/** What goes into the van: parts with their prices, against what is in it; then the tools. */
export function PartsPanel({ plumbing: { parts, steps } }: { plumbing: Plumbing }) {
  const jobId = useJobId();
  const number = useOpenJob((job) => job.number);
  const { data, error, refetch } = useVanQuery();
  const check = data && checkVan(parts, data, jobId);
  return (
    <>
      <section className="panel" aria-label="Parts">
        <Group justify="space-between" mb="xs">
          <Title order={3} size="h4">
            Parts
          </Title>
          <Button
            variant="default"
            className="no-print"
            component="a"
            href={`data:text/csv;charset=utf-8,${encodeURIComponent(partsCsv(parts))}`}
            download={`parts-${number}.csv`}
          >
            CSV
          </Button>
        </Group>
        {error ? (
          <Tone kind="warn" head="What is in the van is not known" role="status">
            {troubleOf(error).message}{' '}
            <Button variant="default" size="compact-md" onClick={() => void refetch()}>
              Try again
            </Button>
          </Tone>
        ) : check ? (
          <VanNotice check={check} />
        ) : (
          <Skeleton height={60} />
        )}
        <PartsTable
          check={
            check ?? {
              lines: parts.map((line) => ({ ...line, held: 0, taken: 0, missing: 0 })),
              taking: null,
              short: [],
            }
          }
          known={check !== undefined}
        />
      </section>
      <ToolList steps={steps} />
    </>
  );
}

function PartsTable({ check, known }: { check: VanCheck; known: boolean }) {
  const reader = useReader();
  const { isTicked, tick } = useTicks();
  const total = check.lines.reduce((sum, line) => sum + (line.price ?? 0), 0);
  const loaded = check.lines.filter(({ key }) => isTicked(`part:${key}`)).length;
  return (
    <WideTable minWidth={300} label="Parts" tight>
      <thead>
        <tr>
          <th>
            Loaded: {loaded} of {check.lines.length}
          </th>
          <th className="right">Quantity</th>
          <th className="right mantine-visible-from-sm">Van holds</th>
          <th className="right">To buy</th>
          <th className="right mantine-visible-from-sm">Price</th>
        </tr>
      </thead>
      <tbody>
        {check.lines.map((line) => (
          <tr key={line.key}>
            <td>
              <Checkbox
                size="md"
                label={line.name}
                checked={isTicked(`part:${line.key}`)}
                onChange={(event) => tick(`part:${line.key}`, event.currentTarget.checked)}
                styles={{ body: { minHeight: 36, alignItems: 'center' } }}
              />
            </td>
            <td className="right">{reader.pieces(line.quantity, line.unit)}</td>
            <td className="right mantine-visible-from-sm">
              {line.inKit >= line.quantity
                ? 'in the kit'
                : !known
                  ? '–'
                  : line.taken > 0
                    ? `${reader.pieces(line.taken, line.unit)} taken`
                    : reader.pieces(line.held, line.unit)}
            </td>
            <td className="right">
              {line.missing > 0 && (
                <span className="mark warn">{reader.pieces(line.missing, line.unit)}</span>
              )}
            </td>
            <td className="right mantine-visible-from-sm">
              {line.price === null ? 'not in the catalogue' : reader.money(line.price, 2)}
            </td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <th colSpan={5} className="right">
            Parts in all: {reader.money(total, 2)}
            <Text size="sm" c="dimmed">
              rolls up to the proposal
            </Text>
          </th>
        </tr>
      </tfoot>
    </WideTable>
  );
}
