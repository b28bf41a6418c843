import { isMakerPiped, isTanklessUnit, type SystemDesign } from '../../system/design.ts';
import {
  type AddedLamp,
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
  type UltravioletLine,
} from '../../system/ultravioletLine.ts';
import type { Part } from '../../catalogue/parts.ts';
import { isHeld } from '../../system/unit.ts';
import type { DrainWay } from '../places/drainWay.ts';
import { type Place, type PlaceKind, readPlace } from '../places/place.ts';
import { type TubeEnd } from '../places/tubeEnd.ts';
import { endAt, takesClip } from '../places/tubeEnds.ts';
import type { TubeFunction } from '../places/tubeFunction.ts';
import { sizeOfBore, type TubeSize } from '../places/tubeSize.ts';

/** One run of tube under the sink. */
export interface TubeRun {
  id: string;
  from: Place;
  to: Place;
  function: TubeFunction;
  size: TubeSize;
  /** Usual route of a unit beside the sink, m; the person replaces it by the measured one. */
  routeM: number;
  ends: readonly [TubeEnd, TubeEnd];
  lockClips: number;
}

/** What stands in the lines besides the system itself. */
export interface Joints {
  regulator: boolean;
  leakStop: boolean;
  drain: DrainWay;
}

/** A system on a plain site. */
export const plainJoints: Joints = { regulator: false, leakStop: false, drain: 'saddle' };

/** Usual routes, m, of a unit beside the sink. Defaults. */
const usual = {
  toUnit: 0.9,
  toRegulator: 0.1,
  toLeakStop: 0.5,
  fromLeakStop: 0.5,
  withinUnit: 0.2,
  bank: 0.15,
  pump: 0.35,
  restrictor: 0.1,
  tank: 0.7,
  drain: 1.1,
  gapUp: 0.8,
  gapDown: 0.7,
  branchValve: 0.15,
  addedLamp: 0.4,
} as const;

/** Every run that a system needs, in the order of the water; what the maker piped is not among them. */
export const tubeRuns = (system: InstalledSystem, joints: Joints = plainJoints): TubeRun[] =>
  layOut(system, joints).runs;

/** All joints of a system: the runs that are laid, and which places its maker joined. */
export function layOut(
  system: InstalledSystem,
  joints: Joints = plainJoints,
): { runs: TubeRun[]; made: [from: Place, to: Place][] } {
  const electric = system.tap.powered === true || system.tap.dispenser !== undefined;
  const runs: TubeRun[] = [];
  const made: [from: Place, to: Place][] = [];
  const lay: Lay = (role, size, routeM, ...places) => {
    places.slice(1).forEach((to, i) => {
      const from = places[i]!;
      const ends = [
        endAt(from, joints.drain, electric),
        endAt(to, joints.drain, electric),
      ] as const;
      runs.push({
        id: `${from}>${to}`,
        from,
        to,
        function: role,
        size,
        routeM,
        ends,
        lockClips: ends.filter(takesClip).length,
      });
    });
  };
  if (isAddedLamp(system)) layAdded(system, lay);
  else if (isUltravioletLine(system)) layUltraviolet(system, joints, lay);
  else layMembrane(system, joints, lay, made);
  return { runs, made };
}

/** Lays runs of one kind through places in the order of the water. */
type Lay = (role: TubeFunction, size: TubeSize, routeM: number, ...places: Place[]) => void;

const some = (present: unknown, ...places: Place[]): Place[] => (present ? places : []);

function layFeed(size: TubeSize, entry: Place, { regulator, leakStop }: Joints, lay: Lay): void {
  const last: Place = leakStop ? 'leak-stop' : regulator ? 'regulator' : 'feed-valve';
  if (regulator) lay('feed', size, usual.toRegulator, 'feed-valve', 'regulator');
  if (leakStop)
    lay('feed', size, usual.toLeakStop, regulator ? 'regulator' : 'feed-valve', 'leak-stop');
  lay('feed', size, leakStop ? usual.fromLeakStop : usual.toUnit, last, entry);
}

/** The product line that is there is cut once; each of its ends gets a union, and the reactor stands between them. */
const layAdded = ({ line }: AddedLamp, lay: Lay): void =>
  lay(
    'product',
    sizeOfBore(line.innerDiameterMm),
    usual.addedLamp,
    'unit-union',
    'lamp',
    'tap-union',
  );

/** An ultraviolet line passes the tap's whole flow from the feed on. */
function layUltraviolet({ prefilters, line }: UltravioletLine, joints: Joints, lay: Lay): void {
  const size = sizeOfBore(line.innerDiameterMm);
  const filtered = prefilters.length > 0;
  layFeed(size, filtered ? 'prefilter-1' : 'lamp', joints, lay);
  if (filtered) lay('unit', size, usual.withinUnit, `prefilter-${prefilters.length}`, 'lamp');
  lay('product', size, line.lengthM, 'lamp', 'tap');
}

/** Which places of a design lie within its unit, where the maker's own tubes join them. */
function insideUnit(design: SystemDesign): (place: Place) => boolean {
  if (!isMakerPiped(design)) return () => false;
  const { unit, solenoid, pump, shutoff, permeatePump, restrictor, tank } = design;
  // Where no unit is named, all that it could hold is in it.
  const held = (part: Part | null) => part !== null && (!unit || isHeld(design, part));
  const inside: Partial<Record<PlaceKind, boolean>> = {
    prefilter: true,
    membrane: true,
    'feed-tee': true,
    'brine-tee': true,
    'product-tee': true,
    'tank-tee': true,
    solenoid: held(solenoid),
    pump: held(pump),
    'pressure-switch': held(pump),
    shutoff: held(shutoff),
    'permeate-pump': held(permeatePump),
    restrictor: held(restrictor),
    'post-filter': unit?.holdsPostFilter,
    tank: tank?.internal,
  };
  return (place) => inside[readPlace(place).kind] ?? false;
}

function layMembrane(
  design: SystemDesign,
  joints: Joints,
  layAll: Lay,
  made: [Place, Place][],
): void {
  const inside = insideUnit(design);
  // What the maker joined is not laid again.
  const lay: Lay = (role, size, routeM, ...places) =>
    places.slice(1).forEach((to, i) => {
      const from = places[i]!;
      if (inside(from) && inside(to)) made.push([from, to]);
      else layAll(role, size, routeM, from, to);
    });
  const parallel = design.elements > 1 && design.arrangement === 'parallel';
  const bank: Place[] = membranes(design.elements);
  const { prefilters, solenoid, pump, shutoff } = design;
  const path: Place[] = [
    ...some(prefilters.length > 0, `prefilter-${prefilters.length}`),
    ...some(solenoid, 'solenoid'),
    ...some(pump, 'pump'),
    ...some(shutoff, 'shutoff'),
    parallel ? 'feed-tee' : 'membrane',
  ];
  const feedSize: TubeSize = design.unit?.ports.feed ?? (isTanklessUnit(design) ? '3/8"' : '1/4"');
  layFeed(feedSize, prefilters.length > 0 ? 'prefilter-1' : path[0]!, joints, lay);
  path.slice(1).forEach((to, i) => {
    lay('unit', '1/4"', to === 'pump' ? usual.pump : usual.withinUnit, path[i]!, to);
  });
  if (parallel) for (const one of bank) lay('unit', '1/4"', usual.bank, 'feed-tee', one);
  else lay('unit', '1/4"', usual.bank, ...bank);
  layDrain(design, joints, { parallel, bank }, lay);
  layProduct(design, bank, lay);
}

const membranes = (elements: number): Place[] =>
  Array.from({ length: elements }, (_, i): Place => (i === 0 ? 'membrane' : `membrane-${i + 1}`));

function layDrain(
  design: SystemDesign,
  { drain }: Joints,
  { parallel, bank }: { parallel: boolean; bank: Place[] },
  lay: Lay,
): void {
  if (parallel) for (const one of bank) lay('drain', '1/4"', usual.bank, one, 'brine-tee');
  lay('drain', '1/4"', usual.restrictor, parallel ? 'brine-tee' : bank.at(-1)!, 'restrictor');
  let from: Place = 'restrictor';
  if (design.permeatePump) {
    // The drain water drives it on its way out.
    lay('drain', '1/4"', usual.withinUnit, from, 'permeate-pump');
    from = 'permeate-pump';
  }
  if (drain === 'air-gap-tap') {
    lay('drain', '1/4"', usual.gapUp, from, 'air-gap');
    lay('drain', '3/8"', usual.gapDown, 'air-gap', 'drain');
  } else {
    lay('drain', '1/4"', usual.drain, from, 'drain');
  }
}

function layProduct(design: SystemDesign, bank: Place[], lay: Lay): void {
  const { tank, pump, shutoff, permeatePump, mineral, postFilter, lamp, branches, line } = design;
  const size = sizeOfBore(line.innerDiameterMm);
  let from = bank[0]!;
  if (bank.length > 1) {
    for (const one of bank) lay('unit', '1/4"', usual.bank, one, 'product-tee');
    from = 'product-tee';
  }
  if (tank) {
    // The valve feels the tank, so it stands behind whatever pushes into it; so does a pump's pressure switch.
    const to: Place[] = [
      ...some(permeatePump, 'permeate-pump'),
      ...some(shutoff, 'shutoff'),
      ...some(pump, 'pressure-switch'),
      ...some(mineral?.place === 'before-tank', 'mineral'),
      'tank-tee',
    ];
    lay('unit', '1/4"', usual.withinUnit, from, ...to);
    lay('tank', size, usual.tank, 'tank-tee', 'tank');
    from = 'tank-tee';
  }
  const inline: Place[] = [
    ...some(postFilter, 'post-filter'),
    // What a bed gives back would coat the lamp's sleeve.
    ...some(lamp, 'lamp'),
    ...some(mineral?.place === 'after-tank', 'mineral'),
  ];
  lay('unit', size, usual.withinUnit, from, ...inline);
  from = inline.at(-1) ?? from;
  for (const { kind, lengthM, innerDiameterMm } of branches) {
    const own = sizeOfBore(innerDiameterMm);
    const tee: Place = `tee-${kind}`;
    lay('product', size, usual.withinUnit, from, tee);
    lay('product', own, usual.branchValve, tee, `valve-${kind}`);
    lay('product', own, lengthM, `valve-${kind}`, kind);
    from = tee;
  }
  lay('product', size, line.lengthM, from, design.tap.dispenser ? 'dispenser' : 'tap');
}
