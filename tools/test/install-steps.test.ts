/** Packages that run something of their own when they are installed: each is known, with what it does. */
import { readFileSync } from 'node:fs';

const LISTED = /^\| `([^`]+)` +\| (.+?) +\|$/gm;

it('every package with an install step is listed with what it does', () => {
  const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8')) as {
    packages: Readonly<Record<string, { readonly hasInstallScript?: boolean }>>;
  };
  const withStep = Object.entries(packages)
    .filter(([, { hasInstallScript }]) => hasInstallScript)
    .map(([path]) => path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length));
  const section = readFileSync('docs/architecture.md', 'utf8').split('## Packages with an install step')[1]!;
  const listed = [...section.split('\n## ')[0]!.matchAll(LISTED)].map(([, name]) => name);
  expect(listed.sort()).toEqual([...new Set(withStep)].sort());
});
