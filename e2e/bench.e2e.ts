/** The bench beyond a single reading: packs, the repair and after it, quick checks, labels, keys and touch. */
import { create } from 'qrcode';
import { enter, expect, inTheFourNotes, pick, takeOver, test, toEmptyShop } from './application';
import { BY_TOUCH, followTheJudge } from './walk';

test('a pack: each battery is isolated and read by itself, and both are replaced together', async ({ page, app }) => {
  await toEmptyShop(page, app);
  await page.getByRole('button', { name: 'New job' }).first().click();
  const dialog = page.getByRole('dialog', { name: 'New job' });
  await dialog.getByLabel('Vehicle').fill('Snow truck 7.2 diesel');
  await dialog.getByLabel('Battery rating, A').fill('900');
  await dialog.getByText('Pack, engine, alternator').click();
  await pick(page, 'Batteries', 'in parallel');
  await dialog.getByLabel('Cranks slowly').check();
  await dialog.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByText('2 in parallel')).toBeVisible();
  await expect(page.getByText('Isolated from the other batteries')).toBeVisible();
  await enter(page, 'Resting voltage', '12.70');
  await expect(page.getByRole('button', { name: 'Battery 2', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await enter(page, 'Resting voltage', '12.66');
  await page
    .getByRole('button', { name: /^Conductance/ })
    .first()
    .click();
  await enter(page, 'Conductance', '860');
  await enter(page, 'Conductance', '370');
  await expect(page.locator('tt-verdicts .words')).toHaveText('Not proven yet: battery worn?');
  await page
    .getByRole('button', { name: /^Internal resistance/ })
    .first()
    .click();
  await enter(page, 'Internal resistance', '3.3m');
  await enter(page, 'Internal resistance', '7.6m');
  await expect(page.locator('tt-verdicts .words')).toHaveText('Replace the battery');
  await expect(page.locator('tt-verdicts')).toContainText(
    'It is battery 2. Batteries in parallel are replaced together: all 2.',
  );
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('row', { name: /Conductance 370 A Outside.*battery 2/ })).toBeVisible();
});

test('after the repair the same tests are proposed again, and stand beside what was before', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000002`);
  await page.getByRole('button', { name: 'Repair done: test again' }).click();
  await expect(page.getByText('after the repair', { exact: true })).toBeVisible();
  const taken = await followTheJudge(page, { Conductance: '575' });
  expect(taken).toEqual(
    expect.arrayContaining(['Resting voltage', 'Cranking voltage', 'Drop, starter case to battery −']),
  );
  await expect(page.locator('tt-verdicts .words')).toHaveText(
    'Repaired: ground between starter and battery. Lost 2.80 V, now 60 mV',
  );
  await page.keyboard.press('Alt+p');
  const table = page.locator('section', { hasText: 'Before and after the repair' }).last();
  await expect(table.getByRole('row', { name: /Drop, starter case to battery − .*90 mV Within/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Before', exact: true })).toBeVisible();
});

test('another decision than the judge’s asks for its reason; both are on the report', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000001`);
  const signOff = () => page.getByRole('button', { name: 'Sign off', exact: true }).first().click();
  await signOff();
  const dialog = page.getByRole('dialog', { name: 'Sign off' });
  await pick(page, 'Decision taken', 'Charge only');
  await expect(dialog.getByText('a lead signs')).toBeVisible();
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await takeOver(page, 'Tomas Aldery', '1470');
  await signOff();
  await pick(page, 'Decision taken', 'Charge only');
  await dialog.getByRole('button', { name: 'Sign off and close' }).click();
  await expect(dialog.getByText('The judge says otherwise: say why.')).toBeVisible();
  await dialog.getByLabel('Why it differs').fill('The customer wants one more winter.');
  await dialog.getByRole('button', { name: 'Sign off and close' }).click();
  await expect(page.getByText('The judge: Replace the battery')).toBeVisible();
  await expect(page.getByText('The customer wants one more winter.')).toBeVisible();
});

test('a quick check needs no vehicle, survives a reload, and becomes a job with all that was read', async ({
  page,
  app,
}) => {
  await toEmptyShop(page, app);
  await page.getByRole('link', { name: 'Quick check' }).click();
  await enter(page, 'Resting voltage', '12.1');
  await expect(page.locator('tt-verdicts .words')).toHaveText('Charge first, then repeat');
  await page.reload();
  await expect(page.locator('tt-verdicts .words')).toHaveText('Charge first, then repeat');
  expect(await (await page.request.get(`${app.url}/api/shops/island/jobs`)).json()).toEqual([]);
  await page.getByPlaceholder('Vehicle').fill('Slip car 1.0 petrol');
  await page.getByRole('button', { name: 'Make it a job' }).click();
  await expect(page.getByRole('heading', { name: 'Slip car 1.0 petrol' })).toBeVisible();
  await expect(page.getByText('Quick check.')).toBeHidden();
  await expect(page.getByText(/Saving|waiting/)).toBeHidden();
  const [job] = await (await page.request.get(`${app.url}/api/shops/island/jobs`)).json();
  expect(job).toMatchObject({ vehicle: { name: 'Slip car 1.0 petrol' }, readings: 1 });
});

test('VIN and battery label are read from photographed codes; a wrong check digit is pointed out', async ({
  page,
  app,
}) => {
  await toEmptyShop(page, app);
  const photo = async (text: string) => {
    const { modules } = create(text);
    const png = await page.evaluate(
      async ({ size, data }) => {
        const canvas = new OffscreenCanvas((size + 8) * 8, (size + 8) * 8);
        const paper = canvas.getContext('2d')!;
        paper.fillStyle = '#fff';
        paper.fillRect(0, 0, canvas.width, canvas.height);
        paper.fillStyle = '#000';
        data.forEach(
          (dark, at) => dark && paper.fillRect(((at % size) + 4) * 8, (Math.floor(at / size) + 4) * 8, 8, 8),
        );
        return [...new Uint8Array(await (await canvas.convertToBlob()).arrayBuffer())];
      },
      { size: modules.size, data: [...modules.data] },
    );
    return { name: 'code.png', mimeType: 'image/png', buffer: Buffer.from(png) };
  };
  const [vin, label, empty] = [
    await photo('1M8GDM9AXKP042788'),
    await photo('12V 70Ah 640A EN AGM'),
    await photo('hello'),
  ];
  await page.getByRole('button', { name: 'New job' }).first().click();
  await page.getByText('VIN, year, barcodes').click();
  await page.getByLabel('Scan VIN').setInputFiles(vin);
  await expect(page.getByText('Check digit fits. Model year 2019.')).toBeVisible();
  await page.getByLabel('VIN', { exact: true }).fill('1M8GDM9A1KP042788');
  await expect(page.getByText('Check digit is 1, by the sum it would be X')).toBeVisible();
  await page.getByLabel('Scan the battery’s label').setInputFiles(empty);
  await expect(page.getByText('The code holds “hello”: no rating in it.')).toBeVisible();
  await page.getByLabel('Scan the battery’s label').setInputFiles(label);
  await expect(page.getByLabel('Battery rating, A')).toHaveValue('640');
  await expect(page.getByRole('combobox', { name: 'Standard' })).toHaveText('EN');
  await expect(page.getByRole('combobox', { name: 'Type' })).toHaveText('AGM');
});

test('a vehicle that was here before brings its label and its last verdict', async ({ page, app }) => {
  await page.goto(`${app.url}/floor`);
  await page.getByRole('button', { name: 'New job' }).first().click();
  await page.getByRole('textbox', { name: 'Plate' }).fill('YD-090');
  await expect(page.getByText('Here before, last on')).toContainText('Replace the battery');
  await expect(page.getByLabel('Vehicle')).toHaveValue('Meals van 1.8 petrol');
  await expect(page.getByLabel('Battery rating, A')).toHaveValue('560');
});

test('a blocked step says what must come first and what it costs; a failing path is halved', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000006`);
  await page
    .getByRole('button', { name: /^Load test/ })
    .first()
    .click();
  await expect(page.getByRole('note').getByText('The battery is on the charger.')).toBeVisible();
  await page.getByRole('button', { name: 'Stop: Charging' }).click();
  await expect(page.getByRole('note').getByText('The battery is below 75 %: charge it first.')).toBeVisible();
  await expect(page.getByText(/again after charging/)).toBeVisible();
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000007`);
  await page
    .getByRole('button', { name: /^Drop, starter case/ })
    .first()
    .click();
  await page.locator('#reading').fill('2.9');
  await page.locator('#reading').press('Enter');
  await page
    .getByRole('button', { name: /^Drop, starter case/ })
    .first()
    .click();
  await expect(page.getByText('Narrow it down')).toBeVisible();
  await page.getByRole('button', { name: /Measure: Drop, engine block/ }).click();
  await expect(page.getByRole('textbox', { name: /^Drop, engine block/ })).toBeFocused();
});

test('a whole job by touch alone, at a phone’s width', async ({ browser, app }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await inTheFourNotes(page);
  await page.goto(`${app.url}/floor`);
  await page.getByRole('button', { name: 'New job' }).first().tap();
  await page.getByLabel('Vehicle').fill('Touch van');
  await page.getByRole('button', { name: 'Open the job' }).tap();
  for (const [name, value] of [
    ['Resting voltage', '12.6'],
    ['Cranking voltage', '10.4'],
    ['Charging voltage', '14.2'],
    ['Ripple', '0.04'],
  ] as const) {
    await page.getByRole('textbox', { name, exact: true }).fill(value);
    await page.getByRole('button', { name: 'Save' }).tap();
  }
  // four good notes are not yet a sound vehicle
  await expect(page.locator('tt-verdicts .words')).toHaveText('Not proven yet');
  await followTheJudge(page, {}, BY_TOUCH);
  await expect(page.locator('tt-verdicts .words')).toHaveText('Nothing found');
  await expect(page.locator('.kit-toast .says')).toHaveCount(0, { timeout: 15_000 }); // it moves while it comes and goes
  const small = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a, select, input:not([type=checkbox]):not([type=file])')]
      .map((element) => ({
        box: element.getBoundingClientRect(),
        text: element.textContent?.trim() || element.outerHTML.slice(0, 80),
        inline: getComputedStyle(element).display === 'inline',
      }))
      .filter(({ box, inline }) => !inline && box.height > 2 && box.height < 44)
      .map(({ text, box }) => `${text} ${box.height}`),
  );
  expect(small).toEqual([]);
  await context.close();
});

test('a whole job by keyboard alone: opened, cautions understood, read, signed off, reported', async ({
  page,
  app,
}) => {
  await inTheFourNotes(page);
  await page.goto(`${app.url}/floor`);
  await page.getByText('Meals van').first().waitFor();
  const type = async (...keys: readonly string[]) => {
    for (const key of keys)
      await (/^(Tab|Enter|Alt\+.)$/.test(key) ? page.keyboard.press(key) : page.keyboard.type(key));
  };
  await type('Alt+n');
  await expect(page.getByRole('dialog').getByLabel('Vehicle')).toBeFocused();
  await type('Keyboard van', 'Tab', 'KB-1', 'Tab', '560', 'Enter');
  await enter(page, 'Resting voltage', '12.62');
  await expect(page.getByRole('textbox', { name: 'Cranking voltage' })).toBeFocused();
  for (const words of ['Fuel stopped', 'Neutral, parking brake on', 'Loads off'])
    await expect(page.getByRole('list', { name: 'Before it is read' })).toContainText(words);
  await type('Alt+a');
  await expect(page.getByText('Ilse Marrow,')).toBeVisible();
  await enter(page, 'Cranking voltage', '10.6');
  await expect(page.getByRole('textbox', { name: 'Charging voltage' })).toBeFocused();
  await type('Alt+a');
  await enter(page, 'Charging voltage', '14.2');
  await enter(page, 'Ripple', '40m');
  await followTheJudge(page, {});
  await expect(page.locator('tt-verdicts .words')).toHaveText('Nothing found');
  await type('Alt+g');
  await expect(page.getByLabel('Decision taken')).toBeFocused();
  await type('Tab', 'Tab');
  await expect(page.getByLabel('Parts fitted')).toBeFocused();
  await type('Enter');
  await expect(page.getByText('Signed off by Ilse Marrow')).toBeVisible();
  await type('Alt+j');
  await expect(page.getByRole('heading', { name: 'Job list' })).toBeVisible();
});

test('three batteries in parallel: the flat one is charged first and named, each has its line and its verdict', async ({
  page,
  app,
}) => {
  await toEmptyShop(page, app);
  await page.getByRole('button', { name: 'New job' }).first().click();
  const dialog = page.getByRole('dialog', { name: 'New job' });
  await dialog.getByLabel('Vehicle').fill('Crane truck 9.0 diesel');
  await dialog.getByLabel('Battery rating, A').fill('900');
  await dialog.getByText('Pack, engine, alternator').click();
  await pick(page, 'Batteries', 'in parallel');
  await dialog.getByLabel('How many').fill('3');
  await dialog.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByRole('img', { name: /Battery 1: take its links off first/ })).toBeVisible();
  for (const volts of ['12.70', '11.60', '12.68']) await enter(page, 'Resting voltage', volts);
  await expect(page.locator('tt-verdicts .words')).toHaveText('Charge first, then repeat');
  await expect(page.locator('tt-verdicts').getByText('battery 2').first()).toBeVisible();
  const line = page.locator('.route .step', { hasText: 'Resting voltage' }).first();
  await expect(line.locator('.one')).toHaveCount(3);
  await expect(line.locator('.one').nth(1)).toContainText('11.60 V');
  await expect(page.getByLabel('Each battery')).toContainText('Battery 2');
});

test('the battery’s health by each way stands on one scale, agreeing or not', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000001`);
  await page.getByRole('button', { name: 'Battery, by each way' }).click();
  const ways = page.locator('tt-ways');
  await expect(ways).toContainText('Conductance');
  await expect(ways).toContainText('They agree within what each may be wrong.');
  await expect(ways.getByRole('img', { name: /of its rating, between/ }).first()).toBeVisible();
});

test('two devices change one label: the second is told, and keeps its own or takes the other', async ({
  page,
  app,
  browser,
}) => {
  const path = `${app.url}/jobs/7e7ad000-0000-4000-9000-000000000007`;
  const other = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  for (const [mine, says, who] of [
    ['Keep mine', 'Ilse', 'Ilse'],
    ['Take theirs', 'Bo', 'Tomas'],
  ] as const) {
    await page.goto(path);
    await other.goto(path);
    await page.getByRole('button', { name: /12 V flooded/ }).waitFor();
    const change = async (one: typeof page, name: string) => {
      await one.getByRole('button', { name: /12 V flooded/ }).click();
      await one.getByLabel('Who has the job').fill(name);
      await one.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
    };
    // this device's change is on its way while the other's is stored
    let letGo = (): void => undefined;
    const held = new Promise<void>((resolve) => (letGo = resolve));
    await page.route('**/jobs/*', async (route) => {
      if (route.request().method() === 'PATCH') await held;
      await route.continue();
    });
    await change(page, says);
    const stands = other.waitForResponse((answer) => answer.request().method() === 'PATCH');
    await change(other, who === 'Ilse' ? 'Bo' : 'Tomas');
    expect((await stands).status()).toBe(200);
    letGo();
    await expect(page.getByRole('alert').getByText('Changed on another device meanwhile.')).toBeVisible();
    await page.unroute('**/jobs/*');
    await page.getByRole('button', { name: mine }).click();
    await expect(page.getByText('Changed on another device meanwhile.')).toBeHidden();
    await expect(page.getByText('Saving …')).toBeHidden();
    const stored = await (
      await page.request.get(`${app.url}/api/shops/yard/jobs/7e7ad000-0000-4000-9000-000000000007`)
    ).json();
    expect(stored.assignee).toBe(who);
  }
  await other.close();
});

test('an instrument is checked in the morning, and what failed makes its readings void', async ({ page, app }) => {
  await page.goto(`${app.url}/instruments`);
  const row = page.getByRole('row', { name: /Bench meter 1/ });
  await row.getByRole('button', { name: 'Check it' }).click();
  const dialog = page.getByRole('dialog', { name: 'Check: Bench meter 1' });
  await dialog.getByRole('button', { name: 'jumping' }).click();
  await dialog.getByRole('button', { name: 'blocks dc' }).click();
  await dialog.getByRole('button', { name: 'Keep it for today' }).click();
  await expect(row).toContainText('Failed its check');
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000016`);
  await page.getByRole('button', { name: 'Instrument', exact: true }).click();
  await pick(page, 'For V', 'Bench meter 1');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.locator('#reading').fill('12.6');
  await page.locator('#reading').press('Enter');
  await page.locator('.route .step', { hasText: 'Resting voltage' }).first().click();
  await expect(page.locator('tt-attempts')).toContainText('The meter’s leads jump');
});

test('the floor says what to do now, while another vehicle charges', async ({ page, app }) => {
  await page.goto(`${app.url}/floor`);
  const now = page.locator('tt-to-do-strip');
  await expect(now).toContainText(/while Warden car 1.6 petrol: charging until\s*\d\d:\d\d/);
  await expect(now.getByRole('listitem')).toHaveCount(3);
  await takeOver(page, 'Bo Hannick', '3690');
  await now.getByRole('button', { name: 'Mine' }).click();
  await expect(now.getByRole('listitem').filter({ hasText: /Ilse|Tomas/ })).toHaveCount(0);
  await now.getByRole('link').first().click();
  await expect(page.locator('.centre .title')).toBeVisible();
});
