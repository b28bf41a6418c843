import type { ServicedKind } from '../../keeping/due/serviced.ts';
import type { FaultCode } from '../diagnosis/fault.ts';
import type { Disinfection } from '../washout/disinfection.ts';

/** How what holds a cartridge is opened. */
export type Closing = 'housing' | 'quarter-turn' | 'inline' | 'vessel' | 'reactor' | 'none';

/** What a hand does at a system that is in use, with what belongs to it. */
export interface ServiceData {
  /** Closed, and proved: the open tap runs dry and stays dry. */
  'close-feed': object;
  unplug: { pump: boolean; lamp: boolean };
  'close-tank': object;
  /** Tap open until nothing comes; the tank's water too, where its valve stays open. */
  'let-off': { tank: boolean };
  /** What mends a fault. */
  mend: { fault: FaultCode };
  /** A cartridge, a lamp, or what comes round. */
  change: {
    what: ServicedKind;
    id: string;
    closing: Closing;
    /** In the row, from 1, where several alike are changed. */
    place: number | null;
  };
  /** What bleach spoils comes out before it goes in. */
  'take-out': Disinfection;
  'sanitise-dose': Disinfection;
  'sanitise-fill': Disinfection;
  'sanitise-contact': Disinfection;
  'sanitise-rinse': Disinfection;
  /** What came out and is not replaced. */
  'put-back': { what: 'cartridges' | 'membrane'; postFilter: boolean; mineral: boolean };
  /** The tube behind the pre-filters into a bucket: what new ones shed goes no further. */
  'tube-off': object;
  'bucket-flush': { minutes: number; cartridges: number };
  'tube-on': object;
  'close-tap': object;
  /** Slowly, the tap open, a tank with a valve closed. */
  'open-feed': { tap: 'open' | 'closed'; tank: boolean };
  'plug-in': { pump: boolean; lamp: boolean };
  'leak-check': object;
  /** Tap open, a tank with a valve closed, until it is clear. */
  run: { minutes: number; tank: boolean };
  'open-tank': object;
  /** Fill once and run it out; so many times for a new membrane's preservative. */
  'drain-tank': { cycle: number; cycles: number };
  verify: object;
}

export type ServiceCode = keyof ServiceData;
export type ServiceStep = {
  [C in ServiceCode]: { id: string; code: C; data: ServiceData[C] };
}[ServiceCode];

/** How valves, plugs and water stand at a system in use between two steps. */
export interface ServiceState {
  feed: 'open' | 'closed';
  tap: 'open' | 'closed';
  tank: 'open' | 'closed';
  pump: 'plugged' | 'unplugged';
  lamp: 'plugged' | 'unplugged';
  /** In the unit and its lines. */
  pressure: 'on' | 'off';
  /** In the tank, behind its valve. */
  tankWater: 'in' | 'out';
  /** Joints that were opened, until they were seen dry under pressure. */
  joints: 'proven' | 'unproven';
  /** What was put in has run clear. */
  water: 'clear' | 'unflushed';
  cartridges: 'in' | 'out';
  membrane: 'in' | 'out';
  /** The tube behind the pre-filters. */
  bucketTube: 'on' | 'off';
  /** Whether new pre-filters have run clear into a bucket. */
  prefilters: 'flushed' | 'new';
  bleach: 'none' | 'in';
}

export const inUse: ServiceState = {
  feed: 'open',
  tap: 'closed',
  tank: 'open',
  pump: 'plugged',
  lamp: 'plugged',
  pressure: 'on',
  tankWater: 'in',
  joints: 'proven',
  water: 'clear',
  cartridges: 'in',
  membrane: 'in',
  bucketTube: 'on',
  prefilters: 'flushed',
  bleach: 'none',
};
