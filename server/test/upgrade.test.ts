/** A database that an earlier version wrote: what was said then is told after the upgrade, and the job goes on. */
import { cp, mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BALANCED, CORE_VERSION, fourNoteProfile, judgeSurvey, survey } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import pg from 'pg';
import pino from 'pino';
import { ensureAppRole } from '../src/platform/database/app-role';
import { migrate } from '../src/platform/database/migrate';
import { Pool } from '../src/platform/database/pool';
import { jobBody, readingBody, startApplication } from './application';
import { MIGRATIONS, newDatabase } from './databases';

/** The last file before judgements were stored as what changed. */
const WHOLE_JUDGEMENTS = '0010';

async function migrateUntil(pool: Pool, last: string): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'earlier-'));
  try {
    for (const name of await readdir(MIGRATIONS))
      if (name.slice(0, 4) <= last) await cp(join(MIGRATIONS, name), join(folder, name));
    await migrate(pool, folder);
  } finally {
    await rm(folder, { recursive: true });
  }
}

it('tells the judgements that were stored whole, and stores the next as what changed since', async () => {
  const address = await newDatabase();
  await ensureAppRole(address);
  const before = new Pool(address, pino({ level: 'silent' }), { isPatient: true });
  await migrateUntil(before, WHOLE_JUDGEMENTS);
  await before.end();

  const { id, vehicle, system, complaint } = jobBody();
  const reading = { id: 'r1', test: 'resting-voltage' as const, value: 12.61 };
  const subject = { format: 'tetrad-case/1', system, complaint, readings: [reading] } as Case;
  const surveyed = survey(subject, BALANCED);
  const said = judgeSurvey(surveyed);
  const owner = new pg.Client({ connectionString: address });
  await owner.connect();
  const put = (statement: string, ...values: unknown[]) => owner.query(statement, ['one', ...values]);
  await put('INSERT INTO shop VALUES ($1, $2)', 'Shop one');
  await put('INSERT INTO vehicle (shop_id, vehicle_id, name) VALUES ($1, $2, $3)', vehicle.id, vehicle.name);
  await put(
    'INSERT INTO job (shop_id, job_id, vehicle_id, system, complaint) VALUES ($1, $2, $3, $4, $5)',
    ...[id, vehicle.id, system, complaint],
  );
  await put(
    'INSERT INTO reading (shop_id, job_id, reading_id, test, document) VALUES ($1, $2, $3, $4, $5)',
    ...[id, reading.id, reading.test, reading],
  );
  await put(
    `INSERT INTO judgement (shop_id, job_id, criteria_id, criteria_version, core_version, document, profile)
     VALUES ($1, $2, 'balanced', 1, $3, $4, $5)`,
    ...[id, CORE_VERSION, said, JSON.stringify(fourNoteProfile(surveyed.assessments, subject.system))],
  );
  await owner.end();

  const app = await startApplication(address);
  try {
    const path = `/api/shops/one/jobs/${id}`;
    const now = await app.ask('POST', `${path}/readings`, readingBody('cranking-voltage', 10.4));
    expect(now.status).toBe(201);
    const [newest, oldest] = (await app.ask('GET', `${path}/judgements`)).body as { seq: number }[];
    const toldOf = async (seq: number) => (await app.ask('GET', `${path}/judgements/${seq}`)).body.document;
    expect(await toldOf(oldest!.seq)).toEqual(JSON.parse(JSON.stringify(said)));
    expect(await toldOf(newest!.seq)).toEqual(now.body.judgement);
    const { rows } = await app.owner.query('SELECT base FROM judgement WHERE job_id = $1 ORDER BY seq', [id]);
    expect(rows.map(({ base }) => base !== null)).toEqual([false, true]);
  } finally {
    await app.close();
  }
}, 30_000);

it('repairs the checks of instruments that made their list fail, and keeps what they really found', async () => {
  const address = await newDatabase();
  await ensureAppRole(address);
  const before = new Pool(address, pino({ level: 'silent' }), { isPatient: true });
  await migrateUntil(before, '0013');
  await before.end();
  const owner = new pg.Client({ connectionString: address });
  await owner.connect();
  const instrument = jobBody().id;
  await owner.query("INSERT INTO shop VALUES ('one', 'Shop one')");
  await owner.query(
    "INSERT INTO instrument (shop_id, instrument_id, name, kind, uncertainty) VALUES ('one', $1, 'M', 'meter', '{}')",
    [instrument],
  );
  const check = (findings: object) =>
    owner.query(
      "INSERT INTO instrument_check (shop_id, instrument_id, check_id, findings) VALUES ('one', $1, gen_random_uuid(), $2)",
      [instrument, findings],
    );
  await check({ 'meter-leads': 'jumping' });
  await check({ lamp: 'good', 'meter-leads': 'steady' });
  await owner.end();
  const app = await startApplication(address);
  try {
    const { status, body } = await app.ask('GET', '/api/shops/one/instruments');
    expect([status, body[0].check.findings]).toEqual([200, { 'meter-leads': 'steady' }]);
    const { rows } = await app.owner.query('SELECT findings FROM instrument_check ORDER BY seq');
    expect(rows[0].findings).toEqual({ 'meter-leads': 'jumping' });
    await expect(app.owner.query('UPDATE instrument_check SET findings = $1', [{}])).rejects.toThrow('append-only');
  } finally {
    await app.close();
  }
}, 30_000);

it('a migration that fails is named, and nothing of it stays', async () => {
  const address = await newDatabase();
  await ensureAppRole(address);
  const pool = new Pool(address, pino({ level: 'silent' }), { isPatient: true });
  const folder = await mkdtemp(join(tmpdir(), 'failing-'));
  try {
    await cp(MIGRATIONS, folder, { recursive: true });
    await writeFile(join(folder, '9999_broken.sql'), 'CREATE TABLE half (x integer); SELECT 1 / 0;');
    await expect(migrate(pool, folder)).rejects.toThrow('migration 9999_broken.sql failed: division by zero');
    const { rows } = await pool.query("SELECT to_regclass('half') AS half, max(name) AS newest FROM migration");
    expect(rows[0]).toEqual({ half: null, newest: expect.stringMatching(/^00/) });
  } finally {
    await rm(folder, { recursive: true });
    await pool.end();
  }
});
