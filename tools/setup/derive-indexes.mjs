/**
 * The indexes of the trade: one folder of files, one table. Adding a test, an observation, a fault or a kind of
 * limit is adding its file; these tables are written from what lies in the folders.
 */
import { mkdir, readFile, readdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { ROOT } from './root.mjs';

/** Tests, observations and faults come first: the format's words are theirs. */
const FOLDERS = [
  { folder: 'core/src/trade/tests', table: 'TEST_FILES', of: 'Every test of the format', not: [] },
  { folder: 'core/src/trade/observations', table: 'OBSERVATION_FILES', of: 'Everything that may be observed', not: [] },
  { folder: 'core/src/trade/faults', table: 'FAULT_FILES', of: 'Every fault', not: [] },
  { folder: 'core/src/criteria/rules', table: 'RULES', of: 'Every kind of limit', not: ['rule.ts'] },
];

const camel = (name) => name.replace(/-([a-z])/g, (_, letter) => letter.toUpperCase());
const key = (name) => (name.includes('-') ? `'${name}'` : name);

/**
 * @param row.from where the files lie, as the index imports them
 * @param row.part which value of each file is listed, by the end of its name
 * @returns the text of one index
 */
function indexOf({ table, of, from = '.', part = '' }, names) {
  const entries = names.map((name) => {
    const value = `${camel(name)}${part}`;
    return `  ${name === value ? name : `${key(name)}: ${value}`},`;
  });
  return [
    `/** ${of}, by the name of its file. Written by \`npm run derive\`; do not edit. */`,
    ...names.map((name) => `import { ${camel(name)}${part} } from '${from}/${name}';`),
    '',
    `export const ${table} = {`,
    ...entries,
    '} as const;',
    '',
  ].join('\n');
}

/** @returns the names of the things in a folder, one file each. */
async function namesIn({ folder, not }) {
  const files = await readdir(join(ROOT, folder));
  return files
    .filter((file) => file.endsWith('.ts') && file !== 'index.ts' && !not.includes(file))
    .map((file) => file.slice(0, -3))
    .sort();
}

/** The names that the open format shares with the trade's folders: the format stands below them and reads none of them. */
function formatNames(tests, observations, faults) {
  const list = (name, of, names) =>
    `/** ${of}. */\nexport const ${name} = [\n${names.map((entry) => `  '${entry}',\n`).join('')}] as const;\n`;
  return [
    '/** The names of tests, observations and faults. Written by `npm run derive` from the folders of `trade`; do not edit. */',
    '',
    list('TEST_WORDS', 'Every test, by name', tests),
    list('OBSERVATION_WORDS', 'Everything that may be observed, by name', observations),
    list('FAULT_WORDS', 'Every fault, by name', faults),
  ].join('\n');
}

/** @returns the paths and texts of all indexes as the folders stand. */
export async function trades() {
  const names = await Promise.all(FOLDERS.map(namesIn));
  const [tests, observations, faults] = names;
  // parts of every file that the judge is bundled without: the circuit model's, and the guide's
  const parts = [
    { to: 'simulation/models/test-models', kind: 'tests', of: 'How the circuit model gives every test', part: 'Model' },
    {
      to: 'simulation/models/observation-models',
      kind: 'observations',
      of: 'What the circuit model shows',
      part: 'Model',
    },
    { to: 'simulation/models/fault-effects', kind: 'faults', of: 'What every fault does to a vehicle', part: 'Effect' },
    { to: 'guide/test-guides', kind: 'tests', of: 'What the guide tells of every test', part: 'Guide' },
  ];
  const all = { tests, observations, faults };
  return [
    { path: join(ROOT, 'core/src/format/trade-words.ts'), text: formatNames(tests, observations, faults) },
    ...FOLDERS.map((row, at) => ({ path: join(ROOT, row.folder, 'index.ts'), text: indexOf(row, names[at]) })),
    ...parts.map(({ to, kind, of, part }) => ({
      path: join(ROOT, `core/src/${to}.ts`),
      text: indexOf(
        {
          from: `${to
            .split('/')
            .slice(1)
            .map(() => '..')
            .join('/')}/trade/${kind}`,
          table: to.split('/').at(-1).toUpperCase().replace('-', '_'),
          ...{ of, part },
        },
        all[kind],
      ),
    })),
  ];
}

/** Writes every index that is not as its folder stands. @returns the paths that were written. */
export async function deriveIndexes() {
  const written = [];
  for (const { path, text } of await trades()) {
    if ((await readFile(path, 'utf8').catch(() => '')) === text) continue;
    await mkdir(dirname(path), { recursive: true });
    await writeFile(path, text);
    written.push(path);
  }
  return written;
}
