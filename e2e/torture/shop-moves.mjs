/** Many shops on two clusters: while devices write in some of them, shops move from one cluster to the other. */
import { randomUUID } from 'node:crypto';
import { rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import argon2 from 'argon2';
import { temporaryCluster, temporaryFolder } from '../../tools/setup/cluster.mjs';
import { ROOT } from '../../tools/setup/root.mjs';
import { run } from '../../tools/setup/run.mjs';
import { adminOf, open } from './application.mjs';

const PASSWORD = 'a password of the torture';
const WORKING = 10;
const RETRY_MS = 100;
const shopOf = (number) => `shop-${number}`;

/** A device of a shop, signed in, at a job of its own. */
class Device {
  acknowledged = [];
  longestMs = 0;
  #url;
  #cookie;
  constructor(url, shop) {
    this.shop = shop;
    this.#url = url;
  }

  async begin() {
    const answer = await fetch(`${this.#url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ shop: this.shop, name: 'Ada', password: PASSWORD }),
    });
    if (answer.status !== 201) throw new Error(`${this.shop}: signing in was answered ${answer.status}`);
    this.#cookie = answer.headers.getSetCookie()[0].split(';')[0];
    this.job = randomUUID();
    const vehicle = { id: randomUUID(), name: 'Torture van 1.8 petrol' };
    const system = { nominalVolts: 12, battery: { chemistry: 'flooded' } };
    await this.#ask('POST', '/jobs', { id: this.job, vehicle, system }, randomUUID());
  }

  /** The same again until it is stored, as a device does. */
  async save() {
    const id = randomUUID();
    const begun = performance.now();
    const body = { reading: { id, test: 'resting-voltage', value: 12.6 } };
    while ((await this.#ask('POST', `/jobs/${this.job}/readings`, body, id)) !== 201) await wait(RETRY_MS);
    this.acknowledged.push(id);
    this.longestMs = Math.max(this.longestMs, performance.now() - begun);
  }

  async #ask(method, path, body, key) {
    const answer = await fetch(`${this.#url}/api/shops/${this.shop}${path}`, {
      method,
      headers: { cookie: this.#cookie, 'content-type': 'application/json', 'idempotency-key': key },
      body: JSON.stringify(body),
    }).catch(() => null);
    await answer?.arrayBuffer();
    if (answer && answer.status < 500 && answer.status >= 400 && answer.status !== 429)
      throw new Error(`${this.shop}: a right request was answered ${answer.status}`);
    return answer?.status ?? 0;
  }
}

/**
 * @param {number} shops
 * @param {number} moves
 */
export async function shopMoves(shops, moves) {
  const [first, east] = [await temporaryCluster(), await temporaryCluster()];
  const folder = await temporaryFolder();
  let app = null;
  try {
    for (const cluster of [first, east]) await cluster.createDatabase();
    const file = join(folder, 'clusters.json');
    await writeFile(file, JSON.stringify({ east: { database: east.url() } }));
    process.env.TETRAD_CLUSTERS_FILE = file;
    app = await open(first, { isKept: false });
    const hash = await argon2.hash(PASSWORD, {
      type: argon2.argon2id,
      memoryCost: 19_456,
      timeCost: 2,
      parallelism: 1,
    });
    await adminOf(
      first.url(),
      "INSERT INTO shop (shop_id, name) SELECT 'shop-' || n, 'Shop ' || n FROM generate_series(1, $1) n",
      [shops],
    );
    await adminOf(
      first.url(),
      `INSERT INTO person (shop_id, person_id, name, role, password_hash)
       SELECT 'shop-' || n, gen_random_uuid(), 'Ada', 'administrator', $2 FROM generate_series(1, $1) n`,
      [shops, hash],
    );
    const devices = Array.from({ length: WORKING }, (_, i) => new Device(app.url, shopOf(i + 1)));
    for (const device of devices) await device.begin();
    let isOver = false;
    const writers = devices.map(async (device) => {
      while (!isOver) await device.save();
    });
    const env = { ...process.env, TETRAD_DATABASE_URL: first.url() };
    const home = new Map();
    for (let i = 0; i < moves; i++) {
      const device = devices[i % WORKING];
      const to = home.get(device.shop) === 'east' ? 'first' : 'east';
      await run(process.execPath, [join(ROOT, 'dist/server/move-shop.mjs'), device.shop, '--to', to], {
        cwd: ROOT,
        env,
      });
      home.set(device.shop, to);
      const before = device.acknowledged.length;
      while (device.acknowledged.length < before + 3) await wait(20);
    }
    isOver = true;
    await Promise.all(writers);
    let [lost, twice] = [0, 0];
    for (const { shop, job, acknowledged } of devices) {
      const at = home.get(shop) === 'east' ? east : first;
      const rows = await adminOf(
        at.url(),
        'SELECT reading_id AS id, count(*)::int AS n FROM reading WHERE shop_id = $1 AND job_id = $2 GROUP BY 1',
        [shop, job],
      );
      const known = new Set(rows.map(({ id }) => id));
      lost += acknowledged.filter((id) => !known.has(id)).length;
      twice += rows.filter(({ n }) => n > 1).length;
      const acts = await adminOf(
        at.url(),
        `SELECT count(*)::int AS n FROM act WHERE shop_id = $1 AND entry::jsonb->>'what' = 'reading-added'
         GROUP BY entry::jsonb #>> '{detail,reading}' HAVING count(*) > 1`,
        [shop],
      );
      twice += acts.length;
    }
    return {
      acknowledged: devices.reduce((sum, device) => sum + device.acknowledged.length, 0),
      lost,
      twice,
      longestMs: Math.max(...devices.map((device) => device.longestMs)),
      inEast: [...home.values()].filter((name) => name === 'east').length,
    };
  } finally {
    delete process.env.TETRAD_CLUSTERS_FILE;
    await app?.close();
    for (const cluster of [first, east]) await cluster.remove();
    await rm(folder, { recursive: true, force: true });
  }
}
