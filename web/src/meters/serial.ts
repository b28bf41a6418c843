import { linesOf, type Transport, type TransportEvents } from './lineMeter.ts';

/** Usual rate of small devices, bit/s. */
const baudRate = 9600;

/** Whether this browser can speak to a device on a cable. */
export const hasSerial = (): boolean => 'serial' in navigator;

/** A device on a cable (Web Serial). */
export class SerialTransport implements Transport {
  readonly name = 'Meter on a cable';
  private readonly serial: Pick<Serial, 'requestPort'>;
  private port: SerialPort | undefined;
  private reader: ReadableStreamDefaultReader<Uint8Array> | undefined;

  constructor(serial: Pick<Serial, 'requestPort'> = navigator.serial) {
    this.serial = serial;
  }

  open = async (on: TransportEvents): Promise<void> => {
    const port = await this.serial.requestPort();
    await port.open({ baudRate });
    this.port = port;
    void this.read(port, on);
  };

  close = async (): Promise<void> => {
    await this.reader?.cancel().catch(() => undefined);
    await this.port?.close().catch(() => undefined);
  };

  private async read(port: SerialPort, on: TransportEvents): Promise<void> {
    const decoder = new TextDecoder();
    const take = linesOf(on.line);
    try {
      this.reader = port.readable!.getReader();
      for (;;) {
        const { value, done } = await this.reader.read();
        if (done) break;
        take(decoder.decode(value, { stream: true }));
      }
    } catch {
      // The cable was pulled.
    }
    this.reader?.releaseLock();
    on.closed();
  }
}
