/** It does not turn: whether anything flows comes first, then whether the solenoid is told to close, then what is open. */
import { SimulatedVisit, TESTING_SPREAD, blockedSteps, judge, survey } from '@tetrad/core';
import type { FaultName, Observation, Reading } from '@tetrad/core';
import { SOUND_LOOKS, cannot, caseOf, drop, read, rest, saw, soundReadings } from '../cases';

const clean: readonly Observation[] = [saw('terminals', 'clean')];
const control = (volts: number): Reading => read('starter-control-voltage', volts);
const draw = (amps: number): Reading => read('starter-draw', amps);
const healthy = read('conductance', 545);
const saidOf = (readings: readonly Reading[], symptoms = ['no-crank-silent'], observations = clean) =>
  judge(caseOf([rest(12.62), ...readings], { symptoms, observations }));
const asks = (readings: readonly Reading[], symptoms?: string[]): readonly string[] =>
  saidOf(readings, symptoms).next.map(({ test }) => test);
const isDrop = (test: string): boolean => test.startsWith('drop-');

describe('nothing flows', () => {
  it('the control voltage is asked for before any drop: an untold solenoid makes them all read nothing', () => {
    expect(asks([draw(0), healthy])[0]).toBe('starter-control-voltage');
    expect(asks([draw(0)]).filter(isDrop)).toEqual([]);
  });

  it('a click was heard: the solenoid is told, and the drops are read at once', () => {
    expect(asks([draw(3), healthy], ['no-crank-single-click']).some(isDrop)).toBe(true);
  });

  it('the solenoid is told: the drops find what is open, each read once', () => {
    const told = [draw(0), healthy, control(12.3)];
    expect(asks(told).some(isDrop)).toBe(true);
    const read_ = [...told, drop('drop-starter-ground', 0.005, 0)];
    expect(saidOf(read_).readings.at(-1)!.grade).toBe('void');
    expect(asks(read_)).not.toContain('drop-starter-ground');
    expect(asks(read_)).toContain('drop-starter-positive');
  });

  it('the engine is not asked to turn or to run', () => {
    const open = [draw(0), healthy, control(12.3), read('drop-starter-positive', 12.4)];
    const wanted = asks(open);
    for (const test of ['cranking-speed', 'charging-voltage', 'ripple-ac']) expect(wanted).not.toContain(test);
  });

  it('a drop near zero without amps of its own was read at none', () => {
    const said = saidOf([draw(0), control(12.3), read('drop-starter-positive', 0.01), read('drop-starter-ground', 0)]);
    expect(said.readings.slice(-2)).toMatchObject([{ code: 'drop-without-current' }, { code: 'drop-without-current' }]);
    expect(said.parts.connections.verdict).not.toBe('keep');
  });

  it('but volts that are lost prove a current, whatever the clamp said', () => {
    const said = saidOf([draw(0), control(12.3), read('drop-starter-ground', 1.4)]);
    expect(said.readings.at(-1)!.grade).toBe('outside');
    expect(said.parts.connections.verdict).not.toBe('keep');
  });
});

describe('somebody noted that it did not crank', () => {
  it('is no dead end: the amps tell a jam from an open circuit', () => {
    expect(asks([cannot('cranking-voltage'), healthy])[0]).toBe('starter-draw');
    expect(asks([cannot('cranking-voltage'), healthy, control(12.2)]).some(isDrop)).toBe(true);
    expect(asks([cannot('cranking-voltage'), healthy])).not.toContain('cranking-voltage');
  });

  it('a drop near zero is void until somebody knows the amps; a jam makes it tell', () => {
    const noted = [cannot('cranking-speed'), healthy, control(11.9), read('drop-starter-ground', 0.05)];
    const said = saidOf(noted, ['no-crank-single-click']);
    expect(said.readings.at(-1)).toMatchObject({ grade: 'void', code: 'drop-current-unknown' });
    const jammed = saidOf([...noted, draw(650)], ['no-crank-single-click']);
    expect(jammed.readings.at(-2)!.grade).toBe('within');
  });

  it('an open positive side is halved: the contacts in it are part of the starter', () => {
    const open = [cannot('cranking-voltage'), healthy, control(12.3), read('drop-starter-positive', 12.4)];
    const said = saidOf([...open, read('drop-positive-post', 0.01)]);
    expect(said.decision.action).toBe('test-next');
    expect(said.next.map(({ test }) => test)).toContain('drop-solenoid');
    const burnt = saidOf([...open, read('drop-positive-post', 0.01), read('drop-solenoid', 12.3)]);
    expect(burnt.decision).toMatchObject({ action: 'replace', part: 'starter', fault: 'solenoid-contacts' });
    const cable = saidOf([...open, read('drop-positive-post', 0.01), read('drop-solenoid', 0.02)]);
    expect(cable.decision).toMatchObject({ action: 'repair', part: 'connections', fault: 'cable-starter-positive' });
  });

  it('is never called sound, whatever else reads well', () => {
    const sound = (more: readonly Reading[] = []) =>
      judge(caseOf([...soundReadings(), ...more], { observations: SOUND_LOOKS })).decision.action;
    expect(sound()).toBe('none-found');
    expect(sound([cannot('cranking-speed')])).toBe('test-next');
  });
});

describe('whoever follows the judge from “it did not crank”', () => {
  const SILENT = ['no-crank-silent', 'no-crank-single-click'];
  const VEHICLES = 4;
  /** Vehicles of the circuit model that do not crank for this fault. */
  function* silent(fault: FaultName): Generator<SimulatedVisit> {
    for (let seed = 1; ; seed++) {
      const visit = new SimulatedVisit({ faults: [fault], seed, spread: TESTING_SPREAD });
      if (visit.case.complaint?.symptoms?.some((symptom) => SILENT.includes(symptom))) yield visit;
    }
  }
  const noted = (visit: SimulatedVisit) => {
    const [resting, ...later] = visit.case.readings;
    return judge({ ...visit.case, readings: [resting!, cannot('cranking-voltage'), ...later] });
  };

  it.each([
    ['starter-control', 'control', 6],
    ['solenoid-contacts', 'starter', 12],
    ['cable-starter-positive', 'connections', 12],
    ['cable-starter-ground', 'connections', 12],
    ['connection-positive-post', 'connections', 12],
    ['connection-negative-post', 'connections', 12],
    ['engine-drag', 'mechanical', 14],
    ['starter-dragging', 'starter', 16],
  ] as const)('finds %s: %s, in at most %i steps', (fault, part, most) => {
    const visits = silent(fault);
    for (let i = 0; i < VEHICLES; i++) {
      const visit = visits.next().value as SimulatedVisit;
      visit.do('resting-voltage');
      let said = noted(visit);
      let steps = 1;
      for (; said.decision.action === 'test-next' && said.next[0] && steps <= most; steps++) {
        visit.do(said.next[0].test, said.next[0].conditions);
        said = noted(visit);
      }
      expect({ part: said.decision.part, steps: Math.min(steps, most) }).toEqual({ part, steps });
    }
  });
});

test('the bench says which step comes first, and frees the drops once the solenoid is known to be told', () => {
  const blocked = (...readings: readonly Reading[]) =>
    blockedSteps(survey(caseOf([rest(12.62), ...readings])).gradedCase, ['drop-starter-ground', 'starter-draw']);
  expect(blocked(draw(0)).get('drop-starter-ground')).toMatchObject({ first: 'starter-control-voltage' });
  expect(blocked(cannot('cranking-voltage')).has('starter-draw')).toBe(false);
  expect(blocked(draw(0), control(12.2)).size).toBe(0);
  expect(blocked(draw(140)).size).toBe(0);
});
