/** Kelvin at 0 C. */
export const zeroCelsiusK = 273.15;

/** mg in a kilogram of solution: the concentration at which the relation below has its pole. */
const poleMgL = 1e6;

/**
 * Osmotic pressure of water whose dissolved solids are counted as NaCl.
 * @param tdsMgL mg/L, 0 to 70,000; @param temperatureC degrees C
 * @returns bar. Source: ASTM D4516, `0.2654 C TK / (1000 - C/1000) / 100`.
 */
export function osmoticPressure(tdsMgL: number, temperatureC: number): number {
  return (osmoticScale(temperatureC) * tdsMgL) / (poleMgL - tdsMgL);
}

/** The same relation written `G C / (1e6 - C)`: returns G in bar. The marching code needs it outside its loop. */
export function osmoticScale(temperatureC: number): number {
  return 2.654 * (temperatureC + zeroCelsiusK);
}

/**
 * Slope of the osmotic difference across a membrane: `pi(cm) - pi(cp) = slope (cm - cp)`, exactly.
 * It varies by less than 1 % in drinking water, which is what makes the local flux nearly a quadratic.
 * @returns bar per mg/L
 */
export function osmoticSlope(scaleBar: number, wallMgL: number, permeateMgL: number): number {
  return (scaleBar * poleMgL) / ((poleMgL - wallMgL) * (poleMgL - permeateMgL));
}

/** Concentration, mg/L, whose osmotic pressure is `pressureBar`: the inverse of the relation above. */
export function concentrationAtOsmotic(scaleBar: number, pressureBar: number): number {
  return (poleMgL * pressureBar) / (scaleBar + pressureBar);
}
