/** How many times faster than life the vehicle in time is: a start, and parked hours. Prints both as JSON. */
import { SimulatedVisit, VehicleInTime } from '../../core/src/simulation';

const STARTS = 8;
const START_S = 6;
const PARKED_DAYS = 20;
const DAY_S = 24 * 3600;

const vehicle = (seed: number) => new SimulatedVisit({ faults: ['none'], severity: 0.5, seed }).vehicle;
/** Seconds of life in a second of this machine. */
function speed(lifeS: number, work: () => void): number {
  const begun = performance.now();
  work();
  return lifeS / ((performance.now() - begun) / 1000);
}

function start(seed: number): void {
  const model = new VehicleInTime(vehicle(seed));
  model.set({ key: 'start' });
  model.advance(START_S);
}
start(0); // the first is compiled on its way

const starting = speed(STARTS * START_S, () => {
  for (let seed = 1; seed <= STARTS; seed++) start(seed);
});
const parked = speed(PARKED_DAYS * DAY_S, () => {
  const model = new VehicleInTime(vehicle(1));
  model.advance(PARKED_DAYS * DAY_S);
});
console.log(JSON.stringify({ starting, parked }));
