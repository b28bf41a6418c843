import { useRef } from 'react';
import { Segments } from './Segments.tsx';
import { useInSight } from './useInSight.ts';
import styles from './ViewSwitch.module.css';

interface Props<V extends string> {
  label: string;
  value: V;
  views: readonly { value: V; label: string }[];
  onChange: (view: V) => void;
}

/** The views of a stage in a row. On a narrow screen it is pushed sideways, and the one in use is always in sight. */
export function ViewSwitch<V extends string>({ label, value, views, onChange }: Props<V>) {
  const row = useRef<HTMLDivElement>(null);
  useInSight(row, 'label:has(:checked)', value);
  return (
    <div ref={row} className={`no-print ${styles.row}`} tabIndex={-1}>
      <Segments label={label} value={value} onChange={onChange} options={views} />
    </div>
  );
}
