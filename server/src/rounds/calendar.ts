import { createEvents } from 'ics';
import type { DateArray } from 'ics';
import type { VehicleView } from '@tetrad/contracts';
import type { PlanRow } from './plans.sql';

/** A vehicle that is due on a day. */
export interface CalendarEntry {
  readonly plan: PlanRow;
  readonly vehicle: Pick<VehicleView, 'id' | 'name' | 'plate'>;
  readonly dueOn: string;
}

/** One entry a vehicle, on the day on which it is due. @throws Error that the calendar could not be written. */
export function calendarOf(entries: readonly CalendarEntry[]): string {
  const events = entries.map(({ plan, vehicle, dueOn }) => ({
    uid: `${plan.id}.${vehicle.id}`,
    title: `Battery check: ${vehicle.name}${vehicle.plate ? ` (${vehicle.plate})` : ''}`,
    description: [`${plan.group}, ${intervalWords(plan)}`, plan.assignee ?? ''].filter(Boolean).join('. '),
    start: dueOn.split('-').map(Number) as DateArray,
    duration: { days: 1 },
  }));
  const { error, value } = createEvents(events, { productId: 'tetrad/rounds', calName: 'Battery checks' });
  if (error || !value) throw error ?? new Error('the calendar could not be written');
  return value;
}

/** How often, in words. */
export const intervalWords = ({ everyDays, everyKm, everyHours, beforeWinter }: PlanRow): string =>
  [
    everyDays !== null && `every ${everyDays} days`,
    everyKm !== null && `every ${everyKm} km`,
    everyHours !== null && `every ${everyHours} hours`,
    beforeWinter !== null && `before ${beforeWinter}`,
  ]
    .filter(Boolean)
    .join(' or ');
