/** The part of the Web Serial API that is used here (WICG draft); Chromium has it, others have not. */
export interface SerialPortLike {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
interface SerialLike {
  requestPort(): Promise<SerialPortLike>;
}

/** Null where this browser has none. */
export const browserSerial = (): SerialLike | null =>
  (navigator as unknown as { readonly serial?: SerialLike }).serial ?? null;
