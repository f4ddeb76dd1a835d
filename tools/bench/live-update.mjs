/** Two devices on one job: how long a reading takes to the other, and how far apart their counts are. */
import { median } from './median.mjs';

const REPEATS = 15;
const COUNTS = 4;
const JOB = '7e7ad000-0000-4000-9000-000000000001';

/** Resolves in the page with the moment (ms, one clock for all pages) at which `holds` is first true. */
const moment = (page, holds, argument) =>
  page.evaluate(
    ([source, given]) =>
      new Promise((resolve) => {
        const isTrue = new Function('given', `return (${source})(given)`);
        const look = () => {
          if (!isTrue(given)) return;
          observer.disconnect();
          resolve(performance.timeOrigin + performance.now());
        };
        const observer = new MutationObserver(look);
        observer.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
        look();
      }),
    [holds.toString(), argument],
  );
const isShown = (text) => document.querySelector('.reading .value')?.textContent.includes(text);
const isPhase = (name) => document.querySelector('[data-phase]')?.dataset.phase === name;

async function devices(url, browser) {
  const bench = await browser.newPage();
  await bench.goto(`${url}/jobs/${JOB}`);
  await bench.locator('.centre .title').waitFor();
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(`${url}/jobs/${JOB}/wheel`);
  await phone.locator('.reading').waitFor();
  await bench.waitForTimeout(1500); // both have found the server's time
  return { bench, phone };
}

export async function benchLiveUpdate(url, browser) {
  const { bench, phone } = await devices(url, browser);
  await bench
    .getByRole('button', { name: /^Resting voltage/ })
    .first()
    .click();
  await bench.keyboard.press('Alt+r');
  const times = [];
  const trips = [];
  for (let i = 0; i < REPEATS; i++) {
    const text = (12.4 + i / 100).toFixed(2);
    await bench.locator('#reading').fill(text);
    const seen = moment(phone, isShown, text);
    await bench.waitForTimeout(200);
    const pressed = bench.evaluate(() => performance.timeOrigin + performance.now());
    await Promise.all([pressed, bench.locator('#reading').press('Enter')]);
    times.push((await seen) - (await pressed));
    trips.push(
      await bench.evaluate(async (path) => {
        const begun = performance.now();
        await (await fetch(path)).json();
        return performance.now() - begun;
      }, `/api/shops/yard/jobs/${JOB}`),
    );
    await bench
      .getByRole('button', { name: /^Resting voltage/ })
      .first()
      .click();
    await bench.keyboard.press('Alt+r');
  }
  const figure = median(times);
  await phone.context().close();
  await bench.close();
  return {
    name: `A reading on the second device, from the key that saves it, median of ${REPEATS}`,
    figure: `${figure.toFixed(0)} ms`,
    aim: 'under 200 ms',
    reference: 'asking the server for the job once',
    ratio: figure / median(trips),
    met: figure < 200,
  };
}

export async function benchCountInStep(url, browser) {
  const { bench, phone } = await devices(url, browser);
  await phone.getByRole('button', { name: 'Understood' }).click();
  const apart = [];
  for (let i = 0; i < COUNTS; i++) {
    await phone.getByRole('button', { name: 'Count down a crank' }).click();
    await bench.locator('[data-phase=ready]').waitFor();
    const [a, b] = await Promise.all([moment(bench, isPhase, 'crank'), moment(phone, isPhase, 'crank')]);
    apart.push(Math.abs(a - b));
    await phone.getByRole('button', { name: 'Stop the count' }).click();
    await bench.locator('[data-phase]').waitFor({ state: 'detached' });
  }
  const figure = Math.max(...apart);
  await phone.context().close();
  await bench.close();
  return {
    name: `Count on two devices: apart at the change to “crank”, the worst of ${COUNTS}`,
    figure: `${figure.toFixed(0)} ms`,
    aim: 'under 200 ms',
    reference: 'the 50 ms at which each looks at its clock',
    ratio: figure / 50,
    met: figure < 200,
  };
}
