import {
  type Body,
  type Box,
  type Cabinet,
  type CabinetPlan,
  panelM,
  type Placed,
} from '@katharos/core';
import { bodyName } from '@katharos/words';

/** Drawing scale: one to ten, so that an ordinary cabinet fits a page and a ruler reads it. */
const scale = 10;
/** Room around and between the views, in millimetres of the real thing. */
const margin = 40;
const head = 70;
const gap = 120;

const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

const mm = (m: number): string => (m * 1000).toFixed(1);

interface View {
  cabinet: Cabinet;
  /** Where its left upper corner stands, m. */
  left: number;
  top: number;
  /** From the door, or from above. */
  front: boolean;
}

/** A box in a view: from the door height counts upwards, from above the back wall is at the top. */
function flat({ cabinet, left, top, front }: View, box: Box) {
  return front
    ? {
        x: left + box.x,
        y: top + cabinet.height - box.y - box.height,
        w: box.width,
        h: box.height,
      }
    : { x: left + box.x, y: top + box.z, w: box.width, h: box.depth };
}

const rectangle = (at: { x: number; y: number; w: number; h: number }, style: string): string =>
  `<rect x="${mm(at.x)}" y="${mm(at.y)}" width="${mm(at.w)}" height="${mm(at.h)}" ${style}/>`;

const text = (x: number, y: number, words: string, size = 26): string =>
  `<text x="${mm(x)}" y="${mm(y)}" font-size="${size.toFixed(1)}" text-anchor="middle" dominant-baseline="middle" fill="#111">${escape(words)}</text>`;

function named(view: View, box: Box, name: string, style: string): string {
  const at = flat(view, box);
  const size = Math.min(26, (at.w * 1000) / (0.58 * name.length));
  return rectangle(at, style) + text(at.x + at.w / 2, at.y + at.h / 2, name, size);
}

const solid = 'fill="#eef3f5" stroke="#111" stroke-width="4" rx="6"';
const dashed = 'fill="none" stroke="#777" stroke-width="3" stroke-dasharray="14 8"';
const wall = 'fill="none" stroke="#111" stroke-width="8"';

function bodies(view: View, placed: readonly Placed[], all: readonly Body[]): string {
  // What stands nearer to the eye is drawn over what stands behind it.
  const nearestLast = [...placed].sort((a, b) =>
    view.front ? a.z - b.z : a.y + a.height - (b.y + b.height),
  );
  return nearestLast
    .map((box) => {
      const below = all.find(({ id }) => id === box.id)?.below ?? 0;
      const room = { ...box, y: box.y - below, height: below };
      return (
        (view.front && below > 0 ? rectangle(flat(view, room), dashed) : '') +
        named(view, box, bodyName(box.id), solid)
      );
    })
    .join('');
}

/**
 * The cabinet as an SVG of its own, one to ten: from the door and from above, with what is in the way, the room that service needs,
 * and the next cupboard where the tank stands in it. Nothing while the cabinet is not measured.
 */
export function cabinetSvg({
  cabinet,
  door,
  obstacles,
  placed,
  bodies: all,
  next,
}: CabinetPlan): string | null {
  if (!cabinet) return null;
  const views = (front: boolean, top: number): string => {
    const view: View = { cabinet, left: 0, top, front };
    const [w, h] = [cabinet.width, front ? cabinet.height : cabinet.depth];
    const parts = [
      rectangle({ x: 0, y: top, w, h }, wall),
      ...obstacles.map((one) => named(view, one, bodyName(one.id), dashed)),
      bodies(view, placed, all),
      text(w / 2, top - 0.03, front ? 'From the door' : 'From above, door at the bottom', 24),
    ];
    if (front && door) {
      const left = (cabinet.width - door.width) / 2;
      const opening = { x: left, y: cabinet.height - door.height, w: door.width, h: door.height };
      parts.push(rectangle({ ...opening, y: top + opening.y }, dashed));
    }
    if (next) {
      const { cupboard, tank, body } = next;
      const height = front ? cupboard.height : cupboard.depth;
      // Both stand on one floor, and share the line of their doors.
      const beside: View = {
        cabinet: cupboard,
        left: cabinet.width + panelM,
        top: top + h - height,
        front,
      };
      parts.push(
        rectangle({ x: beside.left, y: beside.top, w: cupboard.width, h: height }, wall),
        tank ? bodies(beside, [tank], [body]) : '',
      );
    }
    return parts.join('');
  };
  const width = cabinet.width + (next ? panelM + next.cupboard.width : 0);
  const high = Math.max(cabinet.height, next?.cupboard.height ?? 0);
  const deep = Math.max(cabinet.depth, next?.cupboard.depth ?? 0);
  const above = head / 1000 + high - cabinet.height;
  const second = above + cabinet.height + gap / 1000 + deep - cabinet.depth;
  const size = {
    w: width * 1000 + 2 * margin,
    h: (second + cabinet.depth) * 1000 + margin,
  };
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${(size.w / scale).toFixed(1)}mm" height="${(size.h / scale).toFixed(1)}mm"`,
    ` viewBox="${-margin} 0 ${size.w.toFixed(1)} ${size.h.toFixed(1)}" font-family="sans-serif">`,
    `<title>Cabinet, one to ten</title>`,
    views(true, above),
    views(false, second),
    `</svg>`,
  ].join('');
}
