/**
 * Density of air-free water at one atmosphere.
 * @param temperatureC degrees C, 0 to 40
 * @returns kg/m3. Source: Kell's polynomial (J. Chem. Eng. Data 12, 1967), as used for standard mean ocean water.
 */
export function waterDensity(temperatureC: number): number {
  const t = temperatureC;
  return (
    999.842594 +
    t * (6.793952e-2 + t * (-9.09529e-3 + t * (1.001685e-4 + t * (-1.120083e-6 + t * 6.536332e-9))))
  );
}

/** Standard gravity, m/s2. */
const gravity = 9.80665;

/**
 * Pressure that it takes to lift water.
 * @param riseM m, negative for a fall
 * @returns bar
 */
export function risePressure(riseM: number, temperatureC: number): number {
  return (waterDensity(temperatureC) * gravity * riseM) / 1e5;
}
