import { withServedApplication } from './bench/served.mjs';
await withServedApplication(async (url, browser) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('pageerror', (e) => console.log('ERR', e.message));
  page.on('console', (m) => m.type() === 'error' && console.log('CON', m.text()));
  const shot = (name) => page.screenshot({ path: `/tmp/r-${name}.png` });
  await page.goto(url + '/floor');
  await page.waitForTimeout(2500);
  await shot('floor');
  await page.goto(url + '/rounds');
  await page.waitForTimeout(2000);
  await shot('rounds');
  await page.getByRole('link', { name: 'Start round' }).first().click();
  await page.waitForTimeout(1500);
  await shot('code');
  await page.keyboard.type('yd142');
  await page.keyboard.press('Enter');
  await page.waitForTimeout(500);
  for (const t of ['12', '12.66', '9.1', '14.2', '13.9']) {
    await page.keyboard.type(t);
    await page.keyboard.press('Enter');
    await page.waitForTimeout(80);
  }
  await page.waitForTimeout(500);
  await shot('entry');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.waitForTimeout(300);
  await shot('entry-390');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('link', { name: 'Round sheet' }).click();
  await page.waitForTimeout(1200);
  await shot('sheet');
  const pdf = await page.evaluate(async () => {
    const a = [...document.querySelectorAll('a')].find((x) => x.textContent.trim() === 'PDF');
    const r = await fetch(a.href);
    return [...new Uint8Array(await r.arrayBuffer())];
  });
  const { writeFileSync } = await import('node:fs');
  writeFileSync('/tmp/sheet.pdf', Buffer.from(pdf));
});
