/** `[--port N]`: the simulated instruments of the demo, until this process's input ends. Prints their addresses as JSON. */
import { parseArgs } from 'node:util';
import { listenStandIns } from './instruments/stand-ins/listen';
import { SimulatedYard } from './instruments/stand-ins/simulated-yard';

const { values } = parseArgs({ options: { port: { type: 'string', default: '0' } } });
const yard = new SimulatedYard({ fault: 'none', severity: 0.7, seed: 1 });
process.stdout.write(`${JSON.stringify(await listenStandIns(yard, Number(values.port)))}\n`);
process.stdin.resume().on('end', () => process.exit(0)); // whoever began this has ended
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(0));
