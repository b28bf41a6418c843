/** A flow restrictor in the concentrate line, rated at one pressure. */
export interface Restrictor {
  flowMlMin: number;
  atPressureBar: number;
}

/** L/h per mL/min. */
const lPerHPerMlMin = 0.06;

/** Coefficient k of `Qc = k sqrt(Pm)`, L/h per root bar: an orifice discharging to the open drain. */
export function restrictorCoefficient(restrictor: Restrictor): number {
  return (lPerHPerMlMin * restrictor.flowMlMin) / Math.sqrt(restrictor.atPressureBar);
}

/** Concentrate flow through a restrictor, L/h, at a membrane pressure in bar gauge; none at or below 0. */
export function restrictorFlow(coefficient: number, membraneBar: number): number {
  return membraneBar > 0 ? coefficient * Math.sqrt(membraneBar) : 0;
}
