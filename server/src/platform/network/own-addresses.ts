/** Addresses that lead to this machine itself. */
import { BlockList, isIP } from 'node:net';
import { networkInterfaces } from 'node:os';

/** What only the machine itself answers under: loopback, link-local (where clouds keep secrets), unspecified. */
const OWN = new BlockList();
OWN.addSubnet('127.0.0.0', 8);
OWN.addSubnet('169.254.0.0', 16);
OWN.addSubnet('0.0.0.0', 8);
OWN.addAddress('::1', 'ipv6');
OWN.addAddress('::', 'ipv6');
OWN.addSubnet('fe80::', 10, 'ipv6');
OWN.addSubnet('::ffff:127.0.0.0', 104, 'ipv6');
OWN.addSubnet('::ffff:169.254.0.0', 112, 'ipv6');

const familyOf = (address: string) => (isIP(address) === 6 ? 'ipv6' : 'ipv4');

/** The address is one of this machine: what only it answers under, or one of its interfaces as they are now. */
export function isOwnAddress(address: string): boolean {
  if (OWN.check(address, familyOf(address))) return true;
  const interfaces = new BlockList();
  for (const one of Object.values(networkInterfaces()).flat())
    if (one) {
      interfaces.addAddress(one.address, familyOf(one.address));
      if (one.family === 'IPv4') interfaces.addAddress(`::ffff:${one.address}`, 'ipv6');
    }
  return interfaces.check(address, familyOf(address));
}

/** A host by name or figures, without port, that is this machine by what it is called. */
export function isOwnHost(host: string): boolean {
  const bare = host.replace(/^\[|\]$/g, '').toLowerCase();
  return isIP(bare) ? isOwnAddress(bare) : bare === 'localhost' || bare.endsWith('.localhost');
}
