/** The guide: a page for everything of the trade, links that lead somewhere, cautions first, limits of the set in use, search. */
import { BALANCED, ENGLISH, FAULT_NAMES, INSTRUMENT_KINDS, OBSERVATION_NAMES, TESTS, TEST_NAMES } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';
import { LAST_WORD, guidePages, guideSearch } from '../src/guide';
import type { GuidePage } from '../src/guide';

const pages = guidePages(BALANCED, ENGLISH);
const page = (id: string): GuidePage => pages.find((one) => one.id === id)!;
const linesOf = (one: GuidePage, title: string): readonly string[] =>
  one.sections.find((section) => section.title.startsWith(title))?.lines.map(({ text }) => text) ?? [];

it('has one page for each test, observation, fault and kind of instrument, and every link leads to one', () => {
  const ids = pages.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  const faults = FAULT_NAMES.filter((fault) => fault !== 'none');
  for (const id of [...TEST_NAMES, ...OBSERVATION_NAMES, ...faults, ...INSTRUMENT_KINDS]) expect(ids).toContain(id);
  const links = pages.flatMap(({ sections }) => sections.flatMap(({ lines }) => lines.flatMap(({ to = [] }) => to)));
  expect(links.length).toBeGreaterThan(200);
  expect(links.filter((id) => !ids.includes(id))).toEqual([]);
});

it.each(TEST_NAMES)('%s: why, steps, what spoils it, what it means, and whose fault it tells of', (test) => {
  const one = page(test);
  const titles = one.sections.map(({ title }) => title);
  expect(titles).toEqual(expect.arrayContaining(['Why', 'Steps', 'What spoils it', 'What the figure means']));
  for (const { lines } of one.sections)
    for (const { text } of lines) {
      expect(text).not.toMatch(/undefined|null|\[object|\{|\$/);
      expect(text.split(' ').length).toBeLessThan(45);
    }
  if (TESTS[test].leads) expect(one.drawing).toBe(test);
});

it('tells the cautions of what is done while the engine cranks or runs, and gives others the last word', () => {
  for (const test of TEST_NAMES) {
    const { engine } = TESTS[test].step;
    if (engine === 'cranking') expect(page(test).cautions.join(' ')).toContain('Stop the fuel');
    if (engine === 'running' || engine === 'loaded') expect(page(test).cautions.join(' ')).toContain('Keep leads');
  }
  expect(page('safety').cautions.at(-1)).toBe(LAST_WORD);
  expect(page('safety').cautions[0]).toContain('frozen');
});

it('a fault names what must be ruled out and the tests that do it', () => {
  const { sections } = page('starter-worn');
  const out = sections.find(({ title }) => title === 'What must be ruled out first')!;
  expect(out.lines.flatMap(({ to = [] }) => to)).toEqual(
    expect.arrayContaining([
      'drop-starter-positive',
      'drop-starter-ground',
      'starter-control-voltage',
      'crank-by-hand',
    ]),
  );
  expect(linesOf(page('alternator-diode'), 'Tests that tell')).toEqual(
    expect.arrayContaining([expect.stringContaining('Ripple waveform')]),
  );
});

it('tells limits and costs of the set it is given', () => {
  const limits = BALANCED.limits.map((limit) =>
    limit.test === 'conductance' ? { ...limit, rule: { kind: 'rated-share' as const, minShare: 0.83 } } : limit,
  );
  const costs = { ...BALANCED.costs, comeback: 777 };
  const own = guidePages({ ...BALANCED, name: 'Own', limits, costs } as CriteriaSet, ENGLISH);
  const find = (id: string) => own.find((one) => one.id === id)!;
  expect(linesOf(find('conductance'), 'Limits, Own').join(' ')).toContain('83 %');
  expect(linesOf(find('decision'), 'What a mistake costs, Own').join(' ')).toContain('777 min');
});

describe('search', () => {
  const search = guideSearch(pages);
  it.each([
    ['saturated clamp', 'starter-draw'],
    ['surface charge', 'resting-voltage'],
    ['drop fuse', 'fuse-drop'],
    ['alternater weak', 'alternator-weak'],
    ['conduct', 'conductance'],
    ['frozen', 'safety'],
  ])('%s finds %s', (words, id) => {
    expect(search(words)).toContain(id);
  });
  it('puts the page of that name first, and finds nothing for words that stand nowhere', () => {
    expect(search('Load test')[0]).toBe('load-test');
    expect(search('xylophone')).toEqual([]);
    expect(search('')).toEqual([]);
  });
});
