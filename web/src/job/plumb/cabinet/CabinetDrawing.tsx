import { bodyName } from '@katharos/words';
import {
  type Body,
  type Cabinet,
  clashesOf,
  type Door,
  type Obstacle,
  type Placed,
} from '@katharos/core';
import { cabinetView, type Place, turnedOver, turning } from './cabinetView.ts';
import { type PointerEvent, useRef, useState } from 'react';
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

/** A name inside its box: as large as it may be, as small as it must, in millimetres of the drawing. */
const nameSize = (name: string, widthM: number): number =>
  Math.min(26, (widthM * 1000) / (0.58 * name.length));

/** The cabinet to scale in millimetres. */
export function CabinetDrawing(props: Props) {
  const { view, name, cabinet, wholeWidthM, door, bodies, placed, obstacles } = props;
  const { clashing = new Set(), picked = null, onPick, onMove } = props;
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{
    id: string;
    dx: number;
    dy: number;
    x: number;
    y: number;
  } | null>(null);
  const { across, down, flat, dropped, nudged } = cabinetView(view, cabinet);
  // What stands nearer to the eye is drawn over what stands behind it.
  const nearestLast = [...placed].sort((a, b) =>
    view === 'front' ? a.z - b.z : a.y + a.height - (b.y + b.height),
  );
  const at = (event: PointerEvent): [number, number] => {
    const rect = svg.current!.getBoundingClientRect();
    return [
      ((event.clientX - rect.left) / rect.width) * across,
      ((event.clientY - rect.top) / rect.height) * down,
    ];
  };
  const others = (id: string) => [...obstacles, ...placed.filter((one) => one.id !== id)];
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
        {obstacles.map((obstacle) => {
          const { x, y, w, h } = flat(obstacle);
          return (
            <g key={obstacle.id}>
              <rect
                className={styles.obstacle}
                x={x * 1000}
                y={y * 1000}
                width={w * 1000}
                height={h * 1000}
              />
              <text
                x={(x + w / 2) * 1000}
                y={(y + h / 2) * 1000}
                className={styles.name}
                fontSize={nameSize(bodyName(obstacle.id), w)}
              >
                {bodyName(obstacle.id)}
              </text>
            </g>
          );
        })}
        {nearestLast.map((one) => {
          const body = bodies.find(({ id }) => id === one.id)!;
          const still = flat(one);
          const moved =
            drag?.id === one.id
              ? { ...one, ...dropped(one, drag.x, drag.y, others(one.id)) }
              : null;
          const { x, y, w, h } = moved ? flat(moved) : still;
          // While it is dragged it tells at once what it meets.
          const meets = moved
            ? clashesOf(
                bodies,
                [moved, ...placed.filter(({ id }) => id !== one.id)],
                cabinet,
                obstacles,
              ).some(({ id }) => id === one.id)
            : clashing.has(one.id);
          return (
            <g
              key={one.id}
              {...(onMove
                ? {
                    role: 'button',
                    tabIndex: 0,
                    'aria-label': `${bodyName(one.id)}, ${Math.round(one.x * 1000)} mm from the left`,
                    'aria-pressed': picked === one.id,
                  }
                : {})}
              className={onMove ? styles.body : `${styles.body} ${styles.still}`}
              data-clash={meets}
              data-picked={picked === one.id}
              onFocus={() => onPick?.(one.id)}
              onKeyDown={(event) => {
                const step = event.shiftKey ? 0.01 : 0.05;
                const moves: Record<string, [number, number]> = {
                  ArrowLeft: [-step, 0],
                  ArrowRight: [step, 0],
                  ArrowUp: [0, -step],
                  ArrowDown: [0, step],
                };
                const wanted = moves[event.key];
                if (wanted) {
                  event.preventDefault();
                  onMove?.(one.id, nudged(one, ...wanted));
                }
                if (event.key.toLowerCase() === 'r' && turning(body, one))
                  onMove?.(one.id, turnedOver(body, one, cabinet));
              }}
              onPointerDown={(event) => {
                if (!onMove) return;
                event.currentTarget.setPointerCapture(event.pointerId);
                onPick?.(one.id);
                const [px, py] = at(event);
                setDrag({ id: one.id, dx: px - still.x, dy: py - still.y, x: still.x, y: still.y });
              }}
              onPointerMove={(event) => {
                if (drag?.id !== one.id) return;
                const [px, py] = at(event);
                setDrag({ ...drag, x: px - drag.dx, y: py - drag.dy });
              }}
              onPointerUp={() => {
                if (drag?.id === one.id && (drag.x !== still.x || drag.y !== still.y))
                  onMove?.(one.id, dropped(one, drag.x, drag.y, others(one.id)));
                setDrag(null);
              }}
              onPointerCancel={() => setDrag(null)}
            >
              {view === 'front' && body.below > 0 && (
                <rect
                  className={styles.service}
                  x={x * 1000}
                  y={(y + h) * 1000}
                  width={w * 1000}
                  height={body.below * 1000}
                />
              )}
              <rect
                x={x * 1000}
                y={y * 1000}
                width={w * 1000}
                height={h * 1000}
                rx={one.id === 'tank' ? 40 : 8}
              />
              <text
                x={(x + w / 2) * 1000}
                y={(y + h / 2) * 1000}
                className={styles.name}
                fontSize={nameSize(bodyName(one.id), w)}
              >
                {bodyName(one.id)}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
