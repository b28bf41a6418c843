import {
  drainRemarkWords,
  drainWayWords,
  feedRemarkWords,
  feedWords,
  type JobBrief,
  type Plumbing,
  saddlePlaceWords,
  tapHoleSentence,
  tapRemarkWords,
} from '@katharos/contract';
import {
  assess,
  agedMembrane,
  branchPressure,
  type DrainWay,
  drainWays,
  type FeedConnection,
  type InstalledSystem,
  isUltravioletLine,
  type SaddlePlace,
  saddlePlaces,
  tankPressure,
} from '@katharos/core';
import { NativeSelect, SimpleGrid, Stack, Text, TextInput, Title } from '@mantine/core';
import { Link } from 'react-router';
import { useJob } from '../job/useJob.ts';
import { Tone } from '../quantities/Tone.tsx';
import { useUnits } from '../quantities/useUnits.ts';
import { DrainPicture } from './DrainPicture.tsx';

interface Props {
  plumbing: Plumbing;
  system: InstalledSystem;
  brief: JobBrief;
}

/** Where the system meets the house: feed, drain, counter, branch and power. */
export function ConnectionsPanel({ plumbing, system, brief }: Props) {
  const { job } = useJob();
  const lit = isUltravioletLine(system);
  return (
    <SimpleGrid cols={{ base: 1, md: 2 }}>
      <Feed plumbing={plumbing} />
      {!lit && <Drain plumbing={plumbing} />}
      <Tap plumbing={plumbing} />
      <Power plumbing={plumbing} system={system} />
      {!lit && system.branch && <Branch plumbing={plumbing} system={system} brief={brief} />}
      <Text size="sm" c="dimmed">
        All of it follows from <Link to={`/jobs/${job.id}/survey#under-the-sink`}>the survey</Link>.
      </Text>
    </SimpleGrid>
  );
}

const Remarks = ({ lines }: { lines: readonly string[] }) => (
  <ul style={{ margin: '8px 0 0', paddingLeft: 20 }}>
    {lines.map((line) => (
      <li key={line}>{line}</li>
    ))}
  </ul>
);

function Feed({ plumbing: { feed } }: { plumbing: Plumbing }) {
  const { edit } = useJob();
  return (
    <section className="panel" aria-label="Feed">
      <Title order={3} size="h4" mb="xs">
        Feed
      </Title>
      <NativeSelect
        label="Taken by"
        size="md"
        data={feed.possible.map((way) => ({ value: way, label: feedWords[way] }))}
        value={feed.way}
        onChange={(event) => {
          const way = event.currentTarget.value as FeedConnection;
          edit(({ plumb }) => ({ plumb: { ...plumb, feed: way } }));
        }}
      />
      {feed.thread && <Text mt="xs">Thread of the valve: {feed.thread}.</Text>}
      <Remarks lines={feed.remarks.map((remark) => feedRemarkWords[remark])} />
    </section>
  );
}

function Drain({ plumbing: { drain } }: { plumbing: Plumbing }) {
  const { document, edit } = useJob();
  const { system } = useUnits();
  const mm = (value: number) =>
    system === 'us' ? `${(value / 25.4).toFixed(2)} in` : `${Math.round(value)} mm`;
  const held = document.plumb.drain ?? {};
  const set = (change: typeof held) =>
    edit(({ plumb }) => ({ plumb: { ...plumb, drain: { ...plumb.drain, ...change } } }));
  return (
    <section className="panel" aria-label="Drain">
      <Title order={3} size="h4" mb="xs">
        Drain
      </Title>
      <Stack gap="xs">
        <NativeSelect
          label="The drain line ends at"
          size="md"
          data={drainWays.map((way) => ({ value: way, label: drainWayWords[way] }))}
          value={drain.way}
          onChange={(event) => set({ way: event.currentTarget.value as DrainWay })}
        />
        {drain.way !== 'standpipe' && (
          <>
            <NativeSelect
              label="Place of the saddle"
              size="md"
              data={saddlePlaces.map((place) => ({
                value: place,
                label: `${saddlePlaceWords[place]}${place === 'before-trap' ? ', the rule' : ', a deviation'}`,
              }))}
              value={drain.place}
              onChange={(event) => set({ place: event.currentTarget.value as SaddlePlace })}
            />
            {drain.deviation && (
              <>
                <TextInput
                  label="Reason for the deviation"
                  size="md"
                  maxLength={500}
                  key={held.reason ?? ''}
                  defaultValue={held.reason ?? ''}
                  error={held.reason ? null : 'A deviation is recorded with its reason.'}
                  onBlur={(event) => set({ reason: event.currentTarget.value.trim() })}
                />
              </>
            )}
            <DrainPicture drain={drain} />
            <Text data-testid="drain-hole">
              Hole {mm(drain.holeMm)}, {mm(drain.centreMm)} along the straight part
              {drain.angleDeg === null ? '' : `, turned ${drain.angleDeg}° up from the side`}. Tube
              cut at 45°, {mm(drain.insertMm)} in.
            </Text>
          </>
        )}
      </Stack>
      <Remarks lines={drain.remarks.map((remark) => drainRemarkWords[remark])} />
    </section>
  );
}

function Tap({ plumbing: { tap, spout } }: { plumbing: Plumbing }) {
  const { say } = useUnits();
  const short = spout && spout.reachM < spout.neededM;
  return (
    <section className="panel" aria-label="Tap">
      <Title order={3} size="h4" mb="xs">
        Tap
      </Title>
      <Text>{tapHoleSentence(tap)}</Text>
      {spout ? (
        <Text mt="xs" className={short ? 'mark bad' : undefined}>
          {short
            ? `The spout reaches ${say('length', spout.reachM)} and ${say('length', spout.neededM)} are needed: it misses the bowl. Move the hole or take another tap.`
            : `The spout reaches ${say('length', spout.reachM)}; ${say('length', spout.neededM)} are needed.`}
        </Text>
      ) : (
        <Text mt="xs" c="dimmed">
          Whether the spout reaches the bowl is not known: measure “Tap’s hole to the bowl”.
        </Text>
      )}
      <Remarks lines={tap.remarks.map((remark) => tapRemarkWords[remark])} />
      <Text size="sm" mt="xs">
        Stack from above: escutcheon, thin washer, counter; from below: thick washer, lock washer,
        nut.
      </Text>
    </section>
  );
}

function Power({ plumbing: { site }, system }: { plumbing: Plumbing; system: InstalledSystem }) {
  const { document } = useJob();
  const needed = isUltravioletLine(system) || system.pump !== null || system.lamp !== null;
  const distance = document.survey.details.outletDistance;
  return (
    <section className="panel" aria-label="Power">
      <Title order={3} size="h4" mb="xs">
        Power
      </Title>
      {!needed ? (
        <Text>This system needs none.</Text>
      ) : site.outlet === 'unswitched' ? (
        <Text>
          The outlet stays on. Ground-fault protection and a drip loop; dry hands.
          {distance ? '' : ' Its distance was not measured: cords are short.'}
        </Text>
      ) : (
        <Tone
          kind={site.outlet === null ? 'warn' : 'bad'}
          head={
            site.outlet === 'switched'
              ? 'The outlet is on a switch'
              : site.outlet === 'none'
                ? 'There is no outlet'
                : 'Nobody looked at the outlet'
          }
        >
          {site.outlet === 'switched'
            ? 'Switched off with the lights or the disposal, pump and lamp stop.'
            : ''}{' '}
          A new one that stays on, with ground-fault protection, is a licensed electrician’s work.
        </Tone>
      )}
    </section>
  );
}

function Branch({
  system,
  brief,
}: {
  plumbing: Plumbing;
  system: Exclude<InstalledSystem, { kind: 'ultraviolet-line' }>;
  brief: JobBrief;
}) {
  const { say } = useUnits();
  const { worst } = brief.task.waters;
  const assessed = assess(system, worst, agedMembrane);
  const { branch, tank } = system;
  if (!branch) return null;
  const at = (share: number) =>
    assessed.ok && tank
      ? branchPressure(
          branch,
          system.postFilter?.filter,
          tankPressure(tank, assessed.value.usableVolumeL * share),
          worst.temperatureC,
        )
      : 0;
  return (
    <section className="panel" aria-label="Refrigerator">
      <Title order={3} size="h4" mb="xs">
        Refrigerator
      </Title>
      <Text>
        While it draws {branch.flowLPerMin} L/min it sees {say('pressure', Math.max(at(0.999), 0))}{' '}
        from a full tank and {say('pressure', Math.max(at(0.5), 0))} from one half drawn, in the
        worst case; it wants {say('pressure', branch.neededBar)}.
      </Text>
      <Remarks
        lines={[
          'A shut-off of its own where it can be reached.',
          'Opened after flushing only.',
          'The refrigerator’s own filter comes out.',
        ]}
      />
    </section>
  );
}
