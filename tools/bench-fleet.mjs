/**
 * `npm run bench:fleet`: a whole simulated fleet brought in, read and taken out again; writes docs/benchmarks.md.
 *
 * With another number of vehicles (`npm run bench:fleet -- 500`) it is only told.
 */
import { spawn } from 'node:child_process';
import { randomBytes, randomUUID, createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import argon2 from 'argon2';
import pg from 'pg';
import { median } from './bench/median.mjs';
import { writeSection } from './bench/write-section.mjs';
import { buildCli, buildClient, buildServer } from './setup/build.mjs';
import { CHROMIUM } from './setup/chromium.mjs';
import { temporaryCluster, temporaryFolder } from './setup/cluster.mjs';
import { freePort } from './setup/ports.mjs';
import { ROOT } from './setup/root.mjs';
import { run } from './setup/run.mjs';
import { fail } from './setup/steps.mjs';
import { serverEnvironment, startServer, stopProcess } from './setup/supervise.mjs';

const WHOLE = 10_000;
const vehicles = Number(process.argv[2] ?? WHOLE);
const REPEATS = 20;
const LONG_VEHICLE = 'f1ee7000-0000-4000-8000-000000000000';
const PLAN = 'f1ee7009-0000-4000-8000-000000000000';
const PASSWORD = 'a fleet to be measured';

/** The most memory that a process had, MB: as the kernel keeps it. */
const peakOf = (pid) => {
  const file = `/proc/${pid}/status`;
  if (!existsSync(file)) return 0;
  return Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync(file, 'utf8'))?.[1] ?? 0) / 1024;
};

/** Runs a program of the server to its end. @returns seconds and the most memory it had, MB. */
function measured(file, words, env) {
  const began = Date.now();
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [join(ROOT, file), ...words], {
      cwd: ROOT,
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let peak = 0;
    const look = setInterval(() => (peak = Math.max(peak, peakOf(child.pid))), 100);
    let printed = '';
    child.stdout.on('data', (part) => (printed += part));
    child.on('close', (code) => {
      clearInterval(look);
      if (code !== 0) reject(new Error(`${file} ended with ${code}`));
      else resolve({ seconds: (Date.now() - began) / 1000, peak, printed });
    });
  });
}

const p95 = (times) => [...times].sort((a, b) => a - b)[Math.ceil(times.length * 0.95) - 1];

async function pagesOf(url, token) {
  const headers = { authorization: `Bearer ${token}` };
  const ask = async (path) => {
    const began = performance.now();
    const answer = await fetch(url + path, { headers });
    const body = await answer.text();
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${body.slice(0, 200)}`);
    return { ms: performance.now() - began, answer, body };
  };
  const shop = '/api/shops/fleet';
  const later = async (path, pages) => {
    let at = path;
    for (let page = 0; page < pages; page++) {
      const { answer } = await ask(at);
      at = /<([^>]+)>/.exec(answer.headers.get('link') ?? '')?.[1] ?? at;
    }
    return at;
  };
  const rows = [
    ['Job list, open', `${shop}/jobs?status=open&limit=300`],
    ['Job list, closed, page 20', await later(`${shop}/jobs?status=closed&limit=300`, 20)],
    ['Job list, searched', `${shop}/jobs?status=closed&find=van%20FL-09`],
    ['Vehicles, first page', `${shop}/vehicles`],
    ['Vehicles, page 50', await later(`${shop}/vehicles?limit=100`, Math.min(50, vehicles / 100 - 1))],
    [
      'Vehicles, searched by plate',
      `${shop}/vehicles?find=FL-00${String(Math.min(999, vehicles - 1)).padStart(3, '0')}`,
    ],
    ['Vehicles, searched by two words', `${shop}/vehicles?find=pickup%20depot`],
    ['Vehicles, searched for what none has', `${shop}/vehicles?find=zzzz`],
    ['History of the vehicle with 200 visits', `${shop}/vehicles/${LONG_VEHICLE}/history`],
    ['Rounds: every plan with what is due', `${shop}/rounds`],
    ['Vehicles of a round', `${shop}/rounds/${PLAN}/vehicles`],
    ['Round sheet', `${shop}/rounds/${PLAN}/sheet`],
    ['One job', `${shop}/jobs/f1ee7001-0000-4000-8000-000000000001`],
  ];
  const told = [];
  for (const [name, path] of rows) {
    await ask(path);
    const times = [];
    for (let at = 0; at < REPEATS; at++) times.push((await ask(path)).ms);
    told.push([name, median(times), p95(times)]);
  }
  return told;
}

/** Judges past jobs again for at most a minute and a half, while a technician saves a reading now and then. */
async function rejudgeOf(url) {
  const signedIn = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ shop: 'fleet', name: 'Measurer', password: PASSWORD }),
  });
  const cookie = signedIn.headers.get('set-cookie').split(';')[0];
  const headers = { cookie, 'content-type': 'application/json' };
  const shop = `${url}/api/shops/fleet`;
  const job = randomUUID();
  const system = { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } };
  const vehicle = { id: randomUUID(), name: 'Van' };
  await fetch(`${shop}/jobs`, { method: 'POST', headers, body: JSON.stringify({ id: job, vehicle, system }) });
  const stop = new AbortController();
  const answer = await fetch(`${shop}/criteria/careful/versions/1/rejudge`, {
    method: 'POST',
    headers,
    body: '{}',
    signal: stop.signal,
  });
  const began = performance.now();
  const writes = [];
  let isOver = false;
  const writing = (async () => {
    while (!isOver) {
      const reading = { id: randomUUID(), test: 'resting-voltage', value: 12.6 };
      const asked = performance.now();
      await (
        await fetch(`${shop}/jobs/${job}/readings`, { method: 'POST', headers, body: JSON.stringify({ reading }) })
      ).text();
      writes.push(performance.now() - asked);
      await new Promise((resolve) => setTimeout(resolve, 300));
    }
  })();
  let rest = '';
  let jobs = 0;
  const decoder = new TextDecoder();
  try {
    for await (const part of answer.body) {
      const lines = (rest + decoder.decode(part, { stream: true })).split('\n');
      rest = lines.pop();
      for (const line of lines) jobs = JSON.parse(line).done;
      if (performance.now() - began > 90_000) stop.abort();
    }
  } catch (error) {
    if (!stop.signal.aborted) throw error;
  }
  const seconds = (performance.now() - began) / 1000;
  isOver = true;
  await writing;
  return { jobs, seconds, perSecond: jobs / seconds, writes };
}

/** From the press to the trend drawn: the page of the vehicle with 200 visits. */
async function drawn(url) {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.request.post(`${url}/api/session`, { data: { shop: 'fleet', name: 'Measurer', password: PASSWORD } });
    const times = [];
    for (let at = 0; at < 6; at++) {
      await page.goto(`${url}/vehicles`);
      await page.getByRole('searchbox').fill('FL-00001');
      const link = page.getByRole('link', { name: /^\w+ 1$/ });
      await link.waitFor();
      await page.waitForTimeout(500);
      times.push(
        await page.evaluate(async () => {
          const began = performance.now();
          [...document.querySelectorAll('a')].find((a) => /^\s*\w+ 1\s*$/.test(a.textContent)).click();
          while (!document.querySelector('canvas') || document.querySelectorAll('tbody tr').length < 100)
            await new Promise(requestAnimationFrame);
          await new Promise(requestAnimationFrame);
          return performance.now() - began;
        }),
      );
    }
    return median(times.slice(1));
  } finally {
    await browser.close();
  }
}

try {
  await Promise.all([buildCli(), buildServer()]);
  await buildClient();
  const folder = await temporaryFolder();
  const cluster = await temporaryCluster();
  let server = null;
  try {
    await cluster.createDatabase();
    const env = { ...serverEnvironment(cluster.url(), await freePort()), TETRAD_LOG_LEVEL: 'error' };
    const printed = await run(process.execPath, ['dist/server/prepare.mjs'], { cwd: ROOT, env });
    const { address } = JSON.parse(printed);
    console.log(`simulating ${vehicles} vehicles`);
    const archive = join(folder, 'fleet.zip');
    const made = await measured(
      'tools/tetrad.mjs',
      ['simulate', '--fleet', archive, '--vehicles', String(vehicles)],
      process.env,
    );
    console.log(made.printed.trim());
    console.log('importing');
    const taken = await measured('dist/server/move.mjs', ['import', archive], env);
    console.log(`${taken.printed} ${taken.seconds.toFixed(0)} s, at most ${taken.peak.toFixed(0)} MB`);
    const owner = new pg.Client({ connectionString: cluster.url() });
    await owner.connect();
    await owner.query('VACUUM ANALYZE'); // as it happens by itself within minutes
    const token = `tetrad.fleet.${randomBytes(32).toString('base64url')}`;
    await owner.query(
      `INSERT INTO api_key (shop_id, key_id, name, token_hash, role, created_by, expires_at) VALUES ('fleet', $1, 'Bench', $2, 'lead', 'bench', now() + interval '1 day')`,
      [randomUUID(), createHash('sha256').update(token).digest()],
    );
    await owner.query(
      `INSERT INTO person (shop_id, person_id, name, role, password_hash) VALUES ('fleet', $1, 'Measurer', 'lead', $2)`,
      [randomUUID(), await argon2.hash(PASSWORD)],
    );
    const { rows: counts } = await owner.query(
      `SELECT (SELECT count(*) FROM vehicle) AS vehicles, (SELECT count(*) FROM job) AS jobs, (SELECT count(*) FROM reading) AS readings, pg_database_size(current_database()) AS bytes`,
    );
    await owner.end();
    console.log('measuring');
    server = await startServer(
      { ...env, TETRAD_DATABASE_URL: address, TETRAD_REQUESTS_A_SECOND: '10000' },
      { quiet: true },
    );
    const url = `http://127.0.0.1:${server.port}`;
    const pages = await pagesOf(url, token);
    const drawnMs = await drawn(url);
    const again = await rejudgeOf(url);
    console.log(
      `judged again: ${again.jobs} jobs in ${again.seconds.toFixed(0)} s, ${again.perSecond.toFixed(0)} a second; writes meanwhile ${median(again.writes).toFixed(0)} ms, p95 ${p95(again.writes).toFixed(0)} ms`,
    );
    const serverPeak = peakOf(server.child.pid);
    for (const [name, usual, late] of pages) console.log(`${name}: ${usual.toFixed(0)} ms, p95 ${late.toFixed(0)} ms`);
    console.log(`vehicle page drawn: ${drawnMs.toFixed(0)} ms; server at most ${serverPeak.toFixed(0)} MB`);
    console.log('exporting');
    const outcome = join(folder, 'again.zip');
    const out = await measured('dist/server/move.mjs', ['export', outcome, '--shop', 'fleet'], env);
    const bytes = (await stat(outcome)).size;
    console.log(`${out.seconds.toFixed(0)} s, at most ${out.peak.toFixed(0)} MB, ${(bytes / 1e6).toFixed(0)} MB`);
    const { vehicles: v, jobs, readings, bytes: size } = counts[0];
    const table = [
      `${v} vehicles, ${jobs} jobs, ${readings} readings over five years, written by \`tetrad simulate --fleet\` (${made.seconds.toFixed(0)} s); the database has ${(size / 1e9).toFixed(1)} GB.`,
      '',
      '| what | median | p95 of 20 |',
      '| --- | --- | --- |',
      ...pages.map(([name, usual, late]) => `| ${name} | ${usual.toFixed(0)} ms | ${late.toFixed(0)} ms |`),
      `| Page of the vehicle with 200 visits, from the press to everything drawn (1280×800) | ${drawnMs.toFixed(0)} ms | |`,
      '',
      '| what | time | most memory |',
      '| --- | --- | --- |',
      `| Import of the whole shop | ${taken.seconds.toFixed(0)} s | ${taken.peak.toFixed(0)} MB |`,
      `| Export of it, ${(bytes / 1e6).toFixed(0)} MB | ${out.seconds.toFixed(0)} s | ${out.peak.toFixed(0)} MB |`,
      `| Past jobs judged again by another limit set: ${again.perSecond.toFixed(0)} a second; a reading written meanwhile in ${median(again.writes).toFixed(0)} ms, p95 ${p95(again.writes).toFixed(0)} ms | ${again.seconds.toFixed(0)} s | |`,
      `| Server while it answered | | ${serverPeak.toFixed(0)} MB |`,
    ].join('\n');
    if (vehicles === WHOLE) await writeSection('fleet', table);
    else console.log(table);
  } finally {
    if (server) await stopProcess(server.child);
    await cluster.remove();
    await rm(folder, { recursive: true, force: true });
  }
} catch (error) {
  fail(error);
}
