/** A recording of ten million rows read and taken apart, against papaparse merely parsing the same file. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../setup/root.mjs';
import { run } from '../setup/run.mjs';

const ROWS = 10_000_000;
const COLUMNS = 3;
const RATE_HZ = 10_000;
/** Bytes of a number as the language holds it. */
const BYTES_A_NUMBER = 8;
const MAIN = join(ROOT, 'tools/tetrad.mjs');

/** Tells a process's highest memory, in kB, when it ends. */
const TELL_MEMORY = `data:text/javascript,process.on('exit',()=>process.stderr.write('\\nmaxrss '+process.resourceUsage().maxRSS+'\\n'))`;

const PAPAPARSE = `
import { createReadStream } from 'node:fs';
import papaparse from 'papaparse';
let rows = 0;
papaparse.parse(createReadStream(process.argv[1], { highWaterMark: 1 << 22 }), {
  chunk: ({ data }) => (rows += data.length),
  complete: () => console.log(rows),
});`;

/** A start of the circuit model whose charging goes on until there are rows enough. */
async function writeLong(path, short) {
  const start = (await readFile(short, 'utf8')).trimEnd().split('\n');
  const values = start.slice(1).map((line) => line.slice(line.indexOf(',')));
  const tail = values.slice(-2 * RATE_HZ);
  const file = createWriteStream(path);
  let piece = `${start[0]}\n`;
  for (let row = 0; row < ROWS; row++) {
    piece += `${(row / RATE_HZ).toFixed(4)}${values[row] ?? tail[row % tail.length]}\n`;
    if (piece.length > 1 << 20) {
      if (!file.write(piece)) await once(file, 'drain');
      piece = '';
    }
  }
  file.end(piece);
  await once(file, 'finish');
}

function timed(args) {
  return new Promise((resolve, reject) => {
    const begun = performance.now();
    const child = spawn(process.execPath, ['--import', TELL_MEMORY, ...args], {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let out = '';
    let err = '';
    child.stdout.on('data', (data) => (out += data));
    child.stderr.on('data', (data) => (err += data));
    child.on('error', reject);
    child.on('close', (status) =>
      status === 0
        ? resolve({
            seconds: (performance.now() - begun) / 1000,
            out,
            bytes: 1024 * Number(/maxrss (\d+)/.exec(err)[1]),
          })
        : reject(new Error(err)),
    );
  });
}

export async function benchCaptureRead() {
  const folder = await mkdtemp(join(tmpdir(), 'tetrad-bench-'));
  try {
    const [short, long] = [join(folder, 'short.csv'), join(folder, 'long.csv')];
    await run(process.execPath, [MAIN, 'simulate', '--seed', '3', '--capture', short], { cwd: ROOT });
    await writeLong(long, short);
    const own = await timed([MAIN, 'analyse', long, '--cylinders', '4']);
    if (JSON.parse(own.out).samples !== ROWS) throw new Error('not all rows were read');
    const reference = await timed(['--input-type=module', '--eval', PAPAPARSE, long]);
    if (Number(reference.out) < ROWS) throw new Error('papaparse read too few rows');
    const numbers = ROWS * COLUMNS * BYTES_A_NUMBER;
    return [
      {
        name: 'Ten million rows of CSV read and taken apart, `analyse`, start included',
        figure: `${own.seconds.toFixed(1)} s`,
        aim: 'less than half of papaparse',
        reference: `papaparse only parsing them (${reference.seconds.toFixed(1)} s)`,
        ratio: own.seconds / reference.seconds,
        met: own.seconds < reference.seconds / 2,
      },
      {
        name: 'Highest memory of that',
        figure: `${Math.round(own.bytes / 1e6)} MB`,
        aim: 'at most 3 × the numbers',
        reference: `its numbers of 8 bytes (${numbers / 1e6} MB)`,
        ratio: own.bytes / numbers,
        met: own.bytes <= 3 * numbers,
      },
    ];
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
