/** The order of work: what one crank shows is read in it, a pack is measured while it is apart, a good whole has no bad piece. */
import { FAULT_NAMES, PATH_TESTS, SimulatedVisit, engineOf, isPathTest, judge, pathOf } from '@tetrad/core';
import type { Case, Judgement, NextStep, Reading } from '@tetrad/core';
import { LABEL_CONFIRMED, caseOf, read, rest, saw } from './cases';

interface Taken {
  readonly step: NextStep;
  /** The judgement that asked for it, and the case as it was. */
  readonly said: Judgement;
  readonly subject: Case;
}

/** Every step of a visit that does what is asked for. */
function* followed(visit: SimulatedVisit): Generator<Taken> {
  visit.do('resting-voltage');
  for (let count = 0; count < 25; count++) {
    const said = judge(visit.case);
    const [step] = said.next;
    if (said.decision.action !== 'test-next' || !step) return;
    yield { step, said, subject: visit.case };
    visit.do(step.test, step.conditions);
  }
}

const visits = FAULT_NAMES.flatMap((fault) =>
  [1, 2, 3, 4].map((seed) => new SimulatedVisit({ faults: [fault], severity: 0.2 + 0.2 * seed, seed })),
);
const taken = visits.flatMap((visit) => [...followed(visit)]);
const newest = ({ readings }: Case): Reading => readings.findLast(({ value }) => value !== null)!;
const has = ({ readings }: Case, test: string): boolean => readings.some((reading) => reading.test === test);
const says = ({ complaint }: Case, symptom: string): boolean =>
  complaint?.symptoms?.some((one) => one === symptom) === true;
const FLOWS_FROM_AMPS = 40;

it('amps of a slow crank are followed by its volts, before any drop', () => {
  let looked = 0;
  for (const { step, subject } of taken) {
    const last = newest(subject);
    if (!says(subject, 'slow-crank') || last.test !== 'starter-draw' || Number(last.value) < FLOWS_FROM_AMPS) continue;
    looked += 1;
    if (has(subject, 'cranking-voltage')) continue;
    expect([subject.title, step.test]).toEqual([subject.title, 'cranking-voltage']);
  }
  expect(looked).toBeGreaterThan(15);
  for (const { step, subject } of taken)
    if (says(subject, 'slow-crank') && isPathTest(step.test) && pathOf(step.test).loadedBy === 'cranking')
      expect(has(subject, 'cranking-voltage')).toBe(true);
});

it('no piece is asked for of a path that was read whole and is good', () => {
  let looked = 0;
  for (const { step, said } of taken) {
    if (!isPathTest(step.test)) continue;
    const { pieces, loadedBy } = pathOf(step.test);
    for (const whole of PATH_TESTS) {
      const path = pathOf(whole);
      const isWhole = path.pieces.length > pieces.length && pieces.every((piece) => path.pieces.includes(piece));
      if (!isWhole || path.loadedBy !== loadedBy) continue;
      looked += 1;
      const good = said.readings.filter(({ id, grade }) => grade === 'within' && id === lastId(said, whole));
      expect([step.test, whole, good]).toEqual([step.test, whole, []]);
    }
  }
  expect(looked).toBeGreaterThan(20);

  function lastId(said: Judgement, test: string): string | undefined {
    const { subject } = taken.find((one) => one.said === said)!;
    return subject.readings.findLast((reading) => reading.test === test)?.id;
  }
});

it('a look that the complaint asks for comes before anything is connected, and never between two figures of a crank', () => {
  const first = taken.filter(
    ({ subject, step }) =>
      subject.readings.length === 1 && (subject.observations ?? []).length === 0 && step.test !== 'resting-voltage',
  );
  const slow = first.filter(({ subject }) => says(subject, 'slow-crank') && !says(subject, 'battery-smell'));
  expect(slow.length).toBeGreaterThan(10);
  for (const { step } of slow) expect(['terminals', 'belt']).toContain(step.test);
  for (const { step, subject } of taken)
    if (newest(subject).test === 'starter-draw') expect(['terminals', 'belt', 'label']).not.toContain(step.test);
});

it('the engine is not stopped and started again while something is owed where it is', () => {
  const changes = visits.map((visit) => {
    const states = visit.case.readings.map(({ test, conditions }) => engineOf(test, conditions?.loads));
    return states.filter((state, at) => at > 0 && state === 'cranking' && states[at - 1] !== 'cranking').length;
  });
  const twice = changes.filter((count) => count > 1).length;
  expect(twice / changes.length).toBeLessThan(0.15);
});

describe('a pack that is apart', () => {
  const pack = (count: number, ...readings: Reading[]): Case => {
    const system = {
      ...LABEL_CONFIRMED,
      battery: { ...LABEL_CONFIRMED.battery, count, arrangement: 'parallel' as const },
    };
    return caseOf([rest(12.65), ...readings], {
      system,
      symptoms: ['slow-crank'],
      observations: [saw('terminals', 'clean')],
    });
  };
  const of = (battery: number, amps: number): Reading => read('conductance', amps, {}, { battery });
  const asked = (subject: Case): NextStep => judge(subject).next[0]!;

  it.each([540, 200])('has every battery read before it is connected again, where the first shows %d A', (amps) => {
    expect(asked(pack(3, of(1, amps)))).toMatchObject({ test: 'conductance', battery: 2 });
    expect(asked(pack(3, of(1, amps), of(2, 530)))).toMatchObject({ test: 'conductance', battery: 3 });
    expect(asked(pack(3, of(1, amps), of(2, 530), of(3, 535))).test).not.toBe('conductance');
  });
});
