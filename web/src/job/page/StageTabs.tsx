import { type Stage, stageOf, stages } from '@katharos/job';
import { stageNames } from '@katharos/words';
import { useJob } from '../open/useJob.ts';
import { NavLink } from 'react-router';
import styles from './StageTabs.module.css';

/** The six stages in the order people work; those behind are filled, the one that waits is marked. */
export function StageTabs({ stage }: { stage: Stage }) {
  const { job, document } = useJob();
  const { stage: waiting, finished } = stageOf(document);
  const at = stages.indexOf(waiting);
  return (
    <nav aria-label="Stages" className={`${styles.tabs} no-print`}>
      {stages.map((name, i) => {
        const state = finished || i < at ? 'done' : i === at ? 'now' : 'ahead';
        return (
          <NavLink
            key={name}
            to={`/jobs/${job.id}/${name}`}
            className={styles.tab}
            data-state={state}
            aria-current={name === stage ? 'page' : undefined}
          >
            <span className={styles.cup} aria-hidden />
            {stageNames[name]}
            <span className={styles.sr}>
              {state === 'done' ? ' (done)' : state === 'now' ? ' (next)' : ''}
            </span>
          </NavLink>
        );
      })}
    </nav>
  );
}
