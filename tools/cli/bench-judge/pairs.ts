/** Two faults at once that do not hide each other's parts. */
import { judge, simulateCase } from '@tetrad/core';
import type { FaultName } from '@tetrad/core';
import { SLIGHTEST, Counts, PER_FAULT, percent } from './setting';
import type { Row, Setting } from './setting';

const PAIRS: readonly (readonly [FaultName, FaultName])[] = [
  ['battery-worn', 'cable-starter-ground'],
  ['battery-worn', 'alternator-diode'],
  ['connection-positive-post', 'alternator-weak'],
  ['starter-dragging', 'belt-slip'],
  ['battery-worn', 'parasitic-drain'],
  ['solenoid-contacts', 'connection-negative-post'],
  ['cable-starter-positive', 'alternator-dead'],
  ['engine-drag', 'charge-cable-positive'],
  ['battery-worn', 'starter-dragging'],
  ['regulator-high', 'battery-worn'],
];

export function pairs({ spread, seed }: Setting): { rows: readonly Row[]; misses: Counts } {
  const misses = new Counts();
  let both = 0;
  let cases = 0;
  PAIRS.forEach((faults, p) => {
    for (let i = 0; i < PER_FAULT / 2; i++) {
      const severity = SLIGHTEST + (0.7 * ((i * 7919) % 100)) / 100;
      const said = judge(simulateCase({ faults, severity, seed: seed + 900_000 + p * 1000 + i, spread }));
      const isFound = faults.every((fault) => said.faults.find((entry) => entry.fault === fault)!.probability > 0.5);
      cases += 1;
      if (isFound) both += 1;
      else misses.add(faults.join(' + '));
    }
  });
  return { misses, rows: [[`two faults, both above 0.5 (${cases} cases)`, percent(both, cases), '90 %', '–']] };
}
