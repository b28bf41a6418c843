import { bodyName, reachWords } from '@katharos/words';
import { cabinetSvg } from '@katharos/papers';
import type { JobBrief } from '@katharos/job';
import {
  type Plumbing,
  remotePlace,
  type Cabinet,
  fullTankKg,
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
} from '@katharos/core';
import { useDocument, useEdit, useJob, useJobId, useOpenJob } from '../../open/useJob.ts';
import { SvgButton } from '../../../ui/SvgPicture.tsx';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { CabinetDrawing } from './CabinetDrawing.tsx';
import { type Place, turnedOver, turning } from './cabinetView.ts';
import { NextCupboard } from './NextCupboard.tsx';
import { NoFitNotice } from './NoFitNotice.tsx';
import { ObstacleTable } from './ObstacleTable.tsx';
import { PlacePicker } from './PlacePicker.tsx';
import { RemotePanel } from './RemotePanel.tsx';
import { Button, Group, SimpleGrid, Text, Title } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';

interface Props {
  plumbing: Plumbing;
  system: InstalledSystem;
  brief: JobBrief;
}

/** Whether everything finds a place, to scale: in the cabinet, the next one, or elsewhere in the house. */
export function CabinetPanel({ plumbing, system, brief }: Props) {
  const document = useDocument();
  const remote = remotePlace(document.plumb, system);
  return (
    <section className="panel" aria-label="Does it fit">
      <Group justify="space-between" mb="xs">
        <Title order={3} size="h4">
          Does it fit
        </Title>
        <CabinetActions plumbing={plumbing} />
      </Group>
      {!isAddedLamp(system) && <PlacePicker plumbing={plumbing} system={system} />}
      {remote ? (
        <RemotePanel plumbing={plumbing} system={system} brief={brief} />
      ) : plumbing.cabinet ? (
        <Fitting plumbing={plumbing} cabinet={plumbing.cabinet} system={system} brief={brief} />
      ) : (
        <Unmeasured />
      )}
    </section>
  );
}

function Unmeasured() {
  const jobId = useJobId();
  return (
    <Tone kind="warn" head="The cabinet was not measured">
      Width, height and depth inside decide whether it fits.{' '}
      <Link to={`/jobs/${jobId}/survey?place=under-the-sink`}>Measure it in the survey</Link>
    </Tone>
  );
}

function CabinetActions({ plumbing }: { plumbing: Plumbing }) {
  const { document, edit } = useJob();
  const number = useOpenJob((job) => job.number);
  const svg = cabinetSvg(plumbing);
  return (
    <Group className="no-print">
      {document.plumb.placements && (
        <Button
          variant="subtle"
          onClick={() => edit(({ plumb: { placements: _old, ...rest } }) => ({ plumb: rest }))}
        >
          As proposed
        </Button>
      )}
      {svg && plumbing.placed.length > 0 && (
        <SvgButton svg={svg} file={`cabinet-${number}.svg`}>
          Drawing as SVG
        </SvgButton>
      )}
    </Group>
  );
}

function Fitting({ plumbing, cabinet, system, brief }: Props & { cabinet: Cabinet }) {
  const { edit } = useEdit();
  const reader = useReader();
  const { bodies, obstacles, placed, left, clashes, next, door } = plumbing;
  const [picked, setPicked] = useState<string | null>(null);
  const move = (id: string, place: Place) =>
    edit(
      ({ plumb }) => ({ plumb: { ...plumb, placements: { ...plumb.placements, [id]: place } } }),
      `place:${id}`,
    );
  const tank = isUltravioletLine(system) ? null : system.tank;
  const body = bodies.find(({ id }) => id === picked);
  const one = placed.find(({ id }) => id === picked);
  const turn = body && one ? turning(body, one) : null;
  return (
    <>
      <Findings plumbing={plumbing} />
      {left.length > 0 && (
        <NoFitNotice plumbing={plumbing} cabinet={cabinet} system={system} brief={brief} />
      )}
      <Text size="sm" c="dimmed" my="xs">
        Drag, or pick a thing and use the arrow keys (Shift for a centimetre; R turns it where it
        may be turned). Dashed: room for service
        {door ? ', and the door’s opening' : ''}. Cabinet {reader.say('length', cabinet.width)}{' '}
        wide, {reader.say('length', cabinet.height)} high, {reader.say('length', cabinet.depth)}{' '}
        deep.
        {tank && ` The full tank weighs about ${reader.weight(fullTankKg(tank.volumeL))}.`}
      </Text>
      <SimpleGrid cols={{ base: 1, md: 2 }}>
        {(['front', 'above'] as const).map((view) => (
          <CabinetDrawing
            key={view}
            view={view}
            name="Cabinet"
            cabinet={cabinet}
            door={door}
            bodies={bodies}
            placed={placed}
            obstacles={obstacles}
            clashing={new Set(clashes.map(({ id }) => id))}
            picked={picked}
            onPick={setPicked}
            onMove={move}
          />
        ))}
      </SimpleGrid>
      {body && one && turn && (
        <Button
          className="no-print"
          variant="default"
          mt="xs"
          onClick={() => move(body.id, turnedOver(body, one, cabinet))}
        >
          {bodyName(body.id)}: {reader.within(turn)}
        </Button>
      )}
      {next && <NextCupboard next={next} cabinet={cabinet} />}
      <ObstacleTable obstacles={obstacles} cabinet={cabinet} />
    </>
  );
}

/** Whether it fits as it stands, what meets what, and what is not reached. */
function Findings({ plumbing: { left, clashes, reach, placed } }: { plumbing: Plumbing }) {
  const reader = useReader();
  const lying = placed.some(({ lies }) => lies);
  return (
    <>
      {left.length === 0 && (
        <Text className="mark good" data-testid="fits">
          It fits{lying ? ', with the tank on its side' : ''}.
        </Text>
      )}
      {clashes.length > 0 && (
        <Tone kind="bad" head="Something is in the way" role="status">
          {clashes
            .map(({ id, met }) => `${bodyName(id)} meets ${met.map(bodyName).join(' and ')}`)
            .join('; ')}
          .
        </Tone>
      )}
      {reach.length > 0 && (
        <Tone kind="warn" head="It stands, but is it reached?" role="status">
          {reach
            .map(
              ({ id, fault, byM }) =>
                `${bodyName(id)} ${reachWords[fault]} (${reader.say('length', byM)})`,
            )
            .join('; ')}
          .
        </Tone>
      )}
    </>
  );
}
