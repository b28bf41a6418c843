import { type Outcome, succeed } from '../../base/outcome.ts';
import { assess } from '../../system/assess.ts';
import type { Ageing, FeedWater, SystemDesign } from '../../system/design.ts';
import { boreMm, type TubeSize, tubeSizes } from '../places/tubeSize.ts';

/** What a product line of a length and a rise does in each tube. */
export interface LineEffect {
  size: TubeSize;
  secondsPerGlass: number;
  /** Water that can be drawn from the full tank with the tap up there, L. */
  usableVolumeL: number;
  /** Water that stands in the line and comes first, L, and the seconds until it is through. */
  standingL: number;
  standingSeconds: number;
}

/**
 * What it does to the tap when the unit stands elsewhere: the same system at the end of this line, in both tubes.
 * Units: m, s, L. Errors: those of `assess`.
 */
export function remoteLines(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing,
  { lengthM, riseM }: { lengthM: number; riseM: number },
): Outcome<LineEffect[]> {
  const effects: LineEffect[] = [];
  for (const size of tubeSizes) {
    const line = { innerDiameterMm: boreMm[size], lengthM, riseM };
    const assessed = assess({ ...design, line }, water, ageing);
    if (!assessed.ok) return assessed;
    const { secondsPerGlass, usableVolumeL, tapHalfLPerMin } = assessed.value;
    const standingL = (Math.PI / 4) * (boreMm[size] / 100) ** 2 * lengthM * 10;
    effects.push({
      size,
      secondsPerGlass,
      usableVolumeL,
      standingL,
      standingSeconds: (standingL / tapHalfLPerMin) * 60,
    });
  }
  return succeed(effects);
}
