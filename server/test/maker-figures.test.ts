/** The shop's library of makers' figures: kept with its source, one record a name, tables in as a whole or not at all. */
import { randomUUID } from 'node:crypto';
import type { MakerFiguresView } from '@tetrad/contracts';
import type { System } from '@tetrad/core';
import { addMember, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'apprentice');
});
afterAll(() => app.close());

const at = '/api/shops/one/maker-figures';
const system = (max: number): System => ({
  nominalVolts: 12,
  battery: { chemistry: 'agm', rating: { value: 760, standard: 'EN' }, capacityAh: 80 },
  engine: { cylinders: 4, fuel: 'diesel', displacementLitres: 2 },
  specified: {
    starterDrawAmps: { min: 180, max },
    crankingVolts: { min: 9.8 },
    chargingVolts: { min: 13.9, max: 14.7 },
  },
});
const figures = (name: string, max = 260) => ({ name, source: 'Workshop manual, p. 12', system: system(max) });
const list = async (): Promise<readonly MakerFiguresView[]> => (await app.ask('GET', at)).body;

it('keeps a record with who and when, changes it, and removes it', async () => {
  const id = randomUUID();
  const kept = await app.ask('PUT', `${at}/${id}`, figures('2.0 diesel'));
  expect([kept.status, kept.body]).toEqual([200, expect.objectContaining({ id, name: '2.0 diesel', by: 'Ada' })]);
  await app.ask('PUT', `${at}/${id}`, figures('2.0 diesel', 300));
  const [found] = await list();
  expect(found!.system.specified!.starterDrawAmps).toEqual({ min: 180, max: 300 });
  expect((await app.ask('DELETE', `${at}/${id}`)).status).toBe(204);
  expect([await list(), (await app.ask('DELETE', `${at}/${id}`)).status]).toEqual([[], 404]);
});

it('a name belongs to one record, whatever its capitals', async () => {
  await app.ask('PUT', `${at}/${randomUUID()}`, figures('1.2 petrol'));
  const again = await app.ask('PUT', `${at}/${randomUUID()}`, figures('1.2 PETROL '));
  expect([again.status, again.body.errors[0]]).toEqual([
    422,
    { field: 'name', found: '1.2 PETROL', allowed: 'a name that no other record has' },
  ]);
});

it('a table comes in whole: new, changed and unchanged rows are counted', async () => {
  const bring = (rows: readonly object[]) => app.ask('POST', '/api/shops/one/maker-figure-imports', { rows });
  const first = await bring([figures('3.0 diesel'), figures('1.2 petrol', 240)]);
  expect([first.status, first.body]).toEqual([201, { added: 1, changed: 1, same: 0 }]);
  expect((await bring([figures('3.0 Diesel'), figures('3.5 petrol')])).body).toEqual({ added: 1, changed: 1, same: 0 });
  expect((await bring([figures('3.5 petrol')])).body).toEqual({ added: 0, changed: 0, same: 1 });
  const names = (await list()).map(({ name }) => name);
  const bad = await bring([figures('4.0 diesel'), { ...figures('x'), system: { ...system(1), nominalVolts: 11 } }]);
  expect([bad.status, bad.body.errors[0].field]).toEqual([422, 'rows[1].system.nominalVolts']);
  const twice = await bring([figures('5.0 diesel'), figures('5.0 DIESEL')]);
  expect([twice.status, twice.body.errors[0]]).toEqual([
    422,
    { field: 'rows[1].name', found: '5.0 DIESEL', allowed: 'a name of its own: row 1 has it' },
  ]);
  expect((await list()).map(({ name }) => name)).toEqual(names);
});

it.each([
  ['name', { name: '' }],
  ['source', { source: 'x'.repeat(201) }],
  ['system.battery.chemistry', { system: { nominalVolts: 12, battery: { chemistry: 'lead' } } }],
])('a wrong %s is refused by field, and nothing is stored', async (field, more) => {
  const id = randomUUID();
  const answer = await app.ask('PUT', `${at}/${id}`, { ...figures('7.2 diesel'), ...more });
  expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
  expect((await list()).some((one) => one.id === id)).toBe(false);
});

it('an apprentice reads it and changes nothing', async () => {
  const bo = await app.signIn('one', 'Bo');
  expect((await app.ask('GET', at, undefined, bo)).status).toBe(200);
  expect((await app.ask('PUT', `${at}/${randomUUID()}`, figures('9.9 petrol'), bo)).status).toBe(403);
});
