import type { DrainHole } from '@katharos/core';
import styles from './DrainPicture.module.css';

interface Props {
  drain: DrainHole;
  /** What else discharges here; null where nobody looked. */
  disposal: boolean | null;
  dishwasher: boolean | null;
}

/** Where the hole goes and where it must not: the waste from the sink to the wall, from the side. */
export function DrainPicture({ drain, disposal, dishwasher }: Props) {
  const horizontal = drain.angleDeg !== null;
  const spots = {
    'before-trap': horizontal ? [118, 52] : [70, 84],
    'after-bend': [150, 130],
    'after-trap': [222, 92],
  } as const;
  const [x, y] = spots[drain.place];
  const pipe = horizontal
    ? 'M70 14V52H160V120q0 22 18 22t18 -22V92H252'
    : 'M70 14V120q0 26 26 26t26 -26V92H252';
  const barred: [x: number, y: number][] = [];
  if (!drain.deviation) barred.push(horizontal ? [178, 142] : [96, 146], [222, 92]);
  // Whatever is pumped in pushes into a line that begins beside it.
  if (disposal) barred.push([70, 40]);
  if (dishwasher) barred.push(horizontal ? [140, 52] : [70, 60]);
  const said = [
    `The saddle sits ${drain.deviation ? 'behind' : 'on the sink side of'} the trap${horizontal ? ', near the top of the level pipe' : ', low on the upright pipe'}.`,
    ...(disposal ? ['Not beside the disposal’s discharge.'] : []),
    ...(dishwasher ? ['Not beside the dishwasher’s branch.'] : []),
  ];
  return (
    <svg viewBox="0 0 264 172" role="img" className={styles.picture}>
      <title>{said.join(' ')}</title>
      <path className={styles.wall} d="M30 10h80M252 60v64" />
      <path className={styles.pipe} d={pipe} />
      {disposal && <rect className={styles.machine} x="52" y="14" width="36" height="34" rx="6" />}
      {dishwasher && <path className={styles.branch} d={horizontal ? 'M140 52V20' : 'M70 60H24'} />}
      <g className={styles.words}>
        <text x="114" y="16">
          sink
        </text>
        {disposal && (
          <text x="94" y="36">
            disposal
          </text>
        )}
        {dishwasher && (
          <text x={horizontal ? 146 : 2} y={horizontal ? 28 : 50}>
            dishwasher
          </text>
        )}
        <text x="70" y="168">
          trap: its water seals the sewer off
        </text>
        <text x="214" y="54">
          wall
        </text>
      </g>
      {barred.map(([left, top]) => (
        <path
          key={`${left} ${top}`}
          className={styles.barred}
          d={`M${left - 6} ${top - 6}l12 12M${left + 6} ${top - 6}l-12 12`}
        />
      ))}
      <circle className={styles.here} data-deviation={drain.deviation} cx={x} cy={y} r="13" />
      <path className={styles.tube} d={`M${x} ${y}l${horizontal ? '-8 -26' : '-34 -12'}`} />
      <text className={styles.label} x={x + 18} y={y + 4}>
        {drain.deviation ? 'deviation' : 'here'}
      </text>
    </svg>
  );
}
