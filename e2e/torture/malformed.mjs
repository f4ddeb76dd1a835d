/** Requests to every route with bodies of every class: none is a fault of the server, and its memory stays level. */
import { execFile } from 'node:child_process';
import { randomBytes, randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { buildDescription } from '../../tools/setup/build.mjs';
import { ROOT } from '../../tools/setup/root.mjs';
import { SHOP, signIn } from './application.mjs';
import { openJob } from './kills.mjs';
import { ODD, fromFields, pick } from './made-bodies.mjs';

const TOGETHER = 16;
/** A session is renewed at most so often. */
const RENEW_MS = 100;
/** Faults that are told whole. */
const MAX_TOLD = 10;
/** What would end the session that asks, and streams that stay open. */
const LEFT_OUT = /^DELETE \/api\/session|\/end-sessions$|\/live$/;

/** What the server takes, as it tells itself. */
async function describe() {
  await buildDescription();
  const { stdout } = await promisify(execFile)(process.execPath, [join(ROOT, 'dist/torture/describe.mjs')], {
    cwd: ROOT,
    maxBuffer: 50_000_000,
  });
  const description = JSON.parse(stdout);
  return { ...description, routes: description.routes.filter((route) => !LEFT_OUT.test(route.join(' '))) };
}

/** A session of its own: some of what is sent ends it, and a new one takes its place. */
class OwnSession {
  #since = 0;

  constructor(url) {
    this.cookie = signIn(url);
  }
  renew(url) {
    if (performance.now() - this.#since < RENEW_MS) return; // those under way still had the one before
    this.#since = performance.now();
    this.cookie = signIn(url);
  }
}

/** Bodies whose fields a route knows, found out as it answers: most are sent to where they belong. */
class Belonging {
  #known = new Map();

  /** The name of a class for a route. */
  of(route, names) {
    const known = this.#known.get(route);
    return known && Math.random() < 0.8 ? pick(known) : pick(names);
  }
  /** What a route answered to a body of a class. */
  learn(route, name, status, said) {
    if (name === null || status >= 500 || status === 404 || status === 405 || said.includes('no such field')) return;
    if (status === 422 || status < 300) this.#known.set(route, [...new Set([...(this.#known.get(route) ?? []), name])]);
  }
}

/** @param known Ids that are there, by the name they have in an address. */
function request(description, known, belonging) {
  const [method, pattern] = pick(description.routes);
  const route = `${method} ${pattern}`;
  const path = pattern.replace(/:(\w+)/g, (_, name) =>
    encodeURIComponent(
      String(Math.random() < 0.85 && known[name] ? known[name] : pick([randomUUID(), pick(ODD)])).toWellFormed(),
    ),
  );
  const name = Math.random() < 0.8 ? belonging.of(route, Object.keys(description.bodies)) : null;
  const body = name
    ? fromFields(description.bodies[name], description)
    : pick([() => pick(ODD), () => randomBytes(200).toString('base64')])();
  const headers = pick([
    {},
    {},
    {},
    { 'content-encoding': 'gzip' },
    { 'idempotency-key': 'x' },
    { 'content-type': 'text/plain' },
  ]);
  return { route, name, method, path, headers, body: method === 'GET' ? undefined : (JSON.stringify(body) ?? 'null') };
}

const residentMegabytes = async (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(await readFile(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;

/** Asks from a process of its own, which nothing here holds up. @returns {() => Promise<object>} what ends it and gives its figures */
function watchHealth(url) {
  const asking = execFile(process.execPath, [join(import.meta.dirname, 'health-clock.mjs'), url]);
  let said = '';
  asking.stdout.on('data', (data) => (said += data));
  const ended = new Promise((resolve) => asking.once('close', resolve));
  return async () => {
    asking.stdin.end();
    await ended;
    return JSON.parse(said);
  };
}

/** @returns {Promise<{ requests: number, faults: number, understood: number, routes: number, grewMegabytes: number }>} */
export async function malformed(app, requests) {
  const description = await describe();
  const known = { shop: SHOP, job: await openJob(app), instrument: randomUUID(), number: 0, seq: 1, caution: 'acid' };
  const belonging = new Belonging();
  const session = new OwnSession(app.url);
  let faults = 0;
  let understood = 0;
  let left = requests;
  const send = async () => {
    while (left-- > 0) {
      const { route, name, method, path, headers, body } = request(description, known, belonging);
      const answer = await fetch(app.url + path, {
        method,
        body,
        headers: { 'content-type': 'application/json', cookie: await session.cookie, ...headers },
      }).catch(() => null);
      if (!answer) continue; // the client itself would not send it
      const said = await answer.text();
      belonging.learn(route, name, answer.status, said);
      if (answer.status === 401) session.renew(app.url);
      if (answer.ok) understood++;
      if (answer.status < 500) continue;
      faults++;
      if (faults <= MAX_TOLD)
        console.error(`${method} ${path} ${body?.slice(0, 400)}: ${answer.status} ${said.slice(0, 300)}`);
    }
  };
  const warm = async (count) => {
    const all = left;
    left = count;
    await Promise.all(Array.from({ length: TOGETHER }, send));
    left = all - count;
  };
  // every route has been asked some hundred times by then, reports and their threads among them
  await warm(Math.floor(requests / 2));
  const before = await residentMegabytes(app.serverPid());
  const health = watchHealth(app.url);
  await Promise.all(Array.from({ length: TOGETHER }, send));
  const grewMegabytes = (await residentMegabytes(app.serverPid())) - before;
  return { requests, faults, understood, routes: description.routes.length, grewMegabytes, health: await health() };
}
