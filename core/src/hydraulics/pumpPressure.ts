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

/** Inlet pressures between which a starved pump loses its boost: whole above, none below; bar gauge. */
const starving = { fromBar: -0.2, toBar: -0.5 };

/** Share of its boost that a pump still gives at an inlet pressure; bar gauge. Default of practice: diaphragm pumps cavitate there. */
export const fedShare = (inletBar: number): number =>
  Math.min(Math.max((inletBar - starving.toBar) / (starving.fromBar - starving.toBar), 0), 1);

/**
 * Pressure behind a pump. The bypass holds what the pump adds, never what the supply brings:
 * `max(Pin, min(Pin + boost, bypass))`, bar gauge. @param share of the boost that the pump gives
 */
export function pumpPressure(
  pump: Pump | undefined,
  inletBar: number,
  flowLPerH: number,
  share = 1,
): number {
  if (!pump) return inletBar;
  const boostBar = share * pumpBoost(pump.curve, flowLPerH);
  return Math.max(inletBar, Math.min(inletBar + boostBar, pump.bypassBar));
}
