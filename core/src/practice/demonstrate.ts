/** Takes a step as it should be taken: leads where they belong, the engine as the test wants it, the meter given its time. */
import type { StepName } from '../format/names';
import { isObservationName, isTestName, TESTS } from '../trade/tables';
import { halfCcaAmps } from '../simulation';
import type { PracticeBay } from './bay';
import { flowFor } from './hands';

/** What the judge asks for. */
export interface AskedStep {
  readonly test: StepName;
  /** Of a pack. */
  readonly battery?: number | null;
  readonly conditions: Readonly<Record<string, unknown>>;
}

/** Steady after a crank has begun, s; a start that does not fire is given up after so long, s. */
const CRANKS_S = 8;
const STARTS_WITHIN_S = 6;
/** A running engine is read once the battery has taken back what the start cost, s. */
const RUNS_S = 150;
const SETTLES_S = 3;
const COOLS_S = 65;
/** A battery at rest is read so long after anything was asked of it, s. */
const RESTS_S = 30 * 60;
const LOADS_S = 15;
/** Until all modules sleep, s. */
const FALLS_ASLEEP_S = 40 * 60;
const FAST_THROTTLE = 0.55;

export function demonstrate(bay: PracticeBay, { test, battery = null, conditions }: AskedStep): void {
  bay.checkInstruments();
  if (isObservationName(test)) return bay.look(test);
  if (test === 'label') return bay.readLabel();
  if (test === 'charge') {
    bay.take({ battery });
    bay.charge();
    bay.takeFor('resting-voltage', battery);
    bay.advance(SETTLES_S);
    return void bay.write();
  }
  if (!isTestName(test)) return;
  if (!bay.takeFor(test, battery)) return bay.special(test, conditions);
  const flow = flowFor(test);
  if (test === 'conductance' || test === 'internal-resistance') bay.set({ key: 'off', loads: 'off' });
  else if (flow === 'cranking') return crankAndWrite(bay);
  else if (flow === 'charging') {
    if (!run(bay)) return;
    const isFull = test === 'alternator-current' || TESTS[test].conditions.includes('amps');
    const isLoaded = conditions['loads'] === 'on' || test === 'ripple-ac';
    bay.set({ throttle: FAST_THROTTLE, loads: isFull ? 'full' : isLoaded ? 'on' : 'off' });
    bay.advance(SETTLES_S);
  } else if (flow === 'load') {
    bay.set({ key: 'off', loads: 'off', testerAmps: Number(conditions['amps'] ?? halfCcaAmps(bay.vehicle)) });
    bay.advance(LOADS_S);
    bay.write();
    return void bay.set({ testerAmps: 0 });
  } else {
    rest(bay, test === 'excitation-voltage');
    if (test === 'resting-voltage' && bay.isSurfaceCharged) bay.clearSurfaceCharge();
    if (TESTS[test].step.engine === 'asleep') bay.advance(FALLS_ASLEEP_S);
  }
  bay.advance(SETTLES_S);
  bay.write();
}

function crankAndWrite(bay: PracticeBay): void {
  stop(bay);
  bay.set({ hasFuel: false, key: 'start' });
  bay.advance(CRANKS_S);
  bay.write();
  bay.set({ key: 'off', hasFuel: true });
  bay.advance(COOLS_S);
}

/** @returns false where it does not start. */
function run(bay: PracticeBay): boolean {
  if (bay.instant.isRunning) return true;
  bay.set({ hasFuel: true, loads: 'off', throttle: 0, key: 'start' });
  for (let seconds = 0; seconds < STARTS_WITHIN_S && !bay.instant.isRunning; seconds += 0.5) bay.advance(0.5);
  bay.set({ key: bay.instant.isRunning ? 'on' : 'off' });
  bay.advance(bay.instant.isRunning ? RUNS_S : COOLS_S);
  return bay.instant.isRunning;
}

function stop(bay: PracticeBay): void {
  if (!bay.instant.isRunning) return;
  bay.set({ key: 'off', loads: 'off', throttle: 0 });
  bay.advance(RESTS_S);
}
function rest(bay: PracticeBay, isKeyOn: boolean): void {
  stop(bay);
  bay.set({ key: isKeyOn ? 'on' : 'off', loads: 'off', throttle: 0, lamps: false });
}
