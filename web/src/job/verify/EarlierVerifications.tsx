import { type JobDocument, verifyFields, type VerifyKey } from '@katharos/job';
import { fieldWords, causeOfFault, sayProbability } from '@katharos/words';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';

/** Verifications that were not right: what was read, what was taken for the cause, what was done. They stay in the record. */
export function EarlierVerifications({ verify }: { verify: JobDocument['verify'] }) {
  const reader = useReader();
  const earlier = Object.entries(verify.earlier ?? {}).sort(([, a], [, b]) =>
    a.at.localeCompare(b.at),
  );
  if (earlier.length === 0) return null;
  return (
    <section aria-label="Earlier verifications">
      <Tone kind="warn" head="Verified before, and not right">
        <ul>
          {earlier.map(([id, { readings, cause, probability, mended, at, by }]) => (
            <li key={id}>
              {reader.when(at, 'short-moment')}, {by}:{' '}
              {reader.list(
                (Object.keys(readings) as VerifyKey[]).flatMap((key) => {
                  const reading = readings[key];
                  const { name, dimension } = verifyFields[key];
                  return reading
                    ? [
                        `${reader.within(fieldWords[name].label)} ${reader.entered(dimension, reading)}`,
                      ]
                    : [];
                }),
              )}
              .{' '}
              {cause &&
                `Taken for the cause${probability === undefined ? '' : ` (${sayProbability(probability, reader)})`}: ${causeOfFault(cause)} `}
              Mended: {mended}
            </li>
          ))}
        </ul>
      </Tone>
    </section>
  );
}
