/** What the calendar of a shop's rounds tells. */
import type { ShopId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import { namesOf } from '../vehicles/vehicles.sql';
import type { CalendarDay } from './calendar';
import { eachDue } from './due.sql';
import { intervalWords } from './interval-words';
import { listPlans } from './plans.sql';
import type { PlanRow } from './plans.sql';

/** Vehicles named in one entry; what is due later than so many days is not told yet. */
const MAX_NAMED = 20;
const AHEAD_DAYS = 366;
const DAY_MS = 86_400_000;

interface Day {
  readonly plan: PlanRow;
  readonly dueOn: string;
  readonly first: readonly string[];
  readonly count: number;
}

/** Each day on which vehicles of a round are due, from the past to a year ahead. */
export async function calendarDays(
  sql: Sql,
  shop: ShopId,
  now: Date,
  gone?: AbortSignal,
): Promise<readonly CalendarDay[]> {
  const until = new Date(now.getTime() + AHEAD_DAYS * DAY_MS).toISOString().slice(0, 10);
  const days = new Map<string, Day>();
  for await (const { plan, vehicles } of eachDue(sql, shop, await listPlans(sql, shop, null), gone))
    for (const { vehicle, due } of vehicles) {
      if (!due || due.dueOn > until) continue;
      const key = `${plan.id} ${due.dueOn}`;
      const { first, count } = days.get(key) ?? { first: [], count: 0 };
      const named = first.length < MAX_NAMED ? [...first, vehicle] : first;
      days.set(key, { plan, dueOn: due.dueOn, first: named, count: count + 1 });
    }
  const names = await namesOf(sql, shop, [...new Set([...days.values()].flatMap(({ first }) => first))]);
  return [...days.values()].map(({ plan, dueOn, first, count }) => ({
    plan: plan.id,
    group: plan.group,
    interval: intervalWords(plan),
    assignee: plan.assignee,
    dueOn,
    count,
    vehicles: first.flatMap((id) => {
      const vehicle = names.get(id);
      return vehicle ? [vehicle.plate ? `${vehicle.name} (${vehicle.plate})` : vehicle.name] : [];
    }),
  }));
}
