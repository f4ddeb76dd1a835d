import { judge } from '@tetrad/core';
import type { Judgement } from '@tetrad/core';
import fc from 'fast-check';
import { SOUND_LOOKS, caseOf, charging, crank, fourNotes, read, rest, ripple, saw, soundReadings } from './cases';

const top = (judgement: Judgement) => judgement.faults[0]!;

describe('four readings in, a verdict out', () => {
  it('all four within: nothing found is a claim too, and what must be read for it is asked for', () => {
    const said = judge(caseOf(fourNotes()));
    expect(said.decision.action).toBe('test-next');
    expect(said.next.length).toBeGreaterThan(0);
    expect(said.parts.starter.verdict).not.toBe('keep');
    expect(said.parts.connections.verdict).toBe('not-tested');
  });

  it('the whole baseline within: nothing found, every part kept, each with the readings it rests on', () => {
    const said = judge(caseOf(soundReadings(), { observations: SOUND_LOOKS }));
    expect(said.decision.action).toBe('none-found');
    expect(said.parts.alternator.because).toContain('charging voltage 14.00 V');
    expect(Object.values(said.parts).map(({ verdict }) => verdict)).toEqual(['keep', 'keep', 'keep', 'keep']);
    expect(said.next).toEqual([]);
  });

  it('nothing read: asks for the resting voltage and is sure of nothing', () => {
    const said = judge(caseOf([], { symptoms: ['slow-crank'] }));
    expect(said.decision.action).toBe('test-next');
    expect(said.next[0]?.test).toBe('resting-voltage');
    expect(Object.values(said.parts).every(({ verdict }) => verdict === 'not-tested')).toBe(true);
    expect(top(said).probability).toBeLessThan(0.6);
  });

  it('a flat battery: charge first, whatever else was read', () => {
    const said = judge(caseOf([rest(12.1), crank(8.2)]));
    expect(said.decision).toMatchObject({ action: 'charge-first', part: 'battery', fault: 'battery-discharged' });
    expect(said.next[0]?.test).toBe('charge');
    expect(said.parts.battery.verdict).toBe('charge-first');
  });

  it('a low crank alone condemns nothing: it may be the battery or the starter', () => {
    const said = judge(caseOf([rest(12.65), crank(8.4), charging(14.2), ripple(0.04)], { symptoms: ['slow-crank'] }));
    expect(said.decision.action).toBe('test-next');
    expect(Object.values(said.parts).some(({ verdict }) => verdict === 'replace')).toBe(false);
    expect(said.next.length).toBeGreaterThan(0);
  });

  it('a frozen battery stops everything', () => {
    const said = judge(caseOf([rest(11.8)], { celsius: -14, observations: [saw('battery-case', 'frozen')] }));
    expect(said.decision.action).toBe('stop');
    expect(said.next).toEqual([]);
    expect(said.cautions.join(' ')).toMatch(/frozen/);
  });

  it('a dead alternator is called only after belt, stud, excitation and strap are looked at', () => {
    const readings = [rest(12.65), crank(10.6), charging(12.4), charging(12.0, 'on'), ripple(0.01)];
    const early = judge(caseOf(readings, { symptoms: ['charge-lamp'] }));
    expect(early.parts.alternator.verdict).toBe('not-proven');
    expect(early.parts.alternator.missing.length).toBeGreaterThan(0);
    const late = judge(
      caseOf([...readings, read('alternator-stud-voltage', 12.63), read('excitation-voltage', 12.5)], {
        symptoms: ['charge-lamp'],
        observations: [saw('belt', 'good'), saw('ground-strap', 'sound')],
      }),
    );
    expect(late.decision).toMatchObject({ action: 'replace', part: 'alternator', fault: 'alternator-dead' });
  });

  it('tells a weak battery from a greedy starter by the amps', () => {
    const shared = [rest(12.65), read('conductance', 545), charging(14.2), ripple(0.04)];
    const greedy = judge(caseOf([...shared, crank(9.0), read('starter-draw', 390)], { symptoms: ['slow-crank'] }));
    expect(['starter-dragging', 'engine-drag', 'accessory-seized']).toContain(top(greedy).fault);
    expect(greedy.derived.sag!.excessDrawVolts).toBeGreaterThan(greedy.derived.sag!.batteryVolts * 0.5);
    const weak = judge(
      caseOf([rest(12.65), crank(9.0), read('starter-draw', 140), charging(14.2), ripple(0.04)], {
        symptoms: ['slow-crank'],
      }),
    );
    expect(top(weak).fault).toBe('battery-worn');
  });

  it('a reading voided by hand says nothing any more', () => {
    const wrong = { ...crank(7.9), void: 'clamp slipped' };
    const said = judge(caseOf([...soundReadings(), wrong], { observations: SOUND_LOOKS }));
    expect(said.decision.action).toBe('none-found');
    expect(said.readings.at(-1)).toMatchObject({ grade: 'void' });
    expect(said.readings.at(-1)?.because).toContain('clamp slipped');
  });

  it('after the repair judges the new pass and sets both side by side', () => {
    const after = [
      read('cranking-voltage', 10.7, { method: 'min-max' }, { pass: 'after' }),
      read('resting-voltage', 12.7, {}, { pass: 'after' }),
    ];
    const said = judge(caseOf([rest(12.6), crank(8.3), ...after]));
    expect(said.comparison).toContainEqual(
      expect.objectContaining({ test: 'cranking-voltage', before: 8.3, after: 10.7, solved: true }),
    );
  });
});

describe('packs', () => {
  const rating = { value: 900, standard: 'SAE' } as const;
  const pack = (nominalVolts: 12 | 24, arrangement: 'series' | 'parallel') =>
    ({
      nominalVolts,
      engine: { cylinders: 6, fuel: 'diesel' },
      battery: { chemistry: 'flooded', rating, count: 2, arrangement },
    }) as const;
  const unit = (battery: number, volts: number, conductance: number) => [
    read('resting-voltage', volts, { surfaceChargeRemoved: true }, { battery }),
    read('conductance', conductance, {}, { battery }),
    read('load-test', conductance > 600 ? 10.2 : 8.1, { amps: 450, seconds: 15, chargedBefore: true }, { battery }),
  ];

  it.each([
    [24, 'series'],
    [12, 'parallel'],
  ] as const)(
    'on %d V in %s each battery is judged by itself, and one worn battery condemns the pack',
    (volts, arrangement) => {
      const system = pack(volts, arrangement);
      const sound = judge(caseOf([...unit(1, 12.65, 880), ...unit(2, 12.63, 905)], { system }));
      expect(sound.readings.map(({ grade }) => grade)).toEqual([
        'within',
        'within',
        'within',
        'within',
        'within',
        'within',
      ]);
      expect(sound.derived.stateOfCharge).toBeGreaterThan(0.9);
      expect(sound.parts.battery.verdict).toBe('keep');
      const worn = judge(caseOf([...unit(1, 12.65, 880), ...unit(2, 12.6, 380)], { system }));
      expect(worn.parts.battery.verdict).toBe('replace');
    },
  );
});

describe('whatever is entered', () => {
  const anyReading = fc.record({
    test: fc.constantFrom(
      'resting-voltage',
      'cranking-voltage',
      'charging-voltage',
      'ripple-ac',
      'starter-draw',
      'conductance',
      'drop-starter-ground',
      'alternator-current',
      'parasitic-draw',
    ),
    value: fc.oneof(fc.double({ min: -50, max: 2000, noNaN: true }), fc.constant(0)),
    amps: fc.option(fc.double({ min: 0, max: 1000, noNaN: true }), { nil: undefined }),
  });
  it('the judge answers: finite probabilities, a reason everywhere, and no part condemned on fewer than two readings', () => {
    fc.assert(
      fc.property(fc.array(anyReading, { maxLength: 30 }), fc.constantFrom(6, 12, 24), (drafts, nominalVolts) => {
        const readings = drafts.map(({ test, value, amps }, i) => ({
          id: `x${i}`,
          test,
          value,
          conditions: amps === undefined ? {} : { amps },
        }));
        const subject = {
          ...caseOf([]),
          readings,
          system: { nominalVolts, battery: { chemistry: 'flooded', rating: { value: 500, standard: 'SAE' } } },
        };
        const said = judge(subject as never);
        for (const { probability } of said.faults) expect(probability >= 0 && probability <= 1).toBe(true);
        expect(JSON.stringify(said)).not.toMatch(/NaN|Infinity|null,"weight"/);
        for (const entry of [...said.readings, said.decision, ...Object.values(said.parts), ...said.next])
          expect(entry.because.length).toBeGreaterThan(0);
        if (readings.length < 2) expect(said.decision.action).not.toBe('replace');
      }),
      { numRuns: 300 },
    );
  });
});
