/** Where an instrument is reached: `tcp://host:port`. */

export interface InstrumentAddress {
  readonly host: string;
  readonly port: number;
}

const FORM = /^tcp:\/\/(\[[0-9a-f:]+\]|[a-z0-9.-]{1,100}):(\d{1,5})$/i;
const MAX_PORT = 65_535;

/** @returns null for a text that is no such address. */
export function instrumentAddress(text: string): InstrumentAddress | null {
  const [, host, port] = FORM.exec(text) ?? [];
  if (host === undefined || Number(port) < 1 || Number(port) > MAX_PORT) return null;
  return { host: host.replace(/^\[|\]$/g, '').toLowerCase(), port: Number(port) };
}
