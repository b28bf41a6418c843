import type { MeterChannel, MeterSample, ReadingCode } from '@katharos/core';
import { useSyncExternalStore } from 'react';
import type { Meter } from './meter.ts';

/** A meter that somebody connected, as it stands now. */
export interface ConnectedMeter {
  meter: Meter;
  state: 'connecting' | 'live' | 'lost';
  battery: number | null;
  /** It sends what cannot be read. */
  garbled: boolean;
  /** What it is being held to. */
  code: ReadingCode | null;
  /** What it showed since it is held there, the newest last. */
  samples: Partial<Record<MeterChannel, readonly MeterSample[]>>;
}

/** Samples that are kept of each channel. */
const most = 24;

/** Every meter that is connected to this page. */
export class MeterHub {
  private meters: readonly ConnectedMeter[] = [];
  private readonly listeners = new Set<() => void>();

  all = (): readonly ConnectedMeter[] => this.meters;

  listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Connects a meter; it fails as the meter does, and is then not there. */
  async join(meter: Meter): Promise<void> {
    this.set([
      ...this.meters,
      { meter, state: 'connecting', battery: null, garbled: false, code: null, samples: {} },
    ]);
    try {
      await meter.connect({
        sample: (channel, sample) =>
          this.change(meter.id, ({ samples }) => ({
            state: 'live',
            garbled: false,
            samples: {
              ...samples,
              [channel]: [...(samples[channel] ?? []), sample].slice(-most),
            },
          })),
        battery: (battery) => this.change(meter.id, () => ({ battery })),
        garbled: () => this.change(meter.id, () => ({ garbled: true })),
        lost: () => this.change(meter.id, () => ({ state: 'lost', samples: {} })),
      });
      this.change(meter.id, () => ({ state: 'live' }));
    } catch (error) {
      this.set(this.meters.filter((one) => one.meter.id !== meter.id));
      throw error;
    }
  }

  async leave(id: string): Promise<void> {
    const found = this.meters.find(({ meter }) => meter.id === id);
    this.set(this.meters.filter(({ meter }) => meter.id !== id));
    await found?.meter.disconnect().catch(() => undefined);
  }

  /** Holds a meter to something: what it showed elsewhere counts no more. */
  holdTo(id: string, code: ReadingCode | null): void {
    this.change(id, ({ meter }) => {
      meter.holdTo?.(code);
      return { code, samples: {} };
    });
  }

  private change(id: string, by: (one: ConnectedMeter) => Partial<ConnectedMeter>): void {
    this.set(this.meters.map((one) => (one.meter.id === id ? { ...one, ...by(one) } : one)));
  }

  private set(meters: readonly ConnectedMeter[]): void {
    this.meters = meters;
    for (const listener of this.listeners) listener();
  }
}

export const hub = new MeterHub();

export const useMeters = (): readonly ConnectedMeter[] => useSyncExternalStore(hub.listen, hub.all);
