import type { ScheduledTube } from '@katharos/core';
import { placeName } from '@katharos/words';

/** Size of the drawing, mm: inside the margins of A4 and of Letter. */
const widthMm = 178;
const rowMm = 9.5;
const boxMm = { width: 25, height: 6.5 } as const;
const gapMm = 10;
const perRow = Math.floor((widthMm + gapMm) / (boxMm.width + gapMm));

const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

/** Tubes that follow each other, each where the one before it ends. */
export function chainsOf<T extends Pick<ScheduledTube, 'from' | 'to'>>(tubes: readonly T[]): T[][] {
  const chains: T[][] = [];
  for (const tube of tubes) {
    const last = chains.at(-1);
    if (last && last.at(-1)!.to === tube.from && last.length < perRow - 1) last.push(tube);
    else chains.push([tube]);
  }
  return chains;
}

function box(x: number, y: number, name: string): string {
  const size = Math.min(2.9, boxMm.width / (0.56 * name.length));
  return [
    `<rect x="${x}" y="${y}" width="${boxMm.width}" height="${boxMm.height}" rx="1.5" fill="#eef3f5" stroke="#111" stroke-width="0.3"/>`,
    `<text x="${x + boxMm.width / 2}" y="${y + boxMm.height / 2 + size * 0.35}" font-size="${size.toFixed(2)}" text-anchor="middle" fill="#111">${escape(name)}</text>`,
  ].join('');
}

/** A tube between two joints, with its number and what it is cut from. */
function link(
  x: number,
  y: number,
  { label, size }: Pick<ScheduledTube, 'label' | 'size'>,
): string {
  const middle = x + gapMm / 2;
  const wide = size === '3/8"';
  return [
    `<path d="M${x} ${y}h${gapMm}" stroke="#111" stroke-width="${wide ? 0.9 : 0.4}" fill="none"/>`,
    `<circle cx="${middle}" cy="${y}" r="2.4" fill="#fff" stroke="#111" stroke-width="0.3"/>`,
    `<text x="${middle}" y="${y + 1}" font-size="2.8" text-anchor="middle" font-weight="bold" fill="#111">${label}</text>`,
  ].join('');
}

/**
 * The line as it is laid: every joint a box, every tube between two of them with its number, thick where it is the wide one. What goes on
 * elsewhere begins a row of its own under the name of the joint that it leaves.
 */
export function lineSvg(
  tubes: readonly Pick<ScheduledTube, 'from' | 'to' | 'label' | 'size'>[],
): string {
  const rows = chainsOf(tubes);
  const height = rows.length * rowMm;
  const drawn = rows.map((chain, row) => {
    const y = row * rowMm + 1;
    const first = box(0, y, placeName(chain[0]!.from));
    const rest = chain.map((tube, i) => {
      const x = i * (boxMm.width + gapMm) + boxMm.width;
      return link(x, y + boxMm.height / 2, tube) + box(x + gapMm, y, placeName(tube.to));
    });
    return [first, ...rest].join('');
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${height}mm" viewBox="0 0 ${widthMm} ${height}" font-family="sans-serif">`,
    ...drawn,
    '</svg>',
  ].join('');
}
