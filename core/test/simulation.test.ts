import {
  EXCUSES,
  FAULTS,
  FAULT_NAMES,
  SimulatedVisit,
  TESTING_SPREAD,
  TUNING_SPREAD,
  checkCase,
  startRecord,
  judge,
  simulateCase,
} from '@tetrad/core';
import type { FaultName, Reading } from '@tetrad/core';
import fc from 'fast-check';

const seed = fc.integer({ min: 0, max: 2 ** 31 });
const fault = fc.constantFrom(...FAULT_NAMES);
const value = (subject: { readings: readonly Reading[] }, test: string): number => {
  const found = subject.readings.find((reading) => reading.test === test)?.value;
  return typeof found === 'number' ? found : Number.NaN;
};
const full = (faults: readonly FaultName[], at: number, severity = 0.6) => simulateCase({ faults, seed: at, severity });

describe('the circuit model, over hundreds of random vehicles', () => {
  it('writes cases that fit the open format, the same for the same seed', () => {
    fc.assert(
      fc.property(fault, seed, (name, at) => {
        const subject = simulateCase({ faults: [name], seed: at });
        expect(checkCase(JSON.parse(JSON.stringify(subject))).ok).toBe(true);
        expect(simulateCase({ faults: [name], seed: at })).toEqual(subject);
      }),
      { numRuns: 200 },
    );
  });

  it('a sound vehicle keeps to the trade’s figures: draw, speed, floor, drops, charging', () => {
    fc.assert(
      fc.property(seed, (at) => {
        const subject = full(['none'], at);
        const scale = subject.system.nominalVolts / 12;
        expect(value(subject, 'cranking-voltage') / scale).toBeGreaterThan(7); // a diesel at -20 °C
        expect(value(subject, 'cranking-speed')).toBeGreaterThan(100);
        expect(value(subject, 'cranking-speed')).toBeLessThan(340);
        expect(value(subject, 'drop-starter-ground') / scale).toBeLessThan(0.5);
        expect(value(subject, 'inrush-current')).not.toBeLessThan(value(subject, 'starter-draw'));
        const charging = value(subject, 'charging-voltage') / scale;
        expect(charging).toBeGreaterThan(13);
        expect(charging).toBeLessThan(15);
      }),
      { numRuns: 300 },
    );
  });

  it('the four corners: worn battery sags, a dragging starter asks more, a bad cable takes the volts, an open one stops it', () => {
    fc.assert(
      fc.property(seed, (at) => {
        const sound = full(['none'], at);
        const worn = full(['battery-worn'], at);
        const greedy = full(['starter-dragging'], at);
        const cable = full(['cable-starter-ground'], at);
        const open = full(['cable-starter-ground'], at, 1);
        expect(value(worn, 'cranking-voltage')).toBeLessThan(value(sound, 'cranking-voltage'));
        expect(value(greedy, 'starter-draw')).toBeGreaterThan(value(sound, 'starter-draw') * 1.2);
        expect(value(cable, 'drop-starter-ground')).toBeGreaterThan(value(sound, 'drop-starter-ground') * 2);
        expect(value(cable, 'starter-draw')).toBeLessThan(value(sound, 'starter-draw') * 1.15);
        expect(value(open, 'starter-draw')).toBeLessThan(3);
      }),
      { numRuns: 100 },
    );
  });

  it('Kirchhoff holds: resting volts are what the battery, the paths and the motor lose together', () => {
    fc.assert(
      fc.property(seed, (at) => {
        const { vehicle } = new SimulatedVisit({ faults: ['none'], seed: at });
        const { volts, amps, truth } = startRecord(vehicle, { sampleRateHz: 2000, fires: false });
        const { inrush, sustained } = truth;
        expect(inrush!.volts).toBeLessThan(sustained!.volts);
        expect(inrush!.amps).toBeGreaterThan(sustained!.amps);
        // of 24 V twice as much
        expect(amps[0]).toBeLessThan(0.1); // modules asleep, and what they take costs some 2 mV at most
        expect(Math.abs(truth.restVolts - volts[0]!) / vehicle.scale).toBeLessThan(0.002);
        expect(volts.at(-1)!).toBeGreaterThan(sustained!.volts);
        expect(volts.every(Number.isFinite) && amps.every((value) => Number.isFinite(value) && value >= 0)).toBe(true);
      }),
      { numRuns: 20 },
    );
  });

  it('no drop has more volts than the battery, however open the path is', () => {
    fc.assert(
      fc.property(fault, seed, fc.constantFrom(0.5, 0.96, 0.98, 1), (name, at, severity) => {
        const { readings, system } = full([name], at, severity);
        for (const { test, value: volts } of readings)
          if (test.startsWith('drop-') && typeof volts === 'number')
            expect(volts).toBeLessThan(1.4 * system.nominalVolts);
      }),
      { numRuns: 300 },
    );
  });

  it('refuses a severity or a step outside its domain by name', () => {
    expect(() => simulateCase({ faults: ['battery-worn'], severity: 1.5, seed: 1 })).toThrow(/severity.*1\.5/);
    expect(() => startRecord(new SimulatedVisit({ faults: [], seed: 1 }).vehicle, { sampleRateHz: 10 })).toThrow(
      /sampleRateHz.*10/,
    );
  });
});

describe('the judge on the circuit model', () => {
  const PER_FAULT = 12;
  const replaces = (subject: ReturnType<typeof full>) => {
    const { decision } = judge(subject);
    return decision.action === 'replace' ? decision.part : null;
  };

  it.each([TUNING_SPREAD, TESTING_SPREAD])(
    'names nearly every single fault first, on the spread it was tuned by and on another',
    (spread) => {
      let right = 0;
      for (const name of FAULT_NAMES)
        for (let i = 0; i < PER_FAULT; i++)
          if (
            judge(simulateCase({ faults: [name], severity: 0.5, seed: 77_000 + i, spread })).faults[0]?.fault === name
          )
            right += 1;
      expect(right / (FAULT_NAMES.length * PER_FAULT)).toBeGreaterThan(0.95);
    },
  );

  it('never calls a part of a sound vehicle', () => {
    fc.assert(
      fc.property(seed, (at) => expect(replaces(full(['none'], at))).toBeNull()),
      { numRuns: 200 },
    );
  });

  it('never calls a part whose excuses nobody tested; a spread of gravity needs no charge', () => {
    let looked = 0;
    fc.assert(
      fc.property(fault, seed, fc.infiniteStream(fc.nat(9)), (name, at, kept) => {
        const whole = full([name], at);
        const some = { ...whole, readings: whole.readings.filter(() => kept.next().value > 0) };
        const { decision } = judge(some);
        if (decision.action !== 'replace') return;
        looked += 1;
        const tests = some.readings.map((reading) => reading.test);
        if (decision.part === 'battery')
          expect(tests.some((test) => ['resting-voltage', 'specific-gravity', 'conductance'].includes(test))).toBe(
            true,
          );
        // each is excluded by one of its own steps; an open output path also by the drop across it
        const done = new Set<string>([...tests, ...some.observations!.map(({ about }) => about)]);
        if (tests.includes('drop-charge-positive')) done.add('alternator-stud-voltage');
        // both sides of the charging path in one reading: good clears each of them
        if (tests.includes('drop-charge-total'))
          for (const step of ['alternator-stud-voltage', 'drop-charge-positive', 'drop-charge-ground']) done.add(step);
        // a belt that is not there drives nothing, whoever tells it to
        if (some.observations!.some(({ about, finding }) => about === 'belt' && finding === 'missing'))
          done.add('excitation-voltage');
        // with so much current flowing the starter is told to crank
        if (tests.includes('starter-draw')) done.add('starter-control-voltage');
        for (const { excuse } of FAULTS[decision.fault!].excuses) {
          const { steps } = EXCUSES[excuse] as { readonly steps: readonly string[] };
          if (steps[0] === 'charge' || steps[0] === 'label') continue;
          expect([excuse, steps.some((step) => done.has(step))]).toEqual([excuse, true]);
        }
      }),
      { numRuns: 400 },
    );
    expect(looked).toBeGreaterThan(60);
  });

  it('a harder reading never speaks for a sounder battery', () => {
    fc.assert(
      fc.property(seed, fc.double({ min: 0.4, max: 1, noNaN: true }), (at, factor) => {
        const subject = full(['none'], at);
        const weaker = {
          ...subject,
          readings: subject.readings.map((reading) =>
            reading.test === 'conductance'
              ? { ...reading, value: Math.round((reading.value as number) * factor) }
              : reading,
          ),
        };
        const worn = (given: typeof subject) =>
          judge(given).faults.find(({ fault: name }) => name === 'battery-worn')!.probability;
        expect(worn(weaker)).toBeGreaterThanOrEqual(worn(subject) - 1e-3);
      }),
      { numRuns: 100 },
    );
  });

  it('following next from the resting voltage ends in a decision, and never asks twice for what was answered', () => {
    let looked = 0;
    fc.assert(
      fc.property(fault, seed, (name, at) => {
        const visit = new SimulatedVisit({ faults: [name], seed: at });
        visit.do('resting-voltage');
        const asked = new Map<string, number>();
        for (let i = 0; i < 45; i++) {
          const { decision, next } = judge(visit.case);
          const [step] = next;
          if (!step || (decision.action === 'charge-first' && asked.has('charge'))) return;
          looked += 1;
          asked.set(step.test, (asked.get(step.test) ?? 0) + 1);
          expect(asked.get(step.test)!).toBeLessThanOrEqual(3);
          visit.do(step.test, step.conditions);
        }
        throw new Error('no decision after 45 steps');
      }),
      { numRuns: 150 },
    );
    expect(looked).toBeGreaterThan(700);
  });
});
