import type { PlannedHole } from '@katharos/core';

export const holeNames: Record<PlannedHole['what'], string> = {
  tap: 'Tap',
  pilot: 'Pilot',
  drain: 'Drain',
};

/** Size of the plan, mm: inside the margins of A4 and of Letter. */
export const holePlanMm = { width: 170, height: 90 } as const;
/** Length of the ruler that tells whether the printer kept the scale, mm. */
export const rulerMm = 100;

/** What stands above the plan. */
export const holePlanSentence = ({ length }: readonly PlannedHole[]): string =>
  length === 0
    ? 'Nothing is drilled at the counter or the waste.'
    : 'Print at 100 %. The line must measure 100 mm, or the plan is no good.';

/** The holes at one to one as an SVG in millimetres, with a ruler. */
export function holePlanSvg(holes: readonly PlannedHole[]): string {
  const { width, height } = holePlanMm;
  const pitch = (width - 20) / Math.max(holes.length, 3);
  const ticks = Array.from({ length: rulerMm / 10 - 1 }, (_, i) => `M${20 + 10 * i} 8.5v3`).join(
    '',
  );
  const drawn = holes.map(({ what, mm }, i) => {
    const x = 10 + pitch * (i + 0.5);
    const arm = mm / 2 + 6;
    return [
      `<circle cx="${x}" cy="48" r="${mm / 2}"/>`,
      `<path d="M${x - arm} 48h${2 * arm}M${x} ${48 - arm}v${2 * arm}"/>`,
      `<text x="${x}" y="84" font-size="4" text-anchor="middle" fill="black" stroke="none">${holeNames[what]}, ${mm} mm</text>`,
    ].join('');
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}" font-family="sans-serif">`,
    `<g stroke="black" stroke-width="0.3" fill="none">`,
    `<path class="ruler" d="M10 10h${rulerMm}M10 7v6M${10 + rulerMm} 7v6"/><path d="${ticks}"/>`,
    ...drawn,
    `<text x="113" y="11.5" font-size="4" fill="black" stroke="none">${rulerMm} mm</text>`,
    `</g></svg>`,
  ].join('');
}
