/** The bill of materials names what really runs: every package of package.json with the version of the lock file. */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

interface Bill {
  readonly bomFormat: string;
  readonly components: readonly {
    readonly name: string;
    readonly version: string;
    readonly purl: string;
    readonly licenses?: readonly object[];
  }[];
}

it('names each package that runs, its version and licence, and none that only builds', () => {
  execFileSync(process.execPath, ['-e', "import('./tools/setup/build.mjs').then((m) => m.buildBillOfMaterials())"]);
  const bill = JSON.parse(readFileSync('dist/bom.json', 'utf8')) as Bill;
  const own = JSON.parse(readFileSync('package.json', 'utf8')) as Record<string, Record<string, string>>;
  const lock = JSON.parse(readFileSync('package-lock.json', 'utf8')) as {
    packages: Record<string, { version: string }>;
  };
  expect(bill.bomFormat).toBe('CycloneDX');
  const versionOf = new Map(bill.components.map(({ purl, version }) => [decodeURIComponent(purl), version]));
  const names = Object.keys(own['dependencies']!);
  expect(names.length).toBeGreaterThan(20);
  for (const name of names) {
    const { version } = lock.packages[`node_modules/${name}`]!;
    expect([name, versionOf.get(`pkg:npm/${name}@${version}`)]).toEqual([name, version]);
  }
  expect(bill.components.filter(({ name }) => name === 'jest')).toEqual([]);
  // these two tell their licence (MIT) in a file alone
  const untold = bill.components.filter(({ licenses = [] }) => licenses.length === 0).map(({ name }) => name);
  expect(untold.sort()).toEqual(['png-js', 'primeng']);
});
