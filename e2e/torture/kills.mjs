/** Devices write without a pause while server, database or connections are killed: nothing is lost, nothing done twice. */
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';

const RETRY_MS = 100;
const SYSTEM = { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } };
const READING = { test: 'resting-voltage', value: 12.6 };
const SIGNED = { action: 'charge-first', part: 'battery', conclusion: 'It is charged.', partsFitted: [] };

/**
 * Every kind of write that a device makes, by where its rows are: the table and the column of the id that the sender chose.
 *
 * @typedef {{ open: string, closed: string, vehicle: string, other: string, instrument: string }} Place What a writer works on.
 * @type {readonly { table: string, column: string, send: (id: string, place: Place) => [string, string, object] }[]}
 */
const KINDS = [
  {
    table: 'reading',
    column: 'reading_id',
    send: (id, { open }) => ['POST', `/jobs/${open}/readings`, { reading: { id, ...READING } }],
  },
  {
    table: 'observation',
    column: 'observation_id',
    send: (id, { open }) => [
      'POST',
      `/jobs/${open}/observations`,
      { id, observation: { about: 'belt', finding: 'good' } },
    ],
  },
  {
    table: 'timer',
    column: 'timer_id',
    send: (id, { open }) => ['POST', `/jobs/${open}/timers`, { id, kind: 'cool-down' }],
  },
  {
    table: 'capture',
    column: 'capture_id',
    send: (id, { open }) => ['POST', `/jobs/${open}/captures`, { id, name: 'start.csv', bytes: 10 }],
  },
  {
    table: 'job',
    column: 'job_id',
    send: (id) => ['POST', '/jobs', { id, vehicle: { id, name: 'Torture van' }, system: SYSTEM }],
  },
  {
    table: 'sign_off',
    column: 'sign_off_id',
    send: (id, { closed }) => ['POST', `/jobs/${closed}/sign-offs`, { id, ...SIGNED }],
  },
  {
    table: 'outcome',
    column: 'outcome_id',
    send: (id, { closed }) => ['POST', `/jobs/${closed}/outcomes`, { id, complaint: 'gone' }],
  },
  {
    table: 'vehicle_use',
    column: 'use_id',
    send: (id, { vehicle }) => ['PUT', `/vehicles/${vehicle}/uses/${id}`, { km: 12_000 }],
  },
  {
    table: 'vehicle_move',
    column: 'move_id',
    send: (id, { vehicle, other, closed }) => ['POST', `/vehicles/${vehicle}/moves`, { id, to: other, jobs: [closed] }],
  },
  {
    table: 'vehicle_import',
    column: 'import_id',
    send: (id) => [
      'POST',
      '/vehicle-imports',
      { id, rows: [{ name: 'Torture van', plate: id.slice(0, 8) }], isApplied: true },
    ],
  },
  {
    table: 'round_plan',
    column: 'plan_id',
    send: (id) => ['PUT', `/rounds/${id}`, { group: 'Torture', everyDays: 60 }],
  },
  {
    table: 'round_check',
    column: 'job_id',
    send: (id, { vehicle }) => [
      'POST',
      `/jobs/${id}/round-check`,
      {
        vehicle: { id: vehicle, name: 'Torture van' },
        system: SYSTEM,
        readings: [{ id: 'r1', ...READING }],
        observations: [],
      },
    ],
  },
  {
    table: 'maker_figures',
    column: 'figures_id',
    send: (id) => ['PUT', `/maker-figures/${id}`, { name: id, source: 'book', system: SYSTEM }],
  },
  {
    table: 'instrument',
    column: 'instrument_id',
    send: (id) => ['PUT', `/instruments/${id}`, { name: 'Meter', kind: 'meter', uncertainty: {}, retired: true }],
  },
  {
    table: 'instrument_check',
    column: 'check_id',
    send: (id, { instrument }) => ['POST', `/instruments/${instrument}/checks`, { id, findings: {} }],
  },
];
/** How many kinds of writes there are. */
export const WRITE_KINDS = KINDS.length;
const WRITERS = 6;

/**
 * @param {() => unknown} kill what is done to it again and again
 * @param {number} times
 * @returns {Promise<{ acknowledged: number, lost: number, twice: number, longestMs: number }>}
 */
export async function kills(app, kill, times) {
  const places = await Promise.all(Array.from({ length: WRITERS }, () => placeToWork(app)));
  const acknowledged = KINDS.map(() => []);
  let count = 0;
  let isOver = false;
  let last = performance.now();
  let longestMs = 0;
  const write = async (place, from) => {
    for (let turn = from; !isOver; turn++) {
      const which = turn % KINDS.length;
      const id = randomUUID();
      const [method, path, body] = KINDS[which].send(id, place);
      // as a device does: the same again until it is stored
      for (;;) {
        const [status, said] = await app
          .ask(method, path, body, { 'idempotency-key': id })
          .then(async (answer) => [answer.status, await answer.text()])
          .catch(() => [0, '']);
        if (status >= 200 && status < 300) break;
        if (status !== 0 && status < 500 && status !== 429)
          throw new Error(`a right write was refused: ${method} ${path}: ${status} ${said}`);
        await wait(RETRY_MS);
      }
      acknowledged[which].push(id);
      count++;
      longestMs = Math.max(longestMs, performance.now() - last);
      last = performance.now();
    }
  };
  const writers = places.map((place, at) => write(place, at * 3));
  for (let i = 0; i < times; i++) {
    await wait(60 + Math.random() * 140);
    // one that is just being started again has nothing to kill yet
    await Promise.resolve()
      .then(kill)
      .catch(() => undefined);
    // until it is back: the next kill meets work again
    const before = count;
    while (count < before + 2 * WRITERS) await wait(20);
  }
  isOver = true;
  await Promise.all(writers);
  let [lost, twice] = [0, 0];
  for (const [which, { table, column }] of KINDS.entries()) {
    const stored = await app.admin(
      `SELECT ${column}::text AS id, count(*)::int AS n FROM ${table} WHERE ${column}::text = ANY ($1) GROUP BY 1`,
      [acknowledged[which]],
    );
    const known = new Set(stored.map(({ id }) => id));
    lost += acknowledged[which].filter((id) => !known.has(id)).length;
    twice += stored.filter(({ n }) => n > 1).length;
  }
  const entries = await app.admin(
    `SELECT entry::jsonb #>> '{detail,reading}' AS id, count(*)::int AS n FROM act
      WHERE entry::jsonb->>'what' = 'reading-added' AND entry::jsonb #>> '{detail,reading}' = ANY ($1) GROUP BY 1`,
    [acknowledged[0]],
  );
  return { acknowledged: count, lost, twice: twice + entries.filter(({ n }) => n > 1).length, longestMs };
}

/** Jobs, vehicles and an instrument of one writer. */
async function placeToWork(app) {
  const [open, closed, other] = [await openJob(app), await openJob(app), await openJob(app)];
  const vehicleOf = async (job) => (await (await app.ask('GET', `/jobs/${job}`)).json()).vehicle.id;
  const instrument = randomUUID();
  const flat = { reading: { id: randomUUID(), test: 'resting-voltage', value: 11.2 } };
  const made = [
    await app.ask('POST', `/jobs/${closed}/readings`, flat),
    await app.ask('POST', `/jobs/${closed}/sign-offs`, { id: randomUUID(), ...SIGNED }),
    await app.ask('PUT', `/instruments/${instrument}`, {
      name: 'Meter',
      kind: 'meter',
      uncertainty: {},
      retired: true,
    }),
  ];
  for (const answer of made)
    if (!answer.ok) throw new Error(`what is worked on could not be made: ${answer.status} ${await answer.text()}`);
  return { open, closed, vehicle: await vehicleOf(closed), other: await vehicleOf(other), instrument };
}

export async function openJob(app) {
  const id = randomUUID();
  const body = {
    id,
    vehicle: { id: randomUUID(), name: 'Torture van 1.8 petrol' },
    system: { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } },
  };
  const answer = await app.ask('POST', '/jobs', body);
  if (answer.status !== 201) throw new Error(`a job could not be opened: ${answer.status}`);
  await answer.arrayBuffer();
  return id;
}
