import { failureSentence } from '@katharos/words';
import type { JobBrief } from '@katharos/job';
import {
  type Plumbing,
  assess,
  boreMm,
  type InstalledSystem,
  isUltravioletLine,
  type LineEffect,
  newMembrane,
  passages,
  passesWall,
  remoteDrain,
  remoteLines,
  type SystemDesign,
} from '@katharos/core';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { RowsTable } from '../../../ui/RowsTable.tsx';
import { useChosenSystem } from '../../open/useChosenSystem.ts';
import { LengthInput } from './LengthInput.tsx';
import { RemotePicture } from './RemotePicture.tsx';
import { usePlaces } from './usePlaces.ts';
import { Button, Group, NativeSelect, SimpleGrid, Text } from '@mantine/core';
import { useMemo } from 'react';

/** A unit elsewhere: the way of its lines, and what that does to the tap. */
export function RemotePanel({
  plumbing: { tubes, drain },
  system,
  brief,
}: {
  plumbing: Plumbing;
  system: InstalledSystem;
  brief: JobBrief;
}) {
  const { remote, setRemote } = usePlaces();
  if (!remote) return null;
  return (
    <>
      <SimpleGrid cols={{ base: 1, sm: 3 }}>
        <NativeSelect
          label="Its lines pass"
          size="md"
          data={passages.map((value) => ({ value, label: `the ${value}` }))}
          value={remote.through}
          onChange={(event) =>
            setRemote({ ...remote, through: event.currentTarget.value as typeof remote.through })
          }
        />
        <LengthInput
          keptAs="remote-length"
          label="Length of each line, along its way"
          long
          valueM={remote.lengthM}
          minM={0.2}
          maxM={60}
          onChangeM={(lengthM) => setRemote({ ...remote, lengthM })}
        />
        <LengthInput
          keptAs="remote-rise"
          label="Tap above the tank"
          long
          valueM={remote.riseM}
          minM={-10}
          maxM={30}
          onChangeM={(riseM) => setRemote({ ...remote, riseM })}
        />
      </SimpleGrid>
      <RemotePicture
        through={remote.through}
        riseM={remote.riseM}
        lines={tubes.filter((tube) => passesWall(tube, drain.way))}
      />
      {!isUltravioletLine(system) && (
        <>
          <Effects design={system} brief={brief} />
          {drain.way !== 'standpipe' && remote.riseM > 0 && (
            <Climb design={system} brief={brief} way={remote} />
          )}
        </>
      )}
      <Text size="sm" c="dimmed" mt="sm">
        Dry, flat, free of frost, its front reachable; nothing behind the wall or under the floor
        where it is drilled. A floor drain there, with an air break, saves the way of the drain
        line: choose it in Connections.
      </Text>
    </>
  );
}

/** Seconds a glass as it is reckoned now, and at the end of the remote line in both tubes. */
function Effects({ design, brief }: { design: SystemDesign; brief: JobBrief }) {
  const reader = useReader();
  const { remote } = usePlaces();
  const { choose, agreed } = useChosenSystem();
  const { today } = brief.task.waters;
  const solved = useMemo(() => {
    if (!remote) return null;
    const { lengthM, riseM } = remote;
    const at = (line: { lengthM: number; riseM: number }) =>
      remoteLines(design, today, newMembrane, line);
    const [now, there] = [at(design.line), at({ lengthM, riseM })];
    if (!there.ok) return { failure: there.failure };
    return { now: now.ok ? now.value : [], there: there.value };
  }, [design, today, remote]);
  if (!solved || !remote) return null;
  if (solved.failure) {
    return (
      <Tone kind="bad" head="The tap gets no water up there" role="status">
        {failureSentence(solved.failure)}
      </Tone>
    );
  }
  const current = solved.now.find(({ size }) => boreMm[size] === design.line.innerDiameterMm);
  const isReckoned = ({ size }: LineEffect) =>
    design.line.innerDiameterMm === boreMm[size] &&
    design.line.lengthM === remote.lengthM &&
    design.line.riseM === remote.riseM;
  const take = ({ size }: LineEffect) =>
    choose({
      ...design,
      line: { innerDiameterMm: boreMm[size], lengthM: remote.lengthM, riseM: remote.riseM },
    });
  return (
    <>
      <RowsTable
        minWidth={620}
        label="What the line does to the tap"
        columns={[
          'Product line',
          { head: 'A glass', right: true },
          { head: 'Usable from the tank', right: true },
          { head: 'Stands in the line', right: true },
          '',
        ]}
        tight
      >
        {current && (
          <tr>
            <td>As reckoned now: {reader.say('length', design.line.lengthM)}</td>
            <Cells effect={current} tank={design.tank !== null} />
            <td />
          </tr>
        )}
        {solved.there.map((effect) => (
          <tr key={effect.size}>
            <td>
              {effect.size}, {reader.say('length', remote.lengthM)},{' '}
              {reader.say('length', remote.riseM)} up
            </td>
            <Cells effect={effect} tank={design.tank !== null} />
            <td>
              {isReckoned(effect) ? (
                <Text size="sm">in use</Text>
              ) : (
                <Button
                  variant="default"
                  disabled={agreed !== null}
                  title={agreed ? 'Open the agreement first' : undefined}
                  onClick={() => take(effect)}
                >
                  Reckon with it
                </Button>
              )}
            </td>
          </tr>
        ))}
      </RowsTable>
      {!solved.there.some(isReckoned) && (
        <Group mt="xs">
          <Text size="sm" className="mark warn">
            The design is still reckoned with another line: seconds a glass and days in Size do not
            know of this one.
          </Text>
        </Group>
      )}
    </>
  );
}

/** What a drain line that climbs back to the sink costs, against one that ends where the unit is. */
function Climb({
  design,
  brief,
  way: { lengthM, riseM },
}: {
  design: SystemDesign;
  brief: JobBrief;
  way: { lengthM: number; riseM: number };
}) {
  const reader = useReader();
  const { today } = brief.task.waters;
  const [here, up] = useMemo(
    () =>
      [assess(design, today), remoteDrain(design, today, newMembrane, { lengthM, riseM })] as const,
    [design, today, lengthM, riseM],
  );
  if (!here.ok || !up.ok) return null;
  const ratio = (value: number) => reader.number(value, 2);
  const tds = ({ productTdsMgL }: { productTdsMgL: number }) => reader.say('tds', productTdsMgL);
  return (
    <Text size="sm" mt="sm" data-testid="drain-climb">
      The drain line climbs to the sink: {reader.say('pressure', up.value.backBar)} stand against
      the restrictor. To drain for 1 of product: {ratio(up.value.drainLPerProductL)} instead of{' '}
      {ratio(here.value.drainLPerProductL)}; product at {tds(up.value)}
      {tds(up.value) === tds(here.value) ? ' as without' : ` instead of ${tds(here.value)}`}.
    </Text>
  );
}

function Cells({ effect, tank }: { effect: LineEffect; tank: boolean }) {
  const reader = useReader();
  return (
    <>
      <td className="right">{reader.number(effect.secondsPerGlass, 1)} s</td>
      <td className="right">{tank ? reader.say('volume', effect.usableVolumeL, 1) : '–'}</td>
      <td className="right">
        {reader.say('volume', effect.standingL, 2)}, {reader.number(effect.standingSeconds, 0)} s
      </td>
    </>
  );
}
