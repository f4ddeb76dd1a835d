/**
 * A workshop as it is: pairs of devices at a job each, a reading from every device each five seconds, heard by the other
 * device over its live stream; in the middle many reports at once.
 */
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { request } from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';
import { SHOP } from './application.mjs';
import { openJob } from './kills.mjs';

const EVERY_MS = 5000;
const REPORTS = 40;
const MAX_TRIES = 5;
const AGAIN_MS = 500;
/** A job has some tens of readings: then the pair takes the next vehicle. */
const MAX_READINGS = 40;
/** An update that was not heard within a second is none. */
const LOOK_MS = 50;
const MAX_LOOKS = 20;

const quantile = (sorted, share) => sorted[Math.floor(share * (sorted.length - 1))] ?? NaN;
const figures = (times) => {
  const sorted = [...times].sort((a, b) => a - b);
  return { median: quantile(sorted, 0.5), p95: quantile(sorted, 0.95), p99: quantile(sorted, 0.99) };
};
const residentMegabytes = async (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(await readFile(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;

/** Two devices at one job; what the one saves the other hears. */
class Pair {
  #app;
  #job;
  #stream;
  #readings = 0;
  /** When a reading was sent that the other device has not heard of yet. */
  #sent = new Map();
  /** Of a line that has not ended yet. */
  #rest = '';
  constructor(app, told) {
    this.#app = app;
    this.told = told;
  }

  async begin() {
    // what the other device has just saved is still to be heard
    for (let looks = 0; this.#sent.size > 0 && looks < MAX_LOOKS; looks++) await wait(LOOK_MS);
    this.#stream?.destroy();
    this.#rest = '';
    this.#readings = 0;
    this.#sent.clear();
    // as a device does: where it is told that others are busy, again
    for (let tries = 0; ; tries++)
      try {
        this.#job = await openJob(this.#app);
        break;
      } catch (error) {
        if (tries === MAX_TRIES) throw error;
        await wait(AGAIN_MS);
      }
    await new Promise((resolve, reject) => {
      const address = `${this.#app.url}/api/shops/${SHOP}/jobs/${this.#job}/live`;
      this.#stream = request(address, { headers: { cookie: this.#app.cookie } }, (answer) => {
        answer.setEncoding('utf8').on('data', (data) => this.#hear(data));
        answer.on('error', () => undefined);
        resolve();
      });
      this.#stream.on('error', reject).end();
    });
    this.#stream.removeAllListeners('error').on('error', () => undefined);
  }

  async save() {
    if (this.#readings++ === MAX_READINGS) await this.begin();
    const id = randomUUID();
    const begun = performance.now();
    this.#sent.set(id, begun);
    const reading = { id, test: 'resting-voltage', value: 12.6 };
    const answer = await this.#app.ask('POST', `/jobs/${this.#job}/readings`, { reading }, { 'idempotency-key': id });
    await answer.arrayBuffer();
    return { ms: performance.now() - begun, isFault: answer.status >= 400 };
  }
  report() {
    return this.#app.ask('GET', `/jobs/${this.#job}/report.pdf`).then((answer) => answer.arrayBuffer());
  }
  close() {
    this.#stream.destroy();
  }

  /** What comes in pieces is heard by whole lines: an id may stand in two of them. */
  #hear(data) {
    const heard = this.#rest + data;
    const end = heard.lastIndexOf('\n') + 1;
    this.#rest = heard.slice(end);
    const lines = heard.slice(0, end);
    for (const [id, begun] of this.#sent)
      if (lines.includes(id)) {
        this.told.push(performance.now() - begun);
        this.#sent.delete(id);
      }
  }
}

/**
 * @param {number} devices
 * @param {number} minutes
 */
export async function workshop(app, devices, minutes) {
  const [writes, told, meanwhile] = [[], [], []];
  let faults = 0;
  let isReporting = false;
  const pairs = await Promise.all(
    Array.from({ length: devices / 2 }, async () => {
      const pair = new Pair(app, told);
      await pair.begin();
      return pair;
    }),
  );
  const ends = performance.now() + minutes * 60_000;
  const device = async (pair) => {
    await wait(Math.random() * EVERY_MS);
    while (performance.now() < ends) {
      const next = performance.now() + EVERY_MS;
      const { ms, isFault } = await pair.save();
      (isReporting ? meanwhile : writes).push(ms);
      if (isFault) faults++;
      await wait(Math.max(0, next - performance.now()));
    }
  };
  const memory = [];
  const watch = async () => {
    while (performance.now() < ends) {
      memory.push(await residentMegabytes(app.serverPid()));
      await wait(Math.min(60_000, minutes * 6000));
    }
  };
  const reports = async () => {
    await wait(minutes * 30_000);
    isReporting = true;
    const begun = performance.now();
    await Promise.all(Array.from({ length: REPORTS }, (_, i) => pairs[i % pairs.length].report()));
    isReporting = false;
    return performance.now() - begun;
  };
  const [reportsMs] = await Promise.all([reports(), watch(), ...pairs.flatMap((pair) => [device(pair), device(pair)])]);
  await wait(500);
  for (const pair of pairs) pair.close();
  return {
    writes: figures(writes),
    told: figures(told),
    meanwhile: figures(meanwhile),
    count: writes.length + meanwhile.length,
    heard: told.length,
    faults,
    reports: REPORTS,
    reportsMs,
    // what was taken while it became warm is no growth
    grewMegabytes: memory.at(-1) - memory[Math.floor(memory.length / 6)],
    megabytes: memory.at(-1),
  };
}
