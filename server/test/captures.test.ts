/** Recorded files: in pieces, resumed, given back as they were, and never half stored. */
import { randomBytes, randomUUID } from 'node:crypto';
import { CAPTURE_PIECE_BYTES } from '@tetrad/contracts';
import { SimulatedVisit, startRecord, writeDialect } from '@tetrad/core';
import { readCapture, analyzeRecording } from '@tetrad/core/capture';
import { addMember, jobBody, pagesOf, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const SHOP = '/api/shops/one';

async function openJob(shop = SHOP): Promise<string> {
  const body = jobBody();
  await app.ask('POST', `${shop}/jobs`, body);
  return `${shop}/jobs/${body.id}`;
}

async function announce(job: string, bytes: number, more: object = {}) {
  const id = randomUUID();
  const answer = await app.ask('POST', `${job}/captures`, { id, name: 'start.csv', bytes, ...more });
  return { id, answer, at: `${SHOP}/captures/${id}` };
}

const send = async (
  at: string,
  number: number | string,
  piece: Uint8Array,
): Promise<{ status: number; body: string }> => {
  const response = await fetch(`${app.url}${at}/pieces/${number}`, {
    method: 'PUT',
    headers: { cookie: app.cookieFor(at), 'content-type': 'application/octet-stream' },
    body: piece as BodyInit,
  });
  return { status: response.status, body: await response.text() };
};

const pieceOf = (file: Uint8Array, number: number): Uint8Array =>
  file.subarray(number * CAPTURE_PIECE_BYTES, (number + 1) * CAPTURE_PIECE_BYTES);

const { vehicle } = new SimulatedVisit({ faults: ['none'], seed: 3 });
const record = startRecord(vehicle, { sampleRateHz: 500, crankS: 2, afterS: 2 });
const csv = Buffer.from([...writeDialect(record)].join(''));
const found = analyzeRecording(readCapture(csv), { cylinders: 4 });

describe('a recorded file', () => {
  it('of several pieces comes back byte by byte, whatever their order and however often one is sent', async () => {
    const job = await openJob();
    const file = randomBytes(2 * CAPTURE_PIECE_BYTES + 12_345);
    const { id, answer, at } = await announce(job, file.length);
    expect(answer).toMatchObject({ status: 201, body: { id, pieces: [], isWhole: false, found: null } });
    for (const number of [2, 0, 0]) expect((await send(at, number, pieceOf(file, number))).status).toBe(204);
    expect((await app.ask('GET', `${job}/captures`)).body[0]).toMatchObject({ pieces: [0, 2], isWhole: false });
    expect((await app.ask('GET', `${at}/file`)).status).toBe(409);
    await send(at, 1, pieceOf(file, 1));
    const back = await fetch(`${app.url}${at}/file`, { headers: { cookie: app.cookieFor(at) } });
    expect(back.headers.get('content-disposition')).toContain('start.csv');
    expect(Buffer.from(await back.arrayBuffer()).equals(file)).toBe(true);
  });

  it('is stored compressed', async () => {
    const { id, at } = await announce(await openJob(), csv.length);
    await send(at, 0, csv);
    const { rows } = await app.owner.query(
      'SELECT bytes, length(packed) AS packed FROM capture_piece WHERE capture_id = $1',
      [id],
    );
    expect(rows[0].bytes).toBe(csv.length);
    expect(rows[0].packed).toBeLessThan(csv.length / 2);
  });

  it('has what was found noted once it is whole, the newest counting and the earlier ones kept', async () => {
    const job = await openJob();
    const { id, at } = await announce(job, csv.length);
    expect((await app.ask('POST', `${at}/found`, { found })).status).toBe(409);
    await send(at, 0, csv);
    for (let i = 0; i < 2; i++) expect((await app.ask('POST', `${at}/found`, { found })).status).toBe(201);
    const other = { ...found, crankingRpm: 199 };
    await app.ask('POST', `${at}/found`, { found: other });
    expect((await app.ask('GET', `${job}/captures`)).body[0].found.crankingRpm).toBe(199);
    const { rows } = await app.owner.query('SELECT seq FROM capture_found WHERE capture_id = $1', [id]);
    expect(rows).toHaveLength(2);
  });

  it('announced again is the same one; with another size or job its id is taken', async () => {
    const job = await openJob();
    const { id } = await announce(job, 500);
    const again = (more: object, on = job) =>
      app.ask('POST', `${on}/captures`, { id, name: 'start.csv', bytes: 500, ...more });
    expect((await again({})).status).toBe(201);
    expect((await again({ bytes: 501 })).status).toBe(409);
    expect((await again({}, await openJob())).status).toBe(409);
    expect((await app.ask('GET', `${job}/captures`)).body).toHaveLength(1);
  });

  it('of the same vehicle, or of the same engine in another, can be asked for to lay beneath', async () => {
    const engine = { cylinders: 5, fuel: 'diesel', displacementLitres: 2.7 };
    const withEngine = (own: object) => {
      const body = jobBody();
      return { ...body, system: { ...body.system, engine: own } };
    };
    const [first, second, same] = [withEngine(engine), withEngine(engine), withEngine(engine)];
    const other = withEngine({ ...engine, fuel: 'petrol' });
    await app.ask('POST', `${SHOP}/jobs`, first);
    await app.ask('POST', `${SHOP}/jobs`, { ...second, vehicle: first.vehicle });
    for (const body of [same, other]) await app.ask('POST', `${SHOP}/jobs`, body);
    const { id, at } = await announce(`${SHOP}/jobs/${first.id}`, csv.length);
    await send(at, 0, csv);
    await announce(`${SHOP}/jobs/${first.id}`, 99); // not whole yet
    const seen = async (job: string) => (await app.ask('GET', `${SHOP}/jobs/${job}/captures-alike`)).body;
    expect(await seen(second.id)).toEqual([
      expect.objectContaining({ id, vehicle: first.vehicle.name, isSameVehicle: true }),
    ]);
    expect(await seen(same.id)).toEqual([expect.objectContaining({ id, isSameVehicle: false })]);
    expect(await seen(other.id)).toEqual([]);
    expect(await seen(first.id)).toEqual([]);
  });

  it('of somebody else’s job is not shown to an apprentice, nor laid beneath, nor are its vehicle’s visits', async () => {
    await addMember(app.pool, 'one', 'Bo', 'apprentice');
    const bo = await app.signIn('one', 'Bo');
    const [own, others] = [jobBody(), jobBody()];
    await app.ask('POST', `${SHOP}/jobs`, own);
    await app.ask('POST', `${SHOP}/jobs`, { ...others, vehicle: own.vehicle });
    const { id, at } = await announce(`${SHOP}/jobs/${others.id}`, csv.length);
    await send(at, 0, csv);
    const take = (job: string, assignee: string) => app.ask('PATCH', `${SHOP}/jobs/${job}`, { version: 1, assignee });
    await take(own.id, 'Bo');
    const beneath = () => app.ask('GET', `${SHOP}/jobs/${own.id}/captures-alike`, undefined, bo);
    const visits = () => app.ask('GET', `${SHOP}/vehicles/${own.vehicle.id}/visits`, undefined, bo);
    expect((await beneath()).body).toEqual([expect.objectContaining({ id })]); // nobody has it yet
    expect((await visits()).body).toHaveLength(2);
    await take(others.id, 'Ada');
    expect((await beneath()).body).toEqual([]);
    expect((await visits()).body).toEqual([expect.objectContaining({ job: own.id })]);
    expect((await app.ask('GET', `${at}/file`, undefined, bo)).status).toBe(404);
  });

  it('is listed by page, the newest first, each once', async () => {
    const job = await openJob();
    const ids: string[] = [];
    for (let i = 0; i < 5; i++) ids.unshift((await announce(job, 10 + i)).id);
    const all = await pagesOf<{ id: string }>(app, `${job}/captures?limit=2`);
    expect([all.flat().map(({ id }) => id), all.length]).toEqual([ids, 3]);
    const bad = await app.ask('GET', `${job}/captures?limit=0&after=x`);
    expect(bad.body.errors.map(({ field }: { field: string }) => field).sort()).toEqual(['after', 'limit']);
  });

  it('of another shop is not found, and cannot be changed by anybody', async () => {
    const { id, at } = await announce(await openJob(), csv.length);
    await send(at, 0, csv);
    for (const path of [`/api/shops/two/captures/${id}/file`]) expect((await app.ask('GET', path)).status).toBe(404);
    await expect(app.owner.query('DELETE FROM capture_piece WHERE capture_id = $1', [id])).rejects.toThrow(
      'append-only',
    );
  });
});

describe('what does not fit', () => {
  it('is refused by its field, and nothing is stored of it', async () => {
    const job = await openJob();
    const field = async (more: object) =>
      (await app.ask('POST', `${job}/captures`, { id: randomUUID(), name: 'a.csv', bytes: 10, ...more })).body.errors[0]
        .field;
    expect(await field({ bytes: 0 })).toBe('bytes');
    expect(await field({ bytes: 2e9 })).toBe('bytes');
    expect(await field({ name: '' })).toBe('name');
    expect(await field({ id: 'x' })).toBe('id');
    expect((await app.ask('GET', `${job}/captures`)).body).toEqual([]);
  });

  it('a piece of the wrong length, number or content', async () => {
    const { at } = await announce(await openJob(), 10);
    expect((await send(at, 0, Buffer.alloc(9))).status).toBe(422);
    expect((await send(at, 1, Buffer.alloc(10))).status).toBe(422);
    expect((await send(at, 'first', Buffer.alloc(10))).status).toBe(422);
    expect((await send(at, 0, Buffer.alloc(10, 1))).status).toBe(204);
    expect((await send(at, 0, Buffer.alloc(10, 2))).status).toBe(409);
    expect((await send(at, 0, Buffer.alloc(2 * CAPTURE_PIECE_BYTES))).status).toBe(413);
    expect((await send(`${SHOP}/captures/${randomUUID()}`, 0, Buffer.alloc(10))).status).toBe(404);
  });

  it('a finding that is none is refused by its path', async () => {
    const { at } = await announce(await openJob(), csv.length);
    await send(at, 0, csv);
    const bad = await app.ask('POST', `${at}/found`, { found: { ...found, sampleRateHz: -1 } });
    expect([bad.status, bad.body.errors[0].field]).toEqual([422, 'found.sampleRateHz']);
  });

  it('a file beyond what the shop may keep', async () => {
    const job = await openJob('/api/shops/two');
    await app.owner.query(
      `INSERT INTO capture (shop_id, capture_id, job_id, name, bytes) VALUES ('two', $1, $2, 'old.csv', 49500000000)`,
      [randomUUID(), job.split('/').at(-1)],
    );
    const refused = await app.ask('POST', `${job}/captures`, { id: randomUUID(), name: 'a.csv', bytes: 900_000_000 });
    expect([refused.status, refused.body.errors[0].allowed]).toEqual([413, 'at most 500000000 more']);
    // a day later nobody waits for the rest of it any more, and only what is stored of it counts
    await app.owner.query('ALTER TABLE capture DISABLE TRIGGER USER');
    await app.owner.query(`UPDATE capture SET added_at = now() - interval '25 hours' WHERE shop_id = 'two'`);
    await app.owner.query('ALTER TABLE capture ENABLE TRIGGER USER');
    const taken = await app.ask('POST', `${job}/captures`, { id: randomUUID(), name: 'a.csv', bytes: 900_000_000 });
    expect(taken.status).toBe(201);
  });
});
