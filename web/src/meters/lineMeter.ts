import {
  type Dimension,
  type MeterChannel,
  type MeterKind,
  parseQuantity,
  toCore,
  unitSystems,
} from '@katharos/core';
import { v4 as newId } from 'uuid';
import type { Meter, MeterEvents } from './meter.ts';

/** A way by which a device's lines of text arrive. */
export interface Transport {
  readonly name: string;
  open: (on: TransportEvents) => Promise<void>;
  close: () => Promise<void>;
}

export interface TransportEvents {
  line: (text: string) => void;
  /** Where the way itself tells it, as a share. */
  battery: (share: number) => void;
  closed: () => void;
}

/** What a line told. */
export type Told =
  | { channel: MeterChannel; value: number; beyond: 'low' | 'high' | null }
  | { battery: number };

const dimensions: Record<MeterChannel, Dimension> = {
  tds: 'tds',
  temperature: 'temperature',
  pressure: 'pressure',
  flow: 'flow',
};
const isChannel = (name: string): name is MeterChannel => Object.hasOwn(dimensions, name);

/**
 * Reads a line such as `tds 21.4 ppm; temperature 18.2 C; battery 80 %`. A figure without a unit is in mg/L, degrees C, bar or L/h;
 * `over` or `under` before it says that it lies beyond what the device can show. What says nothing of these is left out.
 */
export function readLine(text: string): Told[] {
  return text.split(';').flatMap((part): Told[] => {
    const [, name, beyond, figure] =
      /^\s*([a-z]+)\s+(?:(over|under)\s+)?(\S.*?)\s*$/i.exec(part) ?? [];
    if (name === undefined || figure === undefined) return [];
    const channel = name.toLowerCase();
    if (channel === 'battery') {
      const percent = Number.parseFloat(figure);
      return percent >= 0 && percent <= 100 ? [{ battery: percent / 100 }] : [];
    }
    if (!isChannel(channel)) return [];
    const dimension = dimensions[channel];
    const parsed = parseQuantity(figure, dimension, unitSystems.metric[dimension]);
    if (!parsed.ok) return [];
    const value = toCore(dimension, parsed.quantity);
    const end = beyond?.toLowerCase();
    return [{ channel, value, beyond: end === 'over' ? 'high' : end === 'under' ? 'low' : null }];
  });
}

/** A real device that sends lines of text, by whatever way. */
export class LineMeter implements Meter {
  readonly id = newId();
  readonly isStandIn = false;
  readonly kind: MeterKind;
  private readonly transport: Transport;

  constructor(kind: MeterKind, transport: Transport) {
    this.kind = kind;
    this.transport = transport;
  }

  get name(): string {
    return this.transport.name;
  }

  connect = (events: MeterEvents): Promise<void> =>
    this.transport.open({
      line: (text) => {
        if (text.trim() === '') return;
        const told = readLine(text);
        if (told.length === 0) events.garbled();
        for (const one of told) {
          if ('battery' in one) events.battery(one.battery);
          else {
            const { channel, value, beyond } = one;
            events.sample(channel, { atMs: Date.now(), value, beyond });
          }
        }
      },
      battery: events.battery,
      closed: events.lost,
    });

  disconnect = (): Promise<void> => this.transport.close();
}

/** Cuts what arrives in pieces into lines. */
export function linesOf(onLine: (text: string) => void): (piece: string) => void {
  /** Longer than any line: whatever sends that sends no lines. */
  const most = 4096;
  let rest = '';
  return (piece) => {
    const lines = (rest + piece).split(/\r?\n|\r/);
    rest = lines.pop()!.slice(-most);
    for (const line of lines) onLine(line);
  };
}
