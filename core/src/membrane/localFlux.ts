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
  /** Product over channel concentration at the point before, where the next point starts from; 0 to start from nothing. */
  passage: number;
}

/**
 * Past this the NaCl osmotic relation means nothing; only trial points of a root search get here, and an operating
 * point that ends there is refused as 'concentrate-too-strong'.
 */
const strongestMgL = 3e5;

/** A pass of the slope's renewal gains two digits and more; eight is the bound. */
const maxPasses = 8;

/** The slope is good to 1e-7 where the product's strength is known to this, mg/L, and the flux to a tenth of that. */
const slopeMgL = 0.05;

/**
 * Local solution-diffusion flux with concentration polarisation, at one point of the channel.
 *
 * With `cp = B beta c / (J + B beta)` and a constant osmotic slope k the flux balance `J = A (dP - k beta (c - cp))` is
 * the quadratic `J^2 + J (B beta - A dP + A k beta c) - A dP B beta = 0`, whose positive root is taken in the form that does
 * not cancel. The slope depends weakly on the answer and is renewed until it stands still; along a channel the passage
 * hardly changes, so that from the second point on one pass does.
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
  let passage = into.passage;
  let permeate = passage * c;
  let flux = 0;
  for (let pass = 0; pass < maxPasses; pass += 1) {
    const wall = beta * c - (beta - 1) * permeate;
    const slope = osmoticSlope(
      element.osmoticScaleBar,
      wall < strongestMgL ? wall : strongestMgL,
      permeate,
    );
    const half = saltTerm - drive + element.water * slope * beta * c;
    const root = Math.sqrt(half * half + product);
    flux = half > 0 ? product / (2 * (half + root)) : (root - half) / 2;
    const before = permeate;
    passage = saltTerm / (flux + saltTerm);
    permeate = passage * c;
    if (Math.abs(permeate - before) <= slopeMgL) break;
  }
  into.passage = passage;
  into.water = flux;
  into.permeateMgL = permeate;
}
