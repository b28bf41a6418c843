import { type Stage, stageOf, stages } from '@katharos/job';
import { stageNames } from '@katharos/words';
import { NavLink } from 'react-router';
import { useJob } from '../open/useJob.ts';
import styles from './JobBand.module.css';

/** The six stages in the order people work; those behind are filled, the one that waits is half full. */
export function StageMarks({ stage }: { stage: Stage }) {
  const { jobId, document } = useJob();
  const { stage: waiting, finished } = stageOf(document);
  const at = stages.indexOf(waiting);
  return (
    <nav aria-label="Stages" className={`${styles.stages} no-print`}>
      {stages.map((name, i) => {
        const state = finished || i < at ? 'done' : i === at ? 'now' : 'ahead';
        return (
          <NavLink
            key={name}
            to={`/jobs/${jobId}/${name}`}
            className={styles.stage}
            data-state={state}
            aria-current={name === stage ? 'page' : undefined}
          >
            <Cup state={state} />
            {stageNames[name]}
            <span className="sr">
              {state === 'done' ? ' (done)' : state === 'now' ? ' (next)' : ''}
            </span>
          </NavLink>
        );
      })}
    </nav>
  );
}

/** A cup, filled by what is done; drawn with strokes, so that it keeps its meaning in forced colours. */
const Cup = ({ state }: { state: 'done' | 'now' | 'ahead' }) => (
  <svg className={styles.cup} width="14" height="16" viewBox="0 0 14 16" aria-hidden>
    {state !== 'ahead' && (
      <path
        className={styles.water}
        d={
          state === 'done'
            ? 'M2 2h10v9a3 3 0 0 1-3 3H5a3 3 0 0 1-3-3z'
            : 'M2 8h10v3a3 3 0 0 1-3 3H5a3 3 0 0 1-3-3z'
        }
      />
    )}
    <path
      className={styles.wall}
      d="M1.2 1v10A3.8 3.8 0 0 0 5 14.8h4a3.8 3.8 0 0 0 3.8-3.8V1"
      fill="none"
      strokeWidth="1.8"
    />
  </svg>
);
