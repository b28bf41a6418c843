import {
  type FlushStep,
  isUltravioletLine,
  type RankedCause,
  type SeenSign,
  signsAt,
} from '@katharos/core';
import { causeWords, signNames } from '@katharos/words';
import { Button, Group, Loader, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import { Dialog } from '../../ui/Dialog.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useComputed } from '../../workers/useComputed.ts';
import { Tone } from '../../ui/Tone.tsx';
import type { Flush } from './useFlush.ts';
import type { FlushDeeds } from './useFlushDeeds.ts';
import styles from '../runner/Runner.module.css';

interface Props {
  flush: Flush;
  step: FlushStep;
  deeds: FlushDeeds;
}

/** Asks what is seen, ranks what is likely behind it, says the mend, and comes back to the step. */
export function NotRight({ flush, step, deeds }: Props) {
  const [isOpen, setOpen] = useState(false);
  const [sign, setSign] = useState<SeenSign | null>(null);
  const close = () => {
    setOpen(false);
    setSign(null);
  };
  const design = isUltravioletLine(flush.design) ? null : flush.design;
  return (
    <>
      <Button variant="default" mih={64} onClick={() => setOpen(true)}>
        Not right
      </Button>
      {isOpen && (
        <Dialog
          onClose={close}
          title={sign ? signNames[sign] : 'What is not right?'}
          size="lg"
          closeLabel="Back to the step"
        >
          {sign ? (
            <Causes
              flush={flush}
              sign={sign}
              onBack={() => setSign(null)}
              onMended={(cause) => {
                deeds.trouble(step, sign, cause, true);
                close();
              }}
              onLeft={() => {
                deeds.trouble(step, sign, null, false);
                close();
              }}
            />
          ) : (
            <Stack gap="xs">
              {signsAt(step, design).map((one) => (
                <Button
                  key={one}
                  variant="default"
                  size="lg"
                  mih={64}
                  justify="flex-start"
                  onClick={() => setSign(one)}
                >
                  {signNames[one]}
                </Button>
              ))}
            </Stack>
          )}
        </Dialog>
      )}
    </>
  );
}

/** Less than this is not worth a look before the others, and all of them together are "none of these". */
const worthALook = 0.05;

interface CausesProps {
  flush: Flush;
  sign: SeenSign;
  onBack: () => void;
  onMended: (cause: string) => void;
  onLeft: () => void;
}

function Causes({ flush, sign, onBack, onMended, onLeft }: CausesProps) {
  const reader = useReader();
  const { design, water } = flush;
  const [computed] = useComputed('causes', {
    design: isUltravioletLine(design) ? null : design,
    water,
    sign,
  });
  if (computed.kind === 'failed')
    return (
      <Tone kind="bad" head="The causes could not be ranked" role="alert">
        {computed.message}
      </Tone>
    );
  if (computed.kind !== 'done') return <Loader aria-label="Ranking the causes" />;
  const causes = shownCauses(computed.value);
  return (
    <Stack gap="md">
      <Text size="sm" c="dimmed">
        {causes.every(({ probability }) => probability === null)
          ? 'What it usually is, the most common first. Feed closed and pressure off before anything is opened.'
          : 'Ranked for this system in this water: how common each is, and how much of it would look like this. Feed closed and pressure off before anything is opened.'}
      </Text>
      <ol className={styles.causes} aria-label="Likely causes">
        {causes.map(({ cause, probability }) => {
          const words = causeWords(cause);
          return (
            <li key={cause}>
              <div className={styles.causeHead}>
                <strong>{words.cause}</strong>
                {probability !== null && (
                  <span className="quiet">{reader.percent(probability)}</span>
                )}
              </div>
              {probability !== null && (
                <div className={styles.share} aria-hidden>
                  <div style={{ width: `${probability * 100}%` }} />
                </div>
              )}
              <Text>{words.mend}</Text>
              <Button variant="light" mih={48} mt={6} onClick={() => onMended(cause)}>
                It was this; mended
              </Button>
            </li>
          );
        })}
      </ol>
      <Text>
        None of these: note what you see, take a photograph, and leave the feed closed where water
        goes where it should not.
      </Text>
      <Group>
        <Button variant="default" mih={48} onClick={onLeft}>
          Not found: keep it open
        </Button>
        <Button variant="subtle" mih={48} onClick={onBack}>
          Something else is seen
        </Button>
      </Group>
    </Stack>
  );
}

const shownCauses = (ranked: readonly RankedCause[]): RankedCause[] =>
  ranked.filter(
    ({ cause, probability }) =>
      cause !== 'none-of-these' && (probability === null || probability >= worthALook),
  );
