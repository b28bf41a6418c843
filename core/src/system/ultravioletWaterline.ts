import { tapLineLoss } from '../hydraulics/tapLine.ts';
import { tubeLoss } from '../hydraulics/tubeLoss.ts';
import { type Outcome, succeed } from '../base/outcome.ts';
import type { FeedWater } from './design.ts';
import {
  type AddedLamp,
  assessUltraviolet,
  type ExistingReadings,
  isAddedLamp,
  type LampFeed,
  type UltravioletLine,
} from './ultravioletLine.ts';
import { risePressure } from '../water/waterDensity.ts';
import { feedNodes, type Waterline, type WaterlineNode, type WaterlineState } from './waterline.ts';

/**
 * The line of a lamp. Nothing is held back in it, so the strength of the water stays what it is: the supply's, or that of the product
 * of the system that the lamp was added to. Errors: those of `assessUltraviolet`.
 */
export function ultravioletWaterline(
  system: UltravioletLine,
  water: FeedWater,
  feed: LampFeed,
  { tap }: Pick<WaterlineState, 'tap'>,
): Outcome<Waterline> {
  const solved = assessUltraviolet(system, water, feed);
  if (!solved.ok) return solved;
  const open = tap === 'open';
  const flowLPerH = open ? solved.value.flowLPerMin * 60 : 0;
  return succeed({
    making: open,
    nodes:
      isAddedLamp(system) && feed.existing
        ? addedNodes(system, water, feed.existing, flowLPerH)
        : ownNodes(system, water, flowLPerH),
  });
}

type Place = Pick<WaterlineNode, 'id' | 'partName' | 'pressureBar'> & {
  id: 'existing' | 'lamp' | 'tap';
};

const node = (place: Place, flowLPerH: number, tdsMgL: number): WaterlineNode => ({
  ...place,
  kind: place.id,
  lane: 'main',
  flowLPerH,
  tdsMgL,
});

function ownNodes(system: UltravioletLine, water: FeedWater, flowLPerH: number): WaterlineNode[] {
  const feedSide = feedNodes(
    { ...system, solenoid: null, shutoff: null, pump: null },
    water,
    flowLPerH,
    0,
  );
  const before = feedSide.at(-1)!.pressureBar;
  const { innerDiameterMm, lengthM, riseM } = system.line;
  const way =
    tubeLoss({ innerDiameterMm, lengthM }, flowLPerH, water.temperatureC) +
    risePressure(riseM, water.temperatureC);
  const places: Place[] = [
    { id: 'lamp', partName: system.lamp.name, pressureBar: before },
    { id: 'tap', partName: system.tap.name, pressureBar: Math.max(before - way, 0) },
  ];
  return [...feedSide, ...places.map((place) => node(place, flowLPerH, water.tdsMgL))];
}

/**
 * What is there was not opened: its pressure is reckoned back from the flow that was measured, through line and tap as they usually
 * are, and is the least that stands there while the tap is closed.
 */
function addedNodes(
  { line, lamp, tap }: AddedLamp,
  { temperatureC }: FeedWater,
  { flowLPerMin, tdsMgL }: ExistingReadings,
  flowLPerH: number,
): WaterlineNode[] {
  const { innerDiameterMm, lengthM, riseM } = line;
  const way = { tubes: [{ innerDiameterMm, lengthM }], tapKv: tap.kv, riseM };
  const source = tapLineLoss(way, flowLPerMin * 60, temperatureC).totalBar;
  const { tubesBar, riseBar } = tapLineLoss(way, flowLPerH, temperatureC);
  const places: Place[] = [
    { id: 'existing', partName: null, pressureBar: source },
    { id: 'lamp', partName: lamp.name, pressureBar: source },
    { id: 'tap', partName: null, pressureBar: Math.max(source - tubesBar - riseBar, 0) },
  ];
  return places.map((place) => node(place, flowLPerH, tdsMgL));
}
