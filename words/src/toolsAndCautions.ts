import type { Caution, Tool } from '@katharos/core';

export const toolNames: Record<Tool, string> = {
  gauge: 'pressure gauge',
  'tds-meter': 'TDS meter',
  'measuring-jug': 'measuring jug and stopwatch',
  bucket: 'bucket',
  towel: 'towels',
  spanner: 'adjustable spanner',
  'basin-spanner': 'basin spanner',
  drill: 'drill',
  'bit-drain': 'bit for the drain hole, with a tape flag',
  'bit-pilot': 'pilot bit',
  'bit-plastic': 'bit for plastic pipe, 2 mm (5/64 in)',
  'bit-panel': 'bit for the cupboard’s panel',
  'bit-through': 'long bit for floor or wall',
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
  'housing-wrench': 'housing wrench',
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
  'behind-the-wall':
    'Where you drill nothing may lie behind: no cable, no pipe. Look from the other side.',
  'fire-stop':
    'Floors and walls between dwellings, or to a garage, are fire-stopped: close the hole as the code of the place asks.',
  'sewer-gas':
    'Behind the trap sewer gas can come up the drain line. This is a deviation; its reason is on record.',
  'do-not-overtighten': 'Hand tight plus a quarter turn. Plastic on plastic by hand only.',
  'screws-evenly':
    'Screws crosswise and evenly, until the gasket grips all round; the pipe must not give.',
  'tap-nut':
    'Nut by hand, then snug with the basin spanner: the washer grips, the counter does not creak.',
  'by-hand': 'By hand on its tape until it grips; no spanner on plastic.',
  'thermal-expansion':
    'Behind a regulator or a check valve the water that a heater expands has nowhere to go: see that there is an expansion vessel, and ask a licensed plumber where there is none.',
  'water-hammer':
    'A valve that snaps shut makes pipes knock: clip free lengths, and have an arrester fitted where it does.',
  'hot-and-cold-never-mix':
    'Hot, cold and product have ways of their own through this tap: each hose on its own colour, and product never on the mains.',
  'no-tape-on-gaskets': 'No tape where a gasket or an O-ring seals.',
  'no-insert-in-drain': 'No insert in the drain tube unless the kit says so: it narrows the line.',
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
  'heater-off':
    'The heater stays off until its tank is full, and its water scalds: mind hands and children.',
  'tap-without-gap':
    'This tap has no air gap in it, and the code asks for one: take a tap with an air gap before the hole is drilled.',
  'machine-drain':
    'A machine needs a drain of its own: see that there is one before the line is laid.',
  'feed-closed': 'The feed stays closed until flushing.',
  'no-metal-pipe': 'Product is never run through copper or other metal pipe.',
  frost: 'It can freeze here: not a place for a unit unless that is mended.',
  clearance: 'Leave the room below the housings, and their front free.',
  'clearance-front': 'Leave its front free: what is changed comes out that way.',
  'clearance-lamp':
    'Leave room at one end to draw the lamp out, or slack in both tubes to tilt the reactor from its clips.',
};
