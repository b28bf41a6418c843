import { holeNames, holePlanSentence, holePlanSvg } from '@katharos/papers';
import type { Plumbing } from '@katharos/core';
import { SvgButton, SvgPicture } from '../ui/SvgPicture.tsx';
import styles from './Sheet.module.css';

/** The holes at one to one: printed without scaling, they are marked through the paper. A ruler on the page tells whether it was. */
export function HolePlan({ holes }: { holes: Plumbing['holes'] }) {
  if (holes.length === 0)
    return (
      <section>
        <h2>Holes, one to one</h2>
        <p>{holePlanSentence(holes)}</p>
      </section>
    );
  const svg = holePlanSvg(holes);
  const listed = holes.map(({ what, mm }) => `${holeNames[what]} ${mm} mm`).join(', ');
  return (
    <section className={styles.page}>
      <h2>Holes, one to one</h2>
      <p>{holePlanSentence(holes)}</p>
      <SvgPicture svg={svg} label={`Hole plan: ${listed}`} />
      <SvgButton svg={svg} file="holes.svg">
        Hole plan as SVG
      </SvgButton>
    </section>
  );
}
