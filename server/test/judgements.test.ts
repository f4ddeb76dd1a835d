/** Judgements are stored lean, and what was said at any time can be told, to the letter. */
import fc from 'fast-check';
import { BALANCED, fourNoteProfile, judge, judgeSurvey, simulateCase, survey } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { canonical } from '../src/platform/canonical';
import { sharing } from '../src/judgements/sharing';
import { packed, unpacked, written } from '../src/judgements/pack-judgement';
import type { Packed, Said, Written } from '../src/judgements/pack-judgement';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

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
    { numRuns: 6 },
  );
}, 30_000);

/** The same content with the fields of every object the other way round. */
const turned = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(turned);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .reverse()
      .map(([name, entry]) => [name, turned(entry)]),
  );
};
/** What JSON can hold, with names as documents have them. */
const content = fc.letrec((tie) => ({
  any: fc.oneof(
    { maxDepth: 4, depthSize: 'small' },
    fc.oneof(fc.integer(), fc.string(), fc.boolean(), fc.constant(null)),
    fc.array(tie('any'), { maxLength: 4 }),
    fc.dictionary(fc.stringMatching(/^[a-z]{1,3}$/), tie('any'), { maxKeys: 4 }),
  ),
})).any;

it('content has one text, in whatever order its fields came', () => {
  fc.assert(
    fc.property(content, (value) => {
      expect(canonical(turned(value))).toBe(canonical(value));
      expect(JSON.parse(canonical(value))).toEqual(JSON.parse(JSON.stringify(value)));
    }),
  );
});

it('what is made of the parts of the one before is the same, and shares every part that is', () => {
  fc.assert(
    fc.property(content, content, (before, now) => {
      const both = { before: [before, now], now: [before, now, before] };
      expect(sharing(now, before)).toEqual(now);
      expect(sharing(structuredClone(before), before)).toBe(before);
      expect(sharing(structuredClone(both.now), both.before)).toEqual(both.now);
    }),
  );
});

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
      const kind = Math.floor(at / 25); // one visit for each state of the engine, as they are planned
      const value = [12.6, 10.4, 14.1, 0.03][kind]! + (at % 7) / 100;
      seen.push((await app.ask('POST', `${path}/readings`, readingBody(tests[kind]!, value))).body.judgement);
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
