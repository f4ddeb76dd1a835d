/** One judgement of a full case in the browser, the first of a fresh page and later ones, against parsing the case. */
import { build } from 'esbuild';
import { join } from 'node:path';
import { ROOT } from '../setup/root.mjs';
import { median } from './median.mjs';

const CASES = 100;
const AIM_MS = 10;

export async function benchJudgeInBrowser(_url, browser) {
  const bundled = await build({
    entryPoints: [join(ROOT, 'core/src/index.ts')],
    bundle: true,
    write: false,
    format: 'iife',
    globalName: 'core',
    platform: 'browser',
    minify: true,
  });
  const page = await browser.newPage();
  await page.setContent('<p>the judge alone</p>');
  await page.addScriptTag({ content: bundled.outputFiles[0].text });
  const { first, judged, parsed } = await page.evaluate((count) => {
    const { FAULT_NAMES, TESTING_SPREAD, judge, simulateCase } = globalThis.core;
    const cases = Array.from({ length: count }, (_, i) =>
      simulateCase({ faults: [FAULT_NAMES[i % FAULT_NAMES.length]], seed: 40 + i, spread: TESTING_SPREAD }),
    );
    const timed = (work) => {
      const begun = performance.now();
      work();
      return performance.now() - begun;
    };
    const times = cases.map((subject) => timed(() => judge(subject)));
    const texts = cases.map((subject) => JSON.stringify(subject));
    // the clock of a page is too coarse for one
    const parsed = timed(() => texts.forEach((text) => JSON.parse(text))) / count;
    return { first: times[0], judged: times, parsed };
  }, CASES);
  await page.close();
  const usual = median(judged);
  return {
    name: `A full case judged in the browser, median of ${CASES}; the first of a fresh page ${first.toFixed(1)} ms`,
    figure: `${usual.toFixed(1)} ms`,
    aim: `under ${AIM_MS} ms`,
    reference: 'parsing the same case',
    ratio: usual / parsed,
    met: usual < AIM_MS,
  };
}
