import { Injectable, signal } from '@angular/core';
import { browserSerial } from './serial-port';
import type { SerialPortLike } from './serial-port';

/** Usual on a serial line: 9600 bits a second by a wire, more over USB, where the figure has no meaning. */
const BAUD_RATE = 9600;

/** Instruments of the shop that are connected to a serial port of this computer, without the server. */
@Injectable({ providedIn: 'root' })
export class SerialPorts {
  readonly #byInstrument = signal<ReadonlyMap<string, SerialPortLike>>(new Map());
  /** Whether this browser can use a serial port at all. */
  readonly isSupported = browserSerial() !== null;

  of(instrument: string): SerialPortLike | null {
    return this.#byInstrument().get(instrument) ?? null;
  }

  /**
   * Asks the person for a port, and opens it for an instrument.
   *
   * @returns why it was not opened; null where it was, or where nobody chose one.
   */
  async connect(instrument: string): Promise<string | null> {
    const serial = browserSerial();
    if (!serial) return 'This browser has no serial ports. Chromium has them.';
    try {
      const port = await serial.requestPort();
      await port.open({ baudRate: BAUD_RATE });
      this.#byInstrument.update((known) => new Map(known).set(instrument, port));
      return null;
    } catch (error) {
      if (error instanceof DOMException && error.name === 'NotFoundError') return null; // nobody chose one
      return `The port could not be opened: ${error instanceof Error ? error.message : String(error)}`;
    }
  }

  async disconnect(instrument: string): Promise<void> {
    const port = this.of(instrument);
    this.#byInstrument.update((known) => new Map([...known].filter(([id]) => id !== instrument)));
    await port?.close().catch(() => undefined);
  }
}
