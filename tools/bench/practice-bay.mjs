/** The practice bay: how many frames a second are drawn while the starter turns, and how many vehicles can be solved in it. */
import { join } from 'node:path';
import { ROOT } from '../setup/root.mjs';
import { run } from '../setup/run.mjs';

const MEASURED_MS = 5000;
const AIM_FRAMES = 30;
const AIM_SHARE = 0.97;

export async function benchBayFrames(url, browser) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(`${url}/practice/slow-ground`);
  await page.getByLabel('Display').waitFor();
  for (const name of ['Red on battery + post', 'Black on battery − post'])
    await page.getByRole('button', { name }).press('Enter');
  await page.getByRole('button', { name: 'Fuel stopped' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  const frames = await page.evaluate(
    (forMs) =>
      new Promise((resolve) => {
        const begun = performance.now();
        let count = 0;
        const frame = () => {
          count += 1;
          const passed = performance.now() - begun;
          if (passed < forMs) requestAnimationFrame(frame);
          else resolve((count * 1000) / passed);
        };
        requestAnimationFrame(frame);
      }),
    MEASURED_MS,
  );
  await page.close();
  return {
    name: 'Practice bay, frames a second while it cranks (1280×800)',
    figure: frames.toFixed(0),
    aim: `${AIM_FRAMES} or more`,
    reference: 'the aim',
    ratio: frames / AIM_FRAMES,
    met: frames >= AIM_FRAMES,
  };
}

export async function benchBaySolved() {
  const { solved, of } = JSON.parse(await run(process.execPath, [join(ROOT, 'dist/cli/bench-practice.mjs')]));
  return {
    name: `Practice bay, vehicles of ${of} solved by the judge’s own path`,
    figure: String(solved),
    aim: `${Math.ceil(of * AIM_SHARE)} or more`,
    reference: 'the aim',
    ratio: solved / (of * AIM_SHARE),
    met: solved >= of * AIM_SHARE,
  };
}
