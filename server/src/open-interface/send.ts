/** One message to one address: signed, over at last, and never to this machine itself. */
import { lookup as resolve } from 'node:dns';
import { request as overHttp } from 'node:http';
import { request as overHttps } from 'node:https';
import { isIP } from 'node:net';
import type { LookupFunction } from 'node:net';
import { Webhook } from 'standardwebhooks';
import { isOwnAddress } from '../platform/network/own-addresses';

/** Usually so long, ms. */
const PATIENCE_MS = 10_000;
/** One answer for all that was not reached, so that nobody finds out by it what else there is in a network. */
const NOT_REACHED = 'no answer';

const NOT_OWN = 'the address is of this server itself';

const outwards: LookupFunction = (hostname, options, done) =>
  resolve(hostname, options, (error, address, family) => {
    if (error) return done(error, address, family);
    const found = typeof address === 'string' ? [address] : address.map((one) => one.address);
    return found.some(isOwnAddress) ? done(new Error(NOT_OWN), address, family) : done(null, address, family);
  });

export interface OutgoingMessage {
  readonly id: string;
  readonly url: string;
  readonly secret: string;
  readonly body: string;
}
/** What came of it: delivered, or why not. */
export interface SendResult {
  readonly isDelivered: boolean;
  readonly answer: string;
  /** For the server's log. */
  readonly why?: string;
}

export interface SendOptions {
  /** Whether this machine may be told too: for a receiver that runs beside the server. */
  readonly toItself?: boolean;
  /** A receiver answers within it, ms. */
  readonly patienceMs?: number;
}

export function send(
  { id, url, secret, body }: OutgoingMessage,
  { toItself = false, patienceMs = PATIENCE_MS }: SendOptions = {},
): Promise<SendResult> {
  const target = new URL(url);
  const host = target.hostname.replace(/^\[|\]$/g, '');
  if (!toItself && isIP(host) && isOwnAddress(host)) return Promise.resolve({ isDelivered: false, answer: NOT_OWN });
  const now = new Date();
  const headers = {
    'Content-Type': 'application/json',
    'Content-Length': Buffer.byteLength(body),
    'User-Agent': 'tetrad',
    // Standard Webhooks 1.0
    'webhook-id': id,
    'webhook-timestamp': String(Math.floor(now.getTime() / 1000)),
    'webhook-signature': new Webhook(secret).sign(id, now, body),
  };
  return new Promise((done) => {
    const failed = (why: string): void =>
      done({ isDelivered: false, answer: why === NOT_OWN ? NOT_OWN : NOT_REACHED, why });
    const over = target.protocol === 'https:' ? overHttps : overHttp;
    const signal = AbortSignal.timeout(patienceMs);
    const asked = over(
      target,
      { method: 'POST', headers, signal, ...(!toItself && { lookup: outwards }) },
      (answer) => {
        answer.resume(); // what it says is of no use
        answer.on('error', () => undefined);
        const status = answer.statusCode ?? 0;
        done({ isDelivered: status >= 200 && status < 300, answer: `status ${status}` });
        answer.destroy();
      },
    );
    asked.on('error', (error) =>
      failed(signal.aborted ? `no answer within ${patienceMs / 1000} s` : error.message || String(error)),
    );
    asked.end(body);
  });
}
