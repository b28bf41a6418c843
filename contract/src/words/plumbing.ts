import type {
  Caution,
  Counter,
  DrainHole,
  DrainRemark,
  DrillTool,
  FeedConnection,
  FeedRemark,
  SaddlePlace,
  TapHole,
  TapHoleRemark,
  Tool,
  TubeColour,
  WorkCode,
  WorkStep,
} from '@katharos/core';
import { type Say, writeNumber } from './amounts.ts';
import { placeName } from './parts.ts';

export const toolNames: Record<Tool, string> = {
  gauge: 'pressure gauge',
  bucket: 'bucket',
  towel: 'towels',
  spanner: 'adjustable spanner',
  'basin-spanner': 'basin spanner',
  drill: 'drill',
  'bit-drain': 'bit for the drain hole, with a tape flag',
  'bit-pilot': 'pilot bit',
  'bit-plastic': '2 mm bit for plastic pipe',
  'step-drill': 'step drill',
  'wood-bit': 'wood bit',
  'diamond-core': 'diamond core bit',
  'water-feed': 'water bottle and sponge',
  'tube-cutter': 'tube cutter',
  'tape-measure': 'tape measure',
  'thread-tape': 'thread tape',
  'tyre-gauge': 'low-pressure tyre gauge',
  'hand-pump': 'hand pump',
  screwdriver: 'screwdriver',
  'spirit-level': 'spirit level',
  sealant: 'sealant for cut edges',
  'safety-glasses': 'safety glasses',
  marker: 'marker and labels',
  lamp: 'head lamp',
};

export const cautionWords: Record<Caution, string> = {
  'codes-first':
    'Local plumbing and electrical codes and licensed trades come first. Ask where you are not sure.',
  'mixer-hot-side': 'A single-lever mixer lets hot water across: close the hot side as well.',
  'saddle-barred':
    'A self-piercing saddle makes a permanent hole and is barred by many codes. Ask before you pierce.',
  'one-wall': 'Through one wall only: a flag of tape on the bit shows when to stop.',
  eyes: 'Safety glasses on.',
  'stone-dust': 'Stone is drilled wet and slow, without hammer; its dust harms the lungs.',
  'behind-the-wall': 'Nothing may lie behind: no cable, no pipe. Look from the other side.',
  'sewer-gas':
    'Behind the trap sewer gas can come up the drain line. This is a deviation; its reason is on record.',
  'do-not-overtighten': 'Hand tight plus a quarter turn. Plastic on plastic by hand only.',
  'no-tape-on-gaskets': 'No tape where a gasket or an O-ring seals.',
  'restrictor-never-left-out':
    'The restrictor is never left out and its line never pinched: it holds the pressure on the membrane.',
  'heavy-tank': 'A full tank is heavy: lift it empty, stand it where the floor carries it.',
  'dry-hands': 'Mains electricity under a sink: dry hands, unplugged until flushing.',
  'ground-fault': 'Only on an outlet with ground-fault protection, with a drip loop in the cord.',
  'switched-outlet':
    'This outlet is on a switch, which would stop pump and lamp. Have one that stays on put in.',
  electrician: 'A new outlet is a licensed electrician’s work.',
  'lamp-unpowered':
    'The lamp stays unplugged until the reactor is full of water. Never look at it lit, never touch its glass.',
  'feed-closed': 'The feed stays closed until flushing.',
  'no-metal-pipe': 'Product is never run through copper or other metal pipe.',
  frost: 'It can freeze here: not a place for a unit unless that is mended.',
  clearance: 'Leave the room below the housings, and their front free.',
};

/** A step in words: what it is called, what to do, and what proves it done. */
export interface WorkWords {
  title: string;
  instruction: string;
  proof: string;
}

type Writer = (n: (key: string) => number, text: (key: string) => string, say: Say) => WorkWords;

const placeWords: Record<SaddlePlace, string> = {
  'before-trap': 'on the sink side of the trap',
  'after-bend': 'behind the bend',
  'after-trap': 'behind the trap',
};
export const saddlePlaceWords = placeWords;

const millimetres = (say: Say, mm: number): string =>
  say('length', 1).endsWith('ft') ? `${writeNumber(mm / 25.4, 2)} in` : `${writeNumber(mm, 0)} mm`;
const metres = (say: Say, m: number): string =>
  say('length', 1).endsWith('ft') ? `${Math.ceil(m / 0.0254)} in` : `${Math.ceil(m * 100)} cm`;

const writers: Record<WorkCode, Writer> = {
  'ask-permission': (_n, text) => ({
    title: text('drilling') === 'no' ? 'Nothing may be drilled here' : 'Ask before drilling',
    instruction:
      text('drilling') === 'no'
        ? 'The survey says that drilling is not allowed. Use a hole that is there, a bracket, or get leave in writing.'
        : 'Ask whoever owns counter and pipes, and note who allowed it.',
    proof: 'A name and a day are noted below.',
  }),
  'lay-out': () => ({
    title: 'Lay everything out',
    instruction:
      'Parts against the list, unit and tank held where they will go, doors and bin tried, cabinet emptied.',
    proof: 'Nothing is missing and the door closes.',
  }),
  'close-supply': () => ({
    title: 'Close the cold supply',
    instruction: 'Feel which side runs cold, close its stop valve fully.',
    proof: 'The open cold tap runs dry and stays dry for a minute.',
  }),
  'relieve-pressure': () => ({
    title: 'Take the pressure off',
    instruction: 'Leave the tap open, bucket under the valve, towel at hand.',
    proof: 'No water comes when a nut is loosened.',
  }),
  'feed-valve-adapter': (_n, text) => ({
    title: 'Tee on the stop valve',
    instruction: `Hose off the valve, the ${text('thread')} tee on with its gasket, hose back on the tee, feed valve on its branch, closed.`,
    proof: 'Both gaskets sit flat; the branch points to the unit.',
  }),
  'feed-hose-adapter': () => ({
    title: 'Tee at the tap’s end of the hose',
    instruction:
      'Cold hose off under the tap, tee on with its gasket, hose back on, feed valve closed.',
    proof: 'The tee does not twist and nothing is kinked.',
  }),
  'feed-three-way': () => ({
    title: 'Three-way valve in the cold line',
    instruction: 'A licensed trade cuts the line and sets the valve; its branch takes the feed.',
    proof: 'Valve set, branch closed.',
  }),
  'feed-saddle': (n) => ({
    title: 'Self-piercing saddle on the cold pipe',
    instruction: `${n('plastic') ? 'Drill the plastic pipe 2 mm. ' : ''}Clamp the saddle evenly, screw it fully in to pierce, and leave it closed; it is backed out to let water through.`,
    proof: 'The clamp is even and dry.',
  }),
  'fit-regulator': (n, _text, say) => ({
    title: 'Pressure regulator',
    instruction: `Behind the feed valve, arrow with the flow, set to ${say('pressure', n('bar'))}.`,
    proof: 'The arrow points to the unit; the setting is read on a gauge at flushing.',
  }),
  'fit-leak-stop': () => ({
    title: 'Leak stop',
    instruction: 'On a dry, flat spot under the unit; the feed line runs through it.',
    proof: 'Its pad is dry and it is open.',
  }),
  'prove-spout': () => ({
    title: 'Prove the spout',
    instruction:
      'Hold the tap where it will stand: the stream falls into the bowl, the window opens, nothing lies underneath.',
    proof: 'The place is marked and free from below.',
  }),
  'call-mason': (n, _text, say) => ({
    title: 'Stop: a stone mason drills this',
    instruction: `A hole of ${millimetres(say, n('holeMm'))} in this stone cracks easily. Have it drilled before the visit goes on.`,
    proof: 'The hole is there.',
  }),
  'drill-tap-hole': (n, text, say) => ({
    title: `Drill the tap’s hole, ${millimetres(say, n('holeMm'))}`,
    instruction:
      text('counter') === 'composite'
        ? 'Knock the prepared place out from below and clean its edge.'
        : `${n('pilotMm') > 0 ? `Pilot ${millimetres(say, n('pilotMm'))}, then ` : ''}${n('pilotMm') > 0 ? 'open' : 'Open'} it at about ${n('rpm')} turns a minute, with little pressure${n('pilotMm') > 0 ? '' : ', wet all the time'}. About ${n('minutes')} minutes.`,
    proof: 'The hole is clean, its edge smooth or sealed.',
  }),
  'mount-tap': () => ({
    title: 'Mount the tap',
    instruction:
      'From above escutcheon and thin washer; from below thick washer, lock washer, nut. Line it up, then tighten.',
    proof: 'It does not turn, and the spout still reaches.',
  }),
  'mount-air-gap-tap': () => ({
    title: 'Mount the air-gap tap',
    instruction:
      'As any tap; then the thin drain hose to the restrictor’s line, the wide one falling without a dip to the saddle, and the product hose.',
    proof: 'The wide hose falls all the way; all three are labelled.',
  }),
  'drill-drain': (n, text, say) => ({
    title: `Drill the drain, ${millimetres(say, n('holeMm'))}`,
    instruction:
      `${placeWords[text('place') as SaddlePlace] ?? ''}, ${millimetres(say, n('centreMm'))} down the straight part.`.replace(
        /^./,
        (c) => c.toUpperCase(),
      ),
    proof: 'One clean hole, no swarf in the pipe.',
  }),
  'fit-saddle': (n, _text, say) => ({
    title: 'Fit the drain saddle',
    instruction: `Gasket centred on the hole, screws evenly and not so tight that the pipe gives. Tube cut at 45°, ${millimetres(say, n('insertMm'))} in, never against the far wall.`,
    proof: 'The tube cannot be pushed further in or pulled out.',
  }),
  'fit-standpipe': () => ({
    title: 'Drain into a stand-pipe',
    instruction:
      'Tube fixed over the pipe with an air break of two of its diameters, never pushed into the water.',
    proof: 'The gap can be seen and the tube cannot slip.',
  }),
  'hang-unit': (n) => ({
    title: 'Hang the unit',
    instruction: `Bracket level; the ${n('housings')} housings come off downwards without meeting anything.`,
    proof: 'Each housing was turned off and on once.',
  }),
  'fit-restrictor': (_n, text) => ({
    title: 'Restrictor in the drain line',
    instruction: `${text('name')} in the drain line, arrow away from the membrane.`,
    proof: 'It is in, and its arrow points to the drain.',
  }),
  'check-precharge': (n, _text, say) => ({
    title: 'Check the tank’s air',
    instruction: `Empty and not connected: ${say('pressure', n('bar'))} at the air valve. Pump up or let off.`,
    proof: 'The gauge was read; cap back on.',
  }),
  'fit-tank-valve': () => ({
    title: 'Tank valve',
    instruction: 'Five turns of tape on the nipple’s thread, valve on by hand, closed.',
    proof: 'It is straight and closed.',
  }),
  'place-tank': (n) => ({
    title: 'Place the tank',
    instruction: `It weighs about ${writeNumber(n('kg'), 0)} kg when full: on the floor or a shelf that carries it, valve reachable.`,
    proof: 'It stands firm and the bin still fits.',
  }),
  'mount-pump': (_n, text) => ({
    title: 'Mount the pump',
    instruction: `${text('name')} on its rubber feet, off the cabinet’s wall so that it does not hum.`,
    proof: 'It touches nothing but its feet.',
  }),
  'mount-permeate-pump': (_n, text) => ({
    title: 'Mount the permeate pump',
    instruction: `${text('name')} upright in its clip, its four lines by their labels.`,
    proof: 'Each line was traced with a finger.',
  }),
  'mount-lamp': () => ({
    title: 'Mount the lamp',
    instruction: 'Reactor upright, flow from below, room to draw the lamp out.',
    proof: 'The lamp can be drawn out whole.',
  }),
  'run-tube': (n, text, say) => ({
    title: `Tube ${n('label')}: ${placeName(text('from'))} to ${placeName(text('to'))}`,
    instruction: `Cut ${metres(say, n('cutM'))} of ${text('size')} square, no burr; in to the mark, past the first stop; clip on.`,
    proof: 'A tug does not move it; the label is on.',
  }),
  'branch-valve': () => ({
    title: 'Shut-off in the refrigerator’s branch',
    instruction:
      'A valve of its own where it can be reached, closed. It is opened after flushing only; the refrigerator’s own filter comes out.',
    proof: 'The valve is closed.',
  }),
  power: () => ({
    title: 'Power',
    instruction: 'Cord with a drip loop, adapter off the floor, not plugged in yet.',
    proof: 'The outlet was tried with the wall switch both ways.',
  }),
  'label-tubes': (n) => ({
    title: 'Label the tubes',
    instruction: `All ${n('tubes')} by what they carry: colours mean nothing across kits.`,
    proof: 'Every tube has its label at both ends.',
  }),
  'tug-test': (n) => ({
    title: 'Tug test',
    instruction: `Each of the ${n('tubes')} tubes at both ends; clips counted.`,
    proof: 'Nothing moved.',
  }),
  'clear-up': () => ({
    title: 'Clear up',
    instruction: 'Swarf, tape and tools out; the cabinet’s floor dry, so that a drip shows.',
    proof: 'Dry and empty. Flushing can begin.',
  }),
};

/** A step in words, in the reader's units. */
export const workWords = (step: WorkStep, say: Say): WorkWords =>
  writers[step.code](
    (key) => Number(step.data[key] ?? 0),
    (key) => String(step.data[key] ?? ''),
    say,
  );

export const feedWords: Record<FeedConnection, string> = {
  'valve-adapter': 'Tee on the stop valve',
  'hose-adapter': 'Tee at the tap’s end of the hose',
  'three-way': 'Three-way valve in the line',
  saddle: 'Self-piercing saddle',
};

export const feedRemarkWords: Record<FeedRemark, string> = {
  'barred-by-many-codes': 'Barred by many codes: ask before you pierce.',
  'permanent-hole': 'It leaves a permanent hole in the pipe.',
  'drill-plastic-first': 'Plastic pipe is drilled 2 mm before it is pierced.',
  'licensed-trade': 'Cutting the line is a licensed trade’s work in many places.',
  'mixer-hot-side': 'With a single-lever mixer close the hot side as well.',
  'supply-not-seen': 'The supply was not looked at yet: say in the survey what is there.',
};

export const drainWayWords: Record<DrainHole['way'], string> = {
  saddle: 'Saddle on the waste pipe',
  'air-gap-tap': 'Air-gap tap',
  standpipe: 'Stand-pipe or floor drain',
};

export const drainRemarkWords: Record<DrainRemark, string> = {
  'away-from-disposal': 'Away from a disposal’s discharge, never downstream of its push.',
  'away-from-dishwasher': 'Away from where the dishwasher comes in.',
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
export const tapHoleSentence = (tap: TapHole): string =>
  tap.holeMm === 0
    ? 'There is a hole already.'
    : tap.tool === 'none'
      ? `${tap.holeMm} mm; with what depends on the counter.`
      : `${tap.holeMm} mm by ${drillWords[tap.tool]}${tap.pilotMm ? `, pilot ${tap.pilotMm} mm` : ''}${tap.rpm ? `, about ${tap.rpm} turns a minute` : ''}; some ${tap.minutes} minutes.`;

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
  cabinet: 'the cabinet’s walls',
};

/** What stands in a cabinet, in words. */
export const bodyName = (id: string): string => bodyNames[id.replace(/-\d+$/, '')] ?? id;

/** What is usually in the way, to pick from. */
export const obstacleKinds = ['trap', 'disposal', 'bin', 'shelf', 'pipes'] as const;
