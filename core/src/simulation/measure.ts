/** Takes any reading of the format from a vehicle, with the errors of instrument and hand. */
import { restingVolts } from '../battery/state-of-charge';
import { convertRating } from '../battery/rating';
import type { Reading, ReadingConditions } from '../case/case-shape';
import type { TestName } from '../case/vocabulary';
import { charge } from './charging-circuit';
import { batteryOhm, crank, emf } from './cranking-circuit';
import type { Random } from './random';
import type { Spread } from './spread';
import type { Vehicle } from './vehicle';

/** A reading without its id. */
export type Measured = Pick<Reading, 'test' | 'value'> & {
  readonly notPossible?: Reading['notPossible'];
  readonly conditions: ReadingConditions;
};

interface Hand {
  readonly random: Random;
  readonly spread: Spread;
}

const round = (value: number, decimals: number): number => Number(value.toFixed(decimals));

/** @param wanted Conditions asked for: load amps, loads on or off. */
export function measure(
  vehicle: Vehicle,
  test: TestName,
  hand: Hand,
  wanted: Readonly<Record<string, unknown>> = {},
): Measured {
  const { random, spread } = hand;
  const volts = (value: number, decimals = 2): number =>
    round(value + random.normal(0, spread.voltsError * vehicle.scale), decimals);
  const millivolts = (value: number): number =>
    round(Math.max(0, value * random.factor(0.03) + random.normal(0, 0.006)), 3);
  const amps = (value: number): number =>
    round(Math.max(0, value * random.factor(spread.ampsError)), value < 20 ? 2 : 0);
  const done = (value: Reading['value'], conditions: ReadingConditions = {}): Measured => ({ test, value, conditions });
  const cannot = (notPossible: NonNullable<Reading['notPossible']>): Measured => ({
    test,
    value: null,
    notPossible,
    conditions: {},
  });
  const cranking = crank(vehicle);
  const starts = cranking.rpm > 60;
  const { drops } = cranking;
  const loads = wanted['loads'] === 'on' ? 'on' : 'off';
  const commanded = vehicle.system.alternator?.regulation === 'commanded';
  const target =
    commanded && vehicle.regulatorVolts < 15 * vehicle.scale
      ? round(random.between(13.2, 14.6) * vehicle.scale, 1)
      : undefined;
  const crankDrop = (value: number): Measured => done(millivolts(value), { amps: amps(cranking.amps) });
  const full = charge(vehicle, 'full', 2000);
  const chargeDrop = (value: number): Measured =>
    starts ? done(millivolts(value), { amps: amps(full.outputAmps) }) : cannot('did-not-start');

  switch (test) {
    case 'resting-voltage':
      return done(volts(emf(vehicle)), { surfaceChargeRemoved: true });
    case 'load-test': {
      const load = typeof wanted['amps'] === 'number' ? wanted['amps'] : Math.round(vehicle.cca / 2);
      const value = emf(vehicle) - load * batteryOhm(vehicle) * random.factor(0.05);
      return done(volts(Math.max(0.5, value)), { amps: load, seconds: 15, chargedBefore: vehicle.charge > 0.8 });
    }
    case 'conductance': {
      const rating = vehicle.system.battery.rating!;
      const share = vehicle.health * (vehicle.deadCell ? 0.45 : 1) * random.factor(spread.conductanceError);
      return done(Math.round(convertRating({ value: vehicle.cca * share, standard: 'SAE' }, rating.standard)!));
    }
    case 'internal-resistance':
      return done(
        round((vehicle.batteryOhm * 0.75 * (vehicle.deadCell ? 1.8 : 1) * random.factor(0.06)) / vehicle.health, 5),
      );
    case 'specific-gravity': {
      if (vehicle.system.battery.serviceable !== true) return cannot('no-access');
      const gravity = 1.12 + 0.145 * vehicle.charge;
      const count = Math.max(3, Math.round(6 * vehicle.scale));
      const bad = vehicle.deadCell ? Math.floor(random.between(0, count)) : -1;
      return done(
        Array.from({ length: Math.min(count, 12) }, (_, cell) =>
          round(gravity - (cell === bad ? random.between(0.06, 0.14) : 0) + random.normal(0, 0.004), 3),
        ),
        { electrolyteCelsius: 27 },
      );
    }
    case 'charge-acceptance':
      return done(amps((0.05 + 0.5 * (1 - vehicle.charge)) * (vehicle.cca / 10) * vehicle.health ** 3), {
        volts: 14.5 * vehicle.scale,
        minutes: 3,
      });
    case 'hold-charge':
      return done(
        volts(emf(vehicle) - (vehicle.deadCell ? random.between(0.5, 1.5) : random.between(0, 0.06)) * vehicle.scale),
        { hours: 12, startVolts: volts(emf(vehicle)) },
      );
    case 'cranking-voltage':
      return done(volts(Math.max(0.5, cranking.postVolts)), { method: 'min-max', seconds: 8 });
    case 'inrush-voltage':
      return done(volts(Math.max(0.5, emf(vehicle) - inrushAmps(vehicle) * batteryOhm(vehicle))), { method: 'scope' });
    case 'inrush-current':
      return done(amps(inrushAmps(vehicle)), { method: 'scope' });
    case 'starter-draw':
      return done(amps(cranking.amps), { zeroOffsetAmps: round(random.normal(0, 0.8), 1) });
    case 'cranking-speed':
      return done(Math.round(cranking.rpm * random.factor(0.04)));
    case 'recovery-voltage':
      return done(volts(emf(vehicle) - 0.12 * vehicle.scale * (vehicle.health < 0.7 ? 3 : 1)), { secondsAfter: 5 });
    case 'drop-positive-post':
      return crankDrop(drops.positivePost);
    case 'drop-negative-post':
      return crankDrop(drops.negativePost);
    case 'drop-solenoid':
      return crankDrop(drops.solenoid);
    case 'drop-starter-positive':
      return crankDrop(drops.positivePost + drops.positiveCable + drops.solenoid);
    case 'drop-starter-ground':
      return crankDrop(drops.ground + drops.negativePost);
    case 'drop-engine-ground':
      return crankDrop(drops.ground * 0.6 + drops.negativePost);
    case 'drop-body-ground':
      return done(millivolts(0.03), { amps: 20 });
    case 'starter-control-voltage':
      return done(volts(vehicle.controlVolts || Math.max(0.5, cranking.postVolts - 0.3 * vehicle.scale)));
    case 'charging-voltage': {
      if (!starts) return cannot('did-not-start');
      const { postVolts } = charge(vehicle, loads, 2000, target);
      return done(volts(postVolts), { rpm: 2000, loads, ...(target !== undefined && { commandedVolts: target }) });
    }
    case 'alternator-current':
      return starts
        ? done(amps(full.outputAmps), {
            rpm: 2000,
            loads: 'on',
            systemVolts: volts(full.postVolts, 1),
            fieldPercent: Math.round(full.fieldPercent),
          })
        : cannot('did-not-start');
    case 'battery-current':
      return starts
        ? done(round(charge(vehicle, 'off', 1500).batteryAmps * random.factor(0.05), 1), { minutesAfterStart: 3 })
        : cannot('did-not-start');
    case 'drop-charge-positive':
      return chargeDrop(full.outputAmps * vehicle.chargeCableOhm);
    case 'drop-charge-ground':
      return chargeDrop(full.outputAmps * vehicle.chargeGroundOhm);
    case 'alternator-stud-voltage':
      return done(vehicle.linkBlown ? round(random.between(0, 0.3), 2) : volts(emf(vehicle)));
    case 'excitation-voltage':
      return done(
        vehicle.excited ? volts(emf(vehicle) - 0.3 * vehicle.scale) : volts(random.between(0, 5) * vehicle.scale),
      );
    case 'field-duty':
      return starts
        ? done(Math.round(vehicle.excited ? charge(vehicle, loads, 2000).fieldPercent : random.between(0, 5)), {
            loads,
          })
        : cannot('did-not-start');
    case 'ripple-ac': {
      if (!starts) return cannot('did-not-start');
      const running = charge(vehicle, 'on', 2000).outputAmps > 2;
      return done(millivolts(running ? vehicle.rippleVolts * random.factor(0.12) : 0.008), {
        rpm: 2000,
        loads: 'on',
        at: 'battery',
      });
    }
    case 'ripple-waveform': {
      if (!starts) return cannot('did-not-start');
      const running = charge(vehicle, 'on', 2000).outputAmps > 2;
      return done(millivolts((running ? vehicle.rippleVolts : 0.008) * 2.6), {
        humpsMissing: running ? vehicle.humpsMissing : 0,
        at: 'battery',
      });
    }
    case 'diode-forward':
      return done(
        vehicle.humpsMissing > 0 && !vehicle.diodeShorted && random.chance(0.3)
          ? 'OL'
          : round(random.between(0.4, 0.9), 2),
      );
    case 'diode-reverse':
      return done(vehicle.diodeShorted ? round(random.between(0, 0.3), 2) : 'OL');
    case 'parasitic-draw':
      return done(round(vehicle.drainAmps * random.factor(0.05), 3), { minutesAsleep: 40 });
    case 'module-voltage':
      return done(
        volts(restingVolts(vehicle.charge, vehicle.system.battery.chemistry, vehicle.system.nominalVolts) - 0.1),
        { offsetVolts: 0.1 },
      );
    default:
      throw new Error(`unknown test ${JSON.stringify(test satisfies never)}`);
  }
}

/** The first peak: the motor stands, only resistance limits; what the clamp and the inductance leave of it. */
function inrushAmps(vehicle: Vehicle): number {
  if (vehicle.controlVolts > 0) return 0;
  const { amps } = crank(vehicle);
  const stall =
    emf(vehicle) /
    (batteryOhm(vehicle) + vehicle.motorOhm + vehicle.positiveCableOhm + vehicle.solenoidOhm + vehicle.groundOhm);
  return Math.max(amps, 0.75 * stall);
}
