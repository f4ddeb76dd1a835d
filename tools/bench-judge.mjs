/** `npm run bench:judge`: accuracy, wrong replacements, calibration, steps and speed; writes docs/benchmarks.md. */
import { join } from 'node:path';
import { writeSection } from './bench/write-section.mjs';
import { buildCli } from './setup/build.mjs';
import { ROOT } from './setup/root.mjs';
import { run } from './setup/run.mjs';
import { fail } from './setup/steps.mjs';

try {
  await buildCli();
  const table = await run(process.execPath, [join(ROOT, 'dist/cli/bench-judge.mjs'), '--careful'], { cwd: ROOT });
  await writeSection('judge', table.trim());
  const workshop = await run(process.execPath, [join(ROOT, 'dist/cli/bench-judge.mjs'), '--workshop'], { cwd: ROOT });
  await writeSection('judge-workshop', workshop.trim().split('\n\n')[0]);
  console.log(`${table}\n${workshop}`);
} catch (error) {
  fail(error);
}
