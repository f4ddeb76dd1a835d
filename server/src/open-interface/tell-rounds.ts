import type { ShopId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import { eachDue, isDue, todayOf } from '../rounds/due.sql';
import { listPlans } from '../rounds/plans.sql';
import { namesOf } from '../vehicles/vehicles.sql';
import { tellWebhooks } from '../webhooks/webhooks.sql';

/** Tells which vehicles became due, each due date once: one message a round, or several where it has many vehicles. Call it in a transaction. */
export async function tellDueRounds(sql: Sql, shop: ShopId, now: Date): Promise<void> {
  const today = todayOf(now);
  for await (const { plan, vehicles } of eachDue(sql, shop, await listPlans(sql, shop, null))) {
    const due = vehicles.filter((one) => isDue(one, today));
    if (due.length === 0) continue;
    const { rows } = await sql.query<{ readonly vehicle: string }>(
      `INSERT INTO round_told (shop_id, plan_id, vehicle_id, due_on)
       SELECT $1, $2, v, d FROM unnest($3::uuid[], $4::date[]) AS given (v, d)
       ON CONFLICT DO NOTHING RETURNING vehicle_id AS vehicle`,
      [shop, plan.id, due.map(({ vehicle }) => vehicle), due.map((one) => one.due!.dueOn)],
    );
    if (rows.length === 0) continue;
    const fresh = new Set(rows.map(({ vehicle }) => vehicle));
    const names = await namesOf(sql, shop, [...fresh]);
    const told = due.flatMap(({ vehicle, due: when }) =>
      fresh.has(vehicle) ? [{ ...names.get(vehicle), dueOn: when!.dueOn, by: when!.by }] : [],
    );
    const { id, group, assignee } = plan;
    await tellWebhooks(sql, shop, { event: 'round.due', data: { round: { id, group, assignee }, vehicles: told } });
  }
}
