import type { JobDocument } from '@katharos/job';
import { earlierOf, earlierSentences } from '@katharos/words';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';

/** Verifications that were not right: what was read, what was taken for the cause, what was done. They stay in the record. */
export function EarlierVerifications({ verify }: { verify: JobDocument['verify'] }) {
  const reader = useReader();
  const earlier = earlierOf(verify);
  if (earlier.length === 0) return null;
  return (
    <section aria-label="Earlier verifications">
      <Tone kind="warn" head="Verified before, and not right">
        <ul>
          {earlier.map((one) => (
            <li key={one.at}>
              {reader.when(one.at, 'short-moment')}, {one.by}. {earlierSentences(one, reader)}
            </li>
          ))}
        </ul>
      </Tone>
    </section>
  );
}
