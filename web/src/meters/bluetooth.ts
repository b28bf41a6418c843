import { linesOf, type Transport, type TransportEvents } from './lineMeter.ts';

/** Our own service of a device that sends lines of text, and the characteristic that it sends them by. */
const lineService = '7f6b1a10-52c4-4d0e-9a6c-3a1b6d2e4f01';
const lineCharacteristic = '7f6b1a11-52c4-4d0e-9a6c-3a1b6d2e4f01';

/** Whether this browser can speak to a device by radio. */
export const hasBluetooth = (): boolean => 'bluetooth' in navigator;

/** A device by radio (Web Bluetooth). */
export class BluetoothTransport implements Transport {
  private readonly bluetooth: Pick<Bluetooth, 'requestDevice'>;
  private device: BluetoothDevice | undefined;

  constructor(bluetooth: Pick<Bluetooth, 'requestDevice'> = navigator.bluetooth) {
    this.bluetooth = bluetooth;
  }

  get name(): string {
    return this.device?.name ?? 'Meter by radio';
  }

  open = async (on: TransportEvents): Promise<void> => {
    const device = await this.bluetooth.requestDevice({
      filters: [{ services: [lineService] }],
      optionalServices: ['battery_service'],
    });
    this.device = device;
    device.addEventListener('gattserverdisconnected', () => on.closed());
    const server = await device.gatt!.connect();
    const service = await server.getPrimaryService(lineService);
    const lines = await service.getCharacteristic(lineCharacteristic);
    const decoder = new TextDecoder();
    const take = linesOf(on.line);
    lines.addEventListener('characteristicvaluechanged', () => {
      if (lines.value) take(decoder.decode(lines.value, { stream: true }));
    });
    await lines.startNotifications();
    await this.hearBattery(server, on);
  };

  close = (): Promise<void> => {
    this.device?.gatt?.disconnect();
    return Promise.resolve();
  };

  /** Not every device tells what is left in it. */
  private async hearBattery(server: BluetoothRemoteGATTServer, on: TransportEvents) {
    try {
      const service = await server.getPrimaryService('battery_service');
      const level = await service.getCharacteristic('battery_level');
      const tell = (value: DataView | undefined) => {
        if (value) on.battery(value.getUint8(0) / 100);
      };
      level.addEventListener('characteristicvaluechanged', () => tell(level.value));
      tell(await level.readValue());
      await level.startNotifications();
    } catch {
      // It has no such service.
    }
  }
}
