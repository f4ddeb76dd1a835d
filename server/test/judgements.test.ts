/** Judgements are stored lean, and what was said at any time can be told, to the letter. */
import fc from 'fast-check';
import { BALANCED, fourNoteProfile, judge, judgeSurvey, simulateCase, survey } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { packed, unpacked, written } from '../src/judging/pack-judgement';
import type { Packed, Said, Written } from '../src/judging/pack-judgement';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

const SEED = 20261126;
const told = (subject: Case): Written => {
  const surveyed = survey(subject, BALANCED);
  return written({ document: judgeSurvey(surveyed), profile: fourNoteProfile(surveyed.assessments, subject.system) });
};

it('a chain of changes tells every judgement of any visit as it was', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 2 ** 31 }), (seed) => {
      const whole = simulateCase({ faults: ['cable-starter-ground'], severity: 0.7, seed });
      const all = whole.readings.map((_, at) => told({ ...whole, readings: whole.readings.slice(0, at + 1) }));
      const stored: Packed[] = all.map((now, at) => packed(at === 0 ? null : all[at - 1]!.said, now));
      let before: Said | null = null;
      for (const [at, one] of stored.entries()) {
        before = unpacked(before, one);
        expect(before).toEqual(all[at]!.said);
      }
    }),
    { numRuns: 6, seed: SEED },
  );
}, 30_000);

it('one that was touched is not told', () => {
  const now = told({
    format: 'tetrad-case/1',
    system: { nominalVolts: 12, battery: { chemistry: 'agm' } },
    readings: [],
  });
  const stored = packed(null, now);
  const other = packed(null, written({ ...now.said, profile: { ...now.said.profile, notes: [] } as never }));
  expect(() => unpacked(null, { ...stored, packed: other.packed })).toThrow('does not add up');
});

describe('a job of a hundred readings', () => {
  let app: Application;
  let path: string;
  let id: string;
  const seen: unknown[] = [];
  beforeAll(async () => {
    app = await startApplication();
    const body = jobBody();
    id = body.id;
    path = `/api/shops/one/jobs/${id}`;
    await app.ask('POST', '/api/shops/one/jobs', body);
    const tests = ['resting-voltage', 'cranking-voltage', 'charging-voltage', 'ripple-ac'] as const;
    for (let at = 0; at < 100; at++) {
      const value = [12.6, 10.4, 14.1, 0.03][at % 4]! + (at % 7) / 100;
      seen.push((await app.ask('POST', `${path}/readings`, readingBody(tests[at % 4]!, value))).body.judgement);
    }
  }, 120_000);
  afterAll(() => app.close());

  it('stores at most a kilobyte of judgement a reading', async () => {
    const { rows } = await app.owner.query(
      `SELECT (SELECT sum(pg_column_size(j.*)) FROM judgement j WHERE job_id = $1)
            + (SELECT sum(pg_column_size(n.*)) FROM judgement_newest n WHERE job_id = $1) AS bytes`,
      [id],
    );
    expect(Number(rows[0].bytes) / 100).toBeLessThan(1000);
  });

  it('tells what was said then: the same as was answered then', async () => {
    const list = (await app.ask('GET', `${path}/judgements`)).body as { seq: number }[];
    expect(list).toHaveLength(101);
    for (const at of [0, 1, 50, 63, 64, 65, 99]) {
      const { body } = await app.ask('GET', `${path}/judgements/${list[99 - at]!.seq}`);
      expect(body.document).toEqual(seen[at]);
    }
    expect((await app.ask('GET', `${path}/judgements/999999`)).status).toBe(404);
    expect((await app.ask('GET', `${path}/judgements/first`)).status).toBe(422);
  });

  it('is judged as the core judges it', async () => {
    const { case: subject, judgement } = (await app.ask('GET', path)).body;
    expect(judgement).toEqual(JSON.parse(JSON.stringify(judge(subject as Case))));
  });
});
