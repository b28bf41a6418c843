import {
  colourWords,
  placeName,
  routeWords,
  tubeEndNames,
  tubeFunctionNames,
} from '@katharos/words';
import { type QuantityField, routeRangeM } from '@katharos/job';
import {
  practiceLimits,
  type ScheduledTube,
  serviceSlackM,
  type TubeColour,
  type TubeSize,
  unitOf,
  unitSystems,
  tubeColours,
  tubeFunctions,
} from '@katharos/core';
import { useJob } from '../../open/useJob.ts';
import { QuantityInput } from '../../../ui/typed/QuantityInput.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { RowsTable } from '../../../ui/RowsTable.tsx';
import { SizeSelect } from './SizeSelect.tsx';
import { NativeSelect, SimpleGrid, Text, Title } from '@mantine/core';

const routeField: QuantityField = {
  name: 'route',
  dimension: 'length',
  range: routeRangeM,
  units: { metric: 'cm', us: 'in' },
};

/** Every tube: from, to, what it carries, how long it is cut. Measured routes replace those by position, and those the usual ones. */
export function TubeTable({ tubes }: { tubes: readonly ScheduledTube[] }) {
  const { document, edit } = useJob();
  const reader = useReader();
  const { units: system } = reader;
  const unit = unitOf('pressure', unitSystems[system].pressure).symbol;
  const loss = (tube: ScheduledTube, size: TubeSize) =>
    reader.apart('pressure', tube.lossBar[size]).text;
  return (
    <section className="panel" aria-label="Tubes">
      <Title order={3} size="h4">
        Tubes
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        Label every line by what it carries; colours mean nothing across kits. Cut length is the
        route, the insertion at both ends, and {reader.say('length', serviceSlackM)} of slack to
        pull the unit out where the line leaves it. The narrower tube is taken while its flow costs
        less than {reader.say('pressure', practiceLimits.mostTubeLossBar)}.
      </Text>
      <RowsTable
        label="Tubes"
        minWidth={980}
        tight
        columns={[
          'No.',
          'From – to',
          { head: 'Cut', right: true },
          'Label',
          'Tube, outside / bore',
          'Colour',
          { head: `Costs as 1/4" / 3/8", ${unit}`, right: true },
          'Route',
          'Ends',
          { head: 'Clips', right: true },
        ]}
      >
        {tubes.map((run) => {
          return (
            <tr key={run.id}>
              <td>{run.label}</td>
              <td>
                {placeName(run.from)} – {placeName(run.to)}
              </td>
              <td className="right strong whole">{reader.cut(run.cutM)}</td>
              <td className="strong">{tubeFunctionNames[run.function]}</td>
              <td>
                <SizeSelect tube={run} />
                <Text size="xs" c="dimmed">
                  {run.outsideMm} / {run.boreMm} mm
                </Text>
              </td>
              <td>{run.colour ? colourWords[run.colour] : '–'}</td>
              <td className="right whole">
                {loss(run, '1/4"')} / {loss(run, '3/8"')}
                {run.proposed === '3/8"' && run.size === '1/4"' && (
                  <Text size="xs" className="mark warn">
                    3/8" is proposed
                  </Text>
                )}
              </td>
              <td>
                <QuantityInput
                  field={routeField}
                  keptAs={run.id}
                  label={undefined}
                  description={undefined}
                  aria-label={`Route from ${placeName(run.from)} to ${placeName(run.to)}`}
                  size="sm"
                  w={120}
                  placeholder={reader.say('length', run.takenM)}
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
                <Text size="xs" c="dimmed">
                  {routeWords[run.known]}
                </Text>
              </td>
              <td>
                <Text size="sm">
                  {run.ends[0] === run.ends[1]
                    ? `${tubeEndNames[run.ends[0]]} both ends`
                    : run.ends.map((end) => tubeEndNames[end]).join('; ')}
                  {run.reducers > 0 &&
                    `; ${run.reducers} ${reader.plural(run.reducers, { one: 'reducer', other: 'reducers' })}`}
                </Text>
              </td>
              <td className="right">{run.lockClips}</td>
            </tr>
          );
        })}
      </RowsTable>
      <Colours />
    </section>
  );
}

/** Which colour this kit uses for what: its own affair, so it is asked and never assumed. */
function Colours() {
  const reader = useReader();
  const { document, edit } = useJob();
  const held = document.plumb.colours ?? {};
  return (
    <SimpleGrid cols={{ base: 2, sm: 5 }} mt="md">
      {tubeFunctions.map((role) => (
        <NativeSelect
          key={role}
          label={`Colour: ${reader.within(tubeFunctionNames[role])}`}
          data={[
            { value: '', label: 'not said' },
            ...tubeColours.map((colour) => ({ value: colour, label: colourWords[colour] })),
          ]}
          value={held[role] ?? ''}
          onChange={(event) => {
            const colour = event.currentTarget.value as TubeColour | '';
            edit(({ plumb }) => {
              const { [role]: _old, ...rest } = plumb.colours ?? {};
              return { plumb: { ...plumb, colours: colour ? { ...rest, [role]: colour } : rest } };
            });
          }}
        />
      ))}
    </SimpleGrid>
  );
}
