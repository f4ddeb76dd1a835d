/** What workshops do when it is not clear: peaks, a drive that is jammed, a diode by one kind of test. */
import { describe, expect, it } from '@jest/globals';
import { FAULT_NAMES, checkCase, judge, simulateCase } from '@tetrad/core';
import type { Judgement, Reading } from '@tetrad/core';
import fc from 'fast-check';
import { loadFloorVolts } from '../src/battery/sag-share';
import { LABEL_CONFIRMED, SOUND_SYSTEM, caseOf, charging, crank, drop, read, rest, saw, soundReadings } from './cases';

const probabilityOf = ({ faults }: Judgement, name: string): number =>
  faults.find(({ fault }) => fault === name)!.probability;

describe('a peak', () => {
  const peaks = ['min-max', 'fast-peak', 'scope'] as const;

  it.each(peaks)('of the amps, by %s, is noted as of the inrush and accuses nobody', (method) => {
    const before = judge(caseOf(soundReadings()));
    const said = judge(caseOf([...soundReadings(), read('starter-draw', 407, { method })]));
    expect(said.readings.at(-1)).toMatchObject({ grade: 'noted', code: 'peak' });
    for (const fault of FAULT_NAMES.filter((name) => name !== 'none'))
      expect(probabilityOf(said, fault)).toBeLessThanOrEqual(probabilityOf(before, fault) + 1e-6);
  });

  it.each(peaks)('of a drop, by %s, is no bad ground', (method) => {
    const readings = [rest(12.62), crank(10.5), read('drop-engine-ground', 0.4, { method })];
    const said = judge(caseOf(readings, { symptoms: ['slow-crank'] }));
    expect(said.readings.at(-1)).toMatchObject({ grade: 'noted', code: 'peak' });
    expect(said.readings.at(-1)!.because).toContain('inrush');
    expect(probabilityOf(said, 'cable-starter-ground')).toBeLessThan(0.2);
    const steady = judge(
      caseOf([rest(12.62), crank(10.5), drop('drop-engine-ground', 0.4, 140)], { symptoms: ['slow-crank'] }),
    );
    expect(probabilityOf(steady, 'cable-starter-ground')).toBeGreaterThan(
      probabilityOf(said, 'cable-starter-ground') + 0.3,
    );
  });
});

describe('an engine that a hand cannot turn', () => {
  const held = [rest(12.62), read('conductance', 560), crank(9.2), read('starter-draw', 640)];
  const looks = [saw('crank-by-hand', 'locked'), saw('belt-removed-crank', 'unchanged')];
  const said = (...more: ReturnType<typeof saw>[]): Judgement =>
    judge(caseOf(held, { symptoms: ['no-crank-single-click'], observations: [...looks, ...more] }));

  it('is neither an engine nor a starter until the starter was loosened', () => {
    const open = said();
    expect(open.decision.action).toBe('test-next');
    expect(open.next.map(({ test }) => test)).toContain('starter-loosened');
  });

  it('that turns with the starter loosened had a jammed drive', () => {
    const jammed = said(saw('starter-loosened', 'turns'));
    expect(jammed.faults[0]!.fault).toBe('starter-jammed');
    expect(probabilityOf(jammed, 'engine-drag')).toBeLessThan(0.1);
  });

  it('that stays locked is locked by itself', () => {
    const locked = said(saw('starter-loosened', 'locked'));
    expect(locked.faults[0]!.fault).toBe('engine-drag');
    expect(probabilityOf(locked, 'starter-jammed')).toBeLessThan(0.1);
  });

  it('is told apart on the circuit model too', () => {
    let right = 0;
    for (let seed = 1; seed <= 30; seed++)
      if (
        judge(simulateCase({ faults: ['starter-jammed'], severity: 0.6, seed })).faults[0]!.fault === 'starter-jammed'
      )
        right += 1;
    expect(right).toBeGreaterThanOrEqual(28);
  });

  it('names what binds by hand with the belt off: an alternator that is seized is the alternator', () => {
    const freed = [saw('crank-by-hand', 'tight'), saw('belt-removed-crank', 'freed')];
    const bySight = (name: string): Judgement =>
      judge(caseOf(held, { symptoms: ['slow-crank'], observations: [...freed, saw('accessories-by-hand', name)] }));
    expect(bySight('alternator').decision).toMatchObject({ fault: 'accessory-seized', part: 'alternator' });
    expect(bySight('compressor').decision).toMatchObject({ fault: 'accessory-seized', part: 'mechanical' });
  });
});

describe('a diode', () => {
  const wave = (volts: number, humpsMissing?: number): Reading =>
    read('ripple-waveform', volts, humpsMissing === undefined ? {} : { humpsMissing });
  const base = [rest(12.62), charging(14.1), charging(13.9, 'on'), read('conductance', 560)];
  const said = (...readings: readonly Reading[]): Judgement =>
    judge(caseOf([...base, ...readings], { symptoms: ['radio-whine'], observations: [saw('belt', 'good')] }));

  it('is not proven by one waveform and a static check that is good', () => {
    const { decision } = said(wave(1.4), read('diode-reverse', 'OL'), read('diode-forward', 0.5));
    expect(decision.action === 'replace' && decision.part === 'alternator').toBe(false);
  });

  it('is proven by humps that are missing and a ripple in volts', () => {
    const { decision } = said(wave(1.4, 1), read('ripple-ac', 0.9, { rpm: 2000, loads: 'on' }));
    expect(decision).toMatchObject({ action: 'replace', part: 'alternator', fault: 'alternator-diode' });
  });
});

describe('a terminal of the alternator', () => {
  const silent = [rest(12.5), charging(12.3), charging(12.2, 'on'), read('alternator-stud-voltage', 12.48)];
  const looks = [saw('belt', 'good'), saw('ground-strap', 'sound')];
  type Terminal = 'lamp' | 'enable' | 'supply' | 'sense';
  const saidOf = (volts: number, terminal?: Terminal, more: object = {}) =>
    judge(
      caseOf([...silent, read('excitation-voltage', volts, { ...(terminal && { terminal }), ...more })], {
        symptoms: ['charge-lamp'],
        observations: looks,
      }),
    );

  it.each([
    [1.8, 'lamp'],
    [4.9, 'enable'],
    [12.3, 'supply'],
    [12.4, 'sense'],
  ] as const)('%d V at a %s terminal is right: the alternator itself is dead', (volts, terminal) => {
    expect(saidOf(volts, terminal).decision).toMatchObject({ action: 'replace', fault: 'alternator-dead' });
  });

  it.each([
    [0.1, 'lamp', {}],
    [0.2, 'enable', {}],
    [4.9, 'enable', { enableVolts: 12 }],
    [1.8, 'supply', {}],
  ] as const)('%d V at a %s terminal is too little: it is not told to charge', (volts, terminal, more) => {
    expect(saidOf(volts, terminal, more).decision).toMatchObject({ action: 'repair', fault: 'charge-control' });
  });

  it('the battery’s volts at a lamp terminal: no current flows through the field', () => {
    expect(saidOf(12.3, 'lamp').decision).toMatchObject({ fault: 'alternator-dead' });
  });

  it('that nobody named accuses nothing, and is asked for', () => {
    const said = saidOf(1.8);
    expect(said.readings.at(-1)).toMatchObject({ grade: 'noted', code: 'which-terminal' });
    expect(said.decision.action).toBe('test-next');
    expect(said.next[0]!.test).toBe('excitation-voltage');
    expect(probabilityOf(said, 'charge-control')).toBeLessThan(0.3);
    expect(saidOf(12.3).decision).toMatchObject({ action: 'replace', fault: 'alternator-dead' });
  });

  it('says nothing of an alternator that holds its volts', () => {
    const before = judge(caseOf(soundReadings()));
    const said = judge(caseOf([...soundReadings(), read('excitation-voltage', 5, { terminal: 'supply' })]));
    expect(said.readings.at(-1)).toMatchObject({ grade: 'noted', code: 'charges-anyway' });
    for (const fault of FAULT_NAMES) expect(probabilityOf(said, fault)).toBeCloseTo(probabilityOf(before, fault), 6);
  });

  it('has one of four names', () => {
    const named = (terminal: string) =>
      caseOf([{ ...read('excitation-voltage', 1.8), conditions: { terminal } } as never]);
    expect([checkCase(named('field')).ok, checkCase(named('sense')).ok]).toEqual([false, true]);
  });
});

it('one battery of a pack that cranked alone has its own floor, and speaks of itself', () => {
  const system = {
    ...SOUND_SYSTEM,
    engine: { cylinders: 6, fuel: 'diesel' as const, displacementLitres: 3.6 },
    battery: {
      ...SOUND_SYSTEM.battery,
      ...{ count: 3, arrangement: 'parallel' as const, capacityAh: 85 },
      rating: { value: 700, standard: 'SAE' as const, confirmed: true },
    },
    specified: { crankingVolts: { min: 11.5 } },
  };
  const alone = (volts: number, isolated: number) =>
    read('cranking-voltage', volts, { method: 'watched', seconds: 8, isolated });
  const readings = [rest(12.66), read('starter-draw', 420), alone(10.1, 1), alone(10.2, 2), alone(8.1, 3)];
  const said = judge(caseOf(readings, { system, symptoms: ['slow-crank'] }));
  expect(said.readings.slice(2).map(({ grade }) => grade)).toEqual(['within', 'within', 'outside']);
  expect(said.faults[0]!.fault).toBe('battery-worn');
  expect(said.batteries!.map(({ battery, health }) => [battery, (health ?? 1) < 0.8])).toEqual([
    [1, false],
    [2, false],
    [3, true],
  ]);
  // the crank of the pack is still to be read
  expect(said.decision.action).toBe('test-next');
});

describe('any load is a load test', () => {
  const tested = (volts: number, amps: number, cca: number, celsius = 21) => {
    const system = {
      ...SOUND_SYSTEM,
      battery: {
        ...SOUND_SYSTEM.battery,
        rating: { value: cca, standard: 'SAE' as const, confirmed: true },
        capacityAh: cca / 9,
      },
    };
    const said = judge(
      caseOf([rest(12.64), read('load-test', volts, { amps, seconds: 15, chargedBefore: true })], { system, celsius }),
    );
    return { grade: said.readings[1]!.grade, said };
  };

  it.each([
    ['100 A on 600 A that end at 10.4 V', 10.4, 100, 600, 'outside'],
    ['140 A on 340 A that end at 9.6 V', 9.6, 140, 340, 'outside'],
    ['100 A on 600 A that end at 11.6 V', 11.6, 100, 600, 'within'],
    ['half the CCA at 9.6 V', 9.75, 300, 600, 'within'],
    ['three quarters of the CCA at 8.4 V', 8.4, 450, 600, 'within'],
    ['under a tenth of the CCA a good figure', 12.2, 50, 600, 'void'],
    ['under a tenth of the CCA a collapse', 8, 50, 600, 'outside'],
  ] as const)('%s', (_name, volts, amps, cca, grade) => expect(tested(volts, amps, cca).grade).toBe(grade));

  it('its floor falls with the cold as that of half the CCA does', () => {
    expect([tested(11.2, 100, 600).grade, tested(11.2, 100, 600, -18).grade]).toEqual(['outside', 'within']);
  });

  it('one curve grades it and measures health by it: at its floor a battery is as good as at the floor of half the CCA', () => {
    const healthAt = (volts: number, amps: number): number => tested(volts, amps, 600).said.derived.ways![0]!.health;
    const floor = (amps: number): number => loadFloorVolts(9.6, 12.64, amps, 600, 1);
    for (const amps of [70, 100, 150, 220, 400]) expect(healthAt(floor(amps), amps)).toBeCloseTo(0.8, 1);
    fc.assert(
      fc.property(
        fc.double({ min: 61, max: 590, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        (amps, more) => {
          expect(floor(amps + more)).toBeLessThan(floor(amps) + 0.06);
        },
      ),
    );
  });
});

it('a tester that prints only a percentage is judged by it', () => {
  const gradeOf = (percentOfRating: number): string =>
    judge(caseOf([rest(12.64), read('conductance', 400, { percentOfRating })])).readings[1]!.grade;
  expect([gradeOf(62), gradeOf(95)]).toEqual(['outside', 'within']);
});

it('next to nothing taken at once is weak evidence of a ruined battery, after half an hour strong', () => {
  const wornAfter = (minutes: number): number =>
    probabilityOf(
      judge(caseOf([rest(12.0), read('charge-acceptance', 1, { volts: 14.5, minutes })], { symptoms: ['slow-crank'] })),
      'battery-worn',
    );
  const [atOnce, unread, later] = [wornAfter(2), wornAfter(25), wornAfter(45)];
  expect(atOnce).toBeGreaterThan(unread);
  expect(later / (1 - later)).toBeGreaterThan((5 * atOnce) / (1 - atOnce));
});

describe('the deepest loss of a crank', () => {
  const readings = [
    rest(12.7),
    ...[read('cranking-voltage', 8.4, { method: 'watched', seconds: 8 }), read('starter-draw', 150)],
    ...[
      drop('drop-solenoid', 0.9, 150),
      drop('drop-starter-positive', 1.1, 150),
      drop('drop-starter-ground', 0.1, 150),
    ],
    read('starter-control-voltage', 8.1),
  ];
  const saidWith = (more: readonly Reading[] = [], system = SOUND_SYSTEM) =>
    judge(
      caseOf([...readings, ...more], {
        system,
        symptoms: ['slow-crank'],
        observations: [saw('crank-by-hand', 'turns')],
      }),
    );

  it('is settled before a smaller one is called: 1.2 V over what the battery may lose, 0.6 V over at the solenoid', () => {
    const said = saidWith();
    expect(said.decision.action).toBe('test-next');
    expect(['conductance', 'load-test', 'internal-resistance']).toContain(said.next[0]!.test);
  });

  it('is called first where it is proven', () => {
    const weak = [read('conductance', 240), read('internal-resistance', 0.018)];
    const doubted = saidWith(weak);
    expect(doubted.decision).toMatchObject({ action: 'test-next', fault: 'battery-worn' });
    const { decision } = saidWith(weak, LABEL_CONFIRMED);
    expect(decision).toMatchObject({ action: 'replace', part: 'battery', fault: 'battery-worn' });
  });

  it('gives way where the battery is good: its volts were low for another reason', () => {
    const good = [
      read('conductance', 575),
      read('internal-resistance', 0.0062),
      read('load-test', 10.6, { amps: 280, seconds: 15 }),
    ];
    expect(saidWith(good).decision.part).not.toBe('battery');
  });
});

describe('volts that a scan tool shows', () => {
  const shown = (test: 'cranking-voltage' | 'charging-voltage', volts: number, offsetVolts?: number): Reading =>
    read(test, volts, { method: 'scan-tool', loads: 'off', ...(offsetVolts !== undefined && { offsetVolts }) });
  const last = (...readings: Reading[]): Judgement['readings'][number] =>
    judge(caseOf([rest(12.62), ...readings])).readings.at(-1)!;

  it('count at the post once the difference is known, and say so', () => {
    expect(last(shown('charging-voltage', 13.48, 0.1)).grade).toBe('within');
    expect(last(shown('cranking-voltage', 9.55, 0.1)).because).toContain('9.65 V at the post (9.55 V at the module');
    expect(last(shown('cranking-voltage', 9.2, 0.1))).toMatchObject({ grade: 'outside', code: 'below-limit' });
  });

  it('are compared once: the difference of a module voltage serves what is read later', () => {
    const compared = read('module-voltage', 12.5, { offsetVolts: 0.15 });
    expect(last(compared, shown('charging-voltage', 13.4)).grade).toBe('within');
    expect(last(compared, shown('cranking-voltage', 9.2)).because).toContain('9.35 V at the post');
  });

  it('that nobody compared pass where they pass, since wires add no volts, and condemn nothing', () => {
    expect(last(shown('charging-voltage', 14.1)).grade).toBe('within');
    expect(last(shown('charging-voltage', 15.6)).grade).toBe('outside');
    expect(last(shown('cranking-voltage', 9.2))).toMatchObject({ grade: 'void', code: 'module-not-compared' });
  });
});

describe('a commanded alternator whose target nobody read', () => {
  const system = { ...SOUND_SYSTEM, alternator: { ratedAmps: 110, regulation: 'commanded' as const } };
  const said = (volts: number): Judgement => judge(caseOf([rest(12.62), charging(volts)], { system }));

  it.each([12.8, 13.6, 14.9])('may be told to hold %d V: that is noted', (volts) => {
    expect(said(volts).readings.at(-1)).toMatchObject({ grade: 'noted', code: 'commanded-target-missing' });
  });
  it('is told to hold no 15.6 V: any battery is overcharged there', () => {
    const { readings, faults } = said(15.6);
    expect(readings.at(-1)).toMatchObject({ grade: 'outside', code: 'above-limit' });
    expect(faults[0]!.fault).toBe('regulator-high');
  });
});
