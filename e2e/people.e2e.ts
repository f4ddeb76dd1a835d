/** Switch user: the demo's own technician, taking over by PIN, accounts, and a phone let in by its code. */
import { expect, takeOver, test } from './application';

const JOB = '/jobs/7e7ad000-0000-4000-9000-000000000002';

test('another takes over by PIN with the mouse or the keys; what is read from then on is theirs', async ({
  page,
  app,
}) => {
  await page.goto(app.url + JOB);
  await page.getByRole('button', { name: 'Switch user: Ilse Marrow' }).click();
  await page.getByRole('button', { name: /^Tomas Aldery/ }).click();
  const pad = page.getByRole('group', { name: 'PIN of Tomas Aldery' });
  for (const digit of ['9', '9', '9', '9']) await pad.getByRole('button', { name: digit }).click();
  await expect(page.getByText('Wrong PIN. Try again.')).toBeVisible();
  await page.keyboard.type('1470');
  await expect(page.getByRole('button', { name: 'Switch user: Tomas Aldery' })).toBeVisible();
  await page.locator('.route .step', { hasText: 'Resting voltage' }).first().click();
  await page.keyboard.press('Alt+r');
  await page.locator('#reading').fill('12.6');
  await page.locator('#reading').press('Enter');
  const newest = async () =>
    (await (await page.request.get(`${app.url}/api/shops/yard${JOB}`)).json()).case.readings.at(-1);
  await expect.poll(async () => (await newest()).by).toBe('Tomas Aldery');
  await page.reload();
  await expect(page.getByRole('button', { name: 'Switch user: Tomas Aldery' })).toBeVisible();
});

test('an administrator adds somebody, who signs in, chooses a password and a PIN, and is known from then on', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/people`);
  await takeOver(page, 'Edda Quill', '7410');
  await page.getByLabel('Name', { exact: true }).fill('Rena Stoke');
  await page.getByRole('button', { name: 'Add' }).click();
  const once = await page.locator('.once').innerText();
  await app.stop();
  await app.start('closed');
  await page.context().clearCookies();

  await page.goto(app.url + JOB);
  await expect(page).toHaveURL(/sign-in\?to=/);
  await page.getByLabel('Shop').fill('yard');
  await page.getByLabel('Name', { exact: true }).fill('Rena Stoke');
  await page.getByLabel('Password').fill('wrong-one');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('do not belong together')).toBeVisible();
  await page.getByLabel('Password').fill(once);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Your own password' })).toBeVisible();
  await page.getByLabel('New password').fill('longer than twelve');
  await page.getByLabel('Repeat password').fill('longer than twelv');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('This is not the same as above.')).toBeVisible();
  await page.getByLabel('Repeat password').fill('longer than twelve');
  await page.getByLabel('PIN').fill('8520');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(app.url + JOB); // where the way led before
  await expect(page.getByRole('button', { name: 'Switch user: Rena Stoke' })).toBeVisible();
  await takeOver(page, 'Ilse Marrow', '2580');
  await takeOver(page, 'Rena Stoke', '8520');

  // a technician signed this device in: whoever may do more takes over with the password
  await page.getByRole('button', { name: /^Switch user/ }).click();
  await page.getByRole('button', { name: /^Edda Quill/ }).click();
  const entry = page.getByRole('group', { name: 'Password of Edda Quill' });
  await expect(entry.getByText('A PIN is not enough')).toBeVisible();
  await entry.getByLabel('Password').fill('a guess');
  await entry.getByRole('button', { name: 'Switch user' }).click();
  await expect(entry.getByText('Wrong password.')).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});

test('the code on the bench lets one phone in to its job, and to nothing else', async ({ page, app, browser }) => {
  await page.goto(app.url + JOB);
  await page.locator('.centre .title').waitFor();
  const paired = new Promise<{ key: string }>((resolve) => {
    void page.route('**/pairings', async (route) => {
      const answer = await route.fetch();
      resolve((await answer.json()) as { key: string }); // read here: the browser may drop the body of an answer it used
      await route.fulfill({ response: answer });
    });
  });
  await page.keyboard.press('Alt+w');
  const { key } = await paired;
  await app.stop();
  await app.start('closed');
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
  await phone.goto(`${app.url}${JOB}/wheel#key=${key}`);
  await expect(phone.getByRole('heading', { name: /Parks pickup/ })).toBeVisible();
  expect(phone.url()).not.toContain(key);
  await expect(phone.getByRole('link', { name: 'Jobs', exact: true })).toHaveCount(0);
  expect((await phone.request.get(`${app.url}/api/shops/yard/jobs`)).status()).toBe(403);
  await phone.reload();
  await expect(phone.getByRole('heading', { name: /Parks pickup/ })).toBeVisible();
  const second = await (await browser.newContext()).newPage();
  await second.goto(`${app.url}${JOB}/wheel#key=${key}`);
  await expect(second.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});

test('a case that is taken out stands in the audit log, with who took it', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000001/report`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export the case' }).click();
  expect((await download).suggestedFilename()).toMatch(/\.case\.json$/);
  await takeOver(page, 'Edda Quill', '7410');
  await page.goto(`${app.url}/audit-log`);
  await expect(page.getByRole('row', { name: /Ilse Marrow case exported/ })).toBeVisible();
});
