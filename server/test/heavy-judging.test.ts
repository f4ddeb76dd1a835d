/** Nobody waits for a thread with a job locked or a transaction open, and paper never stands before a reading. */
import { judge } from '../src/judgements/judge-task';
import { doHeavyWork, heavyWork } from '../src/platform/workers/heavy-work';
import type { HeavyWork } from '../src/platform/workers/heavy-work';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

const READINGS = 220;
const usual = heavyWork();
/** Judging that waits until it is let go, as in a thread that has other work. */
class SlowJudging {
  readonly waiting: (() => void)[] = [];
  readonly work: HeavyWork = {
    ...usual,
    run: async (task, given, signal) => {
      if (task.name === 'judge') await new Promise<void>((resolve) => this.waiting.push(resolve));
      return usual.run(task, given, signal);
    },
  };
  async letGo(): Promise<void> {
    while (this.waiting.length === 0) await new Promise(setImmediate);
    this.waiting.shift()!();
  }
}

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterEach(() => doHeavyWork(usual));
afterAll(() => app.close());

const shop = '/api/shops/one';
async function longJob(): Promise<string> {
  const { id, ...body } = jobBody();
  const readings = Array.from({ length: READINGS }, (_, i) => ({
    ...{ id: `r${i}`, test: 'resting-voltage', value: 12.4 + (i % 9) / 100 },
  }));
  const subject = { format: 'tetrad-case/1', title: id, system: body.system, readings };
  return `${shop}/jobs/${(await app.ask('POST', `${shop}/cases`, subject)).body.id}`;
}
const connections = async (): Promise<number> =>
  Number(
    (
      await app.owner.query(
        "SELECT count(*) FROM pg_stat_activity WHERE datname = current_database() AND state LIKE 'idle in transaction%'",
      )
    ).rows[0].count,
  );

it('a long case is judged with no transaction open, and stored with what the judge said', async () => {
  const job = await longJob();
  const slow = new SlowJudging();
  doHeavyWork(slow.work);
  const adding = app.ask('POST', `${job}/readings`, readingBody('cranking-voltage', 10.2));
  while (slow.waiting.length === 0) await new Promise(setImmediate);
  expect(await connections()).toBe(0);
  // the job is free meanwhile: it can be read, and what is no evidence is stored
  expect((await app.ask('POST', `${job}/acknowledgements`, { caution: 'acid' })).status).toBe(201);
  await slow.letGo();
  const { status, body } = await adding;
  expect([status, body.case.readings.length]).toEqual([201, READINGS + 1]);
  expect(body.judgement).toEqual(
    JSON.parse(JSON.stringify(judge({ subject: body.case, criteria: await balanced() }).judgement)),
  );
});

it('of two at once both count, and the judgement is of both', async () => {
  const job = await longJob();
  const slow = new SlowJudging();
  doHeavyWork(slow.work);
  const both = [10.2, 10.4].map((value) => app.ask('POST', `${job}/readings`, readingBody('cranking-voltage', value)));
  let open = true;
  const letting = (async () => {
    while (open) {
      slow.waiting.shift()?.();
      await new Promise(setImmediate);
    }
  })();
  const answers = await Promise.all(both);
  open = false;
  await letting;
  expect(answers.map(({ status }) => status)).toEqual([201, 201]);
  const { body } = await app.ask('GET', job);
  expect(body.case.readings).toHaveLength(READINGS + 2);
  expect(body.judgement).toEqual(
    JSON.parse(JSON.stringify(judge({ subject: body.case, criteria: await balanced() }).judgement)),
  );
});

async function balanced() {
  const { BALANCED } = await import('@tetrad/core');
  return BALANCED;
}
