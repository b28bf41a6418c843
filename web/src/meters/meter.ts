import type { MeterChannel, MeterKind, MeterSample, ReadingCode } from '@katharos/core';

/** What a meter tells while it is connected. */
export interface MeterEvents {
  sample: (channel: MeterChannel, sample: MeterSample) => void;
  /** What is left in it, as a share. */
  battery: (share: number) => void;
  /** It sent something that cannot be read. */
  garbled: () => void;
  /** It is gone: out of reach, switched off, empty. */
  lost: () => void;
}

/** A device that shows figures by itself, real or simulated. */
export interface Meter {
  readonly id: string;
  readonly kind: MeterKind;
  readonly name: string;
  /** What it shows is computed: for practice, and never for a household. */
  readonly isStandIn: boolean;
  /** Resolves once it is there; fails with a sentence that says what to do. */
  connect: (events: MeterEvents) => Promise<void>;
  disconnect: () => Promise<void>;
  /** Where the person holds it; only a simulated one has to be told. */
  holdTo?: (code: ReadingCode | null) => void;
}
