/** Limits follow the school, the maker's figure wins, and a set that is edited moves everything that leans on it. */
import { BALANCED, CAREFUL, HEAVY_DUTY, QUICK_CHECK, SCHOOLS, judge } from '@tetrad/core';
import type { Case, CriteriaSet, Reading } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, drop, edited, lastOf, read, rest, ripple, saw } from './cases';

const specified = (figures: Case['system']['specified']): { system: Case['system'] } => ({
  system: { ...SOUND_SYSTEM, specified: figures },
});
const probability = (readings: readonly Reading[], set: CriteriaSet, fault: string): number =>
  judge(caseOf(readings), set).faults.find((entry) => entry.fault === fault)!.probability;

describe('the maker’s figure', () => {
  it.each(SCHOOLS.map((school) => [school.id, school] as const))(
    'for cranking wins over every limit of %s',
    (_id, school) => {
      const more = specified({ crankingVolts: { min: 11 } });
      const graded = lastOf([rest(12.65), crank(10.8)], school, more);
      expect(graded).toMatchObject({ grade: 'outside', limit: 'at least 11.00 V (specified)' });
      expect(lastOf([rest(12.65), crank(11.1)], school, more).grade).toBe('within');
    },
  );

  it('for charging wins over the window, but not over a commanded target that was read', () => {
    const more = specified({ chargingVolts: { min: 14.0, max: 15.2 } });
    expect(lastOf([charging(15.1)], BALANCED, more).grade).toBe('within');
    expect(lastOf([charging(13.8)], BALANCED, more).grade).toBe('outside');
    const smart = { system: { ...more.system, alternator: { ratedAmps: 150, regulation: 'commanded' as const } } };
    expect(lastOf([read('charging-voltage', 12.9, { commandedVolts: 12.8 })], BALANCED, smart).grade).toBe('within');
  });

  it('for the starter’s draw is no typical range: it has no soft ends, and grows with the cold', () => {
    const more = specified({ starterDrawAmps: { min: 90, max: 180 } });
    expect(lastOf([read('starter-draw', 176)], BALANCED, more)).toMatchObject({
      grade: 'within',
      limit: '90 A to 180 A (specified)',
    });
    expect(lastOf([read('starter-draw', 220)], BALANCED, { ...more, celsius: -18 }).grade).toBe('within');
    expect(lastOf([read('starter-draw', 195)]).grade).toBe('near');
  });
});

describe('the borderline zone of a limit', () => {
  it('of holding its charge begins where the set says', () => {
    const held = read('hold-charge', 12.4, { hours: 12, startVolts: 12.65 });
    const narrow = edited(BALANCED, 'hold-charge', (limit) => ({ ...limit, borderline: 0.05 }));
    expect(lastOf([held]).grade).toBe('near');
    expect(lastOf([held], narrow).grade).toBe('within');
  });

  it('of the alternator’s output begins where the set says', () => {
    const output = read('alternator-current', 92, { systemVolts: 12.5, fieldPercent: 100 });
    const narrow = edited(BALANCED, 'alternator-current', (limit) => ({ ...limit, borderline: 0.01 }));
    expect(lastOf([output]).grade).toBe('near');
    expect(lastOf([output], narrow).grade).toBe('within');
  });

  it('of a drop is halved on 6 V and doubled on 24 V with its limit', () => {
    const system = (nominalVolts: 6 | 24): Case['system'] => ({ ...SOUND_SYSTEM, nominalVolts });
    const at = (nominalVolts: 6 | 24, volts: number) =>
      lastOf([read('drop-starter-ground', volts)], BALANCED, { system: system(nominalVolts) }).grade;
    expect([at(6, 0.07), at(6, 0.085), at(6, 0.11)]).toEqual(['within', 'near', 'outside']);
    expect([at(24, 0.3), at(24, 0.34), at(24, 0.44)]).toEqual(['within', 'near', 'outside']);
  });
});

describe('a set that is edited', () => {
  const battery = [rest(12.65), crank(10.4), read('starter-draw', 130), charging(14.2), ripple(0.04)];

  it('moves grade, probability, proof and decision together: a stricter conductance cut condemns what passed', () => {
    const readings = [...battery, read('conductance', 400), read('internal-resistance', 0.0075)];
    const strict = edited(
      edited(BALANCED, 'conductance', (limit) => ({ ...limit, rule: { kind: 'rated-share', minShare: 0.95 } })),
      'internal-resistance',
      (limit) => ({ ...limit, rule: { kind: 'ohms-times-cca', max: 3 } }),
    );
    expect(judge(caseOf(readings)).readings.at(-1)!.grade).toBe('near');
    expect(judge(caseOf(readings), strict).readings.at(-1)!.grade).toBe('outside');
    expect(probability(readings, strict, 'battery-worn')).toBeGreaterThan(
      probability(readings, BALANCED, 'battery-worn') + 0.3,
    );
  });

  it('that allows a wider spread of gravity leaves the battery in', () => {
    const cells = read('specific-gravity', [1.265, 1.18, 1.262, 1.264, 1.263, 1.265], { electrolyteCelsius: 27 });
    const wide = edited(BALANCED, 'specific-gravity', (limit) => ({ ...limit, rule: { kind: 'spread', max: 0.15 } }));
    const readings = [...battery, cells];
    expect(judge(caseOf(readings)).decision).toMatchObject({ action: 'replace', fault: 'battery-dead-cell' });
    expect(judge(caseOf(readings), wide).decision.action).not.toBe('replace');
    expect(probability(readings, wide, 'battery-dead-cell')).toBeLessThan(0.3);
  });

  it('a drop that a lenient school passes is no suspicion there, and a fault to a strict one', () => {
    const readings = [...battery, drop('drop-starter-ground', 0.34)];
    const by = (set: CriteriaSet) => probability(readings, set, 'cable-starter-ground');
    expect(by(QUICK_CHECK)).toBeLessThan(0.1);
    expect(by(BALANCED)).toBeGreaterThan(by(QUICK_CHECK) + 0.2);
  });

  it('ripple that the careful school refuses weighs more there', () => {
    const readings = [...battery.slice(0, 4), ripple(0.24)];
    expect(probability(readings, CAREFUL, 'alternator-diode')).toBeGreaterThan(
      probability(readings, QUICK_CHECK, 'alternator-diode') + 0.1,
    );
  });

  it('another minimum of charge is named as such, and bars what it bars', () => {
    const careful: CriteriaSet = { ...BALANCED, minimumCharge: 0.9 };
    const said = judge(caseOf([rest(12.5), crank(8.9)]), careful);
    expect(said.decision.because).toContain('below 90 %');
    expect(said.readings[1]).toMatchObject({ grade: 'void' });
    expect(said.readings[1]!.because).toContain('below 90 %');
    expect(judge(caseOf([rest(12.5), crank(8.9)])).readings[1]!.grade).toBe('outside');
  });
});

describe('a load test on 6 and 24 V', () => {
  const of = (nominalVolts: 6 | 24): { system: Case['system'] } => ({
    system: {
      ...SOUND_SYSTEM,
      nominalVolts,
      battery: { ...SOUND_SYSTEM.battery, ...(nominalVolts === 24 && { count: 2, arrangement: 'series' as const }) },
    },
  });
  it.each([
    [6, 6.32, 3.6, 5.4],
    [24, 25.3, 14.5, 21.5],
  ] as const)(
    'at %d V: one that fails at once has failed, one that holds was too short',
    (volts, resting, low, high) => {
      const short = (value: number) => read('load-test', value, { amps: 280, seconds: 4 });
      expect(lastOf([rest(resting), short(low)], BALANCED, of(volts)).grade).toBe('outside');
      expect(lastOf([rest(resting), short(high)], BALANCED, of(volts))).toMatchObject({ grade: 'void' });
      expect(lastOf([rest(resting), short(high)], BALANCED, of(volts)).because).toContain('too short');
    },
  );
});

describe('a drop is told as it was read', () => {
  it('with less than the usual current the limit shrinks in proportion', () => {
    const readings = [rest(12.6), drop('drop-starter-ground', 0.31, 50)];
    expect(lastOf(readings).limit).toBe('at most 133 mV at 50 A (200 mV at the usual 75 A)');
    const line = judge(caseOf(readings)).faults.find(({ fault }) => fault === 'cable-starter-ground')!.evidence[0]!;
    expect(line.says).toBe('310 mV lost at 50 A; limit 133 mV');
  });

  it('with more it stays: a path that loses so much is bad at any current', () => {
    const { because, limit } = lastOf([rest(12.6), drop('drop-starter-ground', 0.62, 192)]);
    expect(because).toContain('0.62 V at 192 A is above its limit');
    expect(limit).toBe('at most 200 mV');
    const said = judge(caseOf([rest(12.6), drop('drop-starter-ground', 0.62, 192)]));
    const line = said.faults.find(({ fault }) => fault === 'cable-starter-ground')!.evidence[0]!;
    expect(line.says).toBe('0.62 V lost at 192 A; limit 200 mV');
    expect(line).toMatchObject({ code: 'drop-read', with: { value: 0.62, amps: 192 } });
  });

  it('on a 24 V truck in the volts of the truck', () => {
    const system: Case['system'] = { ...SOUND_SYSTEM, nominalVolts: 24 };
    const said = judge(caseOf([rest(25.2), drop('drop-starter-positive', 5.3, 150)], { system }));
    const line = said.faults.find(({ fault }) => fault === 'cable-starter-positive')!.evidence[0]!;
    expect(line.says).toContain('5.30 V lost at 150 A');
  });
});

test('every school grades a sound vehicle’s four notes within, and heavy duty leaves more room at the floor', () => {
  for (const school of SCHOOLS)
    for (const reading of [rest(12.65), charging(14.2), ripple(0.04)])
      expect(lastOf([rest(12.65), reading], school).grade).toBe('within');
  expect(lastOf([rest(12.65), crank(9.9)], HEAVY_DUTY).grade).toBe('near');
});

describe('an engine that nobody told', () => {
  const unknown: Case['system'] = { nominalVolts: 12, battery: { chemistry: 'flooded' } };
  const diesel: Case['system'] = { ...unknown, engine: { fuel: 'diesel' } };
  const draw = (amps: number, system: Case['system']) =>
    lastOf([rest(12.65), read('starter-draw', amps)], BALANCED, { system });

  it('may be any: amps inside all of the rows condemn nothing, and amps beyond them do', () => {
    expect(draw(420, unknown)).toMatchObject({
      grade: 'within',
      limit: '75 A to 600 A (wide: no usual figure for this engine)',
    });
    expect(draw(900, unknown).grade).toBe('outside');
    expect(draw(420, diesel)).toMatchObject({ grade: 'within', limit: '250 A to 600 A (typical)' });
  });

  it('of a large diesel the range of light ones condemns nothing', () => {
    const truck: Case['system'] = {
      nominalVolts: 24,
      engine: { fuel: 'diesel', cylinders: 6, displacementLitres: 12.8 },
      battery: { chemistry: 'flooded', count: 2, arrangement: 'series' },
    };
    const light = { ...truck, engine: { ...truck.engine!, displacementLitres: 3.0 } };
    const twice = (system: Case['system']) =>
      lastOf([read('resting-voltage', 25.3), read('starter-draw', 480)], BALANCED, { system }).grade;
    expect([twice(truck), twice(light)]).toEqual(['within', 'outside']);
  });

  it('is not judged as a petrol engine of four cylinders: 420 A say nothing of a tight engine', () => {
    const said = judge(caseOf([rest(12.65), read('starter-draw', 420)], { system: unknown, symptoms: ['slow-crank'] }));
    expect(said.faults.find(({ fault }) => fault === 'engine-drag')!.probability).toBeLessThan(0.1);
  });

  it('has the plain limit of a drop at any current that flows', () => {
    const { limit } = lastOf([rest(12.65), drop('drop-starter-ground', 0.15, 120)], BALANCED, { system: unknown });
    expect(limit).toBe('at most 200 mV');
  });
});

test('an observation alone changes no grade', () => {
  const graded = (more: object) => lastOf([rest(12.65), crank(10.4)], BALANCED, more).grade;
  expect(graded({ observations: [saw('terminals', 'corroded')] })).toBe(graded({}));
});

describe('the control voltage leans on what the battery has at that moment', () => {
  const control = (volts: number) => read('starter-control-voltage', volts);

  it.each([
    ['8.4 V beside 9.0 V while cranking are good', [crank(9.0), control(8.4)], 'within'],
    ['10.2 V beside 11.0 V are near', [crank(11.0), control(10.2)], 'near'],
    ['9.6 V beside 11.0 V are too few', [crank(11.0), control(9.6)], 'outside'],
    ['where it does not crank, 12.0 V beside 12.6 V at rest are good', [control(12.0)], 'within'],
    ['and 11.3 V are not', [control(11.3)], 'outside'],
  ])('%s', (_what, readings, grade) => {
    const judged = lastOf([rest(12.6), read('starter-draw', 130), ...readings]);
    expect(judged.grade).toBe(grade);
  });

  it('twice as much on 24 V', () => {
    const system: Case['system'] = { ...SOUND_SYSTEM, nominalVolts: 24 };
    expect(lastOf([rest(25.2), control(23.3)], BALANCED, { system })).toMatchObject({
      grade: 'near',
      limit: 'at least 23.20 V (2.00 V under the battery’s 25.20 V)',
    });
  });

  it('is only noted where nobody knows what the battery has', () => {
    expect(lastOf([control(11)]).grade).toBe('noted');
  });
});
