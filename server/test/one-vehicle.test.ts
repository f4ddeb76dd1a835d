/** One vehicle is one record that is listed, however records are merged, moved, brought in and taken back. */
import { randomUUID } from 'node:crypto';
import * as fc from 'fast-check';
import { jobBody, pagesOf, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const shop = '/api/shops/one';
const post = (path: string, body: object = {}) => app.ask('POST', `${shop}${path}`, body);
async function openJob(more: object = {}): Promise<{ readonly job: string; readonly vehicle: string }> {
  const body = jobBody();
  Object.assign(body.vehicle, more);
  expect((await post('/jobs', body)).status).toBe(201);
  return { job: body.id, vehicle: body.vehicle.id };
}
const merge = (from: string, to: string, id = randomUUID()) => post(`/vehicles/${from}/moves`, { id, to });
const visitsOf = async (vehicle: string): Promise<string[]> =>
  (await app.ask('GET', `${shop}/vehicles/${vehicle}/visits`)).body.map(({ job }: { job: string }) => job);
interface Listed {
  readonly id: string;
  readonly plate: string | null;
}
const listed = async (): Promise<Listed[]> => (await pagesOf<Listed>(app, `${shop}/vehicles?limit=100`)).flat();

describe('merging', () => {
  it('both ways, or crossing at once, leaves one of the two with every job', async () => {
    const [one, other] = [await openJob(), await openJob()];
    expect((await merge(one.vehicle, other.vehicle)).status).toBe(201);
    const back = await merge(other.vehicle, one.vehicle);
    expect([back.status, back.body.errors[0].field]).toEqual([422, 'to']);
    expect((await visitsOf(one.vehicle)).sort()).toEqual([one.job, other.job].sort());
    for (let pair = 0; pair < 5; pair++) {
      const [a, b] = [await openJob(), await openJob()];
      const answers = await Promise.all([merge(a.vehicle, b.vehicle), merge(b.vehicle, a.vehicle)]);
      expect(answers.map(({ status }) => status).sort()).toEqual([201, 422]);
      const ids = (await listed()).map(({ id }) => id);
      expect([a, b].filter(({ vehicle }) => ids.includes(vehicle))).toHaveLength(1);
    }
  });

  it('takes plate, battery and odometer along, over three records, and gives them back', async () => {
    const [a, b, c] = [await openJob(), await openJob({ plate: undefined }), await openJob({ plate: undefined })];
    await app.ask('PATCH', `${shop}/vehicles/${a.vehicle}`, { group: 'Odometer', batteryFittedOn: '2024-05-01' });
    await app.ask('PUT', `${shop}/vehicles/${a.vehicle}/uses/${randomUUID()}`, { km: 12_000 });
    const plan = randomUUID();
    await app.ask('PUT', `${shop}/rounds/${plan}`, { group: 'Odometer', everyKm: 10_000 });
    const moves = [randomUUID(), randomUUID()];
    await merge(a.vehicle, b.vehicle, moves[0]);
    await merge(b.vehicle, c.vehicle, moves[1]);
    const { plate } = (await app.ask('GET', `${shop}/vehicles/${a.vehicle}`)).body;
    const [due] = (await app.ask('GET', `${shop}/rounds/${plan}/vehicles`)).body;
    expect(due).toMatchObject({
      vehicle: { id: c.vehicle, plate, group: 'Odometer', batteryFittedOn: '2024-05-01' },
      use: { km: 12_000 },
    });
    await post(`/vehicle-moves/${moves[0]}/undo`);
    const now = (await listed()).filter(({ id }) => [a, b, c].some(({ vehicle }) => vehicle === id));
    expect(now.map(({ id, plate: shown }) => [id, shown]).sort()).toEqual(
      [
        [a.vehicle, plate],
        [c.vehicle, null],
      ].sort(),
    );
    expect(await visitsOf(a.vehicle)).toEqual([a.job]);
  });

  it('what is written to a merged record, at any depth, is written to the one it has become', async () => {
    const [a, b, c] = [await openJob(), await openJob(), await openJob()];
    await merge(a.vehicle, b.vehicle);
    await merge(b.vehicle, c.vehicle);
    const late = await openJob({ id: a.vehicle });
    expect((await app.ask('GET', `${shop}/jobs/${late.job}`)).body.vehicle.id).toBe(c.vehicle);
    await app.ask('PATCH', `${shop}/vehicles/${a.vehicle}`, { group: 'Written late' });
    expect((await app.ask('GET', `${shop}/vehicles/${c.vehicle}`)).body.group).toBe('Written late');
  });
});

describe('a plate or a VIN', () => {
  it('belongs to one vehicle: a job of a new record with it is a job of that vehicle', async () => {
    const known = await openJob({ plate: 'TW-1 x' });
    const again = await openJob({ plate: 'tw 1X', name: 'The same van' });
    expect((await visitsOf(known.vehicle)).sort()).toEqual([known.job, again.job].sort());
    const other = await openJob();
    const taken = await app.ask('PATCH', `${shop}/vehicles/${other.vehicle}`, { plate: 'TW 1 X' });
    expect([taken.status, taken.body.errors[0]]).toEqual([409, expect.objectContaining({ field: 'plate' })]);
  });

  it('of four imports at once makes one vehicle', async () => {
    const rows = [{ name: 'Imported at once', plate: 'AT-ONCE 1' }];
    const answers = await Promise.all(
      [1, 2, 3, 4].map(() => post('/vehicle-imports', { id: randomUUID(), rows, isApplied: true })),
    );
    const said = answers.map(({ body }) => body.rows[0].what).sort();
    expect(said).toEqual(['new', 'same', 'same', 'same']);
    expect((await listed()).filter(({ plate }) => plate === 'AT-ONCE 1')).toHaveLength(1);
  });
});

describe('an import that is taken back', () => {
  it('leaves what somebody has set since', async () => {
    const { vehicle } = await openJob({ plate: 'UNDO 1' });
    const id = randomUUID();
    const rows = [{ name: 'Renamed', plate: 'UNDO 1', group: 'Of the list' }];
    await post('/vehicle-imports', { id, rows, isApplied: true });
    await app.ask('PATCH', `${shop}/vehicles/${vehicle}`, { year: 2016, group: 'Set later' });
    await post(`/vehicle-imports/${id}/undo`);
    const now = (await app.ask('GET', `${shop}/vehicles/${vehicle}`)).body;
    expect(now).toMatchObject({ name: 'Test van 1.8 petrol', year: 2016, group: 'Set later', plate: 'UNDO 1' });
  });

  it('a vehicle that was removed by it stands again when somebody writes to it', async () => {
    const id = randomUUID();
    await post('/vehicle-imports', { id, rows: [{ name: 'Comes back', plate: 'BACK 1' }], isApplied: true });
    const [{ id: vehicle }] = (await listed()).filter(({ plate }) => plate === 'BACK 1') as [Listed];
    await post(`/vehicle-imports/${id}/undo`);
    expect((await listed()).some(({ plate }) => plate === 'BACK 1')).toBe(false);
    await openJob({ id: vehicle, plate: 'BACK 1' });
    expect((await listed()).filter(({ plate }) => plate === 'BACK 1')).toHaveLength(1);
  });
});

/** One thing that a shop does with its vehicles; figures choose among those that are there. */
type Act =
  | { readonly do: 'job' | 'use' | 'battery'; readonly of: number }
  | { readonly do: 'merge' | 'move'; readonly of: number; readonly to: number }
  | { readonly do: 'import' | 'undo-move' | 'undo-import'; readonly of: number };

const figure = fc.nat(11);
const act: fc.Arbitrary<Act> = fc.oneof(
  fc.record({ do: fc.constantFrom('job' as const, 'use' as const, 'battery' as const), of: figure }),
  fc.record({ do: fc.constantFrom('merge' as const, 'move' as const), of: figure, to: figure }),
  fc.record({ do: fc.constantFrom('import' as const, 'undo-move' as const, 'undo-import' as const), of: figure }),
);

/** A handful of vehicles, with all that was written to them. */
class Fleet {
  readonly #name = `Fleet ${randomUUID().slice(0, 8)}`;
  readonly vehicles = Array.from({ length: 6 }, () => randomUUID() as string);
  readonly jobs: string[] = [];
  readonly uses: string[] = [];
  readonly #moves: string[] = [];
  readonly #imports: string[] = [];

  async do(one: Act): Promise<void> {
    const vehicle = this.#of(this.vehicles, one.of)!;
    switch (one.do) {
      case 'job': {
        const body = jobBody();
        Object.assign(body.vehicle, { id: vehicle, name: this.#name, plate: undefined });
        if ((await post('/jobs', body)).status === 201) this.jobs.push(body.id);
        return;
      }
      case 'use': {
        const use = randomUUID();
        const { status } = await app.ask('PUT', `${shop}/vehicles/${vehicle}/uses/${use}`, { km: 1000 + one.of });
        if (status === 204) this.uses.push(use);
        return;
      }
      case 'battery':
        return void (await app.ask('PATCH', `${shop}/vehicles/${vehicle}`, { batteryFittedOn: '2025-03-01' }));
      case 'merge':
      case 'move': {
        const [id, to] = [randomUUID(), this.#of(this.vehicles, one.to)!];
        const job = this.#of(this.jobs, one.of);
        const jobs = one.do === 'move' && job ? { jobs: [job] } : {};
        if ((await post(`/vehicles/${vehicle}/moves`, { id, to, ...jobs })).status === 201) this.#moves.push(id);
        return;
      }
      case 'import': {
        const id = randomUUID();
        const rows = [{ name: this.#name, plate: `${this.#name} ${one.of % 3}` }];
        const { status } = await post('/vehicle-imports', { id, rows, isApplied: true });
        if (status === 201) this.#imports.push(id);
        for (const { id: found } of await this.listed()) if (!this.vehicles.includes(found)) this.vehicles.push(found);
        return;
      }
      case 'undo-move':
        return void (await post(`/vehicle-moves/${this.#of(this.#moves, one.of) ?? randomUUID()}/undo`));
      case 'undo-import':
        return void (await post(`/vehicle-imports/${this.#of(this.#imports, one.of) ?? randomUUID()}/undo`));
    }
  }

  listed = async (): Promise<Listed[]> =>
    (await app.ask('GET', `${shop}/vehicles?limit=100&find=${encodeURIComponent(this.#name)}`)).body;

  #of<T>(all: readonly T[], at: number): T | undefined {
    return all[at % Math.max(1, all.length)];
  }
}

it('every job and odometer is found from exactly one listed vehicle, whatever was done at once', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.array(act, { minLength: 1, maxLength: 3 }), { maxLength: 12 }), async (steps) => {
      const fleet = new Fleet();
      for (const together of steps) await Promise.all(together.map((one) => fleet.do(one)));
      const ids = (await fleet.listed()).map(({ id }) => id);
      const jobs = (await Promise.all(ids.map(visitsOf))).flat();
      expect(jobs.sort()).toEqual([...fleet.jobs].sort());
      const { rows } = await app.owner.query<{ id: string }>(
        `SELECT u.use_id AS id FROM unnest($1::uuid[]) l(id)
           JOIN vehicle_use u ON u.shop_id = 'one' AND u.vehicle_id = ANY (merged_records('one', l.id))`,
        [ids],
      );
      expect(rows.map(({ id }) => id).sort()).toEqual([...fleet.uses].sort());
      const plates = (await fleet.listed()).flatMap(({ plate }) => (plate === null ? [] : [plate]));
      expect(new Set(plates).size).toBe(plates.length);
    }),
    { numRuns: 40 },
  );
}, 120_000);
