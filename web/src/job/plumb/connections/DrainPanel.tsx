import { drainRemarkWords, drainWayWords, placeName, saddlePlaceWords } from '@katharos/words';
import {
  type Plumbing,
  type DrainWay,
  drainWays,
  partsOf,
  type SaddlePlace,
  saddlePlaces,
  type SystemDesign,
} from '@katharos/core';
import { useJob } from '../../open/useJob.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { useSizing } from '../../open/sizingContext.ts';
import { useChosenSystem } from '../../open/useChosenSystem.ts';
import { DrainPicture } from './DrainPicture.tsx';
import { Remarks } from './Remarks.tsx';
import { NoteField } from '../../../ui/typed/NoteField.tsx';
import { Button, NativeSelect, Stack, Text, Title } from '@mantine/core';

interface Props {
  plumbing: Plumbing;
  system: SystemDesign;
}

/** Where the drain line ends, where its hole goes, and where it must not. */
export function DrainPanel({ plumbing, system }: Props) {
  const { document, edit } = useJob();
  const { drain } = plumbing;
  const held = document.plumb.drain ?? {};
  const set = (change: typeof held, of: string | null = null) =>
    edit(({ plumb }) => ({ plumb: { ...plumb, drain: { ...plumb.drain, ...change } } }), of);
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
        {drain.way === 'air-gap-tap' && <AirGap plumbing={plumbing} system={system} />}
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
              <NoteField
                label="Reason for the deviation"
                keptAs="drain-reason"
                most={500}
                rows={1}
                value={held.reason ?? ''}
                wanted="A deviation is recorded with its reason."
                onSave={(reason, of) => set({ reason: reason.trim() }, of)}
              />
            )}
            <DrainPicture
              drain={drain}
              disposal={plumbing.site.disposal}
              dishwasher={plumbing.site.dishwasher}
            />
            <Hole plumbing={plumbing} />
          </>
        )}
      </Stack>
      <Remarks lines={drain.remarks.map((remark) => drainRemarkWords[remark])} />
    </section>
  );
}

function Hole({ plumbing: { drain } }: { plumbing: Plumbing }) {
  const reader = useReader();
  const mm = (value: number) => reader.millimetres(value);
  return (
    <Text data-testid="drain-hole">
      Hole {mm(drain.holeMm)}, {mm(drain.centreMm)} along the straight part
      {drain.angleDeg === null ? '' : `, turned ${drain.angleDeg}° up from the side`}. Tube cut at
      45°, {mm(drain.insertMm)} in.
    </Text>
  );
}

/** The three hoses of an air-gap tap, and the tap where it is none. */
function AirGap({ plumbing: { tubes }, system }: Props) {
  const { catalogue } = useSizing();
  const { choose, agreed } = useChosenSystem();
  const hoses = tubes.filter(({ from, to }) =>
    [from, to].some((place) => place === 'air-gap' || place === 'tap'),
  );
  const tap = partsOf(catalogue, 'tap').find(({ airGap }) => airGap);
  return (
    <>
      {!system.tap.airGap && (
        <Tone kind="bad" head={`${system.tap.name} has no air gap in it`} role="status">
          The code asks for one: another tap, before the hole is drilled.{' '}
          {tap && (
            <Button
              variant="default"
              mt="xs"
              disabled={agreed !== null}
              title={agreed ? 'Open the agreement first' : undefined}
              onClick={() => choose({ ...system, tap })}
            >
              Take the {tap.name}
            </Button>
          )}
        </Tone>
      )}
      <Text component="div" size="sm">
        {hoses.length === 3 ? 'Three' : 'Two'} hoses pass the hole:
        <ul style={{ margin: '4px 0 0', paddingLeft: 20 }}>
          {hoses.map(({ id, label, from, to, size }) => (
            <li key={id}>
              {label}: {placeName(from)} – {placeName(to)}, {size}
            </li>
          ))}
        </ul>
      </Text>
    </>
  );
}
