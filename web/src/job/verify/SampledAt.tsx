import type { SamplePoint, SystemDesign } from '@katharos/core';
import { samplePointWords } from '@katharos/words';
import { useId } from 'react';
import { useJob } from '../open/useJob.ts';
import styles from './SampledAt.module.css';

/** A place on the line from the membrane to the glass: one where a cup can be filled, or a part that the water passes on the way. */
type Stop = { point: SamplePoint } | { part: string };

const stopsOf = ({ tank, mineral }: SystemDesign): Stop[] => {
  const stored: Stop[] = tank ? [{ part: 'Tank' }, { point: 'tap-after-tank' }] : [];
  const mineralised: Stop[] = mineral
    ? [{ part: 'Minerals' }, { point: 'tap-after-minerals' }]
    : [];
  return [
    { point: 'membrane-outlet' },
    ...(mineral?.place === 'before-tank'
      ? [...mineralised.slice(0, 1), ...stored.slice(0, 1), ...mineralised.slice(1)]
      : [...stored, ...mineralised]),
  ];
};

/** Where on the line the product's cup was filled: what is expected of it, and what else may be behind it, hangs on that. */
export function SampledAt({ design }: { design: SystemDesign }) {
  const { document, edit } = useJob();
  const name = useId();
  const stops = stopsOf(design);
  if (stops.length === 1) return null;
  const chosen = document.verify.samplePoint ?? 'membrane-outlet';
  return (
    <fieldset className={styles.line}>
      <legend>The product’s cup was filled</legend>
      {stops.map((stop) =>
        'part' in stop ? (
          <span key={stop.part} className={styles.place} data-plain>
            {stop.part}
          </span>
        ) : (
          <label
            key={stop.point}
            className={styles.place}
            data-chosen={chosen === stop.point || undefined}
          >
            <input
              type="radio"
              name={name}
              checked={chosen === stop.point}
              onChange={() =>
                edit(({ verify }) => ({ verify: { ...verify, samplePoint: stop.point } }))
              }
            />
            {samplePointWords[stop.point]}
          </label>
        ),
      )}
    </fieldset>
  );
}
