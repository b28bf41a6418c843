import { bodyName } from '@katharos/words';
import {
  type Body,
  type Cabinet,
  clashesOf,
  type Door,
  type Obstacle,
  type Placed,
} from '@katharos/core';
import { placeByKey } from './bodyKeys.ts';
import { cabinetView, type Place } from './cabinetView.ts';
import { type Flat, NamedBox } from './NamedBox.tsx';
import { useDragged } from './useDragged.ts';
import { useRef } from 'react';
import styles from './Cabinet.module.css';

interface Props {
  /** From the door, or from above. */
  view: 'front' | 'above';
  cabinet: Cabinet;
  bodies: readonly Body[];
  placed: readonly Placed[];
  obstacles: readonly Obstacle[];
  name: string;
  /** Width of another cabinet that is drawn over the whole width: both are then to one scale. */
  wholeWidthM?: number;
  door?: Door | null;
  clashing?: ReadonlySet<string>;
  picked?: string | null;
  onPick?: (id: string) => void;
  /** Absent for a drawing to look at. */
  onMove?: (id: string, place: Place) => void;
}

/** The cabinet to scale in millimetres. */
export function CabinetDrawing(props: Props) {
  const { view, name, cabinet, wholeWidthM, door, bodies, placed, obstacles } = props;
  const { clashing = new Set(), picked = null, onPick, onMove } = props;
  const svg = useRef<SVGSVGElement>(null);
  const seen = cabinetView(view, cabinet);
  const { across, down, flat, dropped } = seen;
  const others = (id: string) => placed.filter((one) => one.id !== id);
  const droppedAt = (one: Placed, x: number, y: number): Place =>
    dropped(one, x, y, [...obstacles, ...others(one.id)]);
  const { drag, handlers } = useDragged(svg, seen, (id, x, y) =>
    onMove?.(
      id,
      droppedAt(
        placed.find((one) => one.id === id)!,
        x,
        y,
      ),
    ),
  );
  // What stands nearer to the eye is drawn over what stands behind it.
  const nearestLast = [...placed].sort((a, b) =>
    view === 'front' ? a.z - b.z : a.y + a.height - (b.y + b.height),
  );
  return (
    <figure
      className={styles.figure}
      style={wholeWidthM ? { maxWidth: `${(100 * cabinet.width) / wholeWidthM}%` } : undefined}
    >
      <figcaption>
        {name}, {view === 'front' ? 'from the door' : 'from above, door at the bottom'}
      </figcaption>
      <svg
        ref={svg}
        viewBox={`0 0 ${across * 1000} ${down * 1000}`}
        className={styles.cabinet}
        role="group"
        aria-label={`${name} from ${view === 'front' ? 'the door' : 'above'}`}
      >
        {view === 'front' && door && (
          <rect
            className={styles.door}
            x={((cabinet.width - door.width) / 2) * 1000}
            y={(cabinet.height - door.height) * 1000}
            width={door.width * 1000}
            height={door.height * 1000}
          />
        )}
        {obstacles.map((obstacle) => (
          <g key={obstacle.id}>
            <NamedBox id={obstacle.id} flat={flat(obstacle)} className={styles.obstacle} />
          </g>
        ))}
        {nearestLast.map((one) => {
          const body = bodies.find(({ id }) => id === one.id)!;
          const moved = drag?.id === one.id ? { ...one, ...droppedAt(one, drag.x, drag.y) } : null;
          // While it is dragged it tells at once what it meets.
          const meets = moved
            ? clashesOf(bodies, [moved, ...others(one.id)], cabinet, obstacles).some(
                ({ id }) => id === one.id,
              )
            : clashing.has(one.id);
          const drawn = { body, flat: flat(moved ?? one), below: view === 'front' };
          if (!onMove) {
            return (
              <g key={one.id} className={`${styles.body} ${styles.still}`} data-clash={meets}>
                <BodyBox {...drawn} />
              </g>
            );
          }
          const { onPointerDown, ...dragging } = handlers(one.id, flat(one));
          return (
            <g
              key={one.id}
              role="button"
              tabIndex={0}
              aria-label={`${bodyName(one.id)}, ${Math.round(one.x * 1000)} mm from the left`}
              aria-pressed={picked === one.id}
              className={styles.body}
              data-clash={meets}
              data-picked={picked === one.id}
              onFocus={() => onPick?.(one.id)}
              onKeyDown={(event) => {
                const place = placeByKey(event, body, one, cabinet, seen);
                if (!place) return;
                event.preventDefault();
                onMove(one.id, place);
              }}
              onPointerDown={(event) => {
                onPick?.(one.id);
                onPointerDown(event);
              }}
              {...dragging}
            >
              <BodyBox {...drawn} />
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

/** A body with the room that its service takes below it. */
function BodyBox({ body, flat, below }: { body: Body; flat: Flat; below: boolean }) {
  return (
    <>
      {below && body.below > 0 && (
        <rect
          className={styles.service}
          x={flat.x * 1000}
          y={(flat.y + flat.h) * 1000}
          width={flat.w * 1000}
          height={body.below * 1000}
        />
      )}
      <NamedBox id={body.id} flat={flat} round={body.id === 'tank' ? 40 : 8} />
    </>
  );
}
