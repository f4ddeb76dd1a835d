/** Jobs of the demo’s last year: simulated visits, how each was signed off, and what was found out later. */
import type { NewOutcome } from '@tetrad/contracts';
import { simulateCase } from '@tetrad/core';
import type { Case, FaultName } from '@tetrad/core';

/** How it went on after the judge had spoken. */
type WentOn =
  /** The technician followed it, and it helped. */
  | 'gone'
  /** A lead had the starter replaced instead, and the complaint stayed. */
  | 'differed'
  /** Nobody has recorded yet what became of it. */
  | 'unknown'
  /** It was followed, the complaint stayed, and another cause was found. */
  | Extract<NewOutcome['cause'], string>;

export interface PastDemoJob {
  readonly name: string;
  readonly plate: string;
  readonly subject: Case;
  readonly daysAgo: number;
  readonly wentOn: WentOn;
}

const BODIES = ['Crew van', 'Tipper', 'Gully wagon', 'Clinic car', 'Workshop van', 'Sign truck'] as const;
/** The commonest faults of a yard, the commonest most often. */
const FAULTS: readonly FaultName[] = [
  ...(['battery-worn', 'connection-negative-post', 'battery-worn', 'alternator-dead', 'cable-starter-ground'] as const),
  ...(['battery-dead-cell', 'starter-worn', 'battery-worn', 'none', 'alternator-diode', 'belt-slip'] as const),
];
const JOBS = 38;
const EVERY_DAYS = 8;
const FIRST_DAYS_AGO = 12;
/** Jobs that did not simply go well, by their place; every ninth is not asked for yet. */
const OTHERWISE: Readonly<Record<number, WentOn>> = {
  5: 'connections',
  14: 'differed',
  16: 'drain',
  25: 'differed',
  29: 'other',
};
const UNKNOWN_EVERY = 9;

export const DEMO_PAST: readonly PastDemoJob[] = Array.from({ length: JOBS }, (_, at): PastDemoJob => {
  const subject = simulateCase({ faults: [FAULTS[at % FAULTS.length]!], seed: 7000 + at, severity: 0.7 });
  const { displacementLitres, fuel } = subject.system.engine ?? {};
  return {
    name: `${BODIES[at % BODIES.length]} ${displacementLitres?.toFixed(1)} ${fuel}`,
    plate: `YD-${401 + at}`,
    subject,
    daysAgo: FIRST_DAYS_AGO + at * EVERY_DAYS,
    wentOn: OTHERWISE[at] ?? (at % UNKNOWN_EVERY === 0 ? 'unknown' : 'gone'),
  };
});
