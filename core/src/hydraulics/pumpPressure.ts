/** A booster pump: boost over flow, held by its bypass. */
export interface Pump {
  /** Points in rising order of flow. */
  curve: { flowLPerH: number; boostBar: number }[];
  /** Discharge pressure at which the internal bypass opens, bar gauge. */
  bypassBar: number;
}

/** Boost at a flow: linear between the points, flat before the first and after the last. bar */
export function pumpBoost(curve: Pump['curve'], flowLPerH: number): number {
  const last = curve.length - 1;
  const first = curve[0]!;
  if (flowLPerH <= first.flowLPerH) return first.boostBar;
  for (let i = 1; i <= last; i += 1) {
    const right = curve[i]!;
    if (flowLPerH < right.flowLPerH) {
      const left = curve[i - 1]!;
      const share = (flowLPerH - left.flowLPerH) / (right.flowLPerH - left.flowLPerH);
      return left.boostBar + share * (right.boostBar - left.boostBar);
    }
  }
  return curve[last]!.boostBar;
}

/**
 * Pressure behind a pump. The bypass holds what the pump adds, never what the supply brings:
 * `max(Pin, min(Pin + boost, bypass))`, bar gauge.
 */
export function pumpPressure(pump: Pump | undefined, inletBar: number, flowLPerH: number): number {
  if (!pump) return inletBar;
  return Math.max(inletBar, Math.min(inletBar + pumpBoost(pump.curve, flowLPerH), pump.bypassBar));
}
