/** The practice bay: leads on points, a vehicle in time, readings of the trade, and a score that can be trusted. */
import { TESTS } from '@tetrad/core';
import type { TestPoint } from '@tetrad/core';
import {
  EXERCISES,
  PracticeBay,
  PracticeSession,
  anyVehicle,
  benchCase,
  exerciseOf,
  foundAt,
  isForBench,
  isSolved,
  readExercise,
  scoreBenchVisit,
  writeExercise,
} from '../src/practice';
import type { Exercise, InstrumentFaults } from '../src/practice';

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

describe('instruments lie in their usual ways, and can be mended', () => {
  const withFaults = (instruments: InstrumentFaults, fault: Exercise['faults'][number] = 'none') =>
    new PracticeBay({ ...sound, faults: [fault], setting: { instruments } });
  const cranked = (bay: PracticeBay): number => {
    bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
    crank(bay);
    return bay.shown.value!;
  };

  test('a small clamp never shows more than its ceiling, a large one does', () => {
    const bay = withFaults({ clampMostAmps: 60 });
    expect(Math.abs(cranked(bay))).toBeLessThanOrEqual(62);
    bay.mend('clamp');
    bay.advance(1);
    expect(Math.abs(bay.shown.value!)).toBeGreaterThan(70);
  });
  test('a clamp off its zero shows amps where none flow; zeroed while current flows it is wrong again', () => {
    const bay = withFaults({ clampOffAmps: 24 });
    bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(24, 0);
    bay.look('clamp-zero');
    expect(bay.case.observations).toEqual([{ about: 'clamp-zero', finding: 'drifts' }]);
    bay.mend('zero');
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(0, 1);
    crank(bay);
    bay.mend('zero');
    bay.set({ key: 'off' });
    bay.advance(2);
    expect(Math.abs(bay.shown.value!)).toBeGreaterThan(50);
  });
  test('its arrow turned is the other sign, and a crank is read all the same', () => {
    const bay = withFaults({});
    const right = cranked(bay);
    bay.take({ isClampTurned: true });
    bay.advance(1);
    expect(Math.sign(bay.shown.value!)).toBe(-Math.sign(right));
    bay.write();
    expect(bay.case.readings[0]!.value as number).toBeGreaterThan(0);
    // into the battery or out of it: there the sign is the reading
    expect(bay.takeFor('battery-current')).toBe(true);
    expect(bay.hands.isClampTurned).toBe(false);
  });
  test('a wrong scale is a factor of ten', () => {
    const right = Math.abs(cranked(withFaults({})));
    expect(Math.abs(cranked(withFaults({ clampFactor: 0.1 })))).toBeCloseTo(right / 10, 0);
  });
  test('a broken lead jumps until it is changed', () => {
    const bay = withFaults({ hasBrokenLead: true });
    putOn(bay, 'positive-post', 'negative-post');
    const shown = (): number[] => Array.from({ length: 20 }, () => (bay.advance(0.3), bay.shown.value!));
    const range = (values: number[]): number => Math.max(...values) - Math.min(...values);
    expect(range(shown())).toBeGreaterThan(0.5);
    bay.mend('leads');
    bay.advance(1);
    expect(range(shown())).toBeLessThan(0.05);
  });
  test('what was mended stays mended where a visit goes on', () => {
    const exercise: Exercise = { ...sound, setting: { instruments: { clampOffAmps: 24 } } };
    const before = new PracticeSession(exercise);
    before.bay.mend('zero');
    const { bay } = new PracticeSession(exercise, JSON.parse(JSON.stringify(before.left)));
    bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(0, 1);
  });
  test('an AC range that sees DC shows twice the battery', () => {
    const bay = withFaults({ acSeesDc: true });
    bay.take({ red: 'positive-post', black: 'negative-post', use: 'volts-ac' });
    expect(bay.shown.value).toBeGreaterThan(20);
    bay.mend('meter');
    expect(bay.shown.value).toBeLessThan(0.1);
  });
  test('a range that is too small is over range, and nothing is written down from it', () => {
    const bay = withFaults({});
    bay.take({ red: 'positive-post', black: 'negative-post', range: 6 });
    expect(bay.shown.value).toBeNull();
    expect(bay.write()).toEqual({ why: 'over-range' });
    bay.take({ range: 60 });
    expect(bay.shown.value).toBeCloseTo(12.6, 0);
  });
  test('the recorder keeps a lowest that holds part of the inrush, and the reading says so', () => {
    const bay = withFaults({});
    bay.take({ red: 'positive-post', black: 'negative-post', isRecording: true });
    crank(bay);
    const sustained = bay.shown.value!;
    bay.write();
    const [reading] = bay.case.readings;
    expect(reading).toMatchObject({ test: 'cranking-voltage', conditions: { method: 'min-max' } });
    expect(reading!.value as number).toBeLessThan(sustained - 0.2);
  });
  test('a tester that is set by the label measures in its standard', () => {
    const shares = ['SAE', 'EN', 'DIN'].map((standard) => {
      const bay = Array.from({ length: 60 }, (_, seed) => bayWith('none', 0.5, seed)).find(
        ({ vehicle }) => vehicle.system.battery.rating?.standard === standard,
      )!;
      bay.take({ red: 'positive-post', black: 'negative-post', use: 'conductance' });
      return bay.shown.value! / bay.vehicle.system.battery.rating!.value;
    });
    for (const share of shares) expect(share).toBeCloseTo(1, 0);
  });
});

describe('a battery that was just charged', () => {
  const driven = (): PracticeBay => new PracticeBay({ ...sound, setting: { isJustCharged: true } });
  const resting = (bay: PracticeBay): number => {
    putOn(bay, 'positive-post', 'negative-post');
    bay.advance(2);
    return bay.shown.value!;
  };
  test('looks fuller than it is, until the lamps took the charge off its plates', () => {
    const bay = driven();
    const before = resting(bay);
    bay.clearSurfaceCharge();
    expect(before - resting(bay)).toBeGreaterThan(0.15);
  });
  test('its resting voltage is void until then', () => {
    const session = new PracticeSession({ ...sound, setting: { isJustCharged: true } });
    resting(session.bay);
    session.write();
    expect(session.judgement.readings[0]!.grade).toBe('void');
    session.bay.clearSurfaceCharge();
    resting(session.bay);
    session.write();
    expect(session.judgement.readings[1]!.grade).not.toBe('void');
  });
});

describe('a pack', () => {
  const pack = (fault: Exercise['faults'][number]): PracticeBay =>
    new PracticeBay({
      ...sound,
      faults: [fault],
      setting: { kind: { fuel: 'diesel', nominalVolts: 12, inParallel: 3 } },
    });
  test('is read battery by battery once each is isolated, and the bad one stands out', () => {
    const bay = pack('battery-worn');
    const figures = [1, 2, 3].map((battery) => {
      bay.takeFor('conductance', battery);
      bay.write();
      return bay.case.readings.at(-1)!;
    });
    expect(figures.map(({ battery }) => battery)).toEqual([1, 2, 3]);
    const shares = figures.map(({ value }) => (value as number) / bay.vehicle.system.battery.rating!.value);
    expect(shares.filter((share) => share < 0.7)).toHaveLength(1);
  });
  test('an isolated battery cranks nothing, and reads no drop', () => {
    const bay = pack('none');
    bay.take({ battery: 2, red: 'positive-post', black: 'negative-post' });
    expect(bay.set({ key: 'start' })).toBe('isolated');
    expect(bay.test).toBe('resting-voltage');
    putOn(bay, 'starter-case', 'negative-post');
    expect(bay.test).toBeNull();
  });
  test('one of two in series with a dead cell stands two volts under the other', () => {
    const bay = new PracticeBay({
      ...sound,
      faults: ['battery-dead-cell'],
      setting: { kind: { fuel: 'diesel', nominalVolts: 24 } },
    });
    const volts = [1, 2].map((battery) => {
      bay.takeFor('resting-voltage', battery);
      bay.advance(1);
      return bay.shown.value!;
    });
    expect(Math.abs(volts[0]! - volts[1]!)).toBeGreaterThan(1.8);
  });
});

describe('what is taken off', () => {
  test('the belt off frees a seized accessory, and a tight engine stays tight', () => {
    const ampsOf = (fault: Exercise['faults'][number], isBeltOff: boolean): number => {
      const bay = bayWith(fault, 0.5);
      bay.takeOff({ isBeltOff });
      bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
      crank(bay);
      return Math.abs(bay.shown.value!);
    };
    expect(ampsOf('accessory-seized', true)).toBeLessThan(0.65 * ampsOf('accessory-seized', false));
    expect(ampsOf('engine-drag', true)).toBeGreaterThan(0.9 * ampsOf('engine-drag', false));
  });
  test('a steady crank with the belt off is an observation, not a reading of the vehicle', () => {
    const bay = bayWith('accessory-seized', 0.5);
    bay.takeOff({ isBeltOff: true });
    bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
    bay.set({ hasFuel: false, key: 'start' });
    bay.advance(1);
    expect(bay.write()).toEqual({ why: 'no-test' });
    bay.advance(4);
    expect(bay.write()).toEqual({ seen: 'belt-removed-crank' });
    expect(bay.case).toMatchObject({ readings: [], observations: [{ about: 'belt-removed-crank', finding: 'freed' }] });
  });
  test('without plugs it does not fire; without its belt it does not charge', () => {
    const bay = new PracticeBay(sound);
    bay.takeOff({ arePlugsOut: true });
    bay.set({ key: 'start', hasFuel: true });
    bay.advance(5);
    expect(bay.instant.isRunning).toBe(false);
    bay.set({ key: 'off' });
    bay.advance(5);
    bay.takeOff({ arePlugsOut: false, isBeltOff: true });
    bay.set({ key: 'start', hasFuel: true });
    bay.advance(5);
    bay.set({ key: 'on' });
    bay.advance(20);
    expect([bay.instant.isRunning, bay.instant.alternatorAmps]).toEqual([true, 0]);
    expect(bay.takeOff({ isBeltOff: false })).toBe('engine-runs');
    expect(bay.set({ key: 'start' })).toBe('runs-already');
  });
  test('negative first and on last is safe; positive first is not', () => {
    const safe = new PracticeBay(sound);
    for (const step of [
      { isNegativeOff: true },
      { isPositiveOff: true },
      { isPositiveOff: false },
      { isNegativeOff: false },
    ])
      safe.takeOff(step);
    expect(safe.safety).toEqual([]);
    const unsafe = new PracticeBay(sound);
    unsafe.takeOff({ isPositiveOff: true });
    expect(unsafe.safety).toEqual(['positive-first']);
  });
  test('a battery that is off feeds nothing, and stands at its own posts', () => {
    const bay = new PracticeBay(sound);
    bay.takeOff({ isNegativeOff: true });
    expect(bay.set({ key: 'start' })).toBe('disconnected');
    putOn(bay, 'positive-post', 'negative-post');
    bay.advance(1);
    expect(bay.shown.value).toBeGreaterThan(12);
    putOn(bay, 'alternator-stud', 'negative-post');
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(0, 1);
  });
});

describe('what may not be done', () => {
  test('taking the battery off a running engine, and a spark at a charging battery, are noted', () => {
    const bay = new PracticeBay(sound);
    bay.set({ key: 'start', hasFuel: true });
    bay.advance(4);
    bay.takeOff({ isNegativeOff: true });
    expect(bay.safety).toEqual(['disconnected-running']);
    const charging = new PracticeBay(sound);
    charging.putOnCharger(true);
    charging.loadTest(true);
    expect(charging.safety).toEqual(['sparks']);
  });
  test('a flat battery in hard frost is frozen: seen at its case, and not loaded', () => {
    const bay = new PracticeBay(exerciseOf('frozen')!);
    bay.look('battery-case');
    expect(bay.case.observations).toEqual([{ about: 'battery-case', finding: 'frozen' }]);
    bay.loadTest(true);
    expect(bay.safety).toContain('frozen-tested');
  });
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

describe('what is heard, seen and smelled', () => {
  const senses = (fault: Exercise['faults'][number], severity = 0.8): readonly string[] => {
    const bay = bayWith(fault, severity);
    crank(bay);
    return bay.senses;
  };
  test.each([
    ['starter-control', 'silent'],
    ['starter-drive', 'whirrs'],
    ['connection-positive-post', 'cranks-slowly'],
    ['none', 'cranks'],
  ] as const)('%s: %s', (fault, sense) => expect(senses(fault)[0]).toBe(sense));
  test('a starter that is open inside clicks once, and an empty battery clicks fast', () => {
    const open = new PracticeBay(exerciseOf('open-starter')!);
    crank(open);
    expect(open.senses).toEqual(['click']);
    const flat = bayWith('battery-discharged', 1);
    flat.vehicle.charge = 0;
    flat.vehicle.loadAmps *= 4;
    crank(flat);
    expect(flat.senses[0]).toBe('clicks');
  });
  test('a bad joint smells hot only while current flows through it', () => {
    const bay = bayWith('connection-positive-post');
    expect(bay.senses).toEqual(['quiet']);
    crank(bay);
    expect(bay.senses).toContain('smells-hot');
  });
  test('a running engine tells of belt, lamp and battery', () => {
    const run = (fault: Exercise['faults'][number]): readonly string[] => {
      const bay = bayWith(fault);
      bay.set({ key: 'start' });
      bay.advance(4);
      bay.set({ key: 'on', throttle: 0.5 });
      bay.advance(5);
      return bay.senses;
    };
    expect(run('none')).toEqual(['runs']);
    expect(run('belt-slip')).toContain('squeals');
    expect(run('alternator-dead')).toContain('lamp-lit');
    expect(run('regulator-high')).toContain('smells-acid');
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
