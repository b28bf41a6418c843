import type { JobDocument } from '@katharos/job';
import { useEdit } from '../open/useJob.ts';
import { type Complained, ComplaintBoxes } from './ComplaintBoxes.tsx';

/** What the household complains of: it counts in what is behind it, as far as people can be taken at their word. */
export function Complaints({ verify }: { verify: JobDocument['verify'] }) {
  const { edit, stamp } = useEdit();
  const set = (complaints: Complained) =>
    edit(({ verify: { complaints: _old, ...rest } }) => ({
      verify: { ...rest, ...(Object.keys(complaints).length > 0 ? { complaints } : {}) },
    }));
  return (
    <section className="panel" aria-label="Complaints">
      <ComplaintBoxes noted={verify.complaints ?? {}} stamp={stamp} onChange={set} />
    </section>
  );
}
