import type { JobSummary } from '@katharos/contract';
import { visitFields } from '@katharos/job';
import { fieldWords } from '@katharos/words';
import { useReader } from '../ui/useReader.ts';

/** What a search found, where name and address do not show it. */
export function FoundHit({ hit }: { hit: NonNullable<JobSummary['hit']> }) {
  const reader = useReader();
  if (hit.kind === 'line') return <span className="quiet">{hit.text}</span>;
  const field = visitFields[hit.figure];
  return (
    <span className="quiet">
      {fieldWords[field.name].label} {reader.say(field.dimension, hit.value)}, {reader.day(hit.on)}
    </span>
  );
}
