import type {
  BranchKind,
  PartsLine,
  Place,
  SaddlePlace,
  TubeEnd,
  UnitSystem,
  WorkCode,
  WorkStep,
} from '@katharos/core';
import { type Say, sayIn, writeCut, writeMillimetres, writeNumber } from './amounts.ts';
import { placeName } from './parts.ts';
import { saddlePlaceWords } from './plumbing.ts';

/** A step in words: what it is called, what to do, and what proves it done. */
export interface WorkWords {
  title: string;
  instruction: string;
  proof: string;
}

/** A reader's units. */
interface Reader {
  system: UnitSystem;
  say: Say;
}

type Writer = (
  n: (key: string) => number,
  text: (key: string) => string,
  reader: Reader,
) => WorkWords;

/** How the counter is opened; nothing is drilled into one that nobody looked at. */
const drillInstruction = (
  n: (key: string) => number,
  text: (key: string) => string,
  system: UnitSystem,
): string => {
  if (text('counter') === '')
    return 'Nobody said what the counter is made of: bit, speed and cooling depend on it. Enter it in the survey before anything is drilled.';
  if (text('counter') === 'composite')
    return 'Knock the prepared place out from below and clean its edge.';
  const pilot = n('pilotMm') > 0;
  return `${pilot ? `Pilot ${writeMillimetres(system, n('pilotMm'))}, then open` : 'Open'} it at about ${n('rpm')} turns a minute, with little pressure${pilot ? '' : ', wet all the time'}. About ${n('minutes')} minutes.`;
};

/** What is done at each kind of end. */
const endActions: Record<TubeEnd, string> = {
  'push-fit': 'in to the mark, past the first stop, clip on',
  compression: 'nut, sleeve, insert, then home, hand tight and a turn with the spanner',
  threaded: 'into the tank’s valve to the mark, clip on',
  barb: 'over the barb to its shoulder',
  saddle: 'cut at 45° into the saddle, no insert',
  open: 'fixed over the pipe with its air break',
};

/** Both ends of a tube, said once where they are alike. */
function endInstruction(near: string, far: string): string {
  const [first, second] = [endActions[near as TubeEnd], endActions[far as TubeEnd]];
  const capital = (text: string) => text.replace(/^./, (letter) => letter.toUpperCase());
  return near === far ? `Both ends: ${first}.` : `${capital(first)}; the other end: ${second}.`;
}

/** How a branch is fitted, and what is opened when. */
export const branchInstructions: Record<BranchKind, string> = {
  refrigerator:
    'A tee behind the post filter and a valve of its own where it can be reached, closed until all is flushed. The refrigerator’s own filter comes out.',
  'ice-maker':
    'A tee behind the post filter and a valve of its own where it can be reached, closed until all is flushed. The first two bins of ice are thrown away.',
  'second-tap':
    'A tee behind the post filter, a valve of its own, and the second tap mounted as the first. It is opened when the first runs clear.',
  machine:
    'A tee behind the post filter and a valve of its own where it can be reached, closed until all is flushed; then the machine is rinsed as its maker says.',
};

const writers: Record<WorkCode, Writer> = {
  'ask-permission': (_n, text) => ({
    title: text('drilling') === 'no' ? 'Nothing may be drilled here' : 'Ask before drilling',
    instruction:
      text('drilling') === 'no'
        ? 'The survey says that drilling is not allowed. Use a hole that is there, a bracket, or get leave in writing.'
        : 'Ask whoever owns counter and pipes, and note who allowed it.',
    proof: 'A name and a day are noted below.',
  }),
  'prove-existing': () => ({
    title: 'Prove the system that is there',
    instruction:
      'Tap fully open for some minutes: TDS of product and of the supply, flow by jug and stopwatch, both into the survey. A membrane that holds back less than 80 % is mended first: a lamp behind it would be lit in hard or coloured water.',
    proof: 'Both readings are in the survey, and they are of today.',
  }),
  'lay-out': (n) => ({
    title: 'Lay everything out',
    instruction: n('added')
      ? 'Parts against the list, reactor held upright where it will go, its cord to the outlet, doors and bin tried.'
      : `Parts against the list, unit and tank held where they will go, doors and bin tried, cabinet emptied.${n('elements') > 0 ? ` The membrane${n('elements') > 1 ? 's stay in their bags' : ' stays in its bag'} until the pre-filters are flushed.` : ''}`,
    proof: 'Nothing is missing and the door closes.',
  }),
  'close-supply': () => ({
    title: 'Close the cold supply',
    instruction: 'Feel which side runs cold, close its stop valve fully.',
    proof: 'The open cold tap runs dry and stays dry for a minute.',
  }),
  'isolate-existing': (n) => ({
    title: n('tank') ? 'Shut off the feed and the tank' : 'Shut off the feed',
    instruction: n('tank')
      ? 'Close the feed valve of the system that is there, and the valve on its tank: the tank would push its water out of the cut.'
      : 'Close the feed valve of the system that is there, and unplug its pump.',
    proof: 'The open drinking tap runs dry and stays dry for a minute.',
  }),
  'relieve-pressure': (n) => ({
    title: 'Take the pressure off',
    instruction: n('product')
      ? 'Leave the drinking tap open, bucket under the place of the cut, towel at hand.'
      : 'Leave the tap open, bucket under the valve, towel at hand.',
    proof: 'No water comes when a nut is loosened.',
  }),
  'feed-valve-adapter': (_n, text) => ({
    title: 'Tee on the stop valve',
    instruction: `Hose off the valve, the ${text('thread') ? `${text('thread')} ` : ''}tee on with its gasket, hose back on the tee, feed valve on its branch, closed.`,
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
  'fit-regulator': (n, _text, { say }) => ({
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
  'call-mason': (n, _text, { system }) => ({
    title: 'Stop: a stone mason drills this',
    instruction: `A hole of ${writeMillimetres(system, n('holeMm'))} in this stone cracks easily. Have it drilled before the visit goes on.`,
    proof: 'The hole is there.',
  }),
  'drill-tap-hole': (n, text, { system }) => ({
    title: `Drill the tap’s hole, ${writeMillimetres(system, n('holeMm'))}`,
    instruction: drillInstruction(n, text, system),
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
  'mount-on-bracket': () => ({
    title: 'Mount the tap on its bracket',
    instruction:
      'Nothing is drilled: the bracket goes to a wall or panel that its owner allows, the tap stands in it and its spout over the bowl.',
    proof: 'It bears a pull, and the stream falls into the bowl.',
  }),
  'place-dispenser': (n, _text, { say }) => ({
    title: 'Place the dispenser',
    instruction: `Level, its back free, cup height tried. It holds ${say('volume', n('coldL'), 1)} cold and ${say('volume', n('hotL'), 1)} hot; not plugged in.`,
    proof: 'It stands firm, and its drain plugs are in.',
  }),
  'pass-cables': () => ({
    title: 'Pass the cables',
    instruction:
      'Cables of the tap, and of a lamp that reports to it, down through the hole beside the hose, with slack and no edge against them.',
    proof: 'Nothing is pinched when the nut is tight.',
  }),
  'drill-through': (n, text, { system }) => ({
    title: `Through the ${text('passage')}, ${n('lines')} lines`,
    instruction: `${n('asked') ? '' : 'With leave. '}Pilot first and look from the other side; then ${n('lines')} holes of ${writeMillimetres(system, n('holeMm'))}, a bush in each, closed around the tubes afterwards.`,
    proof: 'Every hole comes out where it should, and nothing was met.',
  }),
  'drill-panel': (n, _text, { system }) => ({
    title: 'Hole to the next cupboard',
    instruction: `${writeMillimetres(system, n('holeMm'))} through the panel, low and near the back; a bush in it.`,
    proof: 'The tube slides through without an edge.',
  }),
  'drill-drain': (n, text, { system }) => ({
    title: `Drill the drain, ${writeMillimetres(system, n('holeMm'))}`,
    instruction:
      `${saddlePlaceWords[text('place') as SaddlePlace] ?? ''}, ${writeMillimetres(system, n('centreMm'))} down the straight part.`.replace(
        /^./,
        (c) => c.toUpperCase(),
      ),
    proof: 'One clean hole, no swarf in the pipe.',
  }),
  'fit-saddle': (n, _text, { system }) => ({
    title: 'Fit the drain saddle',
    instruction: `Gasket centred on the hole, screws evenly and not so tight that the pipe gives. Tube cut at 45°, ${writeMillimetres(system, n('insertMm'))} in, never against the far wall.`,
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
    instruction: `Bracket level; the ${n('housings')} housings come off downwards without meeting anything. Cartridges in, the membrane’s housing still empty.`,
    proof: 'Each housing was turned off and on once.',
  }),
  'stand-unit': (n) => ({
    title: 'Stand the unit',
    instruction: `Flat and dry, its front and its ${n('cartridges')} cartridges reachable, its ports behind or above; not plugged in.`,
    proof: 'Each cartridge was turned out and in once.',
  }),
  'join-bank': (n, text) => ({
    title: `Join the ${n('elements')} elements`,
    instruction:
      text('arrangement') === 'parallel'
        ? 'Tees share the feed, and gather drain and product. All links of a row equally long, so that each element gets its share.'
        : 'The drain of one is the feed of the next; tees gather the product of all. Only the last one’s drain goes on to the restrictor.',
    proof: 'Each link was traced with a finger from port to port.',
  }),
  'fit-restrictor': (_n, text) => ({
    title: 'Restrictor in the drain line',
    instruction: `${text('name')} in the drain line, arrow away from the membrane.`,
    proof: 'It is in, and its arrow points to the drain.',
  }),
  'check-precharge': (n, _text, { say }) => ({
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
    title: n('nextDoor') ? 'Place the tank in the next cupboard' : 'Place the tank',
    instruction: `It weighs about ${writeNumber(n('kg'), 0)} kg when full: on the floor or a shelf that carries it, valve reachable.`,
    proof: 'It stands firm and the bin still fits.',
  }),
  'mount-pump': (n, text) => ({
    title: 'Mount the pump',
    instruction: `${text('name')} on its rubber feet, off the cabinet’s wall so that it does not hum.${n('tank') ? ' Its pressure switch goes into the tank’s line.' : ''}`,
    proof: 'It touches nothing but its feet.',
  }),
  'mount-permeate-pump': (_n, text) => ({
    title: 'Mount the permeate pump',
    instruction: `${text('name')} upright in its clip, its four lines by their labels.`,
    proof: 'Each line was traced with a finger.',
  }),
  'mount-lamp': () => ({
    title: 'Mount the lamp',
    instruction:
      'Reactor upright in its clips, inlet below and outlet above, so that no air stays in it; room to draw the lamp out.',
    proof: 'The lamp can be drawn out whole.',
  }),
  'cut-product-line': (n) => ({
    title: 'Open the product line',
    instruction: `Behind the post filter${n('tank') ? ' and the tank’s tee' : ''}, ahead of the tap and of every branch that shall be treated: one square cut. A union on each end of the old tube, to the mark, clip on.`,
    proof: 'Both unions hold a tug, and the cut lies where all treated water passes.',
  }),
  'run-tube': (n, text, { system }) => ({
    title: `Tube ${n('label')}: ${placeName(text('from') as Place)} to ${placeName(text('to') as Place)}`,
    instruction: `Cut ${writeCut(system, n('cutM'))} of ${text('size')} square, no burr${['', ', through its bush in floor or wall', ', through its bush in the panel'][n('through')]}. ${endInstruction(text('near'), text('far'))}`,
    proof: 'A tug does not move it; the label is on.',
  }),
  'fit-branch': (_n, text) => ({
    title: `Branch: ${placeName(text('kind') as Place).toLowerCase()}`,
    instruction: branchInstructions[text('kind') as BranchKind],
    proof: 'The valve is closed and can be reached.',
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
export const workWords = (step: WorkStep, system: UnitSystem): WorkWords =>
  writers[step.code](
    (key) => Number(step.data[key] ?? 0),
    (key) => String(step.data[key] ?? ''),
    { system, say: sayIn(system) },
  );

/** What a step takes with it, in words; a part that the list does not name keeps its key. */
export const stepParts = (step: WorkStep, lines: readonly PartsLine[]): string[] =>
  step.parts.map(({ key, quantity }) => {
    const name = lines.find((line) => line.key === key)?.name ?? key;
    return quantity === 1 ? name : `${quantity} × ${name}`;
  });
