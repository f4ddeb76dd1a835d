/**
 * Instruments read live: how old a value is when it stands on the bench, what eight instruments and ten benches cost the
 * server, and whether its memory grows. The instruments are of this process and answer at once.
 */
import { once } from 'node:events';
import { readFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { median } from './median.mjs';

const REPEATS = 40;
const INSTRUMENTS = 8;
const BENCHES = 10;
/** An instrument of the demo, whose address is changed here; the others are added. */
const METER = '7e7ad000-0000-4000-a000-000000000001';
const instrumentId = (index) => (index === 0 ? METER : `7e7ad000-0000-4000-a100-${String(index).padStart(12, '0')}`);
const JOB = '7e7ad000-0000-4000-9000-000000000016';
const WARM_MS = 5000;
const MEASURED_MS = 20_000;
const TICKS_A_SECOND = 100;

/** A meter that shows `shown.text`, and tells when it first said it. */
async function meter(shown) {
  const server = createServer((socket) => {
    socket.setNoDelay(true).on('error', () => undefined);
    socket.setEncoding('latin1').on('data', (text) => {
      for (const line of text.split('\n')) {
        if (line === '*IDN?') socket.write('Bench,Meter,1,0\n');
        if (line !== 'READ?') continue;
        socket.write(`${shown.text}\n`);
        shown.saidAt[shown.text] ??= performance.timeOrigin + performance.now();
      }
    });
  });
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  return { server, address: `127.0.0.1:${server.address().port}` };
}

/** Resolves with the moment at which the live value on the bench is this text. */
const momentOf = (page, text) =>
  page.evaluate(
    (wanted) =>
      new Promise((resolve) => {
        const look = () => {
          if (document.querySelector('[aria-label="Live value"]')?.textContent !== wanted) return;
          observer.disconnect();
          resolve(performance.timeOrigin + performance.now());
        };
        const observer = new MutationObserver(look);
        observer.observe(document.body, { subtree: true, childList: true, characterData: true });
        look();
      }),
    text,
  );

async function asAdministrator(page) {
  await page.getByRole('button', { name: /^Switch user/ }).click();
  await page.getByRole('button', { name: /^Edda/ }).click();
  const pin = page.getByRole('group', { name: /^PIN of/ });
  await pin.waitFor();
  await page.keyboard.type('7410');
  await pin.waitFor({ state: 'hidden' });
}

/** Writes from the page, as it would itself. */
const write = (page, method, path, body) =>
  page.evaluate(
    async ([how, where, what]) => {
      const { shop } = await (await fetch('/api/session')).json();
      const headers = { 'content-type': 'application/json', 'Idempotency-Key': crypto.randomUUID() };
      const answer = await fetch(`/api/shops/${shop.id}${where}`, { method: how, headers, body: JSON.stringify(what) });
      if (!answer.ok) throw new Error(`${how} ${where}: ${answer.status}`);
      return shop.id;
    },
    [method, path, body],
  );

/** Processor time of a process, ms. */
async function processorMs(pid) {
  const stat = await readFile(`/proc/${pid}/stat`, 'utf8');
  const [user, system] = stat
    .slice(stat.lastIndexOf(')') + 2)
    .split(' ')
    .slice(11, 13)
    .map(Number);
  return ((user + system) * 1000) / TICKS_A_SECOND;
}
/** Resident memory of a process, MB. */
async function memoryMb(pid) {
  const status = await readFile(`/proc/${pid}/status`, 'utf8');
  return Number(/VmRSS:\s+(\d+) kB/.exec(status)[1]) / 1000;
}

/** A bench that listens to two instruments. @returns the call that ends it. */
function listen(url, shop, cookie, bench) {
  const read = [bench, bench + 1].map((at) => `${instrumentId(at % INSTRUMENTS)}:volts-dc`).join(',');
  const stop = new AbortController();
  const values = { count: 0 };
  void (async () => {
    const answer = await fetch(`${url}/api/shops/${shop}/instruments/live?read=${read}`, {
      headers: { cookie },
      signal: stop.signal,
    });
    for await (const part of answer.body)
      values.count += Buffer.from(part).toString().split('"state":"value"').length - 1;
  })().catch(() => undefined);
  return { values, stop: () => stop.abort() };
}

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** @param minutes How long the memory is watched. */
export async function benchLiveInstruments(url, browser, { pid, minutes = 1 }) {
  const shown = Array.from({ length: INSTRUMENTS }, () => ({ text: '12.600', saidAt: {} }));
  const meters = await Promise.all(shown.map(meter));
  try {
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.goto(`${url}/floor`);
    await asAdministrator(page);
    const instrumentHosts = meters.map(({ address }) => address);
    const shop = await write(page, 'PUT', '/settings', { forgetsAtSignOut: false, instrumentHosts });
    for (const [index, { address }] of meters.entries())
      await write(page, 'PUT', `/instruments/${instrumentId(index)}`, {
        name: index === 0 ? 'Bench meter 1' : `Bench meter, further ${index}`,
        kind: 'meter',
        uncertainty: { V: 0.02 },
        address: `tcp://${address}`,
      });
    await page.goto(`${url}/jobs/${JOB}`);
    await page.getByLabel('Live value').waitFor();

    const ages = [];
    for (let i = 0; i < REPEATS; i++) {
      const text = (12.1 + i / 1000).toFixed(3);
      const seen = momentOf(page, `${text} V`);
      shown[0].text = text;
      ages.push((await seen) - shown[0].saidAt[text]);
      await wait(120);
    }
    const echo = [];
    for (let i = 0; i < REPEATS; i++) {
      const begun = performance.now();
      await (await fetch(`${url}/api/health`)).text();
      echo.push(performance.now() - begun);
    }

    await page.close();
    const cookie = (await context.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
    const benches = Array.from({ length: BENCHES }, (_, at) => listen(url, shop, cookie, at));
    await wait(WARM_MS);
    const before = { at: performance.now(), cpu: await processorMs(pid), values: sumOf(benches) };
    await wait(MEASURED_MS);
    const elapsed = performance.now() - before.at;
    const share = ((await processorMs(pid)) - before.cpu) / elapsed;
    const perBench = ((sumOf(benches) - before.values) / elapsed) * (1000 / BENCHES);
    const warmMb = await memoryMb(pid);
    await wait(minutes * 60_000);
    const growthMb = (await memoryMb(pid)) - warmMb;
    for (const bench of benches) bench.stop();
    await context.close();
    const age = median(ages);
    return [
      {
        name: `A live value on the bench, from the instrument’s answer, median of ${REPEATS}; the oldest ${Math.round(Math.max(...ages))} ms`,
        figure: `${Math.round(age)} ms`,
        aim: 'under 150 ms',
        reference: 'asking the server for its health once',
        ratio: age / median(echo),
        met: age < 150,
      },
      {
        name: `${INSTRUMENTS} instruments and ${BENCHES} benches of two each (${perBench.toFixed(0)} values a second on a bench): processor time of the server`,
        figure: `${(share * 100).toFixed(1)} % of a core`,
        aim: 'under 10 %',
        reference: 'the aim',
        ratio: share / 0.1,
        met: share < 0.1,
      },
      {
        name: `Memory of the server after ${minutes} min of that, above the beginning`,
        figure: `${growthMb.toFixed(0)} MB`,
        aim: 'level (within 50 MB)',
        reference: `its ${warmMb.toFixed(0)} MB`,
        ratio: growthMb / warmMb,
        met: growthMb < 50,
      },
    ];
  } finally {
    for (const { server } of meters) server.close();
  }
}

const sumOf = (benches) => benches.reduce((sum, { values }) => sum + values.count, 0);
