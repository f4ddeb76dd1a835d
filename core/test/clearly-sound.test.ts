/** What a round check may call sound: four notes within, both looks good, nothing void or near. */
import { BALANCED, judge, isClearlySound } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, rest, ripple } from './cases';

const LOOKS: NonNullable<Case['observations']> = [
  { about: 'terminals', finding: 'clean' },
  { about: 'belt', finding: 'good' },
];
const notes = () => [rest(12.66), crank(10.7), charging(14.2), ripple(0.03)];
const isSound = (subject: Case): boolean => isClearlySound(subject, judge(subject, BALANCED));

it('four notes within and both looks good are clearly sound, though nothing else was measured', () => {
  expect(isSound(caseOf(notes(), { observations: LOOKS }))).toBe(true);
});

it('a missing note, a missing look or a loose clamp is not', () => {
  for (const left of [0, 1, 2, 3])
    expect(
      isSound(
        caseOf(
          notes().filter((_, at) => at !== left),
          { observations: LOOKS },
        ),
      ),
    ).toBe(false);
  expect(isSound(caseOf(notes(), { observations: LOOKS.slice(1) }))).toBe(false);
  expect(isSound(caseOf(notes(), { observations: [{ about: 'terminals', finding: 'loose' }, LOOKS[1]!] }))).toBe(false);
});

it('a note near its limit, outside or void is not', () => {
  for (const other of [rest(12.3), rest(13.4)])
    // to be charged; surface charge
    expect(isSound(caseOf([other, ...notes().slice(1)], { observations: LOOKS }))).toBe(false);
  const [resting, , run, hum] = notes();
  for (const volts of [9.62, 8.4])
    expect(isSound(caseOf([resting!, crank(volts), run!, hum!], { observations: LOOKS }))).toBe(false);
});

it('of a pack every battery is read', () => {
  const system: Case['system'] = {
    ...SOUND_SYSTEM,
    battery: { ...SOUND_SYSTEM.battery, count: 2, arrangement: 'parallel' },
  };
  const [resting, ...others] = notes();
  const first = { ...resting!, battery: 1 };
  expect(isSound(caseOf([first, ...others], { system, observations: LOOKS }))).toBe(false);
  expect(isSound(caseOf([first, { ...rest(12.68), battery: 2 }, ...others], { system, observations: LOOKS }))).toBe(
    true,
  );
});
