import {
  type Plumbing,
  type InstalledSystem,
  isUltravioletLine,
  needsPower,
  toCore,
} from '@katharos/core';
import { useDocument } from '../../open/useJob.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { Remarks } from './Remarks.tsx';
import { Text, Title } from '@mantine/core';

/** Cords of pumps, lamps and taps are about this long, m. Default. */
const cordM = 1.5;

/** What takes power in a system, in the order in which it is plugged in. */
function consumers(system: InstalledSystem): string[] {
  const named = (part: { name: string; powerW: number } | null) =>
    part ? [`${part.name}, ${part.powerW} W`] : [];
  return [
    ...(isUltravioletLine(system) ? [] : named(system.pump)),
    ...named(system.lamp),
    ...(system.tap.powered ? [system.tap.name] : []),
    ...(system.tap.dispenser ? [`${system.tap.name}, ${system.tap.dispenser.heaterW} W`] : []),
  ];
}

/** The outlet: whether it stays on, is protected and near enough, and who may change it. */
export function PowerPanel({
  plumbing: { site },
  system,
}: {
  plumbing: Plumbing;
  system: InstalledSystem;
}) {
  const document = useDocument();
  const reader = useReader();
  const distance = document.survey.details.outletDistance;
  const distanceM = distance ? toCore('length', distance) : null;
  const far = distanceM !== null && distanceM > cordM;
  return (
    <section className="panel" aria-label="Power">
      <Title order={3} size="h4" mb="xs">
        Power
      </Title>
      {!needsPower(system) ? (
        <Text>This system needs none.</Text>
      ) : (
        <>
          <Text mb="xs">Plugged in after flushing began: {consumers(system).join('; ')}.</Text>
          {site.outlet === 'unswitched' ? (
            <Text>The outlet stays on.</Text>
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
                ? 'Switched off with the lights or the disposal, pump and lamp stop. '
                : ''}
              A new one that stays on, with ground-fault protection, is a licensed electrician’s
              work.
            </Tone>
          )}
          {far && (
            <Tone kind="warn" head="The outlet is far">
              {reader.say('length', distanceM)} along the way of the cord; cords are some{' '}
              {reader.say('length', cordM)}. No extension lead under a sink: move the unit or the
              outlet.
            </Tone>
          )}
          <Remarks
            lines={[
              'Ground-fault protection; the electrician says how it is proved.',
              'A drip loop in every cord, its lowest point below the outlet.',
              'Dry hands, and nothing plugged in before flushing asks for it.',
              ...(distance ? [] : ['The outlet’s distance was not measured: cords are short.']),
            ]}
          />
        </>
      )}
    </section>
  );
}
