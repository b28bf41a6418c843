import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { steadyValue, type TestReadings } from '@katharos/core';
import { MeterHub } from './hub.ts';
import { LineMeter, linesOf, readLine, type Transport, type TransportEvents } from './lineMeter.ts';
import { SerialTransport } from './serial.ts';
import { StandIn } from './standIn.ts';

/** A way that a test speaks on. */
class FakeTransport implements Transport {
  readonly name = 'Fake';
  on: TransportEvents | undefined;
  closed = false;
  private readonly refusal: Error | undefined;

  constructor(refusal?: Error) {
    this.refusal = refusal;
  }

  open = (on: TransportEvents): Promise<void> => {
    this.on = on;
    return this.refusal ? Promise.reject(this.refusal) : Promise.resolve();
  };

  close = (): Promise<void> => {
    this.closed = true;
    return Promise.resolve();
  };
}

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

describe('a line of a device', () => {
  test('is read in its own units, with what it cannot show', () => {
    expect(readLine('TDS 21.4 ppm; temperature 64.4 F; battery 80 %')).toEqual([
      { channel: 'tds', value: 21.4, beyond: null },
      { channel: 'temperature', value: expect.closeTo(18, 6), beyond: null },
      { battery: 0.8 },
    ]);
    expect(readLine('pressure over 145 psi')).toMatchObject([
      { channel: 'pressure', value: expect.closeTo(9.997, 3), beyond: 'high' },
    ]);
    expect(readLine('flow 9,5')).toEqual([{ channel: 'flow', value: 9.5, beyond: null }]);
  });

  test('that says nothing tells nothing', () => {
    for (const line of ['', 'hello', 'tds', 'tds lots', 'battery 300 %', 'conductivity 44']) {
      expect(readLine(line)).toEqual([]);
    }
  });

  test('comes in pieces, with any ending', () => {
    const lines: string[] = [];
    const take = linesOf((line) => lines.push(line));
    for (const piece of ['tds 2', '1\r\ntds 22\n', 'tds', ' 23\r', '\n']) take(piece);
    expect(lines.filter((line) => line !== '')).toEqual(['tds 21', 'tds 22', 'tds 23']);
  });
});

describe('a meter that is connected', () => {
  test('by a way of its own is live, settles, says when it sends nonsense, and is lost when it goes', async () => {
    const hub = new MeterHub();
    const transport = new FakeTransport();
    const meter = new LineMeter('tds-pen', transport);
    await hub.join(meter);
    hub.holdTo(meter.id, 'productTdsMgL');
    for (let i = 0; i < 10; i += 1) {
      transport.on!.line(`tds ${40 - 2 * Math.min(i, 4)}`);
      jest.advanceTimersByTime(500);
    }
    const [one] = hub.all();
    expect(one).toMatchObject({ state: 'live', garbled: false, code: 'productTdsMgL' });
    expect(steadyValue('tds', one!.samples.tds!)).toBe(32);
    transport.on!.line('@@@@');
    expect(hub.all()[0]!.garbled).toBe(true);
    transport.on!.battery(0.4);
    expect(hub.all()[0]).toMatchObject({ battery: 0.4 });
    hub.holdTo(meter.id, 'feedTdsMgL');
    expect(hub.all()[0]!.samples).toEqual({});
    transport.on!.closed();
    expect(hub.all()[0]!.state).toBe('lost');
    await hub.leave(meter.id);
    expect([transport.closed, hub.all()]).toEqual([true, []]);
  });

  test('and refuses is not there', async () => {
    const hub = new MeterHub();
    const refused = new LineMeter('gauge', new FakeTransport(new Error('nothing was chosen')));
    await expect(hub.join(refused)).rejects.toThrow('nothing was chosen');
    expect(hub.all()).toEqual([]);
  });

  test('by a cable is heard as its bytes come, and lost when the cable is pulled', async () => {
    jest.useRealTimers();
    const encoder = new TextEncoder();
    let feed: ReadableStreamDefaultController<Uint8Array> | undefined;
    const port = {
      open: () => Promise.resolve(),
      close: () => Promise.resolve(),
      readable: new ReadableStream<Uint8Array>({
        start: (controller) => {
          feed = controller;
        },
      }),
    };
    const serial = { requestPort: () => Promise.resolve(port as unknown as SerialPort) };
    const hub = new MeterHub();
    await hub.join(new LineMeter('gauge', new SerialTransport(serial)));
    feed!.enqueue(encoder.encode('pressure 4.2 b'));
    feed!.enqueue(encoder.encode('ar\n'));
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(hub.all()[0]!.samples.pressure).toMatchObject([{ value: 4.2 }]);
    feed!.error(new Error('pulled'));
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(hub.all()[0]!.state).toBe('lost');
  });
});

describe('a stand-in', () => {
  test('shows what the simulated system has where it is held, and nothing in the air', async () => {
    const truths: TestReadings = { feedTdsMgL: 400, productTdsMgL: 20, temperatureC: 12 };
    const hub = new MeterHub();
    const pen = new StandIn('tds-pen', 7, () => truths);
    await hub.join(pen);
    jest.advanceTimersByTime(4000);
    expect(hub.all()[0]!.samples.tds!.at(-1)).toMatchObject({ beyond: 'low' });
    hub.holdTo(pen.id, 'feedTdsMgL');
    jest.advanceTimersByTime(15_000);
    const { samples, battery } = hub.all()[0]!;
    expect(steadyValue('tds', samples.tds!)).toBeGreaterThan(370);
    expect(Math.abs(steadyValue('temperature', samples.temperature!)! - 12)).toBeLessThan(3);
    expect(battery).toBeGreaterThan(0.4);
    await hub.leave(pen.id);
  });

  test('runs empty, and is lost then', async () => {
    const hub = new MeterHub();
    await hub.join(new StandIn('gauge', 3, () => ({})));
    jest.advanceTimersByTime(20 * 3600e3);
    expect(hub.all()[0]!.state).toBe('lost');
  });
});
