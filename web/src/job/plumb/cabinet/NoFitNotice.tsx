import { bodyName, type Reader } from '@katharos/words';
import type { JobBrief } from '@katharos/job';
import type { Plumbing, Cabinet, InstalledSystem, WayOut } from '@katharos/core';
import { useJobId } from '../../open/useJob.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { useSizing } from '../../open/sizingContext.ts';
import { useChosenSystem } from '../../open/useChosenSystem.ts';
import { useComputed } from '../../../workers/useComputed.ts';
import { usePlaces, usualCupboard, usualRemote } from './usePlaces.ts';
import { Button, Text } from '@mantine/core';
import { Link } from 'react-router';

interface Props {
  plumbing: Plumbing;
  cabinet: Cabinet;
  system: InstalledSystem;
  brief: JobBrief;
}

/** By how much it does not fit, and what could be done, each way tried before it is offered. */
export function NoFitNotice({ plumbing, cabinet, system, brief }: Props) {
  const reader = useReader();
  const { catalogue } = useSizing();
  const { bodies, obstacles, left } = plumbing;
  const [asked] = useComputed('noFit', {
    bodies,
    cabinet,
    obstacles,
    system,
    leakStop: brief.settings.leakStop,
    catalogue,
    waters: brief.task.waters,
    requirements: brief.requirements,
  });
  const found = asked.kind === 'done' ? asked.value : null;
  const needs = found
    ? (Object.entries(found.room) as [keyof Cabinet, number | null][])
        .filter(([, more]) => more !== null)
        .map(([key, more]) => `${reader.say('length', more!)} more ${key}`)
    : [];
  return (
    <Tone kind="bad" head={`No place for: ${left.map(bodyName).join(', ')}`} role="status">
      {!found ? (
        <Text size="sm">Trying the ways out …</Text>
      ) : (
        <>
          <Text size="sm">
            {needs.length > 0
              ? `It would take ${needs.join(', or ')}.`
              : 'More room in one direction alone would not do.'}{' '}
            {found.ways.length > 0
              ? 'Ways out:'
              : 'Measure what is really in the way, or hang the reactor where its line passes outside this cabinet.'}
          </Text>
          <ul style={{ margin: '4px 0 0', paddingLeft: 20 }}>
            {found.ways.map((way) => (
              <li key={way.kind}>
                {wayWords(way, reader)} <TakeIt way={way} cabinet={cabinet} />
              </li>
            ))}
          </ul>
        </>
      )}
    </Tone>
  );
}

/** Goes the way that is offered. */
function TakeIt({ way, cabinet }: { way: WayOut; cabinet: Cabinet }) {
  const jobId = useJobId();
  const { choose, agreed } = useChosenSystem();
  const { setNextCupboard, setRemote } = usePlaces();
  switch (way.kind) {
    case 'next-cupboard':
      return (
        <Button
          variant="default"
          size="compact-md"
          onClick={() => setNextCupboard(usualCupboard(cabinet))}
        >
          Stand it there
        </Button>
      );
    case 'smaller-tank':
      return (
        <Button
          variant="default"
          size="compact-md"
          disabled={agreed !== null}
          title={agreed ? 'Open the agreement first' : undefined}
          onClick={() => choose(way.design)}
        >
          Take it
        </Button>
      );
    case 'tankless':
      return <Link to={`/jobs/${jobId}/size?view=compare`}>Compare</Link>;
    case 'remote':
      return (
        <Button variant="default" size="compact-md" onClick={() => setRemote(usualRemote)}>
          Plan the way
        </Button>
      );
  }
}

function wayWords(way: WayOut, reader: Reader): string {
  switch (way.kind) {
    case 'next-cupboard':
      return 'The tank in the next cupboard, its tube through a drilled panel: the rest fits.';
    case 'smaller-tank': {
      const { judged, design } = way;
      const waiting =
        judged.waitingDays === null
          ? ''
          : `; somebody waits on ${reader.percent(judged.waitingDays)} of worst-case days`;
      return `${design.tank?.name ?? 'A smaller tank'}: ${reader.say('volume', judged.worst?.usableVolumeL ?? 0)} usable in the worst case${waiting}.`;
    }
    case 'tankless':
      return 'A tankless unit would fit; see what it does here.';
    case 'remote':
      return 'The unit in the cellar or behind the wall: longer lines and a slower tap.';
  }
}
