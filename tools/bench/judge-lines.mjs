/** Cases judged per second through `judge --lines`, against only parsing and printing the same lines. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from '../setup/root.mjs';

const COUNT = 20_000;

function cases() {
  const reading = (id, test, value, conditions = {}) => ({ id, test, value, conditions });
  return Array.from({ length: COUNT }, (_, i) => ({
    format: 'tetrad-case/1',
    system: {
      nominalVolts: 12,
      engine: { cylinders: 4, fuel: 'petrol' },
      battery: { chemistry: 'flooded', rating: { value: 480 + (i % 200), standard: 'SAE' } },
      alternator: { ratedAmps: 110, regulation: 'fixed' },
    },
    complaint: { symptoms: ['slow-crank'] },
    conditions: { batteryCelsius: (i % 40) - 10 },
    readings: [
      reading('a', 'resting-voltage', 12.2 + (i % 60) / 100, { surfaceChargeRemoved: true }),
      reading('b', 'cranking-voltage', 8.5 + (i % 250) / 100, { method: 'min-max', seconds: 8 }),
      reading('f', 'charging-voltage', 12.8 + (i % 220) / 100, { rpm: 2000, loads: 'off' }),
      reading('g', 'ripple-ac', 0.02 + (i % 50) / 100, { rpm: 2000, loads: 'on' }),
    ],
  }))
    .map((value) => JSON.stringify(value))
    .join('\n');
}

const REFERENCE = `
import { createInterface } from 'node:readline';
let out = '';
for await (const line of createInterface({ input: process.stdin })) out += JSON.stringify(JSON.parse(line)) + '\\n';
process.stdout.write(out);`;

function seconds(args, input) {
  return new Promise((resolve, reject) => {
    const begun = performance.now();
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: ['pipe', 'pipe', 'inherit'] });
    let lines = 0;
    child.stdout.on('data', (data) => (lines += data.toString().split('\n').length - 1));
    child.on('error', reject);
    child.on('close', () =>
      lines >= COUNT
        ? resolve((performance.now() - begun) / 1000)
        : reject(new Error(`${lines} of ${COUNT} lines were answered`)),
    );
    child.stdin.end(`${input}\n`);
  });
}

export async function benchJudgeLines() {
  const input = cases();
  const judged = await seconds([join(ROOT, 'tools/tetrad.mjs'), 'judge', '--lines'], input);
  const reference = await seconds(['--input-type=module', '--eval', REFERENCE], input);
  return {
    name: 'Cases judged per second, `judge --lines`, the four readings, start included',
    figure: `${Math.round(COUNT / judged)} a second`,
    aim: '5000 or more',
    reference: 'parsing and printing the same lines',
    ratio: judged / reference,
    met: COUNT / judged >= 5000,
  };
}
