import { type JobBrief, codesCaveat } from '@katharos/contract';
import { type InstalledSystem, isUltravioletLine, partsList, toCore } from '@katharos/core';
import { Button, Checkbox, Group, Stack, Table, Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { useMoney } from '../quantities/useMoney.ts';
import { NeedsSystem } from '../job/NeedsSystem.tsx';
import { useJob } from '../job/useJob.ts';
import { Tone } from '../quantities/Tone.tsx';
import { useSizing } from '../size/sizingContext.ts';
import { TubeTable } from './TubeTable.tsx';

/** The parts and the tubes of the chosen system. */
export function PlumbStage() {
  const { document } = useJob();
  const { brief } = useSizing();
  if (!document.system) {
    return (
      <NeedsSystem
        title="Plumb"
        reason="The parts and tube lists are made for the system that was chosen."
      />
    );
  }
  return <Plumbing design={document.system.design} brief={brief?.ok ? brief.value : null} />;
}

function Plumbing({ design, brief }: { design: InstalledSystem; brief: JobBrief | null }) {
  const { document, edit, stamp, job } = useJob();
  const { catalogue } = useSizing();
  const navigate = useNavigate();
  const routes = useMemo(
    () =>
      Object.fromEntries(
        Object.entries(document.plumb.routes).map(([id, route]) => [id, toCore('length', route)]),
      ),
    [document.plumb.routes],
  );
  const regulator = brief !== null && brief.settings.regulatorBar !== null;
  const leakStop = brief?.settings.leakStop ?? true;
  const lines = useMemo(
    () => partsList(design, catalogue, { regulator, leakStop, routes }),
    [design, catalogue, regulator, leakStop, routes],
  );
  const total = lines.reduce((sum, line) => sum + (line.price ?? 0), 0);
  const money = useMoney(2);
  const ticks = document.plumb.ticks;
  const tick = (id: string, on: boolean) =>
    edit((current) => {
      const { [id]: _old, ...rest } = current.plumb.ticks;
      return { plumb: { ...current.plumb, ticks: on ? { ...rest, [id]: stamp() } : rest } };
    });
  const loaded = lines.filter((line) => ticks[`part:${line.id}`]).length;
  return (
    <Stack gap="md">
      <Group justify="space-between">
        <Title order={2} size="h3">
          Plumb
        </Title>
        <Group className="no-print">
          <Button variant="default" size="md" onClick={() => window.print()}>
            Print the lists
          </Button>
          <Button
            size="md"
            onClick={() => {
              tick('finished', true);
              void navigate(`/jobs/${job.id}/flush`);
            }}
          >
            Plumbed in, go on to flushing
          </Button>
        </Group>
      </Group>
      <Tone kind="warn" head="Before anything is cut or drilled">
        {codesCaveat} Close the cold supply and prove it off at the open tap.
        {isUltravioletLine(design)
          ? ''
          : ' The drain tube leaves behind the restrictor; the saddle goes on the sink side of the trap.'}
        {design.lamp || (!isUltravioletLine(design) && design.pump)
          ? ' Pump and lamp need an outlet that stays on, protected against earth faults, with a drip loop; a new one is an electrician’s work.'
          : ''}
      </Tone>
      <section className="panel" aria-label="Parts">
        <Group justify="space-between" mb="xs">
          <Title order={3} size="h4">
            Parts
          </Title>
          <Text c="dimmed">
            {loaded} of {lines.length} in the van
          </Text>
        </Group>
        <Table verticalSpacing={6}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>In the van</Table.Th>
              <Table.Th ta="right">Quantity</Table.Th>
              <Table.Th ta="right">Price</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {lines.map((line) => (
              <Table.Tr key={line.id}>
                <Table.Td>
                  <Checkbox
                    size="md"
                    label={line.name}
                    checked={!!ticks[`part:${line.id}`]}
                    onChange={(event) => tick(`part:${line.id}`, event.currentTarget.checked)}
                    styles={{ body: { minHeight: 36, alignItems: 'center' } }}
                  />
                </Table.Td>
                <Table.Td ta="right">
                  {line.quantity}
                  {line.unit === 'm' ? ' m' : ''}
                </Table.Td>
                <Table.Td ta="right">
                  {line.price === null ? 'not in the catalogue' : money(line.price)}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
          <Table.Tfoot>
            <Table.Tr>
              <Table.Th>Parts in all</Table.Th>
              <Table.Th />
              <Table.Th ta="right">{money(total)}</Table.Th>
            </Table.Tr>
          </Table.Tfoot>
        </Table>
      </section>
      <TubeTable design={design} routes={routes} />
    </Stack>
  );
}
