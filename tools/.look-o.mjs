import { withServedApplication } from './bench/served.mjs';
await withServedApplication(async (url, browser) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('pageerror', (e) => console.log('ERR', e.message));
  const shot = (name) => page.screenshot({ path: `/tmp/o-${name}.png` });
  await page.goto(url + '/open-interface'); await page.waitForTimeout(1500);
  await page.getByRole('button', { name: /^Switch user/ }).click();
  await page.getByRole('button', { name: /^Edda/ }).click();
  await page.getByRole('group', { name: /PIN of/ }).waitFor();
  await page.keyboard.type('7410'); await page.waitForTimeout(1500);
  await page.getByLabel('Name of the program').fill('Fleet office'); await page.getByRole('button', { name: 'Create key' }).click(); await page.waitForTimeout(600);
  await page.getByLabel('Address').fill('http://127.0.0.1:9/told'); await page.getByRole('button', { name: 'Add webhook' }).click(); await page.waitForTimeout(600);
  await page.getByRole('button', { name: 'Send a test' }).click(); await page.waitForTimeout(3500);
  await page.getByRole('button', { name: 'Messages' }).click(); await page.waitForTimeout(600); await shot('api');
  await page.setViewportSize({ width: 390, height: 844 }); await page.waitForTimeout(300); await page.screenshot({ path: '/tmp/o-390.png', fullPage: true });
});
