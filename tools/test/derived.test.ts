/** What is written from the trade's files must be as they stand: a new file is not there until it is derived. */
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { derivedFiles } from '../cli/derived-files';

const files = derivedFiles();

/** A file that is not as it would be written now is named with what mends it, not printed. */
const staleness = (path: string, wanted: string): string =>
  readFileSync(path, 'utf8') === wanted ? '' : `${path} is stale: run npm run derive`;

it.each(Object.keys(files))('%s is as the core stands', (path) => {
  expect(staleness(path, files[path]!)).toBe('');
});

it('the document of the HTTP interface is as contracts stand', () => {
  const printed = spawnSync(process.execPath, ['dist/cli/openapi.mjs'], { encoding: 'utf8', maxBuffer: 1 << 26 });
  expect(printed.stderr).toBe('');
  expect(staleness('docs/openapi.json', printed.stdout)).toBe('');
});

it('the indexes of the trade list every file of their folders', () => {
  const code = `const { trades } = await import('./tools/setup/derive-indexes.mjs');
    console.log(JSON.stringify(await trades()))`;
  const { stdout } = spawnSync(process.execPath, ['--input-type=module', '--eval', code], { encoding: 'utf8' });
  const indexes = JSON.parse(stdout) as { path: string; text: string }[];
  expect(indexes.length).toBe(9);
  for (const { path, text } of indexes) expect(staleness(path, text)).toBe('');
});

it('the tables show what one file alone brought in', () => {
  const page = files['docs/tables.md']!;
  expect(page).toMatch(/\| `meter-leads` \| [^|]*wiggle[^|]* \| steady, jumping \|/);
  expect(page).toMatch(/\| `ground-body` \| bad ground between body and battery \|/);
  expect(page).toContain('`leads-jump`');
});
