/** A meter on the browser's serial port: the same lines, as its cable delivers them. */
import type { MeterPort, PortListener } from './port';

/** What we use of the Web Serial API; a stand-in may take its place. */
export interface SerialDevice {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly open: (options: { baudRate: number }) => Promise<void>;
  readonly close: () => Promise<void>;
}
interface SerialAccess {
  readonly requestPort: () => Promise<SerialDevice>;
}

const BAUD = 115_200;

export const serialAccess = (): SerialAccess | undefined =>
  (navigator as Navigator & { serial?: SerialAccess }).serial;

export function serialPort(access = serialAccess(), baudRate = BAUD): MeterPort {
  let device: SerialDevice | undefined;
  let reader: ReadableStreamDefaultReader<Uint8Array> | undefined;
  return {
    kind: 'serial',
    name: 'Meter on the serial port',
    open: async (listener) => {
      if (!access) throw new Error('This browser gives no access to serial ports.');
      // Asked once; the same device is opened again after a loose cable.
      device ??= await access.requestPort().catch(() => {
        throw new Error('No port was chosen.');
      });
      await device.open({ baudRate }).catch(() => {
        throw new Error(
          'The port cannot be opened: another program holds it, or the cable is out.',
        );
      });
      if (!device.readable) throw new Error('The port gives nothing to read.');
      reader = device.readable.getReader();
      void pump(reader, listener, () => reader !== undefined);
    },
    close: async () => {
      const own = reader;
      reader = undefined;
      await own?.cancel().catch(() => undefined);
      own?.releaseLock();
      await device?.close().catch(() => undefined);
    },
  };
}

async function pump(
  reader: ReadableStreamDefaultReader<Uint8Array>,
  listener: PortListener,
  wanted: () => boolean,
): Promise<void> {
  const decoder = new TextDecoder();
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) break;
      listener.piece(decoder.decode(value, { stream: true }));
    }
    if (wanted()) listener.closed('The meter’s cable is out.', false);
  } catch {
    if (wanted()) listener.closed('The meter’s cable is out.', false);
  }
}
