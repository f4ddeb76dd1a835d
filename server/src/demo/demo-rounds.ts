/** The rounds of the demo: who checks which group how often, and what some odometers showed. */
import type { RoundPlan } from '@tetrad/contracts';
import { VEHICLES } from './demo-vehicles';

export const DEMO_ROUNDS: readonly RoundPlan[] = [
  { group: 'Roads', everyDays: 90, beforeWinter: '10-15', assignee: 'Ilse Marrow' },
  { group: 'Town', everyDays: 180, everyKm: 10_000, assignee: 'Ilse Marrow' },
];

export interface DemoUse {
  readonly vehicle: string;
  readonly daysAgo: number;
  readonly km: number;
}
const driven = (vehicle: string, km: number, kmAMonth: number): readonly DemoUse[] => [
  { vehicle, daysAgo: 60, km },
  { vehicle, daysAgo: 2, km: km + 2 * kmAMonth },
];
export const DEMO_USES: readonly DemoUse[] = [
  ...driven(VEHICLES.libraryBus.id, 184_300, 900),
  ...driven(VEHICLES.mealVan.id, 96_120, 2600),
  ...driven(VEHICLES.poolCar.id, 41_870, 700),
];
