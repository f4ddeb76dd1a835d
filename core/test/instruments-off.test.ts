/** An instrument that was off spoils what it read: it is settled by name before the test is taken again. */
import { judge } from '@tetrad/core';
import type { Observation, Reading } from '@tetrad/core';
import { SOUND_LOOKS, caseOf, crank, drop, lastOf, read, rest, ripple, saw, soundReadings } from './cases';

const slow = { symptoms: ['slow-crank'] };
const steps = (readings: readonly Reading[], observations: readonly Observation[] = SOUND_LOOKS) =>
  judge(caseOf(readings, { ...slow, observations })).next;

describe('a clamp that stood off zero', () => {
  const readings = [rest(12.62), crank(10.5), read('starter-draw', 160, { zeroOffsetAmps: 28 })];

  it('is zeroed first, and then the amps are read again', () => {
    const asked = steps(readings);
    const [first] = asked;
    expect(first).toMatchObject({ test: 'clamp-zero', code: 'instrument-first', with: { check: 'clamp-zero' } });
    expect(first!.because).toMatch(/Zero the clamp where it will be used, then repeat it/);
    expect(asked.map(({ test }) => test)).toContain('starter-draw');
  });

  it('is not asked about twice', () => {
    const asked = steps(readings, [...SOUND_LOOKS, saw('clamp-zero', 'zeroed')]);
    expect(asked.map(({ test }) => test)).not.toContain('clamp-zero');
    expect(asked.map(({ test }) => test)).toContain('starter-draw');
  });

  it('asks for nothing once the amps were read with a clamp that stands at zero', () => {
    const asked = steps([...readings, read('starter-draw', 132, { zeroOffsetAmps: 0.4 })]);
    expect(asked.map(({ test }) => test)).not.toContain('clamp-zero');
  });
});

it('an AC range that sees DC is tried on a plain battery before ripple is read again', () => {
  const [first] = judge(caseOf([...soundReadings().slice(0, 3), ripple(14.1)], { symptoms: ['radio-whine'] })).next;
  expect(first).toMatchObject({ test: 'meter-ac', code: 'instrument-first' });
});

describe('a clamp at its ceiling', () => {
  /** 40 A is all this clamp can show; the engine asks for about 150. */
  const saturated = read('starter-draw', 40, { clampCeilingAmps: 40 });
  const before = [rest(12.62), crank(10.5)];

  it('does not make a sound drop look deep: at least the usual current flowed', () => {
    const ground = drop('drop-starter-ground', 0.12, 40);
    expect(lastOf([...before, read('starter-draw', 42), ground]).grade).toBe('outside');
    expect(lastOf([...before, saturated, ground])).toMatchObject({ grade: 'within', limit: 'at most 200 mV' });
  });

  it('does not hide a deep one', () =>
    expect(lastOf([...before, saturated, drop('drop-starter-ground', 0.9, 60)]).grade).toBe('outside'));

  it('says nothing of amps that another clamp read', () => {
    const ground = drop('drop-starter-ground', 0.12, 120);
    expect(lastOf([...before, saturated, ground]).limit).toBe(lastOf([...before, ground]).limit);
  });

  it('says nothing of the alternator’s current', () => {
    const charge = drop('drop-charge-positive', 0.12, 60);
    expect(lastOf([...before, saturated, charge]).limit).toBe(lastOf([...before, charge]).limit);
  });

  it('never condemns starter or cables by what it let through', () => {
    const drops = [drop('drop-starter-positive', 0.2, 60), drop('drop-starter-ground', 0.09, 60)];
    const { decision, parts } = judge(caseOf([...before, saturated, ...drops], { ...slow, observations: SOUND_LOOKS }));
    expect(decision.action).toBe('test-next');
    expect([parts.starter.verdict, parts.connections.verdict]).not.toContain('replace');
    expect(parts.connections.verdict).not.toBe('repair');
  });
});
