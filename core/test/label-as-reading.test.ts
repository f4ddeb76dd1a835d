/** The label is a reading too: what is measured against it is one witness, and a wrong line of it makes all fail together. */
import { judge } from '@tetrad/core';
import type { Case, Reading } from '@tetrad/core';
import { LABEL_CONFIRMED, SOUND_LOOKS, SOUND_SYSTEM, caseOf, crank, read, rest, soundReadings } from './cases';

/** A sound battery of 560 A SAE whose figure was taken for DIN: tester and load were set by it. */
const MISREAD: Case['system'] = {
  ...SOUND_SYSTEM,
  engine: { cylinders: 4, fuel: 'petrol' },
  battery: { chemistry: 'flooded', rating: { value: 560, standard: 'DIN' } },
};
const byMisreadLabel = (): Reading[] => [
  ...soundReadings(),
  read('conductance', 322),
  read('load-test', 8.6, { amps: 491, seconds: 15 }),
  read('internal-resistance', 0.0079),
];
const judged = (readings: readonly Reading[], system: Case['system'], symptoms = ['slow-crank']) =>
  judge(caseOf(readings, { system, symptoms, observations: SOUND_LOOKS }));

it('three tests that lean on one label condemn nothing: the label is looked at first', () => {
  const said = judged(byMisreadLabel(), MISREAD);
  expect(said.decision.action).toBe('test-next');
  expect(said.next[0]).toMatchObject({ test: 'label', code: 'label-first', minutes: 1 });
  expect(said.parts.battery).toMatchObject({ verdict: 'not-proven', missing: ['label'] });
  const corrected = { ...MISREAD, battery: { ...MISREAD.battery, rating: LABEL_CONFIRMED.battery.rating! } };
  const tested = byMisreadLabel().map((reading) =>
    reading.test === 'conductance' ? { ...reading, value: 565 } : reading,
  );
  const after = judged(tested, corrected);
  expect(after.decision.action).not.toBe('replace');
  expect(after.next.map(({ test }) => test)).not.toContain('label');
});

it('a label that was confirmed as it stands is not doubted again: the battery is replaced', () => {
  const rating = { ...MISREAD.battery.rating!, confirmed: true };
  const said = judged(byMisreadLabel(), { ...MISREAD, battery: { ...MISREAD.battery, rating } });
  expect(said.decision).toMatchObject({ action: 'replace', part: 'battery', fault: 'battery-worn' });
});

it.each<[string, readonly Reading[]]>([
  [
    'the volts at a sound starter’s amps',
    [rest(12.62), crank(8.7), read('starter-draw', 150), read('conductance', 260), read('internal-resistance', 0.015)],
  ],
  [
    'what it lost while disconnected',
    [
      rest(12.6),
      read('conductance', 260),
      read('internal-resistance', 0.015),
      read('hold-charge', 11.2, { hours: 12, startVolts: 12.6 }),
    ],
  ],
])('where %s speak by themselves, nobody is sent to the label', (_what, readings) => {
  const said = judged(readings, SOUND_SYSTEM);
  expect(said.decision).toMatchObject({ action: 'replace', part: 'battery' });
});

it('of two batteries with one label the weak one is weak by any label', () => {
  const pack: Case['system'] = {
    ...SOUND_SYSTEM,
    engine: { cylinders: 6, fuel: 'diesel' },
    battery: { chemistry: 'flooded', rating: { value: 900, standard: 'SAE' }, count: 2, arrangement: 'parallel' },
  };
  const of = (battery: number, amps: number, ohm: number): Reading[] => [
    { ...rest(12.65), battery },
    read('conductance', amps, {}, { battery }),
    read('internal-resistance', ohm, {}, { battery }),
  ];
  const said = judged([...of(1, 870, 0.0031), ...of(2, 330, 0.0094)], pack);
  expect(said.decision).toMatchObject({ action: 'replace', part: 'battery', batteries: [1, 2] });
  const both = judged([...of(1, 330, 0.0094), ...of(2, 330, 0.0094)], pack);
  expect([both.decision.action, both.next[0]?.test]).toEqual(['test-next', 'label']);
});
