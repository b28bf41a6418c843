import type { FlushStep } from '../commission/flush/flushStep.ts';
import { type FlushFacts, flushPlan, ultravioletFlushPlan } from '../commission/flush/flushPlan.ts';
import { assess } from '../system/assess.ts';
import type { FeedWater } from '../system/design.ts';
import {
  assessUltraviolet,
  type InstalledSystem,
  isUltravioletLine,
} from '../system/ultravioletLine.ts';

/** How a sample system is flushed in a water; a lamp behind a system that is there sees clear, soft water. */
export function sampleFlush(
  system: InstalledSystem,
  water: FeedWater,
  facts?: FlushFacts,
): FlushStep[] {
  if (isUltravioletLine(system)) {
    const lit = assessUltraviolet(system, water, {
      ironMgL: 0,
      manganeseMgL: 0,
      hardnessMgL: 10,
      transmittance: 0.95,
      existing: { flowLPerMin: 1.5, tdsMgL: 20 },
    });
    if (!lit.ok) throw new Error(lit.failure.code);
    return ultravioletFlushPlan(system, lit.value, facts);
  }
  const today = assess(system, water);
  if (!today.ok) throw new Error(today.failure.code);
  const plan = flushPlan(system, today.value, facts);
  if (!plan.ok) throw new Error(plan.failure.code);
  return plan.value;
}
