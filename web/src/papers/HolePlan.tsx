import type { JobSheetContent } from '@katharos/papers';
import { SvgButton, SvgPicture } from '../ui/SvgPicture.tsx';
import styles from './Sheet.module.css';

/** The holes at one to one: printed without scaling, they are marked through the paper. A ruler on the page tells whether it was. */
export function HolePlan({ holes: { sentence, listed, plan } }: Pick<JobSheetContent, 'holes'>) {
  return (
    <section className={plan ? styles.page : undefined}>
      <h2>Holes, one to one</h2>
      <p>{sentence}</p>
      {plan && (
        <>
          <SvgPicture svg={plan} label={`Hole plan: ${listed}`} />
          <SvgButton svg={plan} file="holes.svg">
            Hole plan as SVG
          </SvgButton>
        </>
      )}
    </section>
  );
}
