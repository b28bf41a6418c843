import {
  placeName,
  type QuantityField,
  tubeEndNames,
  tubeFunctionNames,
  routeRangeM,
} from '@katharos/contract';
import { cutLength, type InstalledSystem, serviceSlackM, tubeRuns } from '@katharos/core';
import { Table, Text, Title } from '@mantine/core';
import { useJob } from '../job/useJob.ts';
import { QuantityInput } from '../quantities/QuantityInput.tsx';
import { useUnits } from '../quantities/useUnits.ts';
import { WideTable } from '../quantities/WideTable.tsx';

const routeField: QuantityField = {
  dimension: 'length',
  label: 'Route',
  how: '',
  range: routeRangeM,
  outside: 'Measure along the way the tube will take; check the unit.',
};

/** Every tube: from, to, what it carries, how long it is cut. Measured routes replace the usual ones. */
export function TubeTable({
  design,
  routes,
}: {
  design: InstalledSystem;
  routes: Readonly<Record<string, number>>;
}) {
  const { document, edit } = useJob();
  const { say, system } = useUnits();
  const runs = tubeRuns(design);
  return (
    <section className="panel" aria-label="Tubes">
      <Title order={3} size="h4">
        Tubes
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        Label every line by what it carries; colours mean nothing across kits. Cut length is the
        route, the insertion at both ends, and {say('length', serviceSlackM)} of slack to pull the
        unit out where the line leaves it.
      </Text>
      <WideTable minWidth={660} label="Tubes, scrolls sideways">
        <Table verticalSpacing={6}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>From – to</Table.Th>
              <Table.Th ta="right">Cut</Table.Th>
              <Table.Th>Label</Table.Th>
              <Table.Th>Tube</Table.Th>
              <Table.Th>Route</Table.Th>
              <Table.Th>Ends</Table.Th>
              <Table.Th ta="right">Clips</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {runs.map((run) => {
              const routeM = routes[run.id] ?? run.routeM;
              const cut = cutLength(run, routeM);
              return (
                <Table.Tr key={run.id}>
                  <Table.Td>
                    {placeName(run.from)} – {placeName(run.to)}
                  </Table.Td>
                  <Table.Td ta="right" fw={650} style={{ whiteSpace: 'nowrap' }}>
                    {system === 'metric'
                      ? `${Math.ceil(cut * 100)} cm`
                      : `${Math.ceil(cut / 0.0254)} in`}
                  </Table.Td>
                  <Table.Td fw={600}>{tubeFunctionNames[run.function]}</Table.Td>
                  <Table.Td>{run.size}</Table.Td>
                  <Table.Td>
                    <QuantityInput
                      field={routeField}
                      label={undefined}
                      description={undefined}
                      aria-label={`Route from ${placeName(run.from)} to ${placeName(run.to)}`}
                      size="sm"
                      w={120}
                      placeholder={say('length', run.routeM)}
                      quantity={document.plumb.routes[run.id]}
                      onCommit={(quantity) =>
                        edit((current) => {
                          const { [run.id]: _old, ...rest } = current.plumb.routes;
                          const { value, unit } = quantity ?? { value: 0, unit: '' };
                          return {
                            plumb: {
                              ...current.plumb,
                              routes: quantity ? { ...rest, [run.id]: { value, unit } } : rest,
                            },
                          };
                        })
                      }
                    />
                  </Table.Td>
                  <Table.Td>
                    <Text size="sm">
                      {run.ends[0] === run.ends[1]
                        ? `${tubeEndNames[run.ends[0]]} both ends`
                        : run.ends.map((end) => tubeEndNames[end]).join('; ')}
                    </Text>
                  </Table.Td>
                  <Table.Td ta="right">{run.lockClips}</Table.Td>
                </Table.Tr>
              );
            })}
          </Table.Tbody>
        </Table>
      </WideTable>
    </section>
  );
}
