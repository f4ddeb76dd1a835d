import { median } from './median.mjs';

/** Time from a key press to the painted grade, against a plain text field's echo on an empty page. */
const REPEATS = 40;

/** Runs in the page: types one digit, waits for the text to change, then for the frame that shows it. */
const measure = async ([inputSelector, shownSelector, repeats]) => {
  const input = document.querySelector(inputSelector);
  const shown = () => document.querySelector(shownSelector)?.textContent ?? '';
  const times = [];
  for (let i = 0; i < repeats; i++) {
    const before = shown();
    const begun = performance.now();
    input.value = i % 2 ? '12.60' : '11.20';
    input.dispatchEvent(new InputEvent('input', { bubbles: true }));
    while (shown() === before) await new Promise((resolve) => setTimeout(resolve));
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    times.push(performance.now() - begun);
  }
  return times;
};

export async function benchKeyToGrade(url, browser) {
  const plain = await browser.newPage();
  await plain.setContent(
    '<input id="a"><output></output><script>a.oninput = () => (document.querySelector("output").textContent = a.value)</script>',
  );
  const reference = median(await plain.evaluate(measure, ['#a', 'output', REPEATS]));
  const page = await browser.newPage();
  await page.goto(`${url}/jobs/7e7ad000-0000-4000-9000-000000000016`);
  await page.locator('#reading').waitFor();
  const graded = median(await page.evaluate(measure, ['#reading', '#said', REPEATS]));
  return {
    name: 'From a key press to the painted grade, median of 40',
    figure: `${graded.toFixed(1)} ms`,
    aim: 'under 50 ms',
    reference: 'a plain field that echoes its text',
    ratio: graded / reference,
    met: graded < 50,
  };
}
