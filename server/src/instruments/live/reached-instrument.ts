import { instrumentAddress } from '@tetrad/core';
import type { ShopId } from '@tetrad/contracts';
import type { InstrumentRow } from '../instruments.sql';
import type { LiveInstrument } from './live-instruments';

/** Of shop and instrument together. */
export const keyOf = (shop: ShopId, instrument: string): string => `${shop} ${instrument}`;

/** How an instrument is reached; why not, where it has no address or nobody allowed it. */
export function reachedInstrument(
  { id, address: text, millivoltsPerAmp }: InstrumentRow,
  shop: ShopId,
  hosts: readonly string[],
): LiveInstrument | { readonly why: string } {
  const address = text === null ? null : instrumentAddress(text);
  if (address === null) return { why: 'it has no address (screen Instruments)' };
  const host = `${address.host.includes(':') ? `[${address.host}]` : address.host}:${address.port}`;
  if (!hosts.includes(host)) return { why: `an administrator has to allow ${host} (screen Instruments)` };
  return { key: keyOf(shop, id), address, millivoltsPerAmp };
}
