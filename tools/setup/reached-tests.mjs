/** Which test files a change reaches, nearest first: by what they import and by the names they use, not by the whole graph. */
import { readFile, readdir } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import { ROOT } from './root.mjs';

/** Where the tests of a package are; what several packages share is tested by those that use it. */
const TESTS_OF = {
  core: ['core/test'],
  contracts: ['server/test', 'client/test'],
  server: ['server/test'],
  client: ['client/test'],
  tools: ['tools/test'],
};
/** How near a test is that imports the file itself; one that uses a name of it; and by how much less each import between counts. */
const IMPORTS = 100;
const USES = 10;
const FURTHER = 1 / 3;
/** Imports between a file and what tests use of it, at most. */
const MAX_STEPS = 6;
/** What a test file takes where nothing is known of it, s: one that draws examples, one that starts processes, any other. */
const GUESS_S = { draws: 20, starts: 60, other: 4 };

const EXPORTED = /^export (?:abstract )?(?:async )?(?:const|function|class|interface|type)\*? ?(\w+)/gm;
const isTest = (path) => path.endsWith('.test.ts');
const withoutEnding = (path) => path.replace(/\.\w+$/, '');

async function filesBelow(folder, ending) {
  const names = await readdir(join(ROOT, folder), { recursive: true }).catch(() => []);
  return names.filter((name) => name.endsWith(ending)).map((name) => join(folder, name));
}
const read = (path) => readFile(join(ROOT, path), 'utf8').catch(() => '');
const namesIn = (text) => [...text.matchAll(EXPORTED)].map(([, name]) => name);
/** The files of the project that a file imports. */
const importsOf = (path, text) =>
  [...text.matchAll(/from '(\.[^']+)'/g)].map(([, to]) => withoutEnding(join(dirname(path), to)));
const uses = (text, names) => names.filter((name) => new RegExp(`\\b${name}\\b`).test(text)).length;

/** Whether a test is called after the file or its folder, or asks at an address of that name: tests of the server use it so. */
function concerns(path, test, text) {
  const own = basename(path)
    .split('.')[0]
    .replace(/-routes?$/, '');
  const names = [own, `${own}s`, basename(dirname(path))].filter((name) => name.length > 3 && name !== 'index');
  return names.some((name) => basename(test).startsWith(name) || text.includes(`/${name}`));
}

function guess(text) {
  if (text.includes("'node:child_process'")) return GUESS_S.starts;
  return text.includes("'fast-check'") ? GUESS_S.draws : GUESS_S.other;
}

/** The names of a file, of those that import it, of those that import these, and so on. A thing of the trade is called by its file's name. */
async function ringsAround(path) {
  const [root] = path.split('/');
  const files = new Map();
  for (const one of await filesBelow(`${root}/src`, '.ts')) files.set(withoutEnding(one), await read(one));
  const rings = [[...namesIn(await read(path)), withoutEnding(basename(path))]];
  const known = new Set([withoutEnding(path)]);
  let ring = [...known];
  while (ring.length > 0 && rings.length <= MAX_STEPS) {
    const next = [...files].filter(
      ([one, text]) => !known.has(one) && importsOf(one, text).some((to) => ring.includes(to)),
    );
    for (const [one] of next) known.add(one);
    rings.push(next.flatMap(([, text]) => namesIn(text)));
    ring = next.map(([one]) => one);
  }
  // short names stand in every text
  return rings.map((names) => [...new Set(names)].filter((name) => name.length > 3));
}

/**
 * @param {readonly string[]} changed Paths in the repository.
 * @param {Readonly<Record<string, number>>} times What each test file took before, s.
 * @returns {Promise<readonly { path: string, nearness: number, seconds: number }[]>} The nearest first.
 */
export async function reachedTests(changed, times) {
  const reached = new Map();
  const note = (path, nearness, text) => {
    const seconds = times[path] ?? guess(text);
    if (nearness > (reached.get(path)?.nearness ?? 0)) reached.set(path, { path, nearness, seconds });
  };
  for (const path of changed.filter(isTest)) note(path, Infinity, await read(path));
  for (const path of changed.filter((one) => /\.(ts|mjs)$/.test(one) && !isTest(one))) {
    const [root] = path.split('/');
    const rings = await ringsAround(path);
    for (const folder of TESTS_OF[root] ?? [])
      for (const test of await filesBelow(folder, '.test.ts')) {
        const text = await read(test);
        if (importsOf(test, text).includes(withoutEnding(path))) note(test, IMPORTS, text);
        if (concerns(path, test, text)) note(test, USES, text);
        rings.forEach((names, steps) => note(test, USES * FURTHER ** steps * Math.min(3, uses(text, names)), text));
      }
  }
  return [...reached.values()].sort((a, b) => b.nearness - a.nearness || a.seconds - b.seconds);
}

/** As many of the nearest as are done within some seconds, at least one; the quickest of them first. */
export function withinSeconds(reached, seconds, workers) {
  let sum = 0;
  const taken = reached.filter(({ seconds: own }, at) => {
    if (at > 0 && (sum + own) / workers > seconds) return false;
    sum += own;
    return true;
  });
  return taken.sort((a, b) => a.seconds - b.seconds);
}
