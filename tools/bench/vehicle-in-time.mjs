/** The vehicle in time against life itself. */
import { join } from 'node:path';
import { ROOT } from '../setup/root.mjs';
import { run } from '../setup/run.mjs';

export async function benchVehicleInTime() {
  const { starting, parked } = JSON.parse(await run(process.execPath, [join(ROOT, 'dist/cli/bench-vehicle.mjs')]));
  const row = (name, speed, aim) => ({
    name,
    figure: `${Math.round(speed).toLocaleString('en-US')} × life`,
    aim: `${aim} or more`,
    reference: 'the aim',
    ratio: speed / aim,
    met: speed >= aim,
  });
  return [
    row('The simulated vehicle cranking, one core', starting, 200),
    row('The simulated vehicle parked for 20 days, one core', parked, 2000),
  ];
}
