import { bodyName, type JobBrief, type Plumbing, writePercent } from '@katharos/contract';
import {
  type Cabinet,
  collisions,
  fullTankKg,
  type InstalledSystem,
  isUltravioletLine,
  missingRoom,
  type Placed,
  placeBodies,
  type WayOut,
  waysOut,
} from '@katharos/core';
import { Button, Group, SimpleGrid, Text, Title } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useJob } from '../../job/useJob.ts';
import { Tone } from '../../quantities/Tone.tsx';
import { useUnits } from '../../quantities/useUnits.ts';
import { useChosenSystem } from '../../size/useChosenSystem.ts';
import { useSizing } from '../../size/sizingContext.ts';
import { CabinetDrawing } from './CabinetDrawing.tsx';
import { ObstacleTable } from './ObstacleTable.tsx';

interface Props {
  plumbing: Plumbing;
  system: InstalledSystem;
  brief: JobBrief;
}

/** Whether everything finds a place under the sink, to scale, and what could be done where it does not. */
export function CabinetPanel({ plumbing, system, brief }: Props) {
  const { job } = useJob();
  if (!plumbing.cabinet) {
    return (
      <Tone kind="warn" head="The cabinet was not measured">
        Width, height and depth inside decide whether it fits.{' '}
        <Link to={`/jobs/${job.id}/survey#under-the-sink`}>Measure it in the survey</Link>
      </Tone>
    );
  }
  return <Fitting plumbing={plumbing} cabinet={plumbing.cabinet} system={system} brief={brief} />;
}

function Fitting({ plumbing, cabinet, system, brief }: Props & { cabinet: Cabinet }) {
  const { document, edit } = useJob();
  const { say } = useUnits();
  const { bodies, obstacles, placed } = plumbing;
  const proposed = useMemo(
    () => placeBodies(bodies, cabinet, obstacles),
    [bodies, cabinet, obstacles],
  );
  const held = document.plumb.placements;
  const [picked, setPicked] = useState<string | null>(null);
  const clashes = useMemo(
    () =>
      placed.flatMap((one) => {
        const body = bodies.find(({ id }) => id === one.id)!;
        const others = [
          ...obstacles.map((obstacle) => ({ id: obstacle.id, box: obstacle })),
          ...placed
            .filter(({ id }) => id !== one.id)
            .map((other) => ({ id: other.id, box: other })),
        ];
        const met = collisions(body, one, cabinet, others);
        return met.length > 0 ? [{ id: one.id, met }] : [];
      }),
    [placed, bodies, obstacles, cabinet],
  );
  const move = (id: string, place: Pick<Placed, 'x' | 'y' | 'z' | 'lies'>) =>
    edit(({ plumb }) => ({
      plumb: { ...plumb, placements: { ...plumb.placements, [id]: place } },
    }));
  const missing = proposed.left;
  const tank = isUltravioletLine(system) ? null : system.tank;
  return (
    <section className="panel" aria-label="Does it fit">
      <Group justify="space-between">
        <Title order={3} size="h4">
          Does it fit
        </Title>
        {held && (
          <Button
            variant="subtle"
            onClick={() => edit(({ plumb: { placements: _old, ...rest } }) => ({ plumb: rest }))}
          >
            As proposed
          </Button>
        )}
      </Group>
      {missing.length === 0 ? (
        <Text className="mark good" data-testid="fits">
          It fits.
        </Text>
      ) : (
        <NoFit plumbing={plumbing} cabinet={cabinet} system={system} brief={brief} left={missing} />
      )}
      {clashes.length > 0 && (
        <Tone kind="bad" head="Something is in the way" role="status">
          {clashes
            .map(({ id, met }) => `${bodyName(id)} meets ${met.map(bodyName).join(' and ')}`)
            .join('; ')}
          .
        </Tone>
      )}
      <Text size="sm" c="dimmed" my="xs">
        Drag, or pick a thing and use the arrow keys (Shift for a centimetre; R lays a tank down).
        Dashed: room for service. Cabinet {say('length', cabinet.width)} wide,{' '}
        {say('length', cabinet.height)} high, {say('length', cabinet.depth)} deep.
        {tank && ` The full tank weighs about ${Math.round(fullTankKg(tank.volumeL))} kg.`}
      </Text>
      <SimpleGrid cols={{ base: 1, md: 2 }}>
        {(['front', 'above'] as const).map((view) => (
          <CabinetDrawing
            key={view}
            view={view}
            cabinet={cabinet}
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
      <ObstacleTable obstacles={obstacles} cabinet={cabinet} />
    </section>
  );
}

function NoFit({
  plumbing,
  cabinet,
  system,
  brief,
  left,
}: Props & { cabinet: Cabinet; left: readonly string[] }) {
  const { say } = useUnits();
  const { catalogue } = useSizing();
  const { choose, agreed } = useChosenSystem();
  const { bodies, obstacles } = plumbing;
  const room = useMemo(() => missingRoom(bodies, cabinet, obstacles), [bodies, cabinet, obstacles]);
  const ways = useMemo<WayOut[]>(
    () =>
      isUltravioletLine(system)
        ? [{ kind: 'remote' }]
        : waysOut(
            system,
            brief.settings.leakStop,
            cabinet,
            obstacles,
            catalogue,
            brief.task.waters,
            brief.requirements,
          ),
    [system, brief, cabinet, obstacles, catalogue],
  );
  const needs = (Object.entries(room) as [keyof Cabinet, number | null][])
    .filter(([, more]) => more !== null)
    .map(([key, more]) => `${say('length', more!)} more ${key}`);
  return (
    <Tone kind="bad" head={`No place for: ${left.map(bodyName).join(', ')}`} role="status">
      <Text size="sm">
        {needs.length > 0
          ? `It would take ${needs.join(', or ')}.`
          : 'More room in one direction alone would not do.'}{' '}
        Ways out:
      </Text>
      <ul style={{ margin: '4px 0 0', paddingLeft: 20 }}>
        {ways.map((way) => (
          <li key={way.kind}>
            {wayWords(way, say)}{' '}
            {way.kind === 'smaller-tank' && (
              <Button
                variant="default"
                size="compact-md"
                disabled={agreed !== null}
                title={agreed ? 'Open the agreement first' : undefined}
                onClick={() => choose(way.design)}
              >
                Take it
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Tone>
  );
}

function wayWords(way: WayOut, say: ReturnType<typeof useUnits>['say']): string {
  switch (way.kind) {
    case 'next-cupboard':
      return 'The tank in the next cupboard, its tube through a drilled panel: the rest fits.';
    case 'smaller-tank': {
      const { judged, design } = way;
      const waiting =
        judged.waitingDays === null
          ? ''
          : `; somebody waits on ${writePercent(judged.waitingDays)} of worst-case days`;
      return `${design.tank?.name ?? 'A smaller tank'}: ${say('volume', judged.worst?.usableVolumeL ?? 0)} usable in the worst case${waiting}.`;
    }
    case 'tankless':
      return 'A tankless unit would fit; see Compare in Size for what it does here.';
    case 'remote':
      return 'The unit in the cellar or behind the wall: longer lines and a slower tap; enter line and rise in the survey.';
  }
}
