import { isUltravioletLine } from '../../system/ultravioletLine.ts';
import { passesWall } from '../places/passesWall.ts';
import { stepsOfPlace } from '../places/place.ts';
import { takesClip } from '../places/tubeEnds.ts';
import type { ScheduledTube } from '../tubes/tubeSchedule.ts';
import { sizedPart } from './sizedPart.ts';
import { teePart } from './unitSteps.ts';
import type { WorkFacts } from './workFacts.ts';
import type { Caution, StepDraft, StepPart } from './workStep.ts';

/** Tees and valves of the branches, then every tube, then labels and the tug test. */
export function tubeSteps(facts: WorkFacts): StepDraft[] {
  const { tubes, drain, remote, tankNextDoor } = facts;
  const all = tubes.map(({ id }) => `tube:${id}`);
  const count = { tubes: tubes.length };
  return [
    ...branchSteps(facts),
    ...tubes.map((tube) =>
      tubeStep(tube, remote !== null && passesWall(tube, drain.way), tankNextDoor && !remote),
    ),
    { code: 'label-tubes', after: all, tools: ['marker'], parts: ['tube-labels'], data: count },
    { code: 'tug-test', after: all, data: count },
  ];
}

function branchSteps({ system, tubes }: WorkFacts): StepDraft[] {
  if (isUltravioletLine(system)) return [];
  return system.branches.map(({ kind }): StepDraft => {
    const cautions: Caution[] = ['feed-closed'];
    if (kind === 'machine') cautions.push('machine-drain');
    // Their valves snap shut.
    if (kind !== 'second-tap') cautions.push('water-hammer');
    const parts = [
      teePart(tubes, `tee-${kind}`),
      sizedPart('branch-valve', tubes, `valve-${kind}`),
    ];
    return {
      code: 'fit-branch',
      id: `branch:${kind}`,
      after: ['hang-unit'],
      tools: ['tube-cutter'],
      parts: kind === 'second-tap' ? [...parts, system.tap.id] : parts,
      cautions,
      data: { kind },
    };
  });
}

/** What a tube takes besides itself: clips at its collets, nut, sleeve and insert at its nuts, reducers at other ports. */
export function endParts({ ends, size, reducers }: ScheduledTube): StepPart[] {
  const wide = size === '3/8"' ? '-wide' : '';
  return [
    { key: `lock-clip${wide}`, quantity: ends.filter(takesClip).length },
    { key: `compression-set${wide}`, quantity: ends.filter((end) => end === 'compression').length },
    { key: 'reducer', quantity: reducers },
  ];
}

function tubeStep(tube: ScheduledTube, through: boolean, nextDoor: boolean): StepDraft {
  const { id, from, to, size, label, function: role, ends } = tube;
  const panel = nextDoor && to === 'tank';
  return {
    code: 'run-tube',
    id: `tube:${id}`,
    after: [
      ...stepsOfPlace(from),
      ...stepsOfPlace(to),
      ...(through ? ['drill-through'] : []),
      ...(panel ? ['drill-panel'] : []),
    ],
    tools: ['tube-cutter', 'tape-measure'],
    parts: endParts(tube),
    cautions: role === 'product' || role === 'tank' ? ['no-metal-pipe'] : [],
    data: {
      run: id,
      from,
      to,
      cutM: Number(tube.cutM.toFixed(3)),
      size,
      label,
      near: ends[0],
      far: ends[1],
      through: through ? 1 : panel ? 2 : 0,
    },
  };
}
