import type { BranchKind, PartsLine, TubeEnd, WorkCode, WorkData, WorkStep } from '@katharos/core';
import type { Reader } from './reader.ts';
import { placeName } from './parts.ts';
import { remarkWords, saddlePlaceWords } from './plumbing.ts';

/** A step in words: what it is called, what to do, and what proves it done. */
export interface WorkWords {
  title: string;
  instruction: string;
  proof: string;
}

type Writers = { [C in WorkCode]: (d: WorkData[C], reader: Reader) => WorkWords };

/** How the counter is opened; nothing is drilled into one that nobody looked at. */
function drillInstruction(d: WorkData['drill-tap-hole'], reader: Reader): string {
  if (d.counter === '')
    return 'Nobody said what the counter is made of: bit, speed and cooling depend on it. Enter it in the survey before anything is drilled.';
  if (d.counter === 'composite')
    return 'Knock the prepared place out from below and clean its edge.';
  const pilot = d.pilotMm > 0;
  return `${pilot ? `Pilot ${reader.millimetres(d.pilotMm)}, then open` : 'Open'} it at about ${d.rpm} turns a minute, with little pressure${pilot ? '' : ', wet all the time'}. About ${d.minutes} minutes.`;
}

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
function endInstruction(near: TubeEnd, far: TubeEnd): string {
  const [first, second] = [endActions[near], endActions[far]];
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

const writers: Writers = {
  'ask-permission': (d) => ({
    title: d.drilling === 'no' ? 'Nothing may be drilled here' : 'Ask before drilling',
    instruction:
      d.drilling === 'no'
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
  'lay-out': (d, reader) => ({
    title: 'Lay everything out',
    instruction: d.added
      ? 'Parts against the list, reactor held upright where it will go, its cord to the outlet, doors and bin tried.'
      : `Parts against the list, ${d.tankless ? 'the unit held where it will go' : 'unit and tank held where they will go'}, doors and bin tried, cabinet emptied.${d.elements > 0 ? ` The ${reader.plural(d.elements, { one: 'membrane stays in its bag', other: 'membranes stay in their bags' })} until the pre-filters are flushed.` : ''}`,
    proof: 'Nothing is missing and the door closes.',
  }),
  'close-supply': (d) => ({
    title: 'Close the cold supply',
    instruction: `Feel which side runs cold, close its stop valve fully.${d.hotSide ? ' Close the hot one as well.' : ''}`,
    proof: 'The open cold tap runs dry and stays dry for a minute.',
  }),
  'isolate-existing': (d) => ({
    title: d.tank ? 'Shut off the feed and the tank' : 'Shut off the feed',
    instruction: d.tank
      ? 'Close the feed valve of the system that is there, and the valve on its tank: the tank would push its water out of the cut.'
      : 'Close the feed valve of the system that is there, and unplug its pump.',
    proof: 'The open drinking tap runs dry and stays dry for a minute.',
  }),
  'relieve-pressure': (d) => ({
    title: 'Take the pressure off',
    instruction: d.product
      ? 'Leave the drinking tap open, bucket under the place of the cut, towel at hand.'
      : 'Leave the tap open, bucket under the valve, towel at hand.',
    proof: 'No water comes when a nut is loosened.',
  }),
  'feed-valve-adapter': (d) => ({
    title: 'Tee on the stop valve',
    instruction: `Hose off the valve, the ${d.thread ? `${d.thread} ` : ''}tee on with its gasket, hose back on the tee, feed valve on its branch, closed.`,
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
  'feed-saddle': (d) => ({
    title: 'Self-piercing saddle on the cold pipe',
    instruction: `${d.plastic ? 'Drill the plastic pipe 2 mm (5/64 in). ' : ''}Clamp the saddle evenly, screw it fully in to pierce, and leave it closed; it is backed out to let water through.`,
    proof: 'The clamp is even and dry.',
  }),
  'fit-regulator': (d, reader) => ({
    title: 'Pressure regulator',
    instruction: `Behind the feed valve, arrow with the flow, set to ${reader.say('pressure', d.bar)}.`,
    proof: 'The arrow points to the unit, and the gauge’s port can be reached.',
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
  'call-mason': (d, reader) => ({
    title: 'Stop: a stone mason drills this',
    instruction: `A hole of ${reader.millimetres(d.holeMm)} in this stone cracks easily. Have it drilled before the visit goes on.`,
    proof: 'The hole is there.',
  }),
  'drill-tap-hole': (d, reader) => ({
    title: `Drill the tap’s hole, ${reader.millimetres(d.holeMm)}`,
    instruction: drillInstruction(d, reader),
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
  'take-out-tap': (_d, reader) => ({
    title: 'Take the old tap out',
    instruction:
      'Hot and cold are closed and proved: both hoses off their valves, nut off from below, tap out. Clean the counter round its hole.',
    proof: `The hole is free and clean, ${reader.millimetres(35)} across.`,
  }),
  'mount-combined-tap': (d, reader) => ({
    title: 'Mount the combined tap',
    instruction: `Into the hole of ${reader.millimetres(d.holeMm)}: seal, body, plate and nut from below. Hot hose to the hot valve, cold hose to the cold one or its tee; the product’s tube stays by itself, it meets neither.`,
    proof: 'Each of the three was followed with a finger to its own valve or tube.',
  }),
  'mount-on-bracket': () => ({
    title: 'Mount the tap on its bracket',
    instruction:
      'Nothing is drilled: the bracket goes to a wall or panel that its owner allows, the tap stands in it and its spout over the bowl.',
    proof: 'It bears a pull, and the stream falls into the bowl.',
  }),
  'place-dispenser': (d, reader) => ({
    title: 'Place the dispenser',
    instruction: `Level, its back free, cup height tried. It holds ${reader.say('volume', d.coldL, 1)} cold and ${reader.say('volume', d.hotL, 1)} hot; not plugged in.`,
    proof: 'It stands firm, and its drain plugs are in.',
  }),
  'pass-cables': () => ({
    title: 'Pass the cables',
    instruction:
      'Cables of the tap, and of a lamp that reports to it, down through the hole beside the hose, with slack and no edge against them.',
    proof: 'Nothing is pinched when the nut is tight.',
  }),
  'drill-through': (d, reader) => ({
    title: `Through the ${d.passage}, ${d.lines} lines`,
    instruction: `${d.asked ? '' : 'With leave. '}Pilot first and look from the other side; then ${d.lines} holes of ${reader.millimetres(d.holeMm)}, a bush in each, closed around the tubes afterwards.`,
    proof: 'Every hole comes out where it should, and nothing was met.',
  }),
  'drill-panel': (d, reader) => ({
    title: 'Hole to the next cupboard',
    instruction: `${reader.millimetres(d.holeMm)} through the panel, low and near the back; a bush in it.`,
    proof: 'The tube slides through without an edge.',
  }),
  'use-passage': (d, reader) => ({
    title:
      d.passage === 'panel' ? 'Opening to the next cupboard' : `Opening through the ${d.passage}`,
    instruction: `Nothing may be drilled here. Lead ${d.lines === 1 ? 'the line' : `the ${d.lines} lines`} through an opening that is there, at least ${reader.millimetres(d.holeMm)} for each. Is there none, stop: what stands on its other side cannot stand there.`,
    proof: 'Every line passes without an edge, and nothing was drilled.',
  }),
  'drill-drain': (d, reader) => ({
    title: `Drill the drain, ${reader.millimetres(d.holeMm)}`,
    instruction:
      `${saddlePlaceWords[d.place] ?? ''}, ${d.level ? `in the upper half of the level pipe, angled up so that waste does not run in and the water is not heard; ${reader.millimetres(d.centreMm)} along the straight part from its start.` : `${reader.millimetres(d.centreMm)} down the straight part.`}`.replace(
        /^./,
        (c) => c.toUpperCase(),
      ),
    proof: 'One clean hole, no swarf in the pipe.',
  }),
  'fit-saddle': (d, reader) => ({
    title: 'Fit the drain saddle',
    instruction: `Gasket centred on the hole, screws evenly and not so tight that the pipe gives. Tube cut at 45°, pushed in by ${reader.millimetres(d.insertMm)}, never against the far wall.`,
    proof: 'The tube cannot be pushed further in or pulled out.',
  }),
  'fit-standpipe': () => ({
    title: 'Drain into a stand-pipe',
    instruction:
      'Tube fixed over the pipe with an air break of two of its diameters, never pushed into the water.',
    proof: 'The gap can be seen and the tube cannot slip.',
  }),
  'hang-unit': (d, reader) => ({
    title: 'Hang the unit',
    instruction: `${d.loose ? `Housings${d.withoutMembrane ? '' : ' and vessel'} on their bracket, O-rings greased; bracket level` : 'Frame level on its screws'}; ${d.housings === 1 ? 'the housing comes' : `the ${d.housings} housings come`} off downwards without meeting anything. ${reader.plural(d.housings, { one: 'Cartridge', other: 'Cartridges' })} in${d.withoutMembrane ? '' : ', the membrane’s housing still empty'}.`,
    proof: 'Each housing was turned off and on once.',
  }),
  'stand-unit': (d) => ({
    title: 'Stand the unit',
    instruction: `Flat and dry, its front and its ${d.cartridges === 1 ? 'cartridge' : `${d.cartridges} cartridges`} reachable, its ports behind or above; not plugged in.`,
    proof: 'Each cartridge was turned out and in once.',
  }),
  'join-bank': (d) => ({
    title: `Join the ${d.elements} elements`,
    instruction:
      d.arrangement === 'parallel'
        ? 'Tees share the feed, and gather drain and product. All links of a row equally long, so that each element gets its share.'
        : 'The drain of one is the feed of the next; tees gather the product of all. Only the last one’s drain goes on to the restrictor.',
    proof: 'Each link was traced with a finger from port to port.',
  }),
  'fit-restrictor': (d) => ({
    title: 'Restrictor in the drain line',
    instruction: `${d.name} in the drain line, arrow away from the membrane.`,
    proof: 'It is in, and its arrow points to the drain.',
  }),
  'check-precharge': (d, reader) => ({
    title: 'Check the tank’s air',
    instruction: `Empty and not connected: ${reader.say('pressure', d.bar)} at the air valve. Pump up or let off.`,
    proof: 'The gauge was read; cap back on.',
  }),
  'fit-tank-valve': () => ({
    title: 'Tank valve',
    instruction: 'Five turns of tape on the nipple’s thread, valve on by hand, closed.',
    proof: 'It is straight and closed.',
  }),
  'place-tank': (d, reader) => ({
    title: d.nextDoor ? 'Place the tank in the next cupboard' : 'Place the tank',
    instruction: `It weighs about ${reader.weight(d.kg)} when full: on the floor or a shelf that carries it, valve reachable.`,
    proof: 'It stands firm and the bin still fits.',
  }),
  'mount-pump': (d) => ({
    title: 'Mount the pump',
    instruction: `${d.name} on its rubber feet, off the cabinet’s wall so that it does not hum.${d.tank ? ' Its pressure switch goes into the tank’s line.' : ''}${d.solenoid ? ' The solenoid valve goes into the feed ahead of it and is wired with it.' : ''}`,
    proof: 'It touches nothing but its feet.',
  }),
  'mount-permeate-pump': (d) => ({
    title: 'Mount the permeate pump',
    instruction: `${d.name} upright in its clip, its four lines by their labels.`,
    proof: 'Each line was traced with a finger.',
  }),
  'mount-lamp': () => ({
    title: 'Mount the lamp',
    instruction:
      'Reactor upright in its clips, inlet below and outlet above, so that no air stays in it; room to draw the lamp out.',
    proof: 'The lamp can be drawn out whole.',
  }),
  'cut-product-line': (d) => ({
    title: 'Open the product line',
    instruction: `Behind the post filter${d.tank ? ' and the tank’s tee' : ''}, ahead of the tap and of every branch that shall be treated: one square cut. A union on each end of the old tube, to the mark, clip on.`,
    proof: 'Both unions hold a tug, and the cut lies where all treated water passes.',
  }),
  'run-tube': (d, reader) => ({
    title: `Tube ${d.label}: ${placeName(d.from)} to ${placeName(d.to)}`,
    instruction: `Cut ${reader.cut(d.cutM)} of ${d.size} square, no burr${['', ', through its bush in floor or wall', ', through its bush in the panel'][d.through]}. ${endInstruction(d.near, d.far)}`,
    proof: 'A tug does not move it; the label is on.',
  }),
  'fit-branch': (d, reader) => ({
    title: `Branch: ${reader.within(placeName(d.kind))}`,
    instruction: branchInstructions[d.kind],
    proof: 'The valve is closed and can be reached.',
  }),
  power: () => ({
    title: 'Power',
    instruction: 'Cord with a drip loop, adapter off the floor, not plugged in yet.',
    proof: 'The outlet was tried with the wall switch both ways.',
  }),
  'label-tubes': (d) => ({
    title: 'Label the tubes',
    instruction: `All ${d.tubes} by what they carry: colours mean nothing across kits.`,
    proof: 'Every tube has its label at both ends.',
  }),
  'tug-test': (d) => ({
    title: 'Tug test',
    instruction: `Each of the ${d.tubes} tubes at both ends; clips counted.`,
    proof: 'Nothing moved.',
  }),
  'clear-up': () => ({
    title: 'Clear up',
    instruction: 'Swarf, tape and tools out; the cabinet’s floor dry, so that a drip shows.',
    proof: 'Dry and empty. Flushing can begin.',
  }),
};

/** A step in words, for a reader. */
export function workWords(step: WorkStep, reader: Reader): WorkWords {
  // Code and data of a step belong together; indexed by the code the compiler no longer sees it.
  const write = writers[step.code] as (d: WorkStep['data'], reader: Reader) => WorkWords;
  const words = write(step.data, reader);
  const remarks = step.remarks.map((remark) => remarkWords(reader)[remark]);
  return { ...words, instruction: [words.instruction, ...remarks].filter(Boolean).join(' ') };
}

/** What a step takes with it, in words; a part that the list does not name keeps its key. */
export const stepParts = (step: WorkStep, lines: readonly PartsLine[]): string[] =>
  step.parts.map(({ key, quantity }) => {
    const name = lines.find((line) => line.key === key)?.name ?? key;
    return quantity === 1 ? name : `${quantity} × ${name}`;
  });
