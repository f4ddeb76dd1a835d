import { enter, expect, inTheFourNotes, pick, test, toEmptyShop, untilStored } from './application';

test('a job from an empty floor, by keyboard alone: four readings, a verdict, and all found again', async ({
  page,
  app,
}) => {
  await inTheFourNotes(page);
  await toEmptyShop(page, app);
  await page.keyboard.press('Alt+n');
  const dialog = page.getByRole('dialog', { name: 'New job' });
  await expect(dialog.getByLabel('Vehicle')).toBeFocused();
  await page.keyboard.type('Harbour van 1.8 petrol');
  await page.keyboard.press('Tab');
  await page.keyboard.type('SK-7');
  await page.keyboard.press('Tab');
  await page.keyboard.type('560');
  await page.keyboard.press('Enter');

  await enter(page, 'Resting voltage', '12,61');
  await enter(page, 'Cranking voltage', '10.6');
  await enter(page, 'Charging voltage', '14.2 V');
  await enter(page, 'Ripple', '40 mV');
  await expect(page.locator('tt-verdicts .words')).toHaveText('Not proven yet');
  await expect(page.locator('tt-verdicts')).toContainText('Next');
  await expect(page.getByRole('img', { name: /Resting voltage 12.61 V, within/ })).toBeVisible();
  await expect(page.getByText('Saving …')).toBeHidden();

  await page.reload();
  await expect(page.locator('tt-verdicts .words')).toHaveText('Not proven yet');
  await expect(page.getByRole('button', { name: /Cranking voltage 10.6 V/ })).toBeVisible();

  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('heading', { name: 'Harbour van 1.8 petrol' })).toBeVisible();
  await expect(page.getByRole('row', { name: /Ripple 40 mV Within/ })).toBeVisible();

  await page.keyboard.press('Alt+j');
  const row = page.getByRole('row', { name: /Harbour van/ });
  await expect(row).toContainText('Not proven yet');
});

test('the server goes away between two readings: none is lost, and each is stored once', async ({ page, app }) => {
  await inTheFourNotes(page);
  await toEmptyShop(page, app);
  await page.getByRole('button', { name: 'New job' }).first().click();
  await page.getByLabel('Vehicle').fill('Ferry tug 2.0 diesel');
  await untilStored(page, () => page.getByRole('button', { name: 'Open the job' }).click());
  await untilStored(page, () => enter(page, 'Resting voltage', '12.61'));

  await app.stop();
  await enter(page, 'Cranking voltage', '10.1');
  await expect(page.getByText('1 waiting for the server')).toBeVisible();
  await expect(page.getByRole('button', { name: /Cranking voltage 10.1 V/ })).toBeVisible();

  await app.start();
  await expect(page.getByText('1 waiting for the server')).toBeHidden({ timeout: 20_000 });
  await untilStored(page, () => enter(page, 'Charging voltage', '14.1'));
  await page.reload();
  for (const name of [/Resting voltage 12.61 V/, /Cranking voltage 10.1 V/, /Charging voltage 14.1 V/])
    await expect(page.getByRole('button', { name })).toHaveCount(1);
});

test('what was entered while the server was away is kept over a reload of the page', async ({ page, app }) => {
  await toEmptyShop(page, app);
  await page.getByRole('button', { name: 'New job' }).first().click();
  await page.getByLabel('Vehicle').fill('Quay crane 3.0 diesel');
  await untilStored(page, () => page.getByRole('button', { name: 'Open the job' }).click());
  await page.route('**/readings', (route) => route.abort());
  await enter(page, 'Resting voltage', '12.58');
  await expect(page.getByText('1 waiting for the server')).toBeVisible();
  await page.reload();
  // with the screen there: ending the interception while its parts are fetched would break them off
  await expect(page.getByRole('button', { name: /Resting voltage 12.58 V/ })).toBeVisible();
  await expect(page.getByText('1 waiting for the server')).toBeVisible();
  await page.unroute('**/readings');
  await expect(page.getByText('1 waiting for the server')).toBeHidden({ timeout: 20_000 });
  await expect(page.getByRole('button', { name: /Resting voltage 12.58 V/ })).toBeVisible();
});

test('1261 is asked back, letters are refused, and neither is stored', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000016`);
  const box = page.getByRole('textbox', { name: 'Resting voltage' });
  await box.fill('abc');
  await expect(page.getByText('is no number')).toBeVisible();
  await box.press('Enter');
  await box.fill('1261');
  await box.press('Enter');
  await expect(page.getByText('cannot be')).toBeVisible();
  await page.getByRole('button', { name: '12.61 V?' }).click();
  await expect(box).toHaveValue('12.61');
  await expect(page.getByText('Read so far')).toBeHidden();
});

test('a reading is voided with a reason, stays in context, and undo voids the last one', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000016`);
  await enter(page, 'Resting voltage', '11.2');
  await expect(page.getByText('Charge first, then repeat').first()).toBeVisible();
  await page.getByRole('button', { name: 'Resting voltage 11.2 V' }).click();
  await page.getByRole('button', { name: 'Void 11.2 V' }).click();
  await page.getByLabel('Why is it void?').fill('lamps were on');
  await page.getByRole('button', { name: 'Void it' }).click();
  await expect(page.getByText('Voided: lamps were on')).toBeVisible();
  await expect(page.getByText('Charge first, then repeat')).toHaveCount(0);

  const box = page.getByRole('textbox', { name: 'Resting voltage' });
  await box.fill('12.6');
  await box.press('Enter');
  await expect(page.locator('p-toast')).toContainText('Resting voltage: 12.6 V');
  await page.locator('p-toast').getByRole('button', { name: 'Undo' }).last().click();
  await expect(box).toBeFocused();
  await expect(page.getByText('Voided: Undone')).toBeVisible();
  await page.keyboard.press('Alt+z');
  await expect(page.getByText('Taken back: Reading voided')).toBeVisible();
  await expect(page.locator('.centre .number')).toHaveText('11.2 V');
});

test('the floor filters, opens by keyboard, exports, and a bad import is refused by path', async ({ page, app }) => {
  await page.goto(`${app.url}/floor`);
  await expect(page.getByRole('row')).toHaveCount(15);
  await page.locator('body').press('/');
  await page.keyboard.type('aldery charge');
  await expect(page.getByRole('row')).toHaveCount(2);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export CSV' }).click();
  expect((await download).suggestedFilename()).toBe('floor.csv');
  await page.locator('input[type=file]').setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"tetrad-case/1"}'),
  });
  await expect(page.getByRole('alert')).toContainText('$.system');
  await page.getByLabel('Filter jobs').focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Warden car 1.6 petrol' })).toBeVisible();
});

test('? shows the keys, and the theme is remembered', async ({ page, app }) => {
  await page.goto(`${app.url}/floor`);
  await page.locator('body').press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('read this step again');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+y');
  await expect(page.locator('html')).toHaveClass(/dark/);
  await page.reload();
  await expect(page.locator('html')).toHaveClass(/dark/);
});

test('the judge asks for an observation, takes the answer, and the foot shows where the volts went', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000008`);
  const next = page.locator('.next');
  await expect(next).toContainText('Look at the belt');
  await page.locator('.centre').getByRole('button', { name: 'glazed' }).click();
  await expect(next).not.toContainText('Look at the belt');
  await expect(page.getByText('Saving …')).toBeHidden();
  await page.reload();
  await page.locator('summary', { hasText: 'Belt slipping' }).click();
  await expect(page.getByText('belt: glazed')).toBeVisible();

  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000002`);
  await page.getByRole('button', { name: 'Volts while starting' }).click();
  await expect(page.getByText('Left for the starter')).toBeVisible();
  await page.getByRole('button', { name: 'Profile' }).click();
  await expect(page.getByRole('img', { name: /Four-note profile/ })).toBeVisible();
});

test('the battery’s label and the criteria are corrected, and every reading is judged anew', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000007`);
  await expect(page.getByRole('button', { name: /Cranking voltage 10.90 V Within/ })).toBeVisible();
  await page.getByRole('button', { name: /12 V flooded/ }).click();
  await pick(page, 'Limit set', /^Careful/);
  await page.getByLabel('Battery rating, A').fill('zero');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('“zero”');
  await page.getByLabel('Battery rating, A').fill('450');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: /450 A SAE.*Careful/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /Cranking voltage 10.90 V Outside/ })).toBeVisible();
  await expect(page.getByText('Saving …')).toBeHidden();
  await page.reload();
  await expect(page.getByRole('button', { name: /450 A SAE.*Careful/ })).toBeVisible();
});

for (const [wide, high] of [
  [1280, 800],
  [768, 1024],
  [390, 844],
] as const)
  test(`nothing runs over the edge at ${wide} px`, async ({ page, app }) => {
    await page.setViewportSize({ width: wide, height: high });
    for (const path of [
      '/floor',
      '/jobs/7e7ad000-0000-4000-9000-000000000001',
      '/jobs/7e7ad000-0000-4000-9000-000000000001/report',
    ]) {
      await page.goto(app.url + path);
      await expect(page.getByText(/Meals van/).first()).toBeVisible();
      const over = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect(over).toBe(0);
      if (wide === 1280)
        expect(
          await page.evaluate(() => document.documentElement.scrollHeight - document.documentElement.clientHeight),
        ).toBe(0);
    }
  });
