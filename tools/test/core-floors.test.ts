/** The floors of the core: every module stands on lower ones only, and can be the first that is loaded. */
import { build } from 'esbuild';
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';

const ROOT = process.cwd();
const CORE = join(ROOT, 'core/src');
const modules = readdirSync(CORE, { recursive: true, encoding: 'utf8' })
  .filter((path) => path.endsWith('.ts') && !path.endsWith('.d.ts'))
  .map((path) => join(CORE, path));

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'tetrad-floors-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('every module can be loaded first', async () => {
  await build({
    entryPoints: modules,
    bundle: true,
    platform: 'node',
    format: 'cjs',
    outdir: folder,
    outbase: CORE,
    logLevel: 'error',
  });
  // each bundle is a world of its own: what it names must be there by the time it is needed
  writeFileSync(
    join(folder, 'load-all.cjs'),
    `const failed = [];
     for (const file of ${JSON.stringify(modules.map((path) => relative(CORE, path).replace(/\.ts$/, '.js')))})
       try { require('./' + file); } catch (error) { failed.push(file + ': ' + error.message); }
     console.log(JSON.stringify(failed));`,
  );
  const told = execFileSync(process.execPath, [join(folder, 'load-all.cjs')], { encoding: 'utf8' });
  expect(modules.length).toBeGreaterThan(250);
  expect(JSON.parse(told)).toEqual([]);
});

it('the judge is bundled without the simulation', async () => {
  const { metafile } = await build({
    stdin: { contents: "export { judge } from './words/en/judgement';", resolveDir: CORE },
    bundle: true,
    write: false,
    metafile: true,
    format: 'esm',
    logLevel: 'error',
  });
  const parts = Object.values(metafile.outputs)[0]!.inputs;
  const used = Object.keys(parts).filter((path) => parts[path]!.bytesInOutput > 0);
  expect(used.some((path) => path.includes('core/src/judge/'))).toBe(true);
  expect(
    used.filter((path) =>
      /core\/src\/(simulation\/|circuit\/model\/|capture\/|evidence\/s(lips|imulated-bench))/.test(path),
    ),
  ).toEqual([]);
});

it('an upward import and a circle are refused by the linter', () => {
  const copy = join(folder, 'copy');
  for (const path of ['core/src', '.dependency-cruiser.mjs', 'tsconfig.json', 'tsconfig.base.json'])
    cpSync(join(ROOT, path), join(copy, path), { recursive: true });
  const write = (path: string, text: string) => writeFileSync(join(copy, 'core/src', path), text);
  write('format/upward.ts', "import type { Test } from '../trade/test';\nexport type Borrowed = Test;\n");
  write('trade/one.ts', "import type { Two } from './two';\nexport interface One { readonly two: Two }\n");
  write('trade/two.ts', "import type { One } from './one';\nexport interface Two { readonly one: One }\n");
  const { status, stdout } = spawnSync(
    process.execPath,
    [join(ROOT, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs'), 'core/src', '--config'],
    { cwd: copy, encoding: 'utf8' },
  );
  expect(status).not.toBe(0);
  expect(stdout).toMatch(/imports-nothing-above-it: core\/src\/format\/upward\.ts/);
  expect(stdout).toMatch(/no-circle: core\/src\/trade\/(one|two)\.ts/);
});
