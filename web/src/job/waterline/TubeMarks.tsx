import type { TubeEnd } from '@katharos/core';
import { bendLength, type PlacedPipe } from './layout.ts';
import { labelRange, type StretchTubes } from './lineTubes.ts';
import styles from './TubeMarks.module.css';

interface Props {
  pipe: PlacedPipe;
  stretch: StretchTubes;
  at: (along: number, level: number) => [number, number];
  /** Distance between two components along the line, pixels. */
  pitch: number;
  upright: boolean;
  picked: boolean;
  onPick: () => void;
}

/** Clear of a component's symbol, pixels. */
const nodePx = 25;

/** The point of a drawn pipe just clear of the component it ends at, and whether the pipe runs up or down there. */
function beforeEnd({ from, to }: PlacedPipe): { along: number; level: number; steep: boolean } {
  const corner = { along: to.along, level: from.level };
  const first = { along: to.along - bendLength(from.along, to.along), level: from.level };
  for (let t = 0.95; t > 0; t -= 0.05) {
    const [a, b, c] = [(1 - t) ** 2, 2 * t * (1 - t), t ** 2];
    const along = a * first.along + b * corner.along + c * to.along;
    const level = a * first.level + b * corner.level + c * to.level;
    if (Math.hypot(to.along - along, to.level - level) >= nodePx)
      return {
        along,
        level,
        steep: Math.abs(to.level - level) > Math.abs(to.along - along),
      };
  }
  return { along: to.along - nodePx, level: from.level, steep: false };
}

/** The tubes of one pipe: their numbers on a badge, and how the first begins and the last ends. */
export function TubeMarks({ pipe, stretch, at, pitch, upright, picked, onPick }: Props) {
  const { tubes, laid } = stretch;
  const { from, to } = pipe;
  const text = labelRange(tubes.map(({ label }) => label));
  // In the last stretch before the next component, where no other pipe lies over it.
  const [x, y] = at(to.along - pitch / 2, from.level);
  const width = 10 + 6.6 * text.length;
  const start = at(to.along - pitch + nodePx, from.level);
  const last = beforeEnd(pipe);
  const end = at(last.along, last.level);
  // Where components stand close, the badge alone has room.
  const roomy = !upright && pitch >= width + 2 * nodePx + 12;
  const state = laid === tubes.length ? 'laid' : laid > 0 ? 'part' : 'open';
  return (
    <g>
      {roomy && <Joint x={start[0]} y={start[1]} end={tubes[0]!.ends[0]} />}
      {roomy && <Joint x={end[0]} y={end[1]} lies={last.steep} end={tubes.at(-1)!.ends[1]} />}
      <g
        role="button"
        tabIndex={0}
        className={styles.badge}
        data-state={state}
        aria-pressed={picked}
        aria-label={`Tube ${text}, ${laid} of ${tubes.length} laid`}
        onClick={onPick}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          onPick();
        }}
      >
        <rect x={x - 22} y={y - 22} width={44} height={44} fill="transparent" />
        <rect
          className={styles.pill}
          x={x - width / 2}
          y={y - 10}
          width={width}
          height={20}
          rx="10"
        />
        <text x={x} y={y + 4.5} className={styles.number}>
          {text}
        </text>
      </g>
    </g>
  );
}

/** A collet is a bar, a nut a diamond, whatever else a ring. */
function Joint({ x, y, end, lies }: { x: number; y: number; end: TubeEnd; lies?: boolean }) {
  if (end === 'push-fit' || end === 'threaded')
    return <path className={styles.joint} d={lies ? `M${x - 9} ${y}h18` : `M${x} ${y - 9}v18`} />;
  if (end === 'compression')
    return <path className={styles.nut} d={`M${x - 7} ${y}l7 -8l7 8l-7 8z`} />;
  return <circle className={styles.ring} cx={x} cy={y} r="6" />;
}
