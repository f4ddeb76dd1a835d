/** Observations taken back, and the shop's instruments with their checks. */
import { randomUUID } from 'node:crypto';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const SHOP = '/api/shops/one';
async function open(): Promise<string> {
  const body = jobBody();
  await app.ask('POST', `${SHOP}/jobs`, body);
  return `${SHOP}/jobs/${body.id}`;
}
const look = (finding: string, id: string = randomUUID()) => ({ id, observation: { about: 'belt', finding } });

describe('an observation taken back', () => {
  it('counts no longer, the one before counts again, the job is judged anew, and the row stays', async () => {
    const job = await open();
    await app.ask('POST', `${job}/observations`, look('good'));
    const wrong = look('missing');
    const before = await app.ask('POST', `${job}/observations`, wrong);
    const after = await app.ask('POST', `${job}/observations/${wrong.id}/take-back`);
    expect(after.body.case.observations).toEqual([{ about: 'belt', finding: 'good' }]);
    expect(after.body.revision).toBeGreaterThan(before.body.revision);
    const slips = ({ body }: typeof after): number =>
      body.judgement.faults.find(({ fault }: { fault: string }) => fault === 'belt-slip').probability;
    expect(slips(after)).toBeLessThan(slips(before));
    const { rows } = await app.owner.query('SELECT document FROM observation WHERE observation_id = $1', [wrong.id]);
    expect(rows).toHaveLength(1);
  });

  it('is taken back once however often it is sent, and nothing of it can be changed', async () => {
    const job = await open();
    const seen = look('loose');
    await app.ask('POST', `${job}/observations`, seen);
    for (let i = 0; i < 2; i++)
      expect((await app.ask('POST', `${job}/observations/${seen.id}/take-back`)).status).toBe(200);
    await expect(
      app.owner.query('DELETE FROM observation_taken_back WHERE observation_id = $1', [seen.id]),
    ).rejects.toThrow('append-only');
  });

  it('that the job does not have is not found, one without a UUID is refused by name, and neither changes it', async () => {
    const [job, other] = [await open(), await open()];
    const seen = look('loose');
    await app.ask('POST', `${other}/observations`, seen);
    expect((await app.ask('POST', `${job}/observations/${seen.id}/take-back`)).status).toBe(404);
    const refused = await app.ask('POST', `${job}/observations/none/take-back`);
    expect([refused.status, refused.body.errors[0].field]).toEqual([422, 'observation']);
    expect((await app.ask('GET', other)).body.case.observations).toHaveLength(1);
  });
});

describe('an instrument', () => {
  const meter = { name: 'Bench meter 2', kind: 'meter', uncertainty: { V: 0.02, ohm: 0.1 } };
  const put = (body: unknown, id: string = randomUUID(), shop = SHOP) =>
    app.ask('PUT', `${shop}/instruments/${id}`, body);
  const list = async (shop = SHOP) =>
    (await app.ask('GET', `${shop}/instruments`)).body as { id: string; name: string }[];

  it('is kept by its own id: sent again it is one, sent changed it is changed', async () => {
    const id = randomUUID();
    await put(meter, id);
    await put(meter, id);
    const changed = await put({ ...meter, uncertainty: { V: 0.05 } }, id);
    expect(changed.body).toMatchObject({ id, uncertainty: { V: 0.05 }, check: null });
    expect((await list()).filter((one) => one.id === id)).toHaveLength(1);
  });

  it('retired is offered no longer, and can be taken up again', async () => {
    const id = randomUUID();
    await put({ ...meter, name: 'Old clamp', kind: 'clamp', uncertainty: {} }, id);
    await put({ ...meter, name: 'Old clamp', kind: 'clamp', uncertainty: {}, retired: true }, id);
    expect((await list()).some((one) => one.id === id)).toBe(false);
    await put({ ...meter, name: 'Old clamp', kind: 'clamp', uncertainty: {} }, id);
    expect((await list()).some((one) => one.id === id)).toBe(true);
  });

  it('belongs to its shop', async () => {
    const id = randomUUID();
    await put(meter, id);
    expect((await list('/api/shops/two')).some((one) => one.id === id)).toBe(false);
    const check = { id: randomUUID(), findings: { 'meter-leads': 'steady' } };
    expect((await app.ask('POST', `/api/shops/two/instruments/${id}/checks`, check)).status).toBe(404);
  });

  it('tells its newest check, and whether that was good', async () => {
    const id = randomUUID();
    await put(meter, id);
    const bad = { id: randomUUID(), findings: { 'meter-leads': 'jumping', 'meter-ac': 'blocks-dc' } };
    const first = await app.ask('POST', `${SHOP}/instruments/${id}/checks`, bad);
    expect([first.status, first.body.check]).toEqual([201, expect.objectContaining({ by: 'Ada', isGood: false })]);
    const good = { id: randomUUID(), findings: { 'meter-leads': 'steady', 'meter-ac': 'blocks-dc' } };
    const second = await app.ask('POST', `${SHOP}/instruments/${id}/checks`, good);
    expect(second.body.check).toMatchObject({ by: 'Ada', isGood: true, findings: good.findings });
    await app.ask('POST', `${SHOP}/instruments/${id}/checks`, bad); // a repeat of the first changes nothing
    const { rows } = await app.owner.query('SELECT 1 FROM instrument_check WHERE instrument_id = $1', [id]);
    expect(rows).toHaveLength(2);
  });

  it.each<[string, unknown, string]>([
    ['without a name', { ...meter, name: '' }, 'name'],
    ['of no kind', { ...meter, kind: 'stick' }, 'kind'],
    ['wrong by less than nothing', { ...meter, uncertainty: { V: -1 } }, 'uncertainty.V'],
    ['wrong by a text', { ...meter, uncertainty: { V: 'much' } }, 'uncertainty.V'],
    ['with a field nobody knows', { ...meter, colour: 'red' }, 'colour'],
  ])('%s is refused by field, and nothing is stored', async (_, body, field) => {
    const id = randomUUID();
    const refused = await put(body, id);
    expect([refused.status, refused.body.errors.map((one: { field: string }) => one.field)]).toEqual([422, [field]]);
    expect((await list()).some((one) => one.id === id)).toBe(false);
  });

  it('checked by a finding that is none is refused with the findings there are', async () => {
    const id = randomUUID();
    await put(meter, id);
    const check = { id: randomUUID(), findings: { 'meter-leads': 'fine' } };
    const refused = await app.ask('POST', `${SHOP}/instruments/${id}/checks`, check);
    expect(refused.body.errors).toEqual([
      expect.objectContaining({ field: 'findings.meter-leads', allowed: expect.stringContaining('steady') }),
    ]);
  });
});

it('a reading keeps what it was taken with', async () => {
  const job = await open();
  const body = readingBody('resting-voltage', 12.6, { instrument: 'Bench meter 2', uncertainty: 0.02 });
  await app.ask('POST', `${job}/readings`, body);
  expect((await app.ask('GET', job)).body.case.readings[0]).toMatchObject({
    instrument: 'Bench meter 2',
    uncertainty: 0.02,
  });
});
