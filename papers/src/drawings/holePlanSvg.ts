import type { PlannedHole } from '@katharos/core';
import type { Reader } from '@katharos/words';

export const holeNames: Record<PlannedHole['what'], string> = {
  tap: 'Tap',
  pilot: 'Pilot',
  drain: 'Drain',
};

/** Size of the plan, mm: inside the margins of A4 and of Letter. */
export const holePlanMm = { width: 170, height: 90 } as const;
/** The ruler that tells whether the printer kept the scale: its length, mm, its ticks, and what stands at it. */
export const rulerOf = ({
  units,
}: Pick<Reader, 'units'>): { mm: number; tickMm: number; label: string } =>
  units === 'us'
    ? { mm: 4 * 25.4, tickMm: 25.4 / 2, label: '4 in' }
    : { mm: 100, tickMm: 10, label: '100 mm' };

/** What stands above the plan. */
export const holePlanSentence = (
  { length }: readonly PlannedHole[],
  reader: Pick<Reader, 'units'>,
): string =>
  length === 0
    ? 'Nothing is drilled at the counter or the waste.'
    : `Print at 100 %. The line must measure ${rulerOf(reader).label}, or the plan is no good.`;

/** The holes at one to one as an SVG in millimetres, with a ruler. */
export function holePlanSvg(
  holes: readonly PlannedHole[],
  reader: Pick<Reader, 'units' | 'millimetres'>,
): string {
  const ruler = rulerOf(reader);
  const { width, height } = holePlanMm;
  const pitch = (width - 20) / Math.max(holes.length, 3);
  const ticks = Array.from(
    { length: Math.round(ruler.mm / ruler.tickMm) - 1 },
    (_, i) => `M${10 + ruler.tickMm * (i + 1)} 8.5v3`,
  ).join('');
  const drawn = holes.map(({ what, mm }, i) => {
    const x = 10 + pitch * (i + 0.5);
    const arm = mm / 2 + 6;
    return [
      `<circle cx="${x}" cy="48" r="${mm / 2}"/>`,
      `<path d="M${x - arm} 48h${2 * arm}M${x} ${48 - arm}v${2 * arm}"/>`,
      `<text x="${x}" y="84" font-size="4" text-anchor="middle" fill="black" stroke="none">${holeNames[what]}, ${reader.millimetres(mm)}</text>`,
    ].join('');
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}" font-family="sans-serif">`,
    `<g stroke="black" stroke-width="0.3" fill="none">`,
    `<path class="ruler" d="M10 10h${ruler.mm}M10 7v6M${10 + ruler.mm} 7v6"/><path d="${ticks}"/>`,
    ...drawn,
    `<text x="113" y="11.5" font-size="4" fill="black" stroke="none">${ruler.label}</text>`,
    `</g></svg>`,
  ].join('');
}
