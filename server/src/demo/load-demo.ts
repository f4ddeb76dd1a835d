import { TAKEN_ACTIONS, jobId } from '@tetrad/contracts';
import type { InstrumentBody, JobId, NewSignOff } from '@tetrad/contracts';
import { CASE_FORMAT, customerWords } from '@tetrad/core';
import type { Case, Decision } from '@tetrad/core';
import { storeFile } from '../captures/store-file';
import { storeCase } from '../jobs/case-routes';
import { addCheck, putInstrument } from '../instruments/instruments.sql';
import { DEMO_PEOPLE } from '../people/demo';
import { addPerson, findPerson } from '../people/people.sql';
import { hashSecret } from '../people/secrets';
import { newestJudgement } from '../judgements/judgements.sql';
import { addResult } from '../practice/practice.sql';
import { inTransaction } from '../platform/database/pool';
import type { Pool, Sql } from '../platform/database/pool';
import { addUse } from '../rounds/checks.sql';
import { putPlan } from '../rounds/plans.sql';
import { addShop, changeShop } from '../shops/shops.sql';
import { importFigures } from '../maker-figures/maker-figures.sql';
import { addOutcome } from '../outcomes/outcomes.sql';
import { saidWith } from '../judgements/said-with';
import { addSignOff } from '../signing/sign-offs.sql';
import { inShop } from '../platform/database/working-shop';
import { addVehicle } from '../vehicles/vehicles.sql';
import { startTimer } from '../waiting/timers.sql';
import { DEMO_CAPTURES, demoFile } from './demo-captures';
import { DEMO_SHOP, EMPTY_SHOP } from '../shops/demo-shops';
import { DEMO_FIGURES } from './demo-figures';
import { DEMO_JOBS } from './demo-jobs';
import { DEMO_PAST } from './demo-past';
import type { PastDemoJob } from './demo-past';
import { DEMO_PRACTICE } from './demo-practice';
import { DEMO_ROUNDS, DEMO_USES } from './demo-rounds';
import { NEVER_SEEN } from './demo-vehicles';
import type { DemoJob } from './demo-jobs';

const HOUR_MS = 3_600_000;
/** Minutes between two readings of a demo job. */
const STEP_MS = 4 * 60_000;

const instrumentId = (index: number): string => `7e7ad000-0000-4000-a000-${String(index + 1).padStart(12, '0')}`;
const DEMO_INSTRUMENTS: readonly InstrumentBody[] = [
  { name: 'Bench meter 1', kind: 'meter', uncertainty: { V: 0.02, ohm: 0.2 } },
  { name: 'Clamp, large', kind: 'clamp', uncertainty: { A: 4 } },
  { name: 'Round tester', kind: 'battery-tester', uncertainty: { A: 15 } },
  { name: 'Vehicle data', kind: 'vehicle-data', uncertainty: {} },
  { name: 'Recorder', kind: 'scope', uncertainty: { V: 0.05, A: 6 } },
];

/** The stand-in behind each of them, in the same order. */
const STAND_IN_OF = ['meter', 'clamp', 'analyzer', 'vehicle', 'recorder'] as const;

const roundId = (index: number): string => `7e7ad000-0000-4000-8100-${String(index + 1).padStart(12, '0')}`;
const useId = (index: number): string => `7e7ad000-0000-4000-8200-${String(index + 1).padStart(12, '0')}`;
const practiceId = (index: number): string => `7e7ad000-0000-4000-c000-${String(index + 1).padStart(12, '0')}`;
const captureId = (index: number): string => `7e7ad000-0000-4000-b000-${String(index + 1).padStart(12, '0')}`;
const pastId = (index: number): JobId => jobId(`7e7ad000-0000-4000-9100-${String(index + 1).padStart(12, '0')}`);
const demoJobId = (index: number): JobId => jobId(`7e7ad000-0000-4000-9000-${String(index + 1).padStart(12, '0')}`);

/** A demo job as a case, its times relative to `now`. */
export function demoCase(job: DemoJob, now: Date): Case {
  const opened = now.getTime() - job.hoursAgo * HOUR_MS;
  return {
    format: CASE_FORMAT,
    title: job.vehicle.name,
    system: job.vehicle.system,
    complaint: {
      symptoms: job.symptoms,
      partsAlreadyReplaced: job.partsAlreadyReplaced ?? [],
      ...(job.note && { note: job.note }),
    },
    conditions: { batteryCelsius: job.celsius, ambientCelsius: job.celsius },
    observations: job.observations,
    readings: [...job.readings, ...(job.after ?? []).map((reading) => ({ ...reading, pass: 'after' as const }))].map(
      (reading, index) => ({
        ...reading,
        id: `d${index + 1}`,
        at: new Date(opened + (index + 1) * STEP_MS).toISOString(),
      }),
    ),
  };
}

/** What stands around the readings of a demo job: its wait, its repair, its sign-off. */
async function surround(sql: Sql, id: JobId, { wait, after, signOff }: DemoJob, openedAt: Date): Promise<void> {
  const { id: shop } = DEMO_SHOP;
  if (wait)
    await startTimer(sql, shop, id, {
      id,
      kind: wait.kind,
      seconds: wait.seconds,
      secondsAgo: wait.begunSecondsAgo,
    });
  if (after) await sql.query("UPDATE job SET pass = 'after' WHERE shop_id = $1 AND job_id = $2", [shop, id]);
  if (signOff) {
    const judged = (await newestJudgement(sql, shop, id))?.decision ?? null;
    const { by: name, ...body } = signOff;
    const signer = DEMO_PEOPLE.find((person) => person.name === name)!;
    const at = new Date(openedAt.getTime() + 3 * HOUR_MS);
    await addSignOff(sql, shop, id, { id, ...body }, { ...signer, kind: 'person' }, judged, { at });
  }
}

/** Where the simulated instruments are just now, by the demo's instruments; both meter and clamp are read live then. */
export async function connectStandIns(pool: Pool, addresses: Readonly<Record<string, string>>): Promise<void> {
  await inShop(DEMO_SHOP.id, () =>
    inTransaction(pool, async (sql) => {
      for (const [index, name] of STAND_IN_OF.entries()) {
        const address = addresses[name];
        if (address !== undefined)
          await sql.query('UPDATE instrument SET address = $3 WHERE shop_id = $1 AND instrument_id = $2', [
            DEMO_SHOP.id,
            instrumentId(index),
            address,
          ]);
      }
      const instrumentHosts = Object.values(addresses).map((address) => address.replace('tcp://', ''));
      await changeShop(sql, DEMO_SHOP.id, { forgetsAtSignOut: false, instrumentHosts });
    }),
  );
}

/** Loads the demo's shops and jobs once. @returns how many jobs were loaded; 0 where they are there. */
export async function loadDemo(pool: Pool, now: Date): Promise<number> {
  for (const shop of [DEMO_SHOP, EMPTY_SHOP])
    await inShop(shop.id, () =>
      inTransaction(pool, async (sql) => {
        await addShop(sql, shop);
        for (const { pin, ...person } of DEMO_PEOPLE) {
          if (await findPerson(sql, person.id)) continue;
          await addPerson(sql, { ...person, passwordHash: null, pinHash: await hashSecret(pin), mustChange: false });
        }
      }),
    );
  return inShop(DEMO_SHOP.id, () => loadJobs(pool, now));
}

async function addPractice(sql: Sql, now: Date): Promise<void> {
  for (const [index, { by, daysAgo, result }] of DEMO_PRACTICE.entries()) {
    const person = DEMO_PEOPLE.find(({ name }) => name === by)!.id;
    const at = new Date(now.getTime() - daysAgo * 24 * HOUR_MS).toISOString();
    await addResult(sql, DEMO_SHOP.id, { id: practiceId(index), person, result: { ...result, at } });
  }
}

/** The rounds, once the vehicles are there. */
async function addRounds(sql: Sql, now: Date): Promise<void> {
  for (const [index, plan] of DEMO_ROUNDS.entries()) await putPlan(sql, DEMO_SHOP.id, roundId(index), plan);
  for (const [index, { vehicle, daysAgo, km }] of DEMO_USES.entries()) {
    const at = new Date(now.getTime() - daysAgo * 24 * HOUR_MS);
    await addUse(sql, DEMO_SHOP.id, useId(index), vehicle, { km }, { by: DEMO_PEOPLE[0]!.name, at });
  }
}

/** Null where the judge asked for more. */
function pastSignOff(id: JobId, decision: Decision, wentOn: PastDemoJob['wentOn']): NewSignOff | null {
  const conclusion = customerWords(decision);
  if (wentOn === 'differed') {
    const reason = 'The customer wanted the starter replaced.';
    return { id, action: 'replace', part: 'starter', conclusion, partsFitted: ['starter'], reason };
  }
  const { part } = decision;
  const action = TAKEN_ACTIONS.find((known) => known === decision.action);
  if (!action) return null;
  return { id, action, ...(part && { part }), conclusion, partsFitted: part && action === 'replace' ? [part] : [] };
}

/** The jobs of the last year with what became of them: what is still to be done is in the others. */
async function addPast(sql: Sql, now: Date): Promise<void> {
  const { id: shop } = DEMO_SHOP;
  const [signer] = DEMO_PEOPLE;
  for (const [index, { name, plate, subject, daysAgo, wentOn }] of DEMO_PAST.entries()) {
    const id = pastId(index);
    const openedAt = new Date(now.getTime() - daysAgo * 24 * HOUR_MS);
    const vehicle = { id, name, plate };
    await storeCase(sql, shop, id, { ...subject, title: name }, { vehicle, openedAt, status: 'closed' });
    const judgement = (await newestJudgement(sql, shop, id))!;
    const body = pastSignOff(id, judgement.decision, wentOn);
    if (!body) continue;
    const at = new Date(openedAt.getTime() + 2 * HOUR_MS);
    const probability = await saidWith(sql, shop, id, judgement);
    await addSignOff(sql, shop, id, body, { ...signer!, kind: 'person' }, judgement.decision, { at, probability });
    if (wentOn === 'gone') await addOutcome(sql, shop, id, { id, complaint: 'gone' }, signer!.name);
    else if (wentOn !== 'unknown') {
      const cause = wentOn === 'differed' ? judgement.decision.part : wentOn;
      await addOutcome(sql, shop, id, { id, complaint: 'back', ...(cause && { cause }) }, signer!.name);
    }
  }
}

function loadJobs(pool: Pool, now: Date): Promise<number> {
  return inTransaction(pool, async (sql) => {
    const { rowCount } = await sql.query('SELECT 1 FROM job WHERE shop_id = $1 LIMIT 1', [DEMO_SHOP.id]);
    if (rowCount) return 0;
    for (const [index, instrument] of DEMO_INSTRUMENTS.entries())
      await putInstrument(sql, DEMO_SHOP.id, instrumentId(index), instrument);
    await addCheck(
      sql,
      DEMO_SHOP.id,
      instrumentId(0),
      {
        id: instrumentId(0),
        findings: { 'meter-leads': 'steady', 'meter-ac': 'blocks-dc' },
      },
      'Ilse Marrow',
    );
    await addPractice(sql, now);
    await addPast(sql, now);
    for (const vehicle of NEVER_SEEN) await addVehicle(sql, DEMO_SHOP.id, vehicle);
    for (const [index, job] of DEMO_JOBS.entries()) {
      const { system: _system, ...vehicle } = job.vehicle;
      const openedAt = new Date(now.getTime() - job.hoursAgo * HOUR_MS);
      await storeCase(sql, DEMO_SHOP.id, demoJobId(index), demoCase(job, now), {
        vehicle,
        openedAt,
        assignee: job.assignee,
        status: job.hoursAgo > 24 * 7 ? 'closed' : 'open',
      });
      await surround(sql, demoJobId(index), job, openedAt);
    }
    for (const [index, capture] of DEMO_CAPTURES.entries()) {
      const { system } = DEMO_JOBS[capture.job]!.vehicle;
      await storeFile(sql, DEMO_SHOP.id, demoJobId(capture.job), {
        id: captureId(index),
        name: capture.name,
        file: demoFile(capture, system),
        cylinders: system.engine?.cylinders ?? null,
      });
    }
    await importFigures(sql, DEMO_SHOP.id, DEMO_FIGURES, DEMO_PEOPLE[0]!.name);
    await addRounds(sql, now);
    await sql.query('UPDATE job SET changed_at = opened_at WHERE shop_id = $1', [DEMO_SHOP.id]);
    // a vehicle of the past has the id of its only job: it came with it
    await sql.query(
      `UPDATE vehicle v SET created_at = j.opened_at FROM job j
        WHERE v.shop_id = $1 AND j.shop_id = $1 AND j.vehicle_id = v.vehicle_id AND v.vehicle_id = j.job_id`,
      [DEMO_SHOP.id],
    );
    return DEMO_JOBS.length + DEMO_PAST.length;
  });
}
