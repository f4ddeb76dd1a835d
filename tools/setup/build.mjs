/** Builds what runs: the client with Angular's builder, server and command line with esbuild. */
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { run } from './run.mjs';
import { ROOT } from './root.mjs';
import { unlessUnchanged } from './stamp.mjs';

const SHARED = ['core/src', 'contracts/src', 'package-lock.json', 'tsconfig.base.json'];

/** Bundled for what is used of it: whole, it brings every country's telephone numbers into each start. */
const IN_PART = 'class-validator';

/** Bundles the project's own code and leaves registry packages outside, but for the one that is used in part. */
async function bundle(entryPoints, outdir) {
  const { build, stop } = await import('esbuild');
  await build({
    entryPoints: Object.entries(entryPoints).map(([out, entry]) => ({ in: join(ROOT, entry), out })),
    outdir: join(ROOT, outdir),
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    mainFields: ['module', 'main'],
    outExtension: { '.js': '.mjs' },
    sourcemap: true,
    sourcesContent: false, // a server reads the whole map when it starts: lines are enough
    logLevel: 'error',
    tsconfig: join(ROOT, 'tsconfig.base.json'),
    plugins: [
      {
        name: 'registry-packages-stay-outside',
        setup: ({ onResolve }) =>
          onResolve({ filter: /^[^./]/ }, ({ path, importer }) =>
            path.startsWith('@tetrad/') || path === IN_PART || importer.includes(`/${IN_PART}/`) || path.startsWith('/')
              ? undefined
              : { path, external: true },
          ),
      },
    ],
  });
  await stop(); // its helper process would live as long as ours
}

export const buildServer = () =>
  unlessUnchanged({
    name: 'server',
    inputs: [...SHARED, 'server/src', 'docs/openapi.json', 'tools/setup/build.mjs'],
    output: 'dist/server/main.mjs',
    work: () =>
      bundle(
        {
          main: 'server/src/main.ts',
          prepare: 'server/src/prepare.ts',
          audit: 'server/src/audit.ts',
          move: 'server/src/move.ts',
          'move-shop': 'server/src/move-shop.ts',
          'reset-password': 'server/src/reset-password.ts',
          worker: 'server/src/worker.ts',
          'stand-ins': 'server/src/stand-ins.ts',
        },
        'dist/server',
      ),
  });

/** What the server takes, and one of each write, for the requests that are made from them. */
export const buildDescription = () =>
  unlessUnchanged({
    name: 'description of the server',
    inputs: [...SHARED, 'server/src', 'server/test', 'e2e/torture/describe.ts', 'tools/setup/build.mjs'],
    output: 'dist/torture/describe.mjs',
    work: () =>
      bundle({ describe: 'e2e/torture/describe.ts', 'every-write': 'server/test/every-write.ts' }, 'dist/torture'),
  });

export const buildCli = (told) =>
  unlessUnchanged(
    {
      name: 'cli',
      inputs: [...SHARED, 'tools/cli', 'server/src/instruments', 'server/src/shop-archive', 'tools/setup/build.mjs'],
      output: 'dist/cli/program.mjs',
      work: () =>
        bundle(
          {
            program: 'tools/cli/program.ts',
            'judge-worker': 'tools/cli/judge-worker.ts',
            derive: 'tools/cli/derive.ts',
            openapi: 'tools/cli/openapi/print.ts',
            'fleet-worker': 'tools/cli/fleet/fleet-worker.ts',
            fit: 'tools/cli/fit.ts',
            'bench-judge': 'tools/cli/bench-judge/main.ts',
            'bench-vehicle': 'tools/cli/bench-vehicle.ts',
            'bench-practice': 'tools/cli/bench-practice.ts',
            'bench-captures': 'tools/cli/bench-captures/main.ts',
          },
          'dist/cli',
        ),
    },
    told,
  );

const CLIENT = { inputs: [...SHARED, 'client', 'angular.json'], output: 'dist/client/browser/index.html' };

const ngBuild = (checksTypes) =>
  run(process.execPath, [join(ROOT, 'node_modules/@angular/cli/bin/ng.js'), 'build', '--progress=false'], {
    cwd: ROOT,
    env: { ...process.env, NG_CLI_ANALYTICS: 'false', NG_BUILD_TYPE_CHECK: String(checksTypes) },
  });

/** The client as it is served. Its types were checked before it was given away: that is a third of the whole build. */
export const buildClient = () => unlessUnchanged({ ...CLIENT, name: 'client', work: () => ngBuild(false) });

/** The same, with types and templates checked on the way. */
export const buildCheckedClient = () =>
  unlessUnchanged({ ...CLIENT, name: 'client-types', does: ['client'], work: () => ngBuild(true) });

/** How npm marks a package that no dependency of the application needs. */
const ONLY_BUILDS = 'cdx:npm:package:development';

/** What runs with the application, as CycloneDX: each package with its version, licence and digest. */
export const buildBillOfMaterials = () =>
  unlessUnchanged({
    name: 'bill of materials',
    inputs: ['package.json', 'package-lock.json', 'tools/setup/build.mjs'],
    output: 'dist/bom.json',
    async work() {
      const words = ['--package-lock-only', '--sbom-format=cyclonedx', '--sbom-type=application'];
      const printed = await run('npm', ['sbom', ...words], { cwd: ROOT });
      const { components, dependencies, ...bill } = JSON.parse(printed.slice(printed.indexOf('{')));
      // npm’s own --omit=dev leaves out what a tool needs as well as the application
      const runs = components.filter(({ properties }) => !properties.some(({ name }) => name === ONLY_BUILDS));
      const known = new Set([bill.metadata.component, ...runs].map((component) => component['bom-ref']));
      const among = (refs = []) => refs.filter((ref) => known.has(ref));
      const needs = dependencies.filter(({ ref }) => known.has(ref));
      const whole = {
        ...bill,
        components: runs,
        dependencies: needs.map(({ ref, dependsOn }) => ({ ref, dependsOn: among(dependsOn) })),
      };
      await mkdir(join(ROOT, 'dist'), { recursive: true });
      await writeFile(join(ROOT, 'dist/bom.json'), JSON.stringify(whole, null, 2));
    },
  });
