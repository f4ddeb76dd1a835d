import { CASE_FORMAT } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { storeCase } from '../http/routes/cases';
import { inTransaction } from '../sql/pool';
import type { Pool } from '../sql/pool';
import { addShop } from '../sql/shops';
import { DEMO_JOBS } from './demo-jobs';
import type { DemoJob } from './demo-jobs';

export const DEMO_SHOP = { id: 'yard', name: 'Aldmoor municipal yard' } as const;
/** A second shop, empty: for a first job from an empty floor. */
export const EMPTY_SHOP = { id: 'island', name: 'Skerry island workshop' } as const;

const HOUR_MS = 3_600_000;
/** Minutes between two readings of a demo job. */
const STEP_MS = 4 * 60_000;

const jobId = (index: number): string => `7e7ad000-0000-4000-9000-${String(index + 1).padStart(12, '0')}`;

/** A demo job as a case, its times relative to `now`. */
export function demoCase(job: DemoJob, now: Date): Case {
  const opened = now.getTime() - job.hoursAgo * HOUR_MS;
  return {
    format: CASE_FORMAT,
    title: job.vehicle.name,
    system: job.vehicle.system,
    complaint: {
      symptoms: job.symptoms,
      partsAlreadyReplaced: job.note?.includes('New starter') ? ['starter'] : [],
      ...(job.note && { note: job.note }),
    },
    conditions: { batteryCelsius: job.celsius, ambientCelsius: job.celsius },
    observations: job.observations,
    readings: job.readings.map((reading, index) => ({
      ...reading,
      id: `d${index + 1}`,
      at: new Date(opened + (index + 1) * STEP_MS).toISOString(),
    })),
  };
}

/** Loads the demo's shops and jobs once. @returns how many jobs were loaded; 0 where they are there. */
export async function loadDemo(pool: Pool, now: Date): Promise<number> {
  return inTransaction(pool, async (sql) => {
    const { rowCount } = await sql.query('SELECT 1 FROM shop WHERE shop_id = $1', [DEMO_SHOP.id]);
    if (rowCount) return 0;
    await addShop(sql, DEMO_SHOP);
    await addShop(sql, EMPTY_SHOP);
    for (const [index, job] of DEMO_JOBS.entries()) {
      const { system: _system, ...vehicle } = job.vehicle;
      await storeCase(sql, DEMO_SHOP.id, jobId(index), demoCase(job, now), {
        vehicle,
        openedAt: new Date(now.getTime() - job.hoursAgo * HOUR_MS),
        assignee: job.assignee,
        status: job.hoursAgo > 24 * 7 ? 'closed' : 'open',
      });
    }
    await sql.query('UPDATE job SET changed_at = opened_at WHERE shop_id = $1', [DEMO_SHOP.id]);
    return DEMO_JOBS.length;
  });
}
