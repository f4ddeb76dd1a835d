/** A thread that simulates and judges a part of a fleet. */
import { fleetLines } from './fleet-rows';
import type { FleetPart } from './fleet-rows';

export default (part: FleetPart): Record<string, string> =>
  Object.fromEntries(
    Object.entries(fleetLines(part)).map(([table, lines]) => [table, lines.map((line) => `${line}\n`).join('')]),
  );
