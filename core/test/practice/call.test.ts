/** The call and its points, and exercises as files. */
import {
  EXERCISES,
  PracticeSession,
  anyVehicle,
  benchCase,
  exerciseOf,
  foundAt,
  isForBench,
  readExercise,
  scoreBenchVisit,
  writeExercise,
} from '../../src/practice';
import type { Exercise } from '../../src/practice';

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

  test('what was taken before something that had to come first is told, and costs', () => {
    const early = new PracticeSession(exerciseOf('worn-battery')!);
    early.bay.takeFor('load-test');
    early.bay.loadTest(true);
    early.bay.advance(15);
    early.write();
    const scored = early.call({ action: 'replace', part: 'battery' });
    expect(scored.tooEarly).toEqual([{ step: 'load-test', because: expect.stringMatching(/resting|charge/i) }]);
    const inOrder = visit(exerciseOf('worn-battery')!);
    expect(inOrder.call({ action: 'replace', part: 'battery' }).tooEarly).toEqual([]);
  });
  test('the right part by luck is right, and not proven', () => {
    const scored = new PracticeSession(exerciseOf('worn-battery')!).call({ action: 'replace', part: 'battery' });
    expect([scored.isRight, scored.isProven]).toEqual([true, false]);
    expect(scored.points).toBeLessThanOrEqual(50);
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

  test('on the bench is scored by its case as it is in the bay', () => {
    const exercise = exerciseOf('slow-ground')!;
    const session = visit(exercise);
    const { action, part } = session.judgement.decision;
    const call = { action: action as 'repair', part };
    const { score: scored, done } = scoreBenchVisit(exercise, session.bay.case, call);
    const { points, isRight, isProven, voids } = session.call(call);
    expect(scored).toMatchObject({ isRight, isProven, voids });
    expect(Math.abs(scored.points - points)).toBeLessThanOrEqual(5);
    expect(done.at(-1)!.believed[0]!.fault).toBe('cable-starter-ground');
  });
  test('on the bench what nobody can read there is found the same each time', () => {
    const exercise = exerciseOf('worn-battery')!;
    expect(foundAt(exercise, 'terminals')).toBe(foundAt(exercise, 'terminals'));
    expect(foundAt(exercise, 'hold-charge')).toEqual(expect.any(Number));
    expect(foundAt(exercise, 'cranking-voltage')).toBeNull();
    expect(benchCase(exercise)).toMatchObject({ readings: [], observations: [] });
    expect(EXERCISES.filter(isForBench).length).toBeGreaterThan(24);
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
  test('may say what comes in, what is wrong with the instruments, and hints of its own', () => {
    const lesson: Exercise = {
      ...own,
      setting: { kind: { fuel: 'diesel', nominalVolts: 24 }, instruments: { clampOffAmps: 20 } },
      hints: ['Zero the clamp.'],
    };
    expect(readExercise(writeExercise(lesson))).toEqual({ ok: true, exercise: lesson });
    const session = new PracticeSession(lesson);
    expect([session.hint().says, session.hint().says]).toEqual(['Zero the clamp.', null]);
  });
  test.each([
    ['$.setting.kind.nominalVolts', { setting: { kind: { fuel: 'diesel', nominalVolts: 48 } } }],
    ['$.setting.instruments.clampFactor', { setting: { instruments: { clampFactor: 0 } } }],
    ['$.hints[0]', { hints: [''] }],
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
