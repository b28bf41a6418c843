import { isUltravioletLine } from '../../system/ultravioletLine.ts';
import { type SystemDesign, isMakerPiped } from '../../system/design.ts';
import { isHeld } from '../../system/unit.ts';
import { fullTankKg } from '../cabinet/bodies.ts';
import type { Place } from '../places/place.ts';
import { passesWall } from '../places/passesWall.ts';
import { jointSize } from '../tubes/tubeSchedule.ts';
import { outsideMm } from '../places/tubeSize.ts';
import { sizedPart } from './sizedPart.ts';
import type { WorkFacts } from './workFacts.ts';
import type { StepDraft, WorkData, StepPart } from './workStep.ts';

/** A hole through a panel or a wall is this much wider than what passes it, mm. Default. */
const playMm = 3;

/** Steps where the unit, its tank and its machines stand. */
export function unitSteps(facts: WorkFacts): StepDraft[] {
  const { system } = facts;
  const steps = passageSteps(facts);
  if (isUltravioletLine(system)) {
    return [
      ...steps,
      {
        code: 'hang-unit',
        after: ['lay-out'],
        tools: ['drill', 'screwdriver', 'spirit-level', 'housing-wrench'],
        parts: [
          'bracket',
          { key: 'housing', quantity: system.prefilters.length },
          'o-ring-kit',
          'screw-set',
          ...idsOf(system.prefilters),
        ],
        cautions: ['behind-the-wall', 'clearance'],
        data: { housings: system.prefilters.length, loose: 1, withoutMembrane: 1 },
      },
      lampStep(system.lamp.id),
    ];
  }
  return [...steps, ...membraneUnitSteps(facts, system)];
}

/** The fitting that a tee is. */
export const teePart = (tubes: WorkFacts['tubes'], place: Place): string =>
  jointSize(tubes, place) === '3/8"' ? 'tee-wide' : 'tee';

const idsOf = (parts: readonly { id: string }[]): string[] => parts.map(({ id }) => id);

/** Where nothing may be drilled lines pass an opening that is there; tubes wait for it as for a hole. */
const openingThere = (
  id: 'drill-through' | 'drill-panel',
  data: WorkData['use-passage'],
): StepDraft => ({
  code: 'use-passage',
  id,
  after: ['lay-out', 'ask-permission'],
  cautions: ['codes-first'],
  data,
});

/** Holes that lines pass: to the next cupboard, or to a unit elsewhere. */
function passageSteps({ remote, tankNextDoor, tubes, site, drain }: WorkFacts): StepDraft[] {
  const steps: StepDraft[] = [];
  if (remote) {
    const passing = tubes.filter((tube) => passesWall(tube, drain.way));
    const widest = Math.max(...passing.map(({ size }) => outsideMm[size]));
    const holeMm = Math.ceil(widest) + playMm;
    if (site.drilling === 'no') {
      steps.push(openingThere('drill-through', { passage: remote, lines: passing.length, holeMm }));
      return steps;
    }
    steps.push({
      code: 'drill-through',
      after: ['lay-out', 'ask-permission'],
      tools: ['drill', 'bit-through', 'safety-glasses', 'lamp', 'sealant'],
      parts: [{ key: 'panel-bush', quantity: passing.length }],
      cautions: ['codes-first', 'behind-the-wall', 'fire-stop', 'eyes'],
      data: {
        passage: remote,
        lines: passing.length,
        holeMm,
        asked: site.drilling === 'yes' ? 1 : 0,
      },
    });
  }
  if (tankNextDoor && !remote) {
    const line = tubes.find(({ to }) => to === 'tank');
    const holeMm = Math.ceil(outsideMm[line?.size ?? '1/4"']) + playMm;
    if (site.drilling === 'no') {
      steps.push(openingThere('drill-panel', { passage: 'panel', lines: 1, holeMm }));
      return steps;
    }
    steps.push({
      code: 'drill-panel',
      after: ['lay-out', 'ask-permission'],
      tools: ['drill', 'bit-panel', 'safety-glasses'],
      parts: ['panel-bush'],
      cautions: ['behind-the-wall', 'eyes'],
      data: { holeMm },
    });
  }
  return steps;
}

function membraneUnitSteps(
  { tankNextDoor, remote, tubes }: WorkFacts,
  design: SystemDesign,
): StepDraft[] {
  const { unit, prefilters, postFilter, mineral, tank, permeatePump, lamp, restrictor } = design;
  const { solenoid, pump, shutoff } = design;
  const piped = isMakerPiped(design);
  /** What comes with the unit is neither taken nor put in; where no unit is named, a closed one holds all. */
  const beside = <T extends { id: string }>(part: T | null): T | null =>
    part && (unit ? !isHeld(design, part) : !piped) ? part : null;
  const closed = unit ? unit.mounting === 'stands' : piped;
  const taken = [
    ...idsOf(prefilters),
    ...idsOf([beside(shutoff), postFilter, mineral?.part ?? null].filter((part) => part !== null)),
  ];
  // Tee and check valve of the product line: a four-port valve brings its own, and so does a unit.
  const joints: StepPart[] = [
    { key: teePart(tubes, 'tank-tee'), quantity: tank && !piped ? 1 : 0 },
    { key: 'check-valve', quantity: tank && !piped && !shutoff ? 1 : 0 },
  ];
  const loose: StepPart[] = [
    { key: 'bracket', quantity: 1 },
    { key: 'housing', quantity: prefilters.length },
    { key: 'vessel', quantity: design.elements },
    { key: 'o-ring-kit', quantity: prefilters.length > 0 ? 1 : 0 },
  ];
  const steps: StepDraft[] = [
    closed
      ? {
          code: 'stand-unit',
          id: 'hang-unit',
          after: ['lay-out'],
          tools: ['spirit-level'],
          // Where no unit is named its pump, its restrictor and its tank are bought as they are.
          parts: unit
            ? [unit.id, ...taken]
            : [
                ...taken,
                restrictor.id,
                ...idsOf(
                  [solenoid, pump, shutoff, permeatePump, tank].filter((part) => part !== null),
                ),
              ],
          cautions: ['clearance-front'],
          data: { cartridges: prefilters.length },
        }
      : {
          code: 'hang-unit',
          after: ['lay-out'],
          tools: ['drill', 'screwdriver', 'spirit-level', 'housing-wrench'],
          parts: [...(unit ? [unit.id] : loose), 'screw-set', ...taken, ...joints],
          cautions: ['behind-the-wall', 'clearance'],
          data: { housings: prefilters.length, loose: unit ? 0 : 1 },
        },
  ];
  if (!piped && design.elements > 1) {
    const { elements, arrangement } = design;
    const rows: Place[] =
      arrangement === 'parallel' ? ['feed-tee', 'brine-tee', 'product-tee'] : ['product-tee'];
    steps.push({
      code: 'join-bank',
      after: ['hang-unit'],
      parts: rows.map((place) => ({ key: teePart(tubes, place), quantity: elements - 1 })),
      data: { elements, arrangement },
    });
  }
  if (beside(restrictor)) {
    steps.push({
      code: 'fit-restrictor',
      after: ['hang-unit'],
      parts: [design.restrictor.id],
      cautions: ['restrictor-never-left-out'],
      data: { name: design.restrictor.name },
    });
  }
  if (tank && !tank.internal)
    steps.push(...tankSteps(tank, sizedPart('tank-valve', tubes, 'tank'), tankNextDoor && !remote));
  const ownPump = beside(pump);
  if (ownPump)
    steps.push({
      code: 'mount-pump',
      after: ['hang-unit'],
      tools: ['screwdriver'],
      parts: idsOf([ownPump, beside(solenoid)].filter((part) => part !== null)),
      cautions: beside(solenoid) ? ['dry-hands', 'water-hammer'] : ['dry-hands'],
      data: { name: ownPump.name, tank: tank ? 1 : 0, solenoid: beside(solenoid) ? 1 : 0 },
    });
  if (beside(permeatePump) && permeatePump)
    steps.push({
      code: 'mount-permeate-pump',
      after: ['hang-unit'],
      tools: ['screwdriver'],
      parts: [permeatePump.id],
      data: { name: permeatePump.name },
    });
  if (lamp) steps.push(lampStep(lamp.id));
  return steps;
}

export const lampStep = (id: string): StepDraft => ({
  code: 'mount-lamp',
  after: ['hang-unit', 'lay-out'],
  tools: ['drill', 'screwdriver'],
  parts: [id],
  cautions: ['lamp-unpowered'],
});

function tankSteps(
  tank: NonNullable<SystemDesign['tank']>,
  valve: string,
  nextDoor: boolean,
): StepDraft[] {
  return [
    {
      code: 'check-precharge',
      tools: ['tyre-gauge', 'hand-pump'],
      parts: [tank.id],
      data: { bar: tank.prechargeBar },
    },
    {
      code: 'fit-tank-valve',
      after: ['check-precharge'],
      tools: ['thread-tape', 'spanner'],
      parts: [valve],
      cautions: ['by-hand'],
    },
    {
      code: 'place-tank',
      id: 'tank',
      after: ['fit-tank-valve', 'lay-out', 'drill-panel'],
      tools: ['screwdriver'],
      cautions: ['heavy-tank'],
      data: { kg: fullTankKg(tank.volumeL), nextDoor: nextDoor ? 1 : 0 },
    },
  ];
}
