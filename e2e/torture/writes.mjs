/** How long a reading takes to store at twenty clients, beside a bare Express route that does the same INSERT. */
import { randomUUID } from 'node:crypto';
import express from 'express';
import pg from 'pg';
import { openJob } from './kills.mjs';

const CLIENTS = 20;
/** Writes of each client before anything is timed, and rounds of which the middle one counts. */
const WARM = 15;
const ROUNDS = 3;

async function timed(clients, each, send) {
  const begun = performance.now();
  let faults = 0;
  await Promise.all(
    Array.from({ length: clients }, async (_, client) => {
      for (let i = 0; i < each; i++) if ((await send(client)) >= 500) faults++;
    }),
  );
  return { perWriteMs: (performance.now() - begun) / each, faults };
}

/** @returns {Promise<{ ownMs: number, bareMs: number, faults: number }>} per write of one client, ms */
export async function writes(app, each) {
  let jobs = [];
  /** A vehicle of its own for each client: a job has some tens of readings, not hundreds. */
  const nextJobs = async () => (jobs = await Promise.all(Array.from({ length: CLIENTS }, () => openJob(app))));
  const body = () => ({ reading: { id: randomUUID(), test: 'resting-voltage', value: 12.6 } });
  const pool = new pg.Pool({ connectionString: app.databaseUrl, max: 10 });
  await pool.query(
    'CREATE TABLE bare (shop_id text, job_id uuid, reading_id text, test text, document jsonb, PRIMARY KEY (shop_id, job_id, reading_id))',
  );
  const bare = express();
  bare.post('/jobs/:job/readings', express.json(), async (request, response) => {
    const { reading } = request.body;
    await pool.query('INSERT INTO bare VALUES ($1, $2, $3, $4, $5)', [
      'yard',
      request.params.job,
      reading.id,
      reading.test,
      reading,
    ]);
    response.status(201).json(reading);
  });
  const server = await new Promise((resolve) => {
    const listening = bare.listen(0, '127.0.0.1', () => resolve(listening));
  });
  const at = `http://127.0.0.1:${server.address().port}`;
  const toBare = async (client) => {
    const answer = await fetch(`${at}/jobs/${jobs[client]}/readings`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body()),
    });
    await answer.arrayBuffer();
    return answer.status;
  };
  const toOwn = async (client) => {
    const id = randomUUID();
    const answer = await app.ask('POST', `/jobs/${jobs[client]}/readings`, body(), { 'idempotency-key': id });
    await answer.arrayBuffer();
    return answer.status;
  };
  await nextJobs();
  await timed(CLIENTS, WARM, toBare);
  await timed(CLIENTS, WARM, toOwn);
  // in turns: what else the machine does meets both
  const rounds = [];
  for (let round = 0; round < ROUNDS; round++) {
    await nextJobs();
    rounds.push([await timed(CLIENTS, each, toBare), await timed(CLIENTS, each, toOwn)]);
  }
  const [reference, own] = rounds.sort(([a, b], [c, d]) => b.perWriteMs / a.perWriteMs - d.perWriteMs / c.perWriteMs)[
    Math.floor(ROUNDS / 2)
  ];
  await new Promise((resolve) => server.close(resolve));
  server.closeAllConnections();
  await pool.end();
  return {
    ownMs: own.perWriteMs,
    bareMs: reference.perWriteMs,
    faults: rounds.reduce((sum, [, { faults }]) => sum + faults, 0),
  };
}
