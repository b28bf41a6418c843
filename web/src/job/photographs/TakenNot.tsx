import { photographLimits } from '@katharos/job';
import { Tone } from '../../ui/Tone.tsx';

/** Which files were not taken, and which would be. */
export function TakenNot({ troubles }: { troubles: readonly string[] }) {
  if (troubles.length === 0) return null;
  return (
    <Tone kind="bad" head="Not every file was taken" role="alert">
      {troubles.join(' ')} Take pictures as JPEG, PNG or WebP of up to{' '}
      {photographLimits.fileBytes / 1e6} MB.
    </Tone>
  );
}
