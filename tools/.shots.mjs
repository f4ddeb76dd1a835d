import { withServedApplication } from './bench/served.mjs';
const out = '/tmp/shots';
import { mkdirSync } from 'node:fs';
mkdirSync(out, { recursive: true });
const J = (n) => `/jobs/7e7ad000-0000-4000-9000-0000000000${String(n).padStart(2, '0')}`;
const only = process.argv.slice(2);
await withServedApplication(async (url, browser) => {
  const shot = async (name, path, { w = 1280, h = 800, theme = 'light', act } = {}) => {
    if (only.length && !only.some((o) => name.includes(o))) return;
    const page = await (
      await browser.newContext({ viewport: { width: w, height: h }, colorScheme: theme, serviceWorkers: 'block' })
    ).newPage();
    await page.goto(url + path);
    await page.waitForTimeout(2500);
    if (act) await act(page);
    await page.screenshot({ path: `${out}/${name}.png` });
    await page.context().close();
  };
  const lastVisit = async (p) => {
    await p.keyboard.press('Alt+l');
    await p.waitForTimeout(1000);
  };
  await shot('comeback', J(2), { act: lastVisit });
  await shot('repaired', J(17));
  await shot('closed', '/floor', {
    act: async (p) => {
      await p.getByRole('button', { name: 'Closed' }).click();
      await p.waitForTimeout(1200);
    },
  });
  await shot('report', J(17) + '/report');
  await shot('signoff', J(1), {
    act: async (p) => {
      await p.keyboard.press('Alt+u');
      await p
        .getByRole('button', { name: /^Finn|^Bo Hannick/ })
        .first()
        .click()
        .catch(() => 0);
      await p.keyboard.type('3690');
      await p.waitForTimeout(1200);
      await p.keyboard.press('Alt+g');
      await p.waitForTimeout(1200);
      await p.getByRole('button', { name: /^Tomas/ }).click();
      await p.waitForTimeout(300);
    },
  });
  await shot('phone', J(2), { w: 390, h: 844 });
  await shot('phonebench', J(16), { w: 390, h: 844 });
  await shot('tablet', J(2), { w: 768, h: 1024 });
  await shot('tabbench', J(16), { w: 768, h: 1024 });
  await shot('newbench', J(16));
  await shot('darkbench', J(16), { theme: 'dark' });
});
