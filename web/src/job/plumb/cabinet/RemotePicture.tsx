import type { Passage, ScheduledTube } from '@katharos/core';
import { tubeFunctionNames } from '@katharos/words';
import { useReader } from '../../../ui/useReader.ts';
import styles from './RemotePicture.module.css';

interface Props {
  through: Passage;
  riseM: number;
  /** Tubes that pass floor or wall. */
  lines: readonly ScheduledTube[];
}

/** The unit elsewhere, and what passes between it and the sink: every line with its number, size and length. */
export function RemotePicture({ through, riseM, lines }: Props) {
  const reader = useReader();
  const floor = through === 'floor';
  // Lines leave the sink side by side and come to the unit the same way.
  const at = (i: number) => (i - (lines.length - 1) / 2) * 26;
  const listed = lines
    .map(({ label, function: role }) => `${label} ${reader.within(tubeFunctionNames[role])}`)
    .join(', ');
  return (
    <div className={styles.remote}>
      <svg viewBox="0 0 320 220" role="img" className={styles.picture}>
        <title>
          {`${lines.length} lines through the ${through}: ${listed}. The tap stands ${reader.say('length', riseM)} above the tank.`}
        </title>
        {floor ? (
          <rect className={styles.slab} x="10" y="96" width="300" height="16" />
        ) : (
          <rect className={styles.slab} x="152" y="10" width="16" height="200" />
        )}
        <g className={styles.body}>
          {floor ? (
            <>
              <path d="M100 58h120M220 58q0 26 -40 26h-16q-44 0 -44 -26" />
              <rect x="110" y="150" width="100" height="54" rx="8" />
            </>
          ) : (
            <>
              <path d="M20 66h100M120 66q0 26 -36 26h-12q-40 0 -40 -26" />
              <rect x="204" y="120" width="100" height="60" rx="8" />
            </>
          )}
        </g>
        <g className={styles.words}>
          <text x={floor ? 160 : 254} y={floor ? 182 : 155} textAnchor="middle">
            unit
          </text>
          <text x={floor ? 160 : 70} y={floor ? 46 : 54} textAnchor="middle">
            sink
          </text>
          <text x="12" y={floor ? 90 : 26}>
            {through}
          </text>
        </g>
        {lines.map((tube, i) => (
          <path
            key={tube.id}
            className={styles.line}
            data-role={tube.function}
            d={
              floor
                ? `M${160 + at(i)} ${84 - Math.abs(at(i)) / 4}V150`
                : `M${70 + at(i)} 92V${150 + at(i) / 2}H204`
            }
          />
        ))}
      </svg>
      <ul className={styles.said}>
        <li>{`tap ${reader.say('length', Math.abs(riseM))} ${riseM < 0 ? 'below' : 'above'} the tank`}</li>
        {lines.map((tube) => (
          <li key={tube.id}>
            {`${tube.label} ${reader.within(tubeFunctionNames[tube.function])}: ${reader.cut(tube.cutM)} of ${tube.size}`}
          </li>
        ))}
      </ul>
    </div>
  );
}
