import { fillKind, type FeedWater, type InstalledSystem, isUltravioletLine } from '@katharos/core';
import { type TimedFill, timedFills } from '@katharos/job';
import { causeWords, explanationWords, type Reader, signNames } from '@katharos/words';
import { Button } from '@mantine/core';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useComputed } from '../../workers/useComputed.ts';
import { useDocument, useEdit } from '../open/useJob.ts';

interface Props {
  design: InstalledSystem;
  water: FeedWater;
  /** ms of the epoch, where a fill that still runs counts: it takes this long at least. */
  now?: number;
}

/** What was found on the way: fills far from computed with what explains them, and what was not right. Nothing where all went as planned. */
export function FlushFindings({ design, water, now }: Props) {
  const { flush } = useDocument();
  const { edit, stamp } = useEdit();
  const reader = useReader();
  const odd = timedFills(flush.steps, now).filter(({ ratio, isRunning }) =>
    isRunning ? fillKind(ratio) === 'slow' : fillKind(ratio) !== null,
  );
  const isMembrane = !isUltravioletLine(design);
  const [explained] = useComputed(
    'fills',
    isMembrane && odd.length > 0
      ? { design, water, ratios: odd.map(({ ratio }) => Math.round(ratio * 20) / 20) }
      : null,
  );
  const troubles = Object.entries(flush.troubles ?? {}).sort(([, a], [, b]) =>
    a.at.localeCompare(b.at),
  );
  const mend = (id: string) =>
    edit(({ flush: { troubles: all = {}, ...rest } }) => ({
      flush: { ...rest, troubles: { ...all, [id]: { ...all[id]!, mended: stamp() } } },
    }));
  if (odd.length === 0 && troubles.length === 0) return null;
  return (
    <section aria-label="Found while flushing">
      <Tone
        kind={troubles.some(([, { mended }]) => !mended) ? 'bad' : 'warn'}
        head="Found while flushing"
      >
        <ul>
          {odd.map((fill, i) => (
            <li key={fill.id}>
              {fillSentence(fill, reader)}{' '}
              {explained.kind === 'done' &&
                explainedBy(fill, explained.value[i]?.explanations ?? [], reader)}
            </li>
          ))}
          {troubles.map(([id, { sign, cause, mended, by, at }]) => (
            <li key={id}>
              {signNames[sign]} ({by}, {reader.when(at, 'time')}).{' '}
              {cause ? `${causeWords(cause).cause} ` : ''}
              {mended ? 'Mended.' : 'Still open.'}
              {!mended && (
                <Button variant="default" size="sm" mih={44} ml="sm" onClick={() => mend(id)}>
                  It is mended
                </Button>
              )}
            </li>
          ))}
        </ul>
      </Tone>
    </section>
  );
}

const fillSentence = ({ id, minutes, ratio, isRunning }: TimedFill, reader: Reader): string =>
  isRunning
    ? `Fill ${id.split('-').at(-1)} is not ticked off after ${reader.minutes(minutes)}, ${reader.number(ratio, 1)} times what was computed. Does its drain still run?`
    : `Fill ${id.split('-').at(-1)} took ${reader.minutes(minutes)}, ${reader.number(ratio, 1)} times what was computed.`;

function explainedBy(
  { isRunning }: TimedFill,
  explanations: Parameters<typeof explanationWords>[0][],
  reader: Reader,
): string {
  const causes = explanations.map((one) => explanationWords(one, reader)).join('; ');
  const said =
    explanations.length === 0
      ? 'no single cause explains this; look at shut-off and check valve'
      : explanations.length === 1
        ? `this alone would explain it: ${causes}`
        : `each of these alone would explain it: ${causes}`;
  const begun = isRunning ? `If it does, ${said}` : said.charAt(0).toUpperCase() + said.slice(1);
  return `${begun}.`;
}
