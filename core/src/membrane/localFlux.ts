import { osmoticSlope } from '../water/osmoticPressure.ts';

/** An element's permeances at the water's temperature, and the osmotic scale there. */
export interface ElementAtTemperature {
  /** Water permeance times area, L/h/bar. */
  water: number;
  /** Salt permeance times area, L/h. */
  salt: number;
  /** bar; see `osmoticScale`. */
  osmoticScaleBar: number;
}

/** Where `localFlux` leaves its answer, so that the march along an element allocates nothing. */
export interface LocalFlux {
  /** Product flow per unit of channel length, L/h. */
  water: number;
  /** Product concentration here, mg/L. */
  permeateMgL: number;
}

/**
 * Past this the NaCl osmotic relation means nothing; only trial points of a root search get here, and an operating
 * point that ends there is refused as 'concentrate-too-strong'.
 */
const strongestMgL = 3e5;

/** The slope's error shrinks by at least 200 a pass, so four passes are at rounding; eight is the bound. */
const maxPasses = 8;

/**
 * Local solution-diffusion flux with concentration polarisation, at one point of the channel.
 *
 * With `cp = B beta c / (J + B beta)` and a constant osmotic slope k the flux balance `J = A (dP - k beta (c - cp))` is
 * the quadratic `J^2 + J (B beta - A dP + A k beta c) - A dP B beta = 0`, whose positive root is taken in the form that does
 * not cancel. The slope depends weakly on the answer and is renewed until the flux stands still.
 * @param grossBar feed-side less product-side pressure, bar; no flux at or below 0
 */
export function localFlux(
  element: ElementAtTemperature,
  grossBar: number,
  beta: number,
  channelMgL: number,
  into: LocalFlux,
): void {
  const c = channelMgL < strongestMgL ? channelMgL : strongestMgL;
  if (!(grossBar > 0)) {
    into.water = 0;
    into.permeateMgL = c;
    return;
  }
  const saltTerm = element.salt * beta;
  const drive = element.water * grossBar;
  const product = 4 * drive * saltTerm;
  let wall = beta * c;
  let permeate = 0;
  let flux = 0;
  for (let pass = 0; pass < maxPasses; pass += 1) {
    const slope = osmoticSlope(
      element.osmoticScaleBar,
      wall < strongestMgL ? wall : strongestMgL,
      permeate,
    );
    const half = saltTerm - drive + element.water * slope * beta * c;
    const root = Math.sqrt(half * half + product);
    const next = half > 0 ? product / (2 * (half + root)) : (root - half) / 2;
    permeate = (saltTerm * c) / (next + saltTerm);
    wall = beta * c - (beta - 1) * permeate;
    const settled = Math.abs(next - flux) <= 1e-11 * next;
    flux = next;
    if (settled) break;
    // One renewal brings the slope to 1e-4 of 1e-4 where little salt passes; then the second pass is already exact.
    if (pass === 1 && permeate < 1e-3 * strongestMgL) break;
  }
  into.water = flux;
  into.permeateMgL = permeate;
}
