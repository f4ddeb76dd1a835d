/** A certificate of this machine's own, for phones in the workshop: browsers give a camera to pages on TLS alone. */
import { existsSync } from 'node:fs';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { X509Certificate } from 'node:crypto';

const DAYS = 365;
/** One that ends sooner is made anew, days. */
const LEAST_DAYS = 30;
const DAY_MS = 86_400_000;
/** Kinds of names in a certificate (RFC 5280, 4.2.1.6): a name of the DNS, an address. */
const DNS = 2;
const IP = 7;

const isGood = async (cert) =>
  existsSync(cert) &&
  new Date(new X509Certificate(await readFile(cert)).validTo).getTime() > Date.now() + LEAST_DAYS * DAY_MS;

/**
 * @param {string} folder where certificate and key are kept
 * @param {string[]} names further names that this machine is reached by
 * @returns {Promise<{ cert: string, key: string, isNew: boolean }>} their files
 */
export async function localTls(folder, names) {
  const [cert, key] = [join(folder, 'local.crt'), join(folder, 'local.key')];
  if (await isGood(cert)) return { cert, key, isNew: false };
  const { generate } = await import('selfsigned');
  const addresses = Object.values(networkInterfaces()).flatMap((all) => all ?? []);
  const altNames = [
    ...['localhost', hostname(), ...names].map((value) => ({ type: DNS, value })),
    ...addresses.filter(({ family }) => family === 'IPv4').map(({ address }) => ({ type: IP, ip: address })),
  ];
  const made = await generate([{ name: 'commonName', value: 'Tetrad in this workshop' }], {
    days: DAYS,
    keySize: 2048,
    algorithm: 'sha256',
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'subjectAltName', altNames },
    ],
  });
  await mkdir(folder, { recursive: true, mode: 0o700 });
  await writeFile(key, made.private, { mode: 0o600 });
  await writeFile(cert, made.cert);
  return { cert, key, isNew: true };
}
