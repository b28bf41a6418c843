import { leastFromDischargeMm, type StepRemark } from '@katharos/core';
import type { Reader } from './reader.ts';
import type {
  Counter,
  DrainHole,
  DrainRemark,
  DrillTool,
  FeedConnection,
  FeedRemark,
  SaddlePlace,
  TapHole,
  TapHoleRemark,
  TubeColour,
  ReachFault,
} from '@katharos/core';
export const saddlePlaceWords: Record<SaddlePlace, string> = {
  'before-trap': 'on the sink side of the trap',
  'after-bend': 'behind the bend',
  'after-trap': 'behind the trap',
};

export const feedWords: Record<FeedConnection, string> = {
  'valve-adapter': 'Tee on the stop valve',
  'hose-adapter': 'Tee at the tap’s end of the hose',
  'three-way': 'Three-way valve in the line',
  saddle: 'Self-piercing saddle',
};

export const feedRemarkWords: Record<FeedRemark, string> = {
  'barred-by-many-codes': 'Barred by many codes: ask before you pierce.',
  'permanent-hole': 'It leaves a permanent hole in the pipe.',
  'drill-plastic-first': 'Plastic pipe is drilled 2 mm (5/64 in) before it is pierced.',
  'licensed-trade': 'Cutting the line is a licensed trade’s work in many places.',
  'mixer-hot-side': 'With a single-lever mixer close the hot side as well.',
  'supply-not-seen': 'The supply was not looked at yet: say in the survey what is there.',
};

export const drainWayWords: Record<DrainHole['way'], string> = {
  saddle: 'Saddle on the waste pipe',
  'air-gap-tap': 'Air-gap tap',
  standpipe: 'Stand-pipe or floor drain',
};

/** How far a drain hole keeps from what is pushed into the pipe. */
const awayWords = (
  reader: Reader,
): Pick<
  Record<DrainRemark, string>,
  'away-from-disposal' | 'away-from-dishwasher' | 'too-near-discharge'
> => {
  // A distance that is kept, not a hole that is cut: a round figure in either notation.
  const distance =
    reader.units === 'us' ? '4 in' : `${reader.number(leastFromDischargeMm / 10, 0)} cm`;
  return {
    'away-from-disposal': `At least ${distance} from a disposal’s discharge, and never downstream of it.`,
    'away-from-dishwasher': `At least ${distance} from where a dishwasher pushes in.`,
    'too-near-discharge': `The straight part is too short to keep ${distance} from what disposal or dishwasher push in. Use the other bowl’s waste pipe, an air-gap tap, or a stand-pipe.`,
  };
};

/** All that is remarked of feed, drain and tap, by its code. */
export const remarkWords = (reader: Reader): Record<StepRemark, string> => ({
  ...feedRemarkWords,
  ...drainRemarkWords,
  ...tapRemarkWords,
  ...awayWords(reader),
});

export const drainRemarkWords: Record<DrainRemark, string> = {
  'away-from-disposal': 'Away from a disposal’s discharge, and never downstream of it.',
  'away-from-dishwasher': 'Away from where a dishwasher pushes in.',
  'sewer-gas': 'Behind the trap its water no longer seals the sewer off.',
  'angled-up': 'The hole is angled up, so that waste does not run into the line.',
  'near-the-top': 'Near the top of a horizontal pipe waste does not stand on it.',
  'one-wall-only': 'One wall only.',
  'do-not-crush': 'Plastic gives: screws evenly, and not too tight.',
  'metal-bit': 'Metal pipe: pilot, a bit for metal, and a drop of oil.',
  'pipe-not-measured': 'The pipe was not measured; a usual one is taken.',
  'run-not-seen': 'Whether it runs upright or level was not noted; upright is taken.',
  'saddle-too-small':
    'The straight part is shorter than a saddle: choose another place or another way.',
  'too-near-discharge':
    'The straight part is too short to keep ten centimetres from what disposal or dishwasher push in: the other bowl’s waste, an air-gap tap, or a stand-pipe.',
  'air-break': 'The tube ends above the pipe, never in its water.',
  'gap-needs-two-hoses': 'Two drain hoses pass the tap: thin up, wide down.',
};

export const counterWords: Record<Counter, string> = {
  steel: 'Steel',
  laminate: 'Laminate',
  wood: 'Wood',
  composite: 'Composite sink',
  quartz: 'Quartz',
  granite: 'Granite',
  porcelain: 'Porcelain',
};

export const drillWords: Record<DrillTool, string> = {
  'step-drill': 'step drill',
  'hole-punch': 'hole punch',
  'wood-bit': 'wood bit',
  'diamond-core': 'diamond core bit, wet',
  'knock-out': 'knock-out from below',
  none: 'nothing',
};

export const tapRemarkWords: Record<TapHoleRemark, string> = {
  'stop-for-a-mason': 'Stop: brittle or wide in stone. A stone mason drills this.',
  'wet-and-slow': 'Wet, slow, little pressure.',
  'no-hammer': 'No hammer action.',
  'pilot-first': 'A pilot hole first.',
  'seal-the-edge': 'Seal the cut edge, or it swells.',
  'from-below': 'Many composite sinks have a place prepared below: knock it out from there.',
  eyes: 'Safety glasses.',
  'nothing-below': 'Look underneath first: no pipe, no dishwasher, no drawer.',
  'ask-first': 'Ask who owns the counter before drilling.',
  'not-allowed':
    'Drilling is not allowed here: a hole that is there, a bracket, or a tap on the mixer’s side.',
  'counter-not-seen': 'The counter was not looked at: say in the survey what it is made of.',
};

export const colourWords: Record<TubeColour, string> = {
  white: 'white',
  black: 'black',
  blue: 'blue',
  red: 'red',
  yellow: 'yellow',
  green: 'green',
  orange: 'orange',
};

/** The hole of the tap in a line. */
export const tapHoleSentence = (tap: TapHole, reader: Reader): string =>
  tap.holeMm === 0
    ? 'There is a hole already.'
    : tap.tool === 'none'
      ? `${reader.millimetres(tap.holeMm)}; with what depends on the counter.`
      : `${reader.millimetres(tap.holeMm)} by ${drillWords[tap.tool]}${tap.pilotMm ? `, pilot ${reader.millimetres(tap.pilotMm)}` : ''}${tap.rpm ? `, about ${tap.rpm} turns a minute` : ''}; some ${tap.minutes} minutes.`;

const bodyNames: Record<string, string> = {
  unit: 'Unit',
  tank: 'Tank',
  pump: 'Pump',
  'permeate-pump': 'Permeate pump',
  lamp: 'Lamp',
  'leak-stop': 'Leak stop',
  trap: 'Trap',
  disposal: 'Disposal',
  bin: 'Bin',
  shelf: 'Shelf',
  pipes: 'Pipes',
  'stop-valve': 'Stop valve',
  'other-unit': 'Unit there',
  'other-tank': 'Tank there',
  cabinet: 'the cabinet’s walls',
};

/** What stands in a cabinet, in words. */
export const bodyName = (id: string): string => bodyNames[id.replace(/-\d+$/, '')] ?? id;

export const reachWords: Record<ReachFault, string> = {
  'not-through-the-door': 'does not go through the door’s opening',
  'behind-the-frame': 'stands behind the door’s frame, where it is worked on by feel',
  'too-far-in': 'stands farther in than an arm reaches',
  'off-the-wall': 'hangs off the wall that must carry it',
};

/** What is usually in the way, to pick from. */
export const obstacleKinds = [
  'trap',
  'disposal',
  'bin',
  'shelf',
  'pipes',
  'stop-valve',
  'other-unit',
  'other-tank',
] as const;
