/**
 * The indexes of the trade: one folder of files, one table. Adding a test, an observation, a fault or a kind of
 * limit is adding its file; these tables are written from what lies in the folders.
 */
import { readFile, readdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { ROOT } from './root.mjs';

const FOLDERS = [
  { folder: 'core/src/trade/tests', table: 'TEST_FILES', of: 'Every test of the format', not: [] },
  { folder: 'core/src/trade/observations', table: 'OBSERVATION_FILES', of: 'Everything that may be observed', not: [] },
  { folder: 'core/src/trade/faults', table: 'FAULT_FILES', of: 'Every fault', not: [] },
  { folder: 'core/src/criteria/rules', table: 'RULES', of: 'Every kind of limit', not: ['rule.ts'] },
];

const camel = (name) => name.replace(/-([a-z])/g, (_, letter) => letter.toUpperCase());
const key = (name) => (name.includes('-') ? `'${name}'` : name);

/** @returns the text of one index. */
function indexOf({ table, of }, names) {
  const entries = names.map((name) => `  ${name === camel(name) ? name : `${key(name)}: ${camel(name)}`},`);
  return [
    `/** ${of}, by the name of its file. Written by \`npm run derive\`; do not edit. */`,
    ...names.map((name) => `import { ${camel(name)} } from './${name}';`),
    '',
    `export const ${table} = {`,
    ...entries,
    '} as const;',
    '',
  ].join('\n');
}

/** @returns the paths and texts of all indexes as the folders stand. */
export async function trades() {
  return Promise.all(
    FOLDERS.map(async (row) => {
      const files = (await readdir(join(ROOT, row.folder))).filter(
        (file) => file.endsWith('.ts') && file !== 'index.ts' && !row.not.includes(file),
      );
      const names = files.map((file) => file.slice(0, -3)).sort();
      return { path: join(ROOT, row.folder, 'index.ts'), text: indexOf(row, names) };
    }),
  );
}

/** Writes every index that is not as its folder stands. @returns the paths that were written. */
export async function deriveIndexes() {
  const written = [];
  for (const { path, text } of await trades()) {
    if ((await readFile(path, 'utf8').catch(() => '')) === text) continue;
    await writeFile(path, text);
    written.push(path);
  }
  return written;
}
