/** Trends over the visits of a vehicle: same conditions, battery changes, an honest projection, and the winter. */
import type { Case, Reading, System } from '@tetrad/core';
import { crank } from '../src/circuit/model/cranking-circuit';
import { coldDemand } from '../src/criteria/expected-draw';
import { SimulatedVisit, agingBattery, randomOf } from '../src/simulation';
import { USUAL_TRIPS, measuresOfVisit, projectFall, shortTrips, trendsOf, willItStart } from '../src/trends';
import type { DatedFigure, Measure, TrendVisit } from '../src/trends';

const DAY_MS = 86_400_000;
const BEGUN = Date.parse('2022-01-01T08:00:00Z');
const day = (days: number): string => new Date(BEGUN + days * DAY_MS).toISOString();

const system: System = {
  nominalVolts: 12,
  engine: { cylinders: 4, fuel: 'petrol', displacementLitres: 1.6 },
  battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' }, capacityAh: 60 },
  alternator: { ratedAmps: 100, regulation: 'fixed' },
};
const subject = (readings: readonly Omit<Reading, 'id'>[], celsius: number, more: Partial<Case> = {}): Case => ({
  format: 'tetrad-case/1',
  title: 'a visit',
  system,
  conditions: { batteryCelsius: celsius, ambientCelsius: celsius },
  readings: readings.map((reading, at) => ({ id: `r${at}`, ...reading })),
  ...more,
});
const valueOf = (measures: readonly Measure[], series: Measure['series']): number | undefined =>
  measures.find((one) => one.series === series)?.value;
const crankSet = (volts: number, amps: number): Omit<Reading, 'id'>[] => [
  { test: 'resting-voltage', value: 12.6 },
  { test: 'cranking-voltage', value: volts, conditions: { method: 'watched' } },
  { test: 'starter-draw', value: amps },
];

describe('measures of a visit', () => {
  it('the same engine and battery on a cold day and a warm one are the same figures', () => {
    const warm = measuresOfVisit(subject(crankSet(10.8, 150), 21)).before;
    const demand = coldDemand(-10);
    const sag = (12.6 - 10.8) * demand * 1.27; // a colder battery resists more, a colder engine asks more
    const cold = measuresOfVisit(subject(crankSet(12.6 - sag, 150 * demand), -10)).before;
    expect(valueOf(cold, 'starter-draw')! / valueOf(warm, 'starter-draw')!).toBeCloseTo(1, 2);
    expect(valueOf(cold, 'cranking-ohms')! / valueOf(warm, 'cranking-ohms')!).toBeCloseTo(1, 1);
  });
  it('void readings are in none, and of a repair both passes are told apart', () => {
    const drop = (value: number, more: Partial<Reading> = {}): Omit<Reading, 'id'> => ({
      test: 'drop-starter-ground',
      value,
      conditions: { amps: 150 },
      ...more,
    });
    const readings = [...crankSet(10.8, 150), drop(0.9), drop(5, { void: 'slip' })];
    const { before, after } = measuresOfVisit(
      subject(
        [
          ...readings,
          ...crankSet(11, 150).map((one) => ({ ...one, pass: 'after' as const })),
          drop(0.06, { pass: 'after' }),
        ],
        21,
      ),
    );
    expect(valueOf(before, 'path-drop-starter-ground')).toBeCloseTo(0.006, 4);
    expect(valueOf(after!, 'path-drop-starter-ground')).toBeCloseTo(0.0004, 5);
  });
});

describe('visits in a row', () => {
  const visit = (days: number, health: number, more: Partial<TrendVisit> = {}): TrendVisit => ({
    job: `j${days}`,
    at: day(days),
    system,
    measures: { before: [{ series: 'health-conductance', value: health, spread: 0.04 }], after: null },
    hasNewBattery: false,
    by: null,
    ...more,
  });
  const healthOf = (visits: readonly TrendVisit[]) =>
    trendsOf(visits).trends.find(({ series }) => series === 'health-conductance')!.segments;

  it('a new battery begins its series anew: by what was fitted, and by another label', () => {
    const fitted = visit(200, 0.6, {
      hasNewBattery: true,
      by: 'Bo',
      measures: {
        before: [{ series: 'health-conductance', value: 0.6, spread: 0.04 }],
        after: [{ series: 'health-conductance', value: 1.02, spread: 0.04 }],
      },
    });
    const other: System = { ...system, battery: { ...system.battery, rating: { value: 640, standard: 'EN' } } };
    const visits = [visit(0, 0.9), visit(100, 0.8), fitted, visit(300, 1), visit(400, 1.05, { system: other })];
    expect(healthOf(visits).map((segment) => segment.map(({ value }) => value))).toEqual([
      [0.9, 0.8, 0.6],
      [1.02, 1],
      [1.05],
    ]);
    expect(trendsOf(visits).batteries.map(({ how, by }) => [how, by])).toEqual([
      ['first', null],
      ['fitted', 'Bo'],
      ['label', null],
    ]);
  });
  it('a path goes on across a new battery', () => {
    const path = (days: number, hasNewBattery: boolean): TrendVisit =>
      visit(days, 1, {
        hasNewBattery,
        measures: { before: [{ series: 'path-drop-starter-ground', value: 0.001, spread: 0.0001 }], after: null },
      });
    const { trends } = trendsOf([path(0, true), path(90, false)]);
    expect(trends.find(({ series }) => series === 'path-drop-starter-ground')!.segments).toHaveLength(1);
  });
  it('the order in which they are told does not matter', () => {
    expect(healthOf([visit(100, 0.8), visit(0, 0.9)])[0]!.map(({ value }) => value)).toEqual([0.9, 0.8]);
  });
});

describe('a projection', () => {
  const falling = (days: readonly number[], a_day = -0.0003): DatedFigure[] =>
    days.map((at) => ({ at: day(at), value: 1 + a_day * at, spread: 0.01 }));

  it('says nothing from two points, from two months, or of what does not fall', () => {
    expect(projectFall(falling([0, 300]), 0.7)).toBeNull();
    expect(projectFall(falling([0, 20, 40, 59]), 0.7)).toBeNull();
    expect(projectFall(falling([0, 100, 200], 0.0001), 0.7)).toBeNull();
    expect(projectFall([], 0.7)).toBeNull();
  });
  it('of an even fall holds the day on which it reaches the limit', () => {
    const { early, late } = projectFall(falling([0, 120, 240, 360, 480, 600]), 0.7)!;
    expect(early.getTime()).toBeLessThan(BEGUN + 1000 * DAY_MS);
    expect(late!.getTime()).toBeGreaterThan(BEGUN + 1000 * DAY_MS);
  });
  it('of a fall that may as well be none has no latest day, and never a day that is none', () => {
    const flat = [0, 100, 200, 300].map((at): DatedFigure => ({ at: day(at), value: 0.95 - at * 2e-5, spread: 0.05 }));
    const found = projectFall(flat, 0.7);
    if (found !== null) expect([Number.isNaN(found.early.getTime()), found.late]).toEqual([false, null]);
    for (let seed = 1; seed <= 30; seed++) {
      const random = randomOf(seed);
      const noisy = [0, 90, 200, 330].map((at) => ({
        at: day(at),
        value: 0.9 - 1e-4 * at + random.normal(0, 0.03),
        spread: 0.03,
      }));
      const { early, late } = projectFall(noisy, 0.7) ?? { early: new Date(), late: null };
      expect([early, late].some((date) => date !== null && Number.isNaN(date.getTime()))).toBe(false);
    }
  });
  it('is not moved by one wild point', () => {
    const points = falling([0, 120, 240, 360, 480, 600, 700]);
    const wild = points.map((point, at) => (at === 3 ? { ...point, value: 0.4 } : point));
    const [calm, moved] = [projectFall(points, 0.7)!, projectFall(wild, 0.7)!];
    expect(Math.abs(moved.early.getTime() - calm.early.getTime()) / DAY_MS).toBeLessThan(150);
  });
  it('its 80 % band holds the truth of 75 to 85 % of aging batteries', () => {
    let [inside, of] = [0, 0];
    for (let seed = 1; seed <= 300; seed++) {
      const random = randomOf(seed * 31 + 7);
      const battery = agingBattery(random);
      const truth = battery.dayOf(0.7);
      const until = truth * random.between(0.4, 0.85);
      const slip = random.between(0.02, 0.05);
      const points: DatedFigure[] = [];
      for (let at = random.between(0, 100); at < until; at += random.between(60, 220)) {
        const value = battery.healthAt(at) * random.factor(slip);
        points.push({ at: day(at), value, spread: value * 0.04 });
      }
      const found = projectFall(points, 0.7);
      if (found === null) continue;
      of += 1;
      const at = BEGUN + truth * DAY_MS;
      if (at >= found.early.getTime() && (found.late === null || at <= found.late.getTime())) inside += 1;
    }
    expect(of).toBeGreaterThan(280);
    expect(inside / of).toBeGreaterThanOrEqual(0.75);
    expect(inside / of).toBeLessThanOrEqual(0.85);
  });
});

describe('will it start', () => {
  const measured = (fault: 'none' | 'battery-worn' | 'cable-starter-ground', seed: number) => {
    const visit = new SimulatedVisit({ faults: [fault], severity: 0.4, seed });
    visit.doAll({ chargeFirst: true });
    return { vehicle: visit.vehicle, measures: measuresOfVisit(visit.case).before };
  };

  it('volts within 0.4 V and speed within 15 rpm of the model’s truth, nine times of ten', () => {
    let [near, of] = [0, 0];
    for (let seed = 1; seed <= 40; seed++) {
      const { vehicle, measures } = measured(
        (['none', 'battery-worn', 'cable-starter-ground'] as const)[seed % 3]!,
        seed,
      );
      const { points } = willItStart(vehicle.system, measures, { charge: vehicle.charge });
      for (const { celsius, volts, rpm } of points) {
        const colder = coldDemand(celsius) / coldDemand(vehicle.celsius);
        const { loadAmps, ampsPerRpm } = vehicle;
        const truth = crank({ ...vehicle, celsius, loadAmps: loadAmps * colder, ampsPerRpm: ampsPerRpm * colder });
        of += 1;
        if (Math.abs(truth.postVolts - volts) / vehicle.scale <= 0.4 && Math.abs(truth.rpm - rpm) <= 15) near += 1;
      }
    }
    expect(near / of).toBeGreaterThanOrEqual(0.9);
  });
  it('a worn battery gives up in weather in which a new one starts, and the colder the slower', () => {
    const { vehicle, measures } = measured('battery-worn', 6);
    const assumed = { charge: 0.8 };
    const now = willItStart(vehicle.system, measures, assumed);
    const renewed = willItStart(vehicle.system, measures, assumed, 'new-battery');
    const speeds = now.points.map(({ rpm }) => rpm);
    expect([...speeds].sort((a, b) => a - b)).toEqual(speeds);
    for (const [at, { rpm }] of renewed.points.entries()) expect(rpm).toBeGreaterThanOrEqual(speeds[at]!);
    for (const { slowest, rpm, fastest } of now.points) expect([slowest <= rpm, rpm <= fastest]).toEqual([true, true]);
  });
  it('a repaired ground helps where the ground is bad, and changes nothing where it is good', () => {
    const bad = measured('cable-starter-ground', 4);
    const speedAt = (from: typeof bad, change?: 'repaired-ground'): number =>
      willItStart(from.vehicle.system, from.measures, { charge: 0.9 }, change).points.at(4)!.rpm;
    expect(speedAt(bad, 'repaired-ground')).toBeGreaterThan(speedAt(bad) * 1.05);
    const good = measured('none', 4);
    expect(speedAt(good, 'repaired-ground') / speedAt(good)).toBeLessThan(1.05);
  });
});

describe('short trips', () => {
  const measures: Measure[] = [
    { series: 'starter-draw', value: 150, spread: 5 },
    { series: 'drain', value: 0.05, spread: 0.005 },
  ];
  it('more starts and more drain ask for more minutes of driving', () => {
    const few = shortTrips(system, measures, USUAL_TRIPS);
    const many = shortTrips(system, measures, { ...USUAL_TRIPS, startsADay: 20 });
    expect(many.minutesADay!).toBeGreaterThan(few.minutesADay!);
    expect(few.ahAStart).toBeCloseTo((150 * coldDemand(10) * 1.5) / 3600, 1);
    const drained = shortTrips(system, [...measures.slice(0, 1), { ...measures[1]!, value: 0.5 }], USUAL_TRIPS);
    expect(drained.standsDays!).toBeCloseTo(few.standsDays! / 10, 1);
  });
  it('where driving puts nothing back no minutes are enough', () => {
    const weak: System = { ...system, alternator: { ratedAmps: 5, regulation: 'fixed' } };
    expect(shortTrips(weak, measures, { ...USUAL_TRIPS, loads: 'full', idleShare: 1 }).minutesADay).toBeNull();
  });
});
