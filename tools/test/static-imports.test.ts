import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const STATIC_IMPORT = /^\s*(?:import|export)\b(?:[^'";()]*?\bfrom)?\s*['"]([^'"]+)['"]/gm;

/** Every import of a module and of all it reaches, each as `from imports what`. */
function importsBelow(entry: string, seen = new Set<string>()): string[] {
  if (seen.has(entry) || !existsSync(entry)) return [];
  seen.add(entry);
  return [...readFileSync(entry, 'utf8').matchAll(STATIC_IMPORT)].flatMap(([, what]) =>
    what!.startsWith('.') ? importsBelow(join(dirname(entry), what!), seen) : [`${entry} imports ${what}`],
  );
}

it.each(['tools/start.mjs', 'tools/test.mjs', 'tools/tetrad.mjs'])(
  '%s loads nothing but what Node has before packages are installed',
  (entry) => {
    const imports = importsBelow(entry);
    expect(imports.length).toBeGreaterThan(5);
    expect(imports.filter((line) => !/ imports node:/.test(line))).toEqual([]);
  },
);

it('a package that is imported statically is found', () => {
  expect(importsBelow('server/test/cluster-setup.mjs')).toEqual(
    expect.arrayContaining([expect.stringMatching(/cluster\.mjs imports node:crypto/)]),
  );
  expect(importsBelow('playwright.config.ts').filter((line) => !/ imports node:/.test(line))).toEqual([
    expect.stringContaining('imports @playwright/test'),
  ]);
});
