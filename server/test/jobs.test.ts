import { randomUUID } from 'node:crypto';
import { judge } from '@tetrad/core';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const JOBS = '/api/shops/one/jobs';
const open = async (): Promise<string> => {
  const body = jobBody();
  expect((await app.ask('POST', JOBS, body)).status).toBe(201);
  return body.id;
};

describe('a job', () => {
  it('is opened, read, judged and found again with everything in it', async () => {
    const id = await open();
    for (const [test, value] of [
      ['resting-voltage', 12.61],
      ['cranking-voltage', 10.4],
      ['charging-voltage', 14.2],
      ['ripple-ac', 0.04],
    ] as const)
      expect((await app.ask('POST', `${JOBS}/${id}/readings`, readingBody(test, value))).status).toBe(201);
    const { body } = await app.ask('GET', `${JOBS}/${id}`);
    expect(body.case.readings.map((reading: { value: number }) => reading.value)).toEqual([12.61, 10.4, 14.2, 0.04]);
    expect(body.judgement).toEqual(JSON.parse(JSON.stringify(judge(body.case))));
    const floor = await app.ask('GET', JOBS);
    expect(floor.body.find((row: { id: string }) => row.id === id)).toMatchObject({
      readings: 4,
      vehicle: { plate: expect.stringMatching(/^TV \d+$/) },
    });
  });

  it('is opened once, however often the device sends it', async () => {
    const body = jobBody();
    expect((await app.ask('POST', JOBS, body)).status).toBe(201);
    expect((await app.ask('POST', JOBS, body)).status).toBe(200);
    expect((await app.ask('GET', JOBS)).body.filter((row: { id: string }) => row.id === body.id)).toHaveLength(1);
  });

  it('keeps both jobs when two are saved at once', async () => {
    const bodies = [jobBody(), jobBody()];
    const answers = await Promise.all(bodies.map((body) => app.ask('POST', JOBS, body)));
    expect(answers.map(({ status }) => status)).toEqual([201, 201]);
    const ids = (await app.ask('GET', JOBS)).body.map((row: { id: string }) => row.id);
    expect(ids).toEqual(expect.arrayContaining(bodies.map(({ id }) => id)));
  });

  it('refuses the second of two changes made on the same version, and tells both versions', async () => {
    const id = await open();
    const change = { version: 1, conditions: { batteryCelsius: -5 } };
    const answers = await Promise.all([
      app.ask('PATCH', `${JOBS}/${id}`, change),
      app.ask('PATCH', `${JOBS}/${id}`, { ...change, assignee: 'Bo' }),
    ]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    const refused = answers.find(({ status }) => status === 409)!;
    expect(refused.body.errors).toEqual([{ field: 'version', found: '1', allowed: '2' }]);
  });

  it('stores every judgement with criteria, version and the core’s version', async () => {
    const id = await open();
    await app.ask('POST', `${JOBS}/${id}/readings`, readingBody('resting-voltage', 12.6));
    await app.ask('PATCH', `${JOBS}/${id}`, { version: 1, criteria: 'careful' });
    const { rows } = await app.owner.query(
      'SELECT criteria_id, criteria_version, core_version FROM judgement WHERE job_id = $1 ORDER BY seq',
      [id],
    );
    expect(rows.map((row) => row.criteria_id)).toEqual(['balanced', 'balanced', 'careful']);
    expect(rows.every((row) => row.criteria_version >= 1 && /^\d+\.\d+\.\d+$/.test(row.core_version))).toBe(true);
  });
});

describe('readings are evidence', () => {
  it('two recorded at once are both kept, and the judgement knows both', async () => {
    const id = await open();
    await Promise.all([
      app.ask('POST', `${JOBS}/${id}/readings`, readingBody('resting-voltage', 12.6)),
      app.ask('POST', `${JOBS}/${id}/readings`, readingBody('charging-voltage', 14.1)),
    ]);
    const { body } = await app.ask('GET', `${JOBS}/${id}`);
    expect(body.case.readings).toHaveLength(2);
    expect(body.judgement.readings).toHaveLength(2);
  });

  it('a repeat is stored once; the same id with another value is refused', async () => {
    const id = await open();
    const reading = readingBody('resting-voltage', 12.6);
    await app.ask('POST', `${JOBS}/${id}/readings`, reading);
    expect((await app.ask('POST', `${JOBS}/${id}/readings`, { ...reading, secondsAgo: 20 })).status).toBe(201);
    const other = await app.ask('POST', `${JOBS}/${id}/readings`, { reading: { ...reading.reading, value: 11.9 } });
    expect(other.status).toBe(409);
    expect((await app.ask('GET', `${JOBS}/${id}`)).body.case.readings).toHaveLength(1);
  });

  it('a voided one stays, with its reason, and is no longer judged', async () => {
    const id = await open();
    const reading = readingBody('resting-voltage', 11.5);
    await app.ask('POST', `${JOBS}/${id}/readings`, reading);
    const { body } = await app.ask('POST', `${JOBS}/${id}/readings/${reading.reading.id}/void`, {
      reason: 'lamps were on',
    });
    expect(body.case.readings[0]).toMatchObject({ value: 11.5, void: 'lamps were on' });
    expect(body.judgement.readings[0].grade).toBe('void');
  });

  it('the database itself refuses to change or remove one', async () => {
    const id = await open();
    await app.ask('POST', `${JOBS}/${id}/readings`, readingBody('resting-voltage', 12.6));
    await expect(app.owner.query(`UPDATE reading SET document = '{}' WHERE job_id = $1`, [id])).rejects.toThrow(
      /append-only/,
    );
    await expect(app.owner.query('DELETE FROM judgement WHERE job_id = $1', [id])).rejects.toThrow(/append-only/);
  });

  it('the server’s clock counts: a reading is as old as the device says, not as its clock says', async () => {
    const id = await open();
    const reading = readingBody('resting-voltage', 12.6, { at: '1999-01-01T00:00:00Z' });
    const { body } = await app.ask('POST', `${JOBS}/${id}/readings`, { ...reading, secondsAgo: 120 });
    const age = (Date.now() - Date.parse(body.case.readings[0].at)) / 1000;
    expect(age).toBeGreaterThan(115);
    expect(age).toBeLessThan(180);
  });
});

describe('the open case format', () => {
  it('goes out and comes back in with fields nobody knows', async () => {
    const id = await open();
    await app.ask('POST', `${JOBS}/${id}/readings`, readingBody('resting-voltage', 12.6, { shelf: 'B2' }));
    const exported = (await app.ask('GET', `${JOBS}/${id}/case`)).body;
    const imported = await app.ask('POST', '/api/shops/two/cases', { ...exported, bayNumber: 7 });
    expect(imported.status).toBe(201);
    const again = (await app.ask('GET', `/api/shops/two/jobs/${imported.body.id}/case`)).body;
    expect(again).toEqual({ ...exported, bayNumber: 7 });
  });

  it('is refused whole, every fault by its path, and nothing is stored', async () => {
    const before = (await app.ask('GET', '/api/shops/two/jobs')).body.length;
    const { status, body } = await app.ask('POST', '/api/shops/two/cases', {
      format: 'tetrad-case/1',
      system: { nominalVolts: 12 },
      readings: [{ id: 'a', test: 'x', value: 1 }],
    });
    expect(status).toBe(422);
    expect(body.errors.map((error: { field: string }) => error.field)).toEqual([
      '$.system.battery',
      '$.readings[0].test',
    ]);
    expect((await app.ask('GET', '/api/shops/two/jobs')).body).toHaveLength(before);
  });
});

describe('bad input', () => {
  const bad = async (method: string, path: string, body: unknown, status: number) => {
    const answer = await app.ask(method, path, body);
    expect(answer.status).toBe(status);
    expect(answer.type).toContain('application/problem+json');
    expect(answer.body).toMatchObject({
      status,
      type: expect.stringMatching(/^urn:tetrad:problem:/),
      detail: expect.stringMatching(/.+/),
    });
    expect(JSON.stringify(answer.body)).not.toMatch(/ at .*\.(ts|mjs|js):/);
    return answer.body;
  };

  it.each([
    ['letters for a number', { test: 'resting-voltage', value: 'twelve' }, 'reading.value', '"twelve"'],
    ['1261 for 12.61', { test: 'resting-voltage', value: 1261 }, 'reading.value', '1261'],
    ['negative ripple', { test: 'ripple-ac', value: -0.2 }, 'reading.value', '-0.2'],
    ['a test nobody knows', { test: 'smell', value: 1 }, 'reading.test', '"smell"'],
    [
      'a method nobody knows',
      { test: 'cranking-voltage', value: 10, conditions: { method: 'guess' } },
      'reading.conditions.method',
      '"guess"',
    ],
  ])('%s is refused by field, with what was given and what is allowed', async (_name, draft, field, found) => {
    const id = await open();
    const body = await bad('POST', `${JOBS}/${id}/readings`, { reading: { id: randomUUID(), ...draft } }, 422);
    expect(body.errors).toEqual([expect.objectContaining({ field, found, allowed: expect.stringMatching(/.+/) })]);
    expect((await app.ask('GET', `${JOBS}/${id}`)).body.case.readings).toEqual([]);
  });

  it('a rating of 0 and a nameless vehicle are both named at once', async () => {
    const body = jobBody();
    body.system.battery.rating.value = 0;
    body.vehicle.name = '';
    const refused = await bad('POST', JOBS, body, 422);
    expect(refused.errors.map((error: { field: string }) => error.field).sort()).toEqual([
      'system.battery.rating.value',
      'vehicle.name',
    ]);
  });

  it('a misspelt field is refused, not lost', async () => {
    const refused = await bad('POST', JOBS, { ...jobBody(), assigne: 'Bo' }, 422);
    expect(refused.errors[0].field).toBe('assigne');
  });

  it.each([
    ['broken JSON', '{"id": ', 400],
    ['a list', '[]', 422],
    ['nothing', '', 422],
    ['10 MB', JSON.stringify({ note: 'x'.repeat(10_000_000) }), 413],
  ])('%s as a body is answered with a problem', async (_name, body, status) => {
    await bad('POST', JOBS, body, status);
  });

  it('an id of another shop is not found, and neither is its existence told', async () => {
    const id = await open();
    await bad('GET', `/api/shops/two/jobs/${id}`, undefined, 404);
    await bad('POST', `/api/shops/two/jobs/${id}/readings`, readingBody('resting-voltage', 12.6), 404);
    await bad('PATCH', `/api/shops/two/jobs/${id}`, { version: 1, assignee: 'Thief' }, 404);
    await bad('GET', `/api/shops/three/jobs`, undefined, 404);
  });

  it('an id that is none, and an address that is none, are problems too', async () => {
    await bad('GET', `${JOBS}/17`, undefined, 422);
    await bad('GET', `${JOBS}/%E0%A4%A`, undefined, 400);
    await bad('GET', '/api/nothing', undefined, 404);
    await bad('GET', `${JOBS}?status=lost`, undefined, 422);
  });

  it('sends the strict policy with every answer', async () => {
    const response = await fetch(`${app.url}/api/health`);
    expect(response.headers.get('content-security-policy')).toContain("default-src 'none'");
    expect(response.headers.get('x-powered-by')).toBeNull();
  });
});
