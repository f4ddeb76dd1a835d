/** Wheel-zoom over a recording of ten million samples: whether frames keep coming as the display asks. */
import { median } from './median.mjs';

const SAMPLES = 10_000_000;
const TURNS = 120;

/** A capture in our own format, made in the page so that nothing so large crosses the wire. */
function openLong(samples) {
  const values = new Float32Array(samples);
  for (let at = 0; at < samples; at++) {
    const seconds = at / 10_000;
    const cranks = seconds > 1 && seconds < 4;
    values[at] =
      (cranks ? 10 : seconds < 1 ? 12.6 : 14.2) +
      0.05 * Math.sin(at * 0.7) +
      (cranks ? 0.3 * Math.sin(seconds * 44) : 0);
  }
  const bytes = new Uint8Array(values.buffer);
  let text = '';
  for (let at = 0; at < bytes.length; at += 0x6000)
    text += btoa(String.fromCharCode(...bytes.subarray(at, at + 0x6000)));
  const capture = {
    format: 'tetrad-capture/1',
    channels: [{ name: 'volts', quantity: 'volts', scale: 1, column: 1 }],
    data: { encoding: 'base64-float32-le', t0S: 0, dtS: 1e-4, columns: [text] },
  };
  const file = new File([JSON.stringify(capture)], 'long.json', { type: 'application/json' });
  const transfer = new DataTransfer();
  transfer.items.add(file);
  const input = document.querySelector('input[type=file]');
  input.files = transfer.files;
  input.dispatchEvent(new Event('change', { bubbles: true }));
}

export async function benchCaptureZoom(url, browser) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.route('**/pieces/*', (route) => route.abort());
  await page.goto(`${url}/jobs/7e7ad000-0000-4000-9000-000000000016/captures`);
  await page.getByText('No recording yet.').waitFor();
  await page.evaluate(openLong, SAMPLES);
  await page.locator('canvas').waitFor({ timeout: 120_000 });
  await page.waitForTimeout(1500);
  /** Frames one after the other, each with a turn of the wheel in it or without: a page that is late skips one. */
  const frames = (turns, isTurned) =>
    page.evaluate(
      async ([count, turned]) => {
        const canvas = document.querySelector('canvas');
        const box = canvas.getBoundingClientRect();
        const at = { clientX: box.left + box.width * 0.4, clientY: box.top + box.height / 2 };
        const next = () => new Promise((resolve) => requestAnimationFrame(resolve));
        const times = [];
        let before = await next();
        for (let turn = 0; turn < count; turn++) {
          const deltaY = turn % 30 < 15 ? -100 : 100;
          if (turned) canvas.dispatchEvent(new WheelEvent('wheel', { deltaY, bubbles: true, cancelable: true, ...at }));
          const now = await next();
          times.push(now - before);
          before = now;
        }
        return times;
      },
      [turns, isTurned],
    );
  const zoomed = await frames(TURNS, true);
  const still = await frames(TURNS, false);
  await context.close();
  const late = zoomed.filter((time) => time > 1.5 * median(still)).length;
  return {
    name: 'Wheel-zoom over ten million samples, a turn in every frame: median frame',
    figure: `${median(zoomed).toFixed(1)} ms (${late} of ${TURNS} frames late)`,
    aim: 'no later than the display asks (60 a second)',
    reference: `frames of the same page with nothing to do (${median(still).toFixed(1)} ms)`,
    ratio: median(zoomed) / median(still),
    met: median(zoomed) <= 1.05 * median(still),
  };
}
