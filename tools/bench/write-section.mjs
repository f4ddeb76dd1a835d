import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { ROOT } from '../setup/root.mjs';

const FILE = join(ROOT, 'docs/benchmarks.md');

/** Replaces one marked section of docs/benchmarks.md with what a run has just measured. */
export async function writeSection(name, text) {
  const document = await readFile(FILE, 'utf8');
  const [begin, end] = [`<!-- ${name} -->`, `<!-- /${name} -->`];
  const from = document.indexOf(begin);
  const to = document.indexOf(end);
  if (from < 0 || to < 0) throw new Error(`docs/benchmarks.md has no section ${name}`);
  await writeFile(FILE, `${document.slice(0, from + begin.length)}\n\n${text}\n\n${document.slice(to)}`);
}
