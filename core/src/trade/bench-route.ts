/** The route of the bench, from the places of tests and observations: every step in working order. */
import type { ObservationName, TestName } from '../format/names';
import { ROUTE_GROUPS } from './route';
import type { Place, ReadingPlace, RouteGroup } from './route';
import { OBSERVATIONS, OBSERVATION_NAMES, TESTS, TEST_NAMES } from './tables';

/** A measurement. */
export interface ReadingStep extends ReadingPlace {
  readonly kind: 'reading';
  readonly test: TestName;
}

/** Something looked at, listened to or tried by hand. */
export interface ObservationStep extends Place {
  readonly kind: 'observe';
  readonly about: ObservationName;
}

/** The complaint, the label, the charge and the recording: none reads a figure from a meter. */
export interface ActStep extends Place {
  readonly kind: 'ask' | 'label' | 'charge' | 'capture';
  readonly name: string;
}

export type RouteStep = ReadingStep | ObservationStep | ActStep;

export interface RouteSection {
  readonly name: RouteGroup;
  readonly steps: readonly RouteStep[];
}

const ACTS: readonly ActStep[] = [
  {
    kind: 'ask',
    name: 'Complaint',
    group: 'Ask and look',
    at: 0,
    how: 'What does it do, since when, and what has been replaced already?',
  },
  {
    kind: 'label',
    name: 'Battery label',
    group: 'Battery',
    at: 1,
    how: 'Read the rating and its standard on the battery. CCA, EN, DIN, IEC and CA stand side by side, and a new battery may be another size.',
  },
  {
    kind: 'charge',
    name: 'Charge',
    group: 'Battery',
    at: 2,
    how: 'Below what a load test needs nothing else can be judged. Charge fully, or substitute a sound one.',
  },
  {
    kind: 'capture',
    name: 'Recording of a start',
    group: 'Starting',
    at: 0,
    how: 'A recorder at the posts and a clamp around the whole cable: one start shows rest, inrush, steady crank, compressions, charging and ripple.',
  },
];

const steps: readonly RouteStep[] = [
  ...ACTS,
  ...TEST_NAMES.flatMap((test) =>
    TESTS[test].places.map((place): ReadingStep => ({ kind: 'reading', test, ...place })),
  ),
  ...OBSERVATION_NAMES.map((about): ObservationStep => ({ kind: 'observe', about, ...OBSERVATIONS[about].place })),
];

export const ROUTE: readonly RouteSection[] = ROUTE_GROUPS.map((name) => ({
  name,
  steps: steps.filter(({ group }) => group === name).sort((a, b) => a.at - b.at),
}));
