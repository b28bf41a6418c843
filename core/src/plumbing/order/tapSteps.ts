import { isUltravioletLine } from '../../system/ultravioletLine.ts';
import type { WorkFacts } from './workFacts.ts';
import type { Caution, StepDraft, StepRemark, Tool } from './workStep.ts';

/** Steps at the counter, or where a dispenser stands. */
export function tapSteps(facts: WorkFacts): StepDraft[] {
  const { system, tap } = facts;
  if (system.tap.dispenser) {
    const { hotL, coldL } = system.tap.dispenser;
    return [
      {
        code: 'place-dispenser',
        id: 'dispenser',
        after: ['lay-out'],
        tools: ['spirit-level'],
        parts: [system.tap.id],
        cautions: ['heater-off', 'clearance-front'],
        data: { hotL, coldL },
      },
    ];
  }
  const { code, cautions } = mounting(facts);
  const steps: StepDraft[] = [{ code: 'prove-spout', tools: ['tape-measure'] }];
  if (system.tap.combined) {
    // It stands where the old one stood: nothing is drilled.
    steps.push({
      code: 'take-out-tap',
      id: 'tap-hole',
      after: ['prove-spout', 'relieve-pressure'],
      tools: ['basin-spanner', 'towel'],
      cautions: ['hot-and-cold-never-mix'],
    });
  } else if (tap.remarks.includes('stop-for-a-mason')) {
    steps.push({
      code: 'call-mason',
      id: 'tap-hole',
      after: ['prove-spout'],
      cautions: ['stone-dust'],
      data: { holeMm: tap.holeMm },
    });
  } else if (tap.mount === 'drilled') {
    steps.push(drilling(tap));
  }
  steps.push({
    code,
    id: 'tap',
    after: ['tap-hole', 'prove-spout'],
    tools: code === 'mount-on-bracket' ? ['screwdriver'] : ['basin-spanner'],
    parts: code === 'mount-on-bracket' ? [system.tap.id, 'tap-bracket'] : [system.tap.id],
    cautions,
    // In a hole that is there it stands in one of its own size.
    data: { holeMm: tap.holeMm || system.tap.holeMm },
  });
  if (system.tap.powered)
    steps.push({ code: 'pass-cables', after: ['tap'], cautions: ['dry-hands'] });
  return steps;
}

function mounting({ system, drain, tap }: WorkFacts): {
  code: 'mount-tap' | 'mount-combined-tap' | 'mount-air-gap-tap' | 'mount-on-bracket';
  cautions: Caution[];
} {
  const gap = !isUltravioletLine(system) && drain.way === 'air-gap-tap';
  const cautions: Caution[] = ['tap-nut'];
  if (gap && !system.tap.airGap) cautions.push('tap-without-gap');
  if (system.tap.combined)
    return { code: 'mount-combined-tap', cautions: [...cautions, 'hot-and-cold-never-mix'] };
  if (tap.mount === 'bracket') return { code: 'mount-on-bracket', cautions };
  return { code: gap ? 'mount-air-gap-tap' : 'mount-tap', cautions };
}

/** What the drilling itself is told; the rest stands in its words, its cautions or a step before it. */
const whileDrilling: ReadonlySet<StepRemark> = new Set<StepRemark>([
  'wet-and-slow',
  'no-hammer',
  'seal-the-edge',
  'from-below',
  'nothing-below',
]);

function drilling({
  tool,
  holeMm,
  rpm,
  minutes,
  pilotMm,
  counter,
  remarks,
}: WorkFacts['tap']): StepDraft {
  const tools: Tool[] = ['drill', 'safety-glasses', 'marker'];
  if (tool === 'step-drill') tools.push('bit-pilot', 'step-drill');
  if (tool === 'wood-bit') tools.push('bit-pilot', 'wood-bit', 'sealant');
  if (tool === 'diamond-core') tools.push('diamond-core', 'water-feed');
  return {
    code: 'drill-tap-hole',
    id: 'tap-hole',
    after: ['prove-spout', 'ask-permission'],
    tools,
    cautions: tool === 'diamond-core' ? ['eyes', 'stone-dust'] : ['eyes'],
    remarks: remarks.filter((remark) => whileDrilling.has(remark)),
    data: { holeMm, rpm: rpm ?? 0, minutes, pilotMm: pilotMm ?? 0, counter: counter ?? '' },
  };
}
