import { partsCsv, toolNames } from '@katharos/contract';
import { type PartsLine, toolsOf, type WorkStep } from '@katharos/core';
import { Button, Checkbox, Group, Table, Text, Title } from '@mantine/core';
import { useJob } from '../job/useJob.ts';
import { useMoney } from '../quantities/useMoney.ts';

/** What goes into the van: parts with their prices, tools, each ticked off. */
export function PartsPanel({
  lines,
  steps,
}: {
  lines: readonly PartsLine[];
  steps: readonly WorkStep[];
}) {
  const { document, edit, stamp, job } = useJob();
  const money = useMoney(2);
  const { ticks } = document.plumb;
  const tick = (id: string, on: boolean) =>
    edit(({ plumb }) => {
      const { [id]: _old, ...rest } = plumb.ticks;
      return { plumb: { ...plumb, ticks: on ? { ...rest, [id]: stamp() } : rest } };
    });
  const total = lines.reduce((sum, line) => sum + (line.price ?? 0), 0);
  const loaded = lines.filter((line) => ticks[`part:${line.id}`]).length;
  const tools = toolsOf(steps);
  return (
    <>
      <section className="panel" aria-label="Parts">
        <Group justify="space-between" mb="xs">
          <Title order={3} size="h4">
            Parts
          </Title>
          <Group>
            <Text c="dimmed">
              {loaded} of {lines.length} in the van
            </Text>
            <Button
              variant="default"
              className="no-print"
              component="a"
              href={`data:text/csv;charset=utf-8,${encodeURIComponent(partsCsv(lines))}`}
              download={`parts-${job.number}.csv`}
            >
              CSV
            </Button>
          </Group>
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
      <section className="panel" aria-label="Tools">
        <Title order={3} size="h4" mb="xs">
          Tools
        </Title>
        {tools.map((tool) => (
          <Checkbox
            key={tool}
            size="md"
            label={toolNames[tool]}
            checked={!!ticks[`tool:${tool}`]}
            onChange={(event) => tick(`tool:${tool}`, event.currentTarget.checked)}
            styles={{ body: { minHeight: 40, alignItems: 'center' } }}
          />
        ))}
      </section>
    </>
  );
}
