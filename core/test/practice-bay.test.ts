/** The practice bay: leads on points, a vehicle in time, readings of the trade, and a score that can be trusted. */
import { FAULTS, TESTS } from '@tetrad/core';
import type { TestPoint } from '@tetrad/core';
import {
  EXERCISES,
  PracticeBay,
  PracticeSession,
  anyVehicle,
  exerciseOf,
  judgesPath,
  readExercise,
  writeExercise,
} from '../src/practice';
import type { Exercise } from '../src/practice';

const sound: Exercise = { ...EXERCISES[0]!, id: 'sound', faults: ['none'] };
const bayWith = (fault: Exercise['faults'][number], severity = 0.8, seed = 15): PracticeBay =>
  new PracticeBay({ ...sound, faults: [fault], severity, seed });
function putOn(bay: PracticeBay, red: TestPoint, black: TestPoint): void {
  bay.take({ red, black });
}
const crank = (bay: PracticeBay): void => {
  bay.set({ hasFuel: false, key: 'start' });
  bay.advance(5);
};

/** Whether the judge's own path ends at the truth. */
function isSolved(exercise: Exercise): boolean {
  const { said, isCharged } = judgesPath(exercise);
  const { system } = new PracticeBay(exercise).vehicle;
  const { action, part } = said.decision;
  const [fault] = exercise.faults;
  if (fault === 'none') return action === 'none-found';
  // a frozen one is left alone
  if (fault === 'battery-discharged') return isCharged || action === 'charge-first' || action === 'stop';
  return (
    (action === 'replace' || action === 'repair') && exercise.faults.some((one) => FAULTS[one].part(system) === part)
  );
}

describe('every exercise can be solved', () => {
  test.each(EXERCISES.map((exercise) => [exercise.id, exercise]))('%s, by the judge’s own path', (_id, exercise) => {
    expect(isSolved(exercise)).toBe(true);
  });
  test('any vehicle by its number, 97 of 100', () => {
    const unsolved = Array.from({ length: 150 }, (_, at) => anyVehicle(at + 1)).filter((one) => !isSolved(one));
    expect(unsolved.map(({ id, faults }) => `${id} ${faults.join()}`).length).toBeLessThanOrEqual(4);
  });
});

describe('a meter in the bay', () => {
  test('shows what lies between its leads: nothing without them, the battery on its posts', () => {
    const bay = new PracticeBay(sound);
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(0, 1);
    putOn(bay, 'positive-post', 'negative-post');
    bay.advance(1);
    expect(bay.shown).toMatchObject({ value: expect.closeTo(12.6, 0), unit: 'V' });
    bay.take({ red: 'negative-post' });
    bay.take({ black: 'positive-post' });
    bay.advance(1);
    expect(bay.shown.value).toBeLessThan(-12);
  });

  test('a bad post loses its volts between post and clamp while the starter draws, and none at rest', () => {
    const bay = bayWith('connection-positive-post');
    putOn(bay, 'positive-post', 'positive-clamp');
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(0, 2);
    crank(bay);
    expect(bay.shown.value).toBeGreaterThan(0.5);
  });

  test('follows slowly: the dip of the inrush is not seen on it', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'positive-post', 'negative-post');
    bay.advance(1);
    bay.set({ hasFuel: false, key: 'start' });
    let lowestSeen = Infinity;
    let lowest = Infinity;
    for (let at = 0; at < 40; at++) {
      bay.advance(0.02);
      lowestSeen = Math.min(lowestSeen, bay.shown.value ?? Infinity);
      lowest = Math.min(lowest, bay.instant.postVolts);
    }
    expect(lowestSeen).toBeGreaterThan(lowest + 0.3);
  });

  test('a whole battery stands across an open, and next to nothing before and after it', () => {
    const bay = bayWith('cable-starter-positive', 1);
    crank(bay);
    putOn(bay, 'positive-clamp', 'solenoid-battery');
    bay.advance(1);
    expect(bay.shown.value).toBeGreaterThan(11);
    putOn(bay, 'starter-case', 'negative-post');
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(0, 1);
  });
});

describe('what is written down', () => {
  test('is the test whose leads they are, by what flows', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'positive-post', 'negative-post');
    expect(bay.test).toBe('resting-voltage');
    crank(bay);
    expect(bay.test).toBe('cranking-voltage');
    putOn(bay, 'starter-case', 'negative-post');
    expect(bay.test).toBe('drop-starter-ground');
    bay.take({ use: 'amps-dc' });
    bay.take({ clamp: 'battery-cables' });
    expect(bay.test).toBe('starter-draw');
  });

  test('is nothing where no test of the trade is read so', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'alternator-case', 'module-plug');
    expect(bay.write()).toEqual({ why: 'no-test' });
    expect(bay.case.readings).toEqual([]);
  });

  test('has the current that flows beside it where a clamp is round the cables, and none where it is not', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'starter-case', 'negative-post');
    crank(bay);
    bay.write();
    bay.take({ clamp: 'battery-cables' });
    bay.advance(1);
    bay.write();
    const [without, beside] = bay.case.readings.map(({ conditions }) => conditions?.amps);
    expect([without, beside]).toEqual([undefined, expect.any(Number)]);
    expect(beside).toBeGreaterThan(50);
  });

  test('every test of the route that a meter reads has a place in the bay', () => {
    for (const [name, { leads, unit }] of Object.entries(TESTS)) {
      const bay = new PracticeBay(sound);
      const isOfMeter = leads !== null && (unit === 'V' || unit === 'A') && !/inrush|waveform|diode|gravity/.test(name);
      if (
        isOfMeter &&
        !['charge-acceptance', 'hold-charge', 'recovery-voltage', 'fuse-drop', 'module-voltage'].includes(name)
      )
        expect([name, bay.takeFor(name as never)]).toEqual([name, true]);
    }
  });
});

describe('what may not be done', () => {
  test('cranking with fuel to take a reading, too long, and again without cooling is noted', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'positive-post', 'negative-post');
    bay.set({ key: 'start', hasFuel: true });
    bay.advance(0.4);
    bay.write();
    expect(bay.safety).toContain('fuel-not-stopped');
    bay.set({ hasFuel: false, key: 'off' });
    bay.advance(90);
    bay.set({ key: 'start' });
    bay.advance(17);
    expect(bay.safety).toContain('cranked-too-long');
    bay.set({ key: 'off' });
    bay.advance(10);
    bay.set({ key: 'start' });
    bay.advance(1);
    expect(bay.safety).toContain('no-cooling');
  });
  test('a short crank, or one after a minute, is nothing', () => {
    const bay = new PracticeBay(sound);
    for (let i = 0; i < 3; i++) {
      crank(bay); // 5 s
      bay.set({ key: 'off' });
      bay.advance(65);
    }
    expect(bay.safety).toEqual([]);
  });
});

describe('the call', () => {
  /** Does what the judge asks for, then calls. */
  function visit(exercise: Exercise): PracticeSession {
    const session = new PracticeSession(exercise);
    for (let at = 0; at < 30; at++) {
      const [next] = session.judgement.next;
      const { action } = session.judgement.decision;
      if (!next || (action !== 'test-next' && action !== 'charge-first')) break;
      session.show(next);
    }
    return session;
  }

  test('the right part, proven, safe and in the judge’s own time has all points', () => {
    const session = visit(exerciseOf('slow-ground')!);
    const { action, part } = session.judgement.decision;
    const scored = session.call({ action: action as 'repair', part });
    expect(scored).toMatchObject({ points: 100, isRight: true, isProven: true, voids: [], safety: [] });
    expect(session.done.at(-1)!.believed[0]!.fault).toBe('cable-starter-ground');
  });

  test('a sound part that is condemned at once has neither the part nor its proof', () => {
    const session = new PracticeSession(exerciseOf('slow-ground')!);
    const scored = session.call({ action: 'replace', part: 'battery' });
    expect(scored).toMatchObject({ isRight: false, isProven: false, truth: { action: 'repair', part: 'connections' } });
    expect(scored.missing).toContain('resting-voltage');
    expect(scored.points).toBeLessThan(25);
  });

  test('the right part by luck is right, and not proven', () => {
    const scored = new PracticeSession(exerciseOf('worn-battery')!).call({ action: 'replace', part: 'battery' });
    expect([scored.isRight, scored.isProven]).toEqual([true, false]);
  });

  test('hints cost, and minutes that were waited count', () => {
    const session = visit(exerciseOf('belt')!);
    const { action, part } = session.judgement.decision;
    const call = { action: action as 'replace', part };
    const before = session.call(call).points;
    session.hint();
    session.wait(60);
    const after = session.call(call);
    expect([after.hints, after.minutes > 60]).toEqual([1, true]);
    expect(after.points).toBeLessThan(before - 10);
  });

  test('the same number is the same vehicle, another is none', () => {
    expect(exerciseOf('any-42')).toEqual(anyVehicle(42));
    for (const id of ['any-', 'any-x', 'any--1', 'any-1234567890', 'nobody']) expect(exerciseOf(id)).toBeNull();
  });
});

describe('an exercise as a file', () => {
  const own: Exercise = { ...exerciseOf('belt')!, id: 'monday', title: 'Monday' };
  test('comes back as it was written', () => {
    expect(readExercise(writeExercise(own))).toEqual({ ok: true, exercise: own });
  });
  test.each([
    ['$.faults[0]', { faults: ['gremlins'] }],
    ['$.faults', { faults: [] }],
    ['$.severity', { severity: 2 }],
    ['$.seed', { seed: 1.5 }],
    ['$.title', { title: '' }],
    ['$.format', { format: 'tetrad-case/1' }],
  ])('that is wrong is named by its path: %s', (path, change) => {
    const result = readExercise(JSON.stringify({ ...JSON.parse(writeExercise(own)), ...change }));
    expect(result).toMatchObject({ ok: false, misfits: [expect.objectContaining({ path })] });
  });
  test('that is no JSON tells the place', () => {
    expect(readExercise('{"format": ')).toMatchObject({
      misfits: [{ path: '$', found: expect.stringContaining('line') }],
    });
  });
});
