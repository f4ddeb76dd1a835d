/** What is only noted passes nothing; what was said before a repair says nothing of the vehicle after it. */
import { judge } from '@tetrad/core';
import type { Case, Observation, Reading } from '@tetrad/core';
import { SOUND_LOOKS, SOUND_SYSTEM, caseOf, charging, crank, drop, read, rest, saw, soundReadings } from './cases';

interface More {
  readonly symptoms?: string[];
  readonly observations?: readonly Observation[];
  readonly system?: Case['system'];
}
const saidOf = (readings: readonly Reading[], more: More = {}) => judge(caseOf(readings, more));
const asked = (said: ReturnType<typeof judge>): readonly string[] => said.next.map(({ test }) => test);
const after = (reading: Reading): Reading => ({ ...reading, pass: 'after' });

describe('a reading that no limit speaks of', () => {
  it('keeps no battery: its health was read against a label that cannot be right', () => {
    const rated = (value: number): Case['system'] => ({
      ...SOUND_SYSTEM,
      battery: { ...SOUND_SYSTEM.battery, rating: { value, standard: 'SAE' } },
    });
    const said = saidOf([rest(12.62), read('conductance', 350)], { system: rated(1200) });
    expect(said.readings.at(-1)).toMatchObject({ grade: 'noted', code: 'label-too-strong' });
    expect(said.parts.battery.verdict).toBe('not-proven');
    expect(saidOf([rest(12.62), read('conductance', 550)], { system: rated(560) }).parts.battery.verdict).toBe('keep');
  });

  it('is no proof of what the alternator can give: what the vehicle asked for is read again under load', () => {
    const demand = read('alternator-current', 35, { rpm: 2000, loads: 'on', systemVolts: 14.0 });
    const limit = read('alternator-current', 98, { rpm: 2000, loads: 'on', systemVolts: 12.6 });
    const lamp = { symptoms: ['charge-lamp'], observations: [...SOUND_LOOKS, saw('charge-lamp', 'works')] };
    expect(saidOf([...soundReadings(), demand], lamp).decision.action).toBe('test-next');
    expect(saidOf([...soundReadings(), limit], lamp).decision.action).toBe('none-found');
    expect(asked(saidOf([rest(12.62), charging(14.1), demand], lamp))).toContain('alternator-current');
    expect(asked(saidOf([rest(12.62), charging(14.1), limit], lamp))).not.toContain('alternator-current');
  });

  it('of an alternator whose rating nobody knows is no proof either: its field duty is the other way', () => {
    const system: Case['system'] = { ...SOUND_SYSTEM, alternator: { regulation: 'fixed' } };
    const given = read('alternator-current', 98, { rpm: 2000, loads: 'on', systemVolts: 12.6 });
    const lamp = { system, symptoms: ['charge-lamp'], observations: [...SOUND_LOOKS, saw('charge-lamp', 'works')] };
    const said = saidOf([...soundReadings(), given], lamp);
    expect(said.readings.at(-1)).toMatchObject({ grade: 'noted', code: 'needs-output-rating' });
    expect(asked(said)).toContain('field-duty');
    expect(saidOf([...soundReadings(), given, read('field-duty', 55)], lamp).decision.action).toBe('none-found');
  });

  it('keeps no commanded alternator whose target nobody knows', () => {
    const system: Case['system'] = { ...SOUND_SYSTEM, alternator: { ratedAmps: 150, regulation: 'commanded' } };
    const told = (commandedVolts?: number) =>
      read('charging-voltage', 12.9, { rpm: 2000, loads: 'off', ...(commandedVolts && { commandedVolts }) });
    const rippled = read('ripple-ac', 0.04, { rpm: 2000, loads: 'on' });
    expect(saidOf([rest(12.62), told(), rippled], { system }).parts.alternator.verdict).not.toBe('keep');
    expect(saidOf([rest(12.62), told(12.8), rippled], { system }).parts.alternator.verdict).toBe('keep');
  });
});

describe('after a repair', () => {
  const before = [rest(12.62), crank(11.3), read('starter-draw', 100), drop('drop-starter-ground', 1.1, 100)];
  const cured = [rest(12.62), crank(10.7), read('starter-draw', 140), drop('drop-starter-ground', 0.05)];

  it('the complaint accuses nobody any more: it was made of the vehicle as it was', () => {
    const said = saidOf([...before, ...cured.map(after)], { symptoms: ['slow-crank'] });
    expect(said.faults[0]!.fault).toBe('none');
    expect(said.faults.flatMap(({ evidence }) => evidence).filter((line) => 'symptom' in line)).toEqual([]);
    expect(said.comparison).toContainEqual(expect.objectContaining({ test: 'drop-starter-ground', solved: true }));
  });

  it('what was not cured is still there', () => {
    const failed = [...cured.slice(0, 3), drop('drop-starter-ground', 1.0)];
    const said = saidOf([...before, ...failed.map(after)], { symptoms: ['slow-crank'] });
    expect(said.parts.connections).toMatchObject({ verdict: 'not-proven', where: ['drop-starter-ground'] });
    expect(['none-found', 'repaired']).not.toContain(said.decision.action);
  });

  it('no step is asked for twice in one list', () => {
    const said = saidOf([...before, read('conductance', 545), after(drop('drop-starter-ground', 0.05))], {
      symptoms: ['slow-crank'],
    });
    const steps = said.next.map(({ test, conditions }) => `${test} ${conditions?.['loads'] ?? ''}`);
    expect(new Set(steps).size).toBe(steps.length);
    expect(steps.length).toBeGreaterThan(2);
  });
});

test('an engine that nobody can turn is asked neither to turn nor to run, until what held it is off', () => {
  const jammed = [rest(12.62), crank(8.5), read('starter-draw', 750), read('conductance', 550)];
  const locked = [saw('terminals', 'clean'), saw('crank-by-hand', 'locked')];
  const wanted = asked(saidOf(jammed, { symptoms: ['no-crank-single-click'], observations: locked }));
  for (const test of ['cranking-speed', 'charging-voltage', 'ripple-ac']) expect(wanted).not.toContain(test);
  expect(wanted).toContain('belt-removed-crank');
});

test('a large battery gives fewer amps for each ampere hour, and its label is not doubted for that', () => {
  const rated = (value: number, capacityAh: number) => {
    const battery = { ...SOUND_SYSTEM.battery, capacityAh, rating: { value, standard: 'SAE' as const } };
    const system: Case['system'] = { ...SOUND_SYSTEM, engine: { cylinders: 6, fuel: 'diesel' }, battery };
    return saidOf([rest(12.62), read('conductance', value)], { system }).readings.at(-1)!;
  };
  expect(rated(900, 170)).toMatchObject({ grade: 'within' });
  expect(rated(600, 170)).toMatchObject({ grade: 'noted', code: 'label-too-weak' });
  expect(rated(300, 60)).toMatchObject({ grade: 'noted', code: 'label-too-weak' });
});
