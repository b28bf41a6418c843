import type { WorkFacts } from './workFacts.ts';
import type { Caution, StepDraft, StepDraftOf, StepPart, StepRemark, Tool } from './workStep.ts';
import { isHeld } from '../../system/unit.ts';
import { sizedPart } from './sizedPart.ts';
import { isUltravioletLine } from '../../system/ultravioletLine.ts';

/** Leave to drill, where it has to be had. */
export const permissionSteps = ({ drilling }: WorkFacts['site']): StepDraft[] =>
  drilling === 'ask' || drilling === 'no'
    ? [{ code: 'ask-permission', cautions: ['codes-first'], data: { drilling } }]
    : [];

/** Local codes come first, at every site; so does frost where it can be. */
export const siteCautions = ({ frost }: WorkFacts['site']): Caution[] =>
  frost === true ? ['codes-first', 'frost'] : ['codes-first'];

/** Steps at the house's own water: leave, supply, feed, regulator, leak stop. */
export function supplySteps({
  site,
  system,
  feed,
  regulatorBar,
  leakStop,
  tubes,
}: WorkFacts): StepDraft[] {
  const steps = permissionSteps(site);
  // Elements wait in their bags: they go in when the pre-filters were flushed.
  const elements: StepPart[] =
    isUltravioletLine(system) || isHeld(system, system.membrane)
      ? []
      : [{ key: system.membrane.id, quantity: system.elements }];
  const hasTank = !isUltravioletLine(system) && system.tank !== null && !system.tank.internal;
  steps.push(
    {
      code: 'lay-out',
      tools: ['tape-measure', 'marker', 'lamp'],
      parts: elements,
      cautions: siteCautions(site),
      data: { elements: elements[0]?.quantity ?? 0, ...(hasTank ? {} : { tankless: 1 }) },
    },
    {
      code: 'close-supply',
      tools: ['spanner'],
      cautions: closesHot(system, feed) ? ['mixer-hot-side'] : [],
      data: { hotSide: closesHot(system, feed) ? 1 : 0 },
    },
    { code: 'relieve-pressure', after: ['close-supply'], tools: ['bucket', 'towel'] },
    feedStep(feed),
  );
  if (regulatorBar !== null)
    steps.push({
      code: 'fit-regulator',
      after: ['feed'],
      tools: ['spanner', 'gauge'],
      parts: [sizedPart('regulator', tubes, 'regulator')],
      // Behind it the house is a closed vessel, and what a heater expands has nowhere to go.
      cautions: ['no-tape-on-gaskets', 'thermal-expansion'],
      data: { bar: regulatorBar },
    });
  if (leakStop)
    steps.push({
      code: 'fit-leak-stop',
      after: ['lay-out'],
      tools: ['screwdriver'],
      parts: [sizedPart('leak-stop', tubes, 'leak-stop')],
    });
  return steps;
}

/** A tee on a stop valve or a hose feeds a mixer as well, which lets hot water across; a combined tap takes the mixer out. */
export const closesHot = (system: WorkFacts['system'], { way }: WorkFacts['feed']): boolean =>
  way === 'hose-adapter' || way === 'valve-adapter' || system.tap.combined === true;

type FeedCode = 'feed-valve-adapter' | 'feed-hose-adapter' | 'feed-three-way' | 'feed-saddle';

const gasketed: Caution[] = ['no-tape-on-gaskets', 'do-not-overtighten'];

/** Remarks that a caution or the step's own words tell already. */
const toldOtherwise: ReadonlySet<StepRemark> = new Set<StepRemark>([
  'mixer-hot-side',
  'drill-plastic-first',
  'one-wall-only',
  'sewer-gas',
  'near-the-top',
  'angled-up',
  'air-break',
]);
/** What is said where the saddle is fitted, and not where its hole is drilled. */
const ofSaddle: ReadonlySet<StepRemark> = new Set<StepRemark>([
  'do-not-crush',
  'gap-needs-two-hoses',
  'saddle-too-small',
]);

function feedStep({ way, thread, remarks }: WorkFacts['feed']): StepDraft {
  const plastic = remarks.includes('drill-plastic-first');
  const ways: Record<
    typeof way,
    Pick<StepDraftOf<FeedCode>, 'code' | 'parts' | 'cautions'> & { tools: Tool[] }
  > = {
    'valve-adapter': {
      code: 'feed-valve-adapter',
      tools: ['spanner'],
      // Nothing is bought in a size that nobody looked at.
      parts: [
        thread === null
          ? 'feed-adapter-unseen'
          : thread === '3/8"'
            ? 'feed-adapter-narrow'
            : 'feed-adapter',
      ],
      cautions: gasketed,
    },
    'hose-adapter': {
      code: 'feed-hose-adapter',
      tools: ['basin-spanner'],
      parts: ['hose-adapter'],
      cautions: gasketed,
    },
    'three-way': {
      code: 'feed-three-way',
      tools: ['spanner', 'thread-tape'],
      parts: ['three-way-valve'],
      cautions: ['codes-first'],
    },
    saddle: {
      code: 'feed-saddle',
      tools: ['screwdriver', 'spanner'],
      parts: ['saddle-valve'],
      cautions: ['saddle-barred', 'codes-first'],
    },
  };
  const { tools, ...fixed } = ways[way];
  return {
    ...fixed,
    id: 'feed',
    after: ['relieve-pressure'],
    tools: plastic ? [...tools, 'drill', 'bit-plastic'] : tools,
    remarks: remarks.filter((remark) => !toldOtherwise.has(remark)),
    data: { thread: thread ?? '', plastic: plastic ? 1 : 0 },
  };
}

/** Steps at the waste pipe. */
export function drainSteps({ drain }: WorkFacts): StepDraft[] {
  if (drain.way === 'standpipe') {
    return [
      {
        code: 'fit-standpipe',
        id: 'drain',
        after: ['lay-out'],
        tools: ['tape-measure'],
        parts: ['standpipe-clip'],
        cautions: ['codes-first'],
      },
    ];
  }
  const { holeMm, insertMm, centreMm, place, deviation } = drain;
  const gap = drain.way === 'air-gap-tap';
  const told = drain.remarks.filter((remark) => !toldOtherwise.has(remark));
  return [
    {
      code: 'drill-drain',
      after: ['lay-out', 'ask-permission'],
      tools: ['drill', 'bit-drain', 'safety-glasses', 'tape-measure'],
      cautions: deviation ? ['one-wall', 'eyes', 'sewer-gas'] : ['one-wall', 'eyes'],
      remarks: told.filter((remark) => !ofSaddle.has(remark)),
      data: { holeMm, centreMm, place, ...(drain.angleDeg === null ? {} : { level: 1 as const }) },
    },
    {
      code: 'fit-saddle',
      id: 'drain',
      after: ['drill-drain'],
      tools: ['screwdriver'],
      parts: [drain.tube === '3/8"' ? 'drain-saddle-wide' : 'drain-saddle'],
      cautions: ['screws-evenly', 'no-insert-in-drain'],
      remarks: told.filter((remark) => ofSaddle.has(remark)),
      data: { insertMm, gap: gap ? 1 : 0 },
    },
  ];
}
